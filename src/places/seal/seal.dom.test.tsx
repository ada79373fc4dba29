import { afterEach, describe, expect, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import { boxFacts } from '#journal/box-facts.ts'
import { boxView } from '#journal/box-view.ts'
import { fold } from '#journal/fold.ts'
import { makeAct, type Act, type Draft } from '#records/act.ts'
import { everyFigureAgrees } from '#testing/every-figure.ts'
import { memoryStore, NOW, renderPlace, testMaker } from '#testing/place-harness.tsx'
import { measures } from '#ui/measures.ts'
import { checkSealEnd } from './end-seal.tsx'
import SealPlace from './seal-place.tsx'
import { sealSettingOf } from './seal-setting.ts'

afterEach(cleanup)
const DAY = 86_400_000
const loft = boathouseLoft(NOW, 'UTC')
/** A new box of the loft, empty and with a lid of clips. */
const spare: Draft = {
  kind: 'box.made',
  atMs: NOW - 30 * DAY,
  payload: {
    boxId: 'spare',
    name: 'Spare',
    container: 'clip-long',
    widthMm: 330,
    depthMm: 220,
    heightMm: 210,
    sizeKnown: 'measured',
    lid: 'clips',
    lidKnown: 'told',
    openingsPerMonth: 0,
    openingsKnown: 'told',
    roomId: [...fold(loft).rooms.keys()][0]!,
    board: 1,
    leftMm: 2000,
  },
}
const act = (...drafts: Draft[]): Act => makeAct(testMaker, 'test', drafts)
const open = (boxId: string, ...drafts: Draft[]) => {
  const store = memoryStore([...loft, act(spare, ...drafts)])
  renderPlace(<SealPlace />, { store, path: '/box/:boxId/seal', at: `/box/${boxId}/seal` })
  return store
}
const heading = () => screen.getByRole('heading', { level: 1 }).textContent
const typeIn = (label: RegExp, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } })
const begun = (method: 'weighed' | 'rise', daysAgo: number): Draft => ({
  kind: 'box.sealTestBegun',
  atMs: NOW - daysAgo * DAY,
  payload:
    method === 'weighed'
      ? { boxId: 'spare', method, trayG: 212.4, controlG: 208.9, startPercent: null }
      : { boxId: 'spare', method, trayG: null, controlG: null, startPercent: 12 },
})
const box = (store: { acts: Act[] }) => fold(store.acts).boxes.get('spare')!

describe('a test begins', () => {
  test('each says first how long it needs, and one is recommended', async () => {
    open('spare')
    await waitFor(() =>
      expect(heading()).toMatch(/^(?:Dry it|Damp it|Weigh a tray).* for \d+ (?:hours|days)$/),
    )
    const methods = [...document.querySelectorAll('[data-method]')].map(one => one.textContent ?? '')
    expect(methods).toHaveLength(3)
    expect(methods.every(text => /\d+ (?:hours|days)|could not tell/.test(text))).toBe(true)
  })
  test('a display is refused while beads are inside, by name of the remedy', async () => {
    open('cox')
    await waitFor(() => expect(document.querySelectorAll('[data-method]')).toHaveLength(3))
    for (const method of ['rise', 'fall']) {
      const row = within(document.querySelector<HTMLElement>(`[data-method="${method}"]`)!)
      expect(row.getByText(/Not while beads are inside.*Take them out first/)).toBeTruthy()
      expect(row.queryByText('Begin it')).toBeNull()
    }
  })
  test('the trays are weighed in; what can’t be is refused by field', async () => {
    const store = open('spare')
    const row = await waitFor(() => {
      const found = document.querySelector<HTMLElement>('[data-method="weighed"]')
      expect(found).not.toBeNull()
      return within(found!)
    })
    fireEvent.click(row.getByText('Begin it'))
    typeIn(/^The tray that goes in/, 'heavy')
    fireEvent.click(screen.getByText('Keep it'))
    expect(await screen.findByText(/^The tray that goes in: type what the scale shows/)).toBeTruthy()
    typeIn(/^The tray that goes in/, '212,4')
    typeIn(/^One like it in the open/, '208.9')
    fireEvent.click(screen.getByText('Keep it'))
    await waitFor(() => expect(box(store).proving?.begun).toMatchObject({ trayG: 212.4, controlG: 208.9 }))
    await waitFor(() => expect(heading()).toMatch(/read it on/))
  })
})

