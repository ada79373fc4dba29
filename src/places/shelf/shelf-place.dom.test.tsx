import { afterEach, describe, expect, test } from '@jest/globals'
import { cleanup, screen, waitFor } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import { estimateBox } from '#core/estimate/estimate-box.ts'
import { type BoxReport } from '#core/estimate/report.ts'
import type { BoxJudgement } from '#core/verdict/box.ts'
import { makeAct } from '#records/act.ts'
import { boxFacts } from '#journal/box-facts.ts'
import { profileOf } from '#journal/room-air.ts'
import { boxView } from '#journal/box-view.ts'
import { fold } from '#journal/fold.ts'
import { idleEstimator, memoryStore, NOW, renderPlace, testMaker } from '#testing/place-harness.tsx'
import { BoxSlip } from './box-slip.tsx'
import PulledShelf from './pulled-shelf.tsx'
import ShelfPlace from './shelf-place.tsx'
import { YearLine } from './year-line.tsx'

afterEach(cleanup)
const acts = boathouseLoft(NOW, 'UTC')
const state = fold(acts)
const view = (id: string) => boxView(state, id, NOW)!
const report = estimateBox(boxFacts(state, view('cox'), NOW)!, { seed: 2, drawsPerRound: 60 })
const days = (n: number) => NOW / 1000 + n * 86_400

describe('the shelf', () => {
  test('with nothing kept it leads to first use', async () => {
    const { router } = renderPlace(<ShelfPlace />)
    await screen.findByText('elsewhere')
    expect(router.state.location.pathname).toBe('/start')
  })
  test('damaged records are counted, contradictions too, and the rest is shown', async () => {
    const twice = makeAct(testMaker, 'again', [
      { kind: 'box.opened', payload: { boxId: 'never-made', openSeconds: 30 } },
    ])
    renderPlace(<ShelfPlace />, { store: memoryStore([...acts, twice], 2) })
    expect(await screen.findByText(/2 records could not be read/)).toBeTruthy()
    expect(screen.getByText(/One entry can’t be true together/)).toBeTruthy()
    expect(screen.getByRole('heading', { level: 1 }).textContent).toContain('Reckoning')
  })
  test('what is in no box is listed, with the way back', async () => {
    const away = makeAct(testMaker, 'to the printer', [
      { kind: 'spool.moved', payload: { spoolId: 'cox-spool-1', where: { at: 'printer' } } },
      { kind: 'charge.moved', payload: { chargeId: 'thole-beads', boxId: null } },
    ])
    renderPlace(<ShelfPlace />, { store: memoryStore([...acts, away]) })
    const list = (await screen.findByText('In no box')).parentElement!
    expect(list.textContent).toMatch(/PLA ochre on the printer.*Beads in Thole put away/)
  })
  test('a failed reckoning is said once, and loses nothing', async () => {
    renderPlace(<ShelfPlace />, {
      store: memoryStore([...acts]),
      estimator: {
        ...idleEstimator,
        report: () => Promise.reject(new Error('The reckoning broke off.')),
      },
    })
    expect(await screen.findByText(/A box could not be reckoned/)).toBeTruthy()
  })
})

test('two charges of one box can each be pulled, in a compartment as wide as what it holds', async () => {
  const both = makeAct(testMaker, 'two at once', [
    { kind: 'charge.moved', payload: { chargeId: 'thole-beads', boxId: 'cox' } },
  ])
  const cox = boxView(fold([...acts, both]), 'cox', NOW)!
  const { container } = renderPlace(
    <PulledShelf
      onAsk={() => {}}
      items={[{ view: cox, report: undefined, judgement: { word: 'not known', todo: 'read it once' } }]}
      widthPx={1184}
      nowMs={NOW}
      zone="UTC"
    />,
  )
  await waitFor(() => expect(container.querySelector('[data-thing]')).not.toBeNull())
  const widthOf = (id: string) =>
    Number(container.querySelector(`[data-thing="${id}"] rect`)!.getAttribute('width'))
  const grams = (id: string) => cox.charges.find(charge => charge.chargeId === id)!.dryMassG
  expect(cox.charges).toHaveLength(2)
  expect(widthOf('thole-beads') / widthOf('cox-beads')).toBeCloseTo(
    grams('thole-beads') / grams('cox-beads'),
    1,
  )
})

