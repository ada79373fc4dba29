import { afterEach, beforeAll, describe, expect, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import { estimateBox } from '#core/estimate/estimate-box.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import { boxFacts } from '#journal/box-facts.ts'
import { boxView } from '#journal/box-view.ts'
import { fold } from '#journal/fold.ts'
import { makeAct } from '#records/act.ts'
import { idleEstimator, memoryStore, NOW, renderPlace, testMaker } from '#testing/place-harness.tsx'
import WrongPlace from './wrong-place.tsx'

afterEach(cleanup)
const acts = boathouseLoft(NOW, 'UTC')
const state = fold(acts)
let rigger: BoxReport
beforeAll(() => {
  rigger = estimateBox(boxFacts(state, boxView(state, 'rigger', NOW)!, NOW)!)
})
const open = (report: BoxReport, boxId = 'rigger') => {
  const store = memoryStore([...acts])
  renderPlace(<WrongPlace />, {
    store,
    path: '/box/:boxId/wrong',
    at: `/box/${boxId}/wrong`,
    estimator: { ...idleEstimator, report: () => Promise.resolve(report) },
  })
  return store
}
const heading = async () => (await screen.findByRole('heading', { level: 1 })).textContent

describe('what is wrong', () => {
  test('a seal that slipped is named by its act, with its rivals, what speaks for each and the test', async () => {
    open(rigger)
    await waitFor(async () => expect(await heading()).toBe('Seal Rigger'))
    expect(screen.getByText(/The lid leaks: since about .*, some \d+ times what it let in\./)).toBeTruthy()
    const rows = screen.getAllByRole('row').slice(1)
    expect(rows.length).toBeGreaterThan(2)
    expect(rows[0]!.dataset['cause']).toBe('leak')
    expect(
      within(rows[0]!).getAllByText(/shows \d+: this would show \d+, the other \d+/).length,
    ).toBeGreaterThan(0)
    expect(screen.getByText('The one test that parts 1 and 2')).toBeTruthy()
    expect(screen.getByText(/wipe the gasket/)).toBeTruthy()
    // fresh beads would not help: they are not the act
    expect(screen.getByRole('button', { name: 'Renew anyway' })).toBeTruthy()
  })
  test('sealed now is an entry; that it was opened is another, on the day it showed', async () => {
    const store = open(rigger)
    fireEvent.click(await screen.findByText('It is sealed now'))
    await waitFor(() =>
      expect(store.acts.at(-1)!.entries[0]).toMatchObject({
        kind: 'box.sealed',
        payload: { boxId: 'rigger' },
      }),
    )
    fireEvent.click(screen.getByRole('button', { name: 'It was opened' }))
    await waitFor(() => expect(store.acts.at(-1)!.entries[0]!.kind).toBe('box.opened'))
    const [opened] = store.acts.at(-1)!.entries
    expect(Math.abs(Date.parse(opened!.at) - 1000 * rigger.wrong[0]!.amiss!.atS)).toBeLessThan(60_000)
  })
  test('no cause with most of the accounts: it says so, and what tells them apart', async () => {
    const even = rigger.wrong.map((one, i) => ({ ...one, share: i < 2 ? 0.45 : 0.05 }))
    open({ ...rigger, wrong: even })
    await waitFor(async () => expect(await heading()).toMatch(/^Cannot tell yet: the lid leaks, or /))
  })
  test('displays that were held together stand beside each other, shown and put right', async () => {
    const store = memoryStore([
      ...acts,
      makeAct(testMaker, 'in one bag', [
        {
          kind: 'instrument.checked',
          atMs: NOW - 86_400_000,
          payload: {
            air: 'bag',
            temperatureC: 9,
            waitedHours: 1,
            shown: [
              { instrumentId: 'round-display', relativeHumidityPercent: 38 },
              { instrumentId: 'display-skeg', relativeHumidityPercent: 35 },
            ],
          },
        },
      ]),
    ])
    renderPlace(<WrongPlace />, {
      store,
      path: '/box/:boxId/wrong',
      at: '/box/rigger/wrong',
      estimator: { ...idleEstimator, report: () => Promise.resolve(rigger) },
    })
    const section = await screen.findByRole('region', { name: 'Two displays, one humidity' })
    expect(section.textContent).toMatch(
      /Small round display showed 38.%, in air of \d+: it shows \d high; Skeg’s display showed 35.%, in air of \d+: it shows \d high/,
    )
    expect(section.querySelectorAll('circle')).toHaveLength(4)
  })
  test('a display in doubt has its caution; a damp spool is taken out', async () => {
    const amiss = { kind: 'display', atS: NOW / 1000 - 86_400 * 9, displayId: 'x', rhPercent: 9 } as const
    open({
      ...rigger,
      wrong: [{ cause: 'display', share: 0.9, amiss }, ...rigger.wrong.slice(1)],
      accounts: rigger.accounts.map(one =>
        one.kind === 'leak' ? { ...one, kind: 'display' as const } : one,
      ),
    })
    await waitFor(async () => expect(await heading()).toBe('Check the display of Rigger'))
    expect(screen.getByText(/coin cells from children/)).toBeTruthy()
  })
  test('nothing is wrong, and there is no such box', async () => {
    open({ ...rigger, wrong: [] })
    await waitFor(async () => expect(await heading()).toBe('Nothing is wrong by its readings'))
    cleanup()
    open(rigger, 'nowhere')
    expect(await heading()).toBe('No such box')
  })
})