describe('a test ends', () => {
  test('weighed: the range, its class, mg a day; every figure agrees; it becomes the leak of the box', async () => {
    const store = open('spare', begun('weighed', 15))
    await waitFor(() => expect(heading()).toMatch(/it is time to read it/))
    typeIn(/^The tray from inside/, '212.6')
    typeIn(/^The tray in the open/, '233')
    await waitFor(() => expect(heading()).toMatch(/L\/h.*as tight as clips and rubber$|could not tell more$/))
    expect(await everyFigureAgrees('[data-part="found"] [data-quantity]')).toBe(1)
    fireEvent.click(screen.getByText('Keep it'))
    await waitFor(() => expect(box(store).proving).toBeNull())
    const { proved } = box(store).lids.at(-1)!
    expect(proved!.result).toMatchObject({ method: 'weighed', hours: 360 })
    const state = fold(store.acts)
    const facts = boxFacts(state, boxView(state, 'spare', NOW)!, NOW)!
    expect(facts.leak.knowledge).toBe('measured')
    expect(facts.leak.highLPerH).toBeGreaterThan(proved!.result.middleLPerH)
    // a mended seal is dated, and does not rewrite what went before
    const mended = fold([
      ...store.acts,
      act({ kind: 'box.sealed', atMs: NOW + 1, payload: { boxId: 'spare', lid: 'foam', lidKnown: 'told' } }),
    ])
    expect(mended.boxes.get('spare')!.lids.at(-1)!.proved).toBeUndefined()
    const later = boxFacts(mended, boxView(mended, 'spare', NOW + DAY)!, NOW + DAY)!
    expect(later.leak.lowLPerH).toBe(0.2)
    expect(later.leaksBefore![0]!.highLPerH).toBeCloseTo(facts.leak.highLPerH, 9)
  })
  test('rise: no more than so much; this test could not tell more', async () => {
    open('spare', begun('rise', 7))
    await waitFor(() => expect(heading()).toMatch(/read it/))
    typeIn(/^The display in the box/, '14')
    typeIn(/^The same display in the room/, '58')
    await waitFor(() => expect(heading()).toMatch(/^at most .*this test could not tell more$/))
    expect(await everyFigureAgrees('[data-part="found"] [data-quantity]')).toBe(1)
  })
  test('given up it is gone, and undo would bring it back', async () => {
    const store = open('spare', begun('rise', 1))
    fireEvent.click(await screen.findByText('Give this test up'))
    await waitFor(() => expect(box(store).proving).toBeNull())
    expect(box(store).lids.at(-1)!.proved).toBeUndefined()
  })
  test('what contradicts itself is said with the remedy', () => {
    const state = fold([...loft, act(spare)])
    const setting = sealSettingOf(state, state.boxes.get('spare')!, NOW)!
    const metric = measures({ temperatureScale: 'C', lengthUnit: 'mm', weightUnit: 'g', volumeUnit: 'L' })
    const end = (typed: object, method: 'weighed' | 'rise' = 'weighed') => {
      const checked = checkSealEnd(
        { tray: '', control: '', display: '', room: '', ...typed },
        begun(method, 1).payload as Parameters<typeof checkSealEnd>[1],
        setting,
        100,
        metric,
      )
      return checked.ok ? {} : checked.errors
    }
    expect(end({ tray: '' }).tray).toMatch(/type what the scale shows/)
    expect(end({ tray: '205' }).tray).toMatch(/weighs less than when it went in.*trays were mixed up/)
    expect(end({ tray: '213', control: '209' }).control).toMatch(
      /beads were not fresh or the trays were mixed up/,
    )
    expect(end({ tray: '900' }).tray).toMatch(/more than an open tray could/)
    expect(end({ display: '14', room: '13' }, 'rise').room).toMatch(/stands as the box did/)
    expect(end({ display: '2', room: '60' }, 'rise').display).toMatch(/moved away from the room/)
  })
})
