import { afterEach, describe, expect, test } from '@jest/globals'
import { cleanup, screen, waitFor } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import { atHours, type FirstDay } from '#core/estimate/promise.ts'
import { makeAct, type Draft } from '#records/act.ts'
import { journalViewOf } from '#session/journal-view.ts'
import { lastClosing } from '#session/closing.ts'
import { everyFigureAgrees } from '#testing/every-figure.ts'
import { calls } from '#workers/calls.ts'
import { idleEstimator, memoryStore, NOW, renderPlace, testMaker } from '#testing/place-harness.tsx'
import BoxPlace from './box-place.tsx'

afterEach(cleanup)
const HOUR = 3_600_000
const acts = boathouseLoft(NOW, 'UTC')
// after the demonstration's last round
const CLOSED = NOW - 15 * HOUR
const heated: Draft = {
  kind: 'charge.heated',
  atMs: CLOSED,
  payload: { chargeId: 'cox-beads', temperatureC: 110, hours: 2, oven: 'electric', roomId: null },
}
const read = (hours: number, rhPercent: number): Draft => ({
  kind: 'reading.taken',
  atMs: CLOSED + hours * HOUR,
  payload: {
    place: { in: 'box', boxId: 'cox' },
    instrumentId: 'round-display',
    relativeHumidityPercent: rhPercent,
    temperatureC: 9,
    temperatureKnown: 'measured',
  },
})
const renewed = makeAct(testMaker, 'Cox: renewed', [heated])
const closing = lastClosing(journalViewOf([...acts, renewed], [], NOW), 'cox')!
const promise: FirstDay = calls.firstDay(closing.facts)
const middle = (hours: number) => Math.round(atHours(promise, promise.middleRh, hours)!)

const open = (readings: readonly Draft[]) =>
  renderPlace(<BoxPlace />, {
    store: memoryStore([...acts, renewed, ...readings.map(one => makeAct(testMaker, 'read', [one]))]),
    path: '/box/:boxId',
    at: '/box/cox',
    estimator: { ...idleEstimator, firstDay: () => Promise.resolve(promise) },
  })
const line = async () => {
  const found = await waitFor(() => {
    const part = document.querySelector('[data-part="first-days"]')
    expect(part).not.toBeNull()
    return part
  })
  return found?.textContent.replaceAll('\u2006', ' ')
}

describe('the first days after a renewal', () => {
  test('what is promised stands on what was known then, not on what came', () => {
    const later = makeAct(testMaker, 'read', [read(12, 60)])
    const again = lastClosing(journalViewOf([...acts, renewed, later], [], NOW), 'cox')!
    expect(again).toEqual(closing)
    expect(closing.closedMs).toBe(CLOSED)
    expect(lastClosing(journalViewOf(acts, [], NOW), 'cox')).toBeNull()
  })
  test('four hours, each with its range and its reason', async () => {
    open([])
    expect(await line()).toMatch(
      /It should show \d+ % after 1 h \(\d+–\d+\), \d+ after 6 h \(\d+–\d+\), \d+ after a day \(\d+–\d+\), \d+ after three days \(\d+–\d+\)\./,
    )
    expect(await everyFigureAgrees('[data-part="first-days"] [data-quantity]')).toBe(12)
  })
  test('a reading inside it is no surprise', async () => {
    open([read(6, middle(6)), read(12, middle(12))])
    expect(await line()).toMatch(/What was read since lies inside that\.$/)
    expect(document.querySelectorAll('[data-part="first-days"] circle')).toHaveLength(2)
  })
  test('one outside it says as what, and the test', async () => {
    open([1, 6, 12].map(hours => read(hours, Math.min(70, middle(hours) + 14))))
    expect(await line()).toMatch(/% .* lies outside that, as if .*\./)
    expect(screen.getByRole('link', { name: 'How true it is' })).toBeTruthy()
  })
})