describe('a slip', () => {
  const slip = (id: string, judgement: BoxJudgement, given: BoxReport | undefined = report) =>
    renderPlace(
      <svg>
        <BoxSlip view={view(id)} report={given} judgement={judgement} nowMs={NOW} zone="UTC" x={0} y={0} />
      </svg>,
    ).container.textContent
  test.each<[string, string, BoxJudgement, RegExp]>([
    [
      'holds and good until',
      'cox',
      { word: 'good until', dateS: days(60), latestS: days(90) },
      /Cox.*of 25holdsgood until 7 Jan 2026/,
    ],
    ['renew by', 'cox', { word: 'renew by', dateS: days(5), latestS: days(9) }, /renew by 13 Nov/],
    ['renew today', 'cox', { word: 'renew by', dateS: days(0), latestS: days(9) }, /renew today/],
    ['over since', 'rigger', { word: 'over since', dateS: days(-40) }, /overover since 29 Sep/],
    [
      'can’t reach',
      'bilge',
      { word: "can't reach", floorRhPercent: 16, wouldDo: '' },
      /can’t reach: \d+.% at best/,
    ],
    ['blind', 'skeg', { word: 'not known', todo: 'weigh the beads' }, /blindnot known: weigh beads/],
    [
      'never read',
      'oarlock',
      { word: 'not known', todo: 'read it once' },
      /no readingof 15not known: read it once/,
    ],
    ['too early', 'ferry', { word: 'good until', dateS: days(60), latestS: days(90) }, /too early/],
  ])('%s', (_, id, judgement, expected) => expect(slip(id, judgement)).toMatch(expected))
  test('still reckoning', () => {
    const { container } = renderPlace(
      <svg>
        <BoxSlip
          view={view('cox')}
          report={undefined}
          judgement={{ word: 'not known', todo: 'wait: still reckoning' }}
          nowMs={NOW}
          zone="UTC"
          x={0}
          y={0}
        />
      </svg>,
    )
    expect(container.textContent).toContain('reckoning …')
  })
})

describe('the year line', () => {
  const item = (id: string, judgement: BoxJudgement, given: BoxReport | undefined) => ({
    view: view(id),
    report: given,
    judgement,
  })
  const room = { profile: profileOf(state.rooms.get('loft')!), knowledge: 'measured' as const }
  test('over first, then by date, what can’t be reached last; one stroke each, no bars', () => {
    const { container } = renderPlace(
      <YearLine
        ovenDays={[]}
        items={[
          item('bilge', { word: "can't reach", floorRhPercent: 16, wouldDo: 'a foam strip' }, report),
          item('cox', { word: 'good until', dateS: days(60), latestS: days(90) }, report),
          item('rigger', { word: 'over since', dateS: days(-40) }, report),
        ]}
        room={room}
        widthPx={1184}
        nowMs={NOW}
        zone="UTC"
      />,
    )
    expect([...container.querySelectorAll('[data-part="lane-name"]')].map(name => name.textContent)).toEqual([
      'Rigger',
      'Cox',
      'Bilge',
    ])
    expect(container.querySelectorAll('[data-part="lane-ink"]')).toHaveLength(1)
    expect(container.querySelectorAll('[data-part="over-stub"]')).toHaveLength(1)
    expect(container.textContent).toContain('a foam strip would do')
  })
  test('the grass is as high as the room’s vapour, and leans by a fixed pattern', () => {
    const draw = () =>
      renderPlace(<YearLine ovenDays={[]} items={[]} room={room} widthPx={1184} nowMs={NOW} zone="UTC" />)
        .container.querySelector('[data-part="grass"]')!
        .getAttribute('d')
    const path = draw()
    expect(draw()).toBe(path)
    const heights = [...path!.matchAll(/l[-\d.]+ (-[\d.]+)/g)].map(match => -Number(match[1]))
    expect(Math.max(...heights) / Math.min(...heights)).toBeGreaterThan(1.6)
  })
})
