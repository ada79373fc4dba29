import { afterEach, beforeAll, describe, expect, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import type { GramsWanted } from '#core/estimate/grams-wanted.ts'
import { readAgainS } from '#core/estimate/date-standing.ts'
import { everyFigureAgrees } from '#testing/every-figure.ts'
import { estimateBox } from '#core/estimate/estimate-box.ts'
import { type BoxReport } from '#core/estimate/report.ts'
import type { BoxJudgement } from '#core/verdict/box.ts'
import { boxFacts } from '#journal/box-facts.ts'
import { boxView } from '#journal/box-view.ts'
import { sameThreadEstimator } from '#workers/calls.ts'
import { makeAct, type Act, type Draft } from '#records/act.ts'
import { fold } from '#journal/fold.ts'
import { idleEstimator, memoryStore, NOW, renderPlace, testMaker } from '#testing/place-harness.tsx'
import { AnswerLine } from '#ui/answer-line.tsx'
import BoxPlace from './box-place.tsx'
import { FactWorthMost } from './fact-worth-most.tsx'
import { GramsLine } from './grams-line.tsx'

afterEach(cleanup)
const acts = boathouseLoft(NOW, 'UTC')
const state = fold(acts)
const view = (id: string) => boxView(state, id, NOW)!
const reports = new Map<string, BoxReport>()
beforeAll(() => {
  for (const id of ['cox', 'bilge', 'thole'])
    reports.set(id, estimateBox(boxFacts(state, view(id), NOW)!, { seed: 2, drawsPerRound: 60 }))
})
const report = (id: string) => reports.get(id)!
const openBox = (id: string, change: Partial<BoxReport> = {}) =>
  renderPlace(<BoxPlace />, {
    store: memoryStore([...acts]),
    path: '/box/:boxId',
    at: `/box/${id}`,
    estimator: { ...idleEstimator, report: () => Promise.resolve({ ...report(id), ...change }) },
  })

const readingOfCox = (atMs: number): Draft => ({
  kind: 'reading.taken',
  atMs,
  payload: {
    place: { in: 'box', boxId: 'cox' },
    instrumentId: [...state.instruments.keys()][0]!,
    relativeHumidityPercent: 41,
    temperatureC: 9,
    temperatureKnown: 'measured',
  },
})

describe('the page of a box', () => {
  test('says so while it reckons, and shows what is known already', async () => {
    renderPlace(<BoxPlace />, { store: memoryStore([...acts]), path: '/box/:boxId', at: '/box/cox' })
    expect((await screen.findByRole('heading', { level: 1 })).textContent).toContain('Reckoning')
    expect(screen.getByText('PLA ochre', { exact: false })).toBeTruthy()
  })
  test('reckoned on the same thread instead of a worker, the page comes to its answer', async () => {
    renderPlace(<BoxPlace />, {
      store: memoryStore([...acts]),
      path: '/box/:boxId',
      at: '/box/bilge',
      estimator: { ...idleEstimator, report: (facts, seed) => sameThreadEstimator.report(facts, seed) },
    })
    expect((await screen.findByText(/at best/, {}, { timeout: 20_000 })).textContent).toMatch(
      /^Can’t reach 10/,
    )
  }, 30_000)
  test('a reading of a checked display is put right, says what was shown, and can be worked out again', async () => {
    const check = makeAct(testMaker, 'checked', [
      {
        kind: 'instrument.checked',
        atMs: NOW - 86_400_000,
        payload: {
          air: 'magnesium chloride',
          temperatureC: 9,
          waitedHours: 20,
          shown: [{ instrumentId: 'round-display', relativeHumidityPercent: 37 }],
        },
      },
    ])
    renderPlace(<BoxPlace />, {
      store: memoryStore([...acts, check]),
      path: '/box/:boxId',
      at: '/box/cox',
      estimator: { ...idleEstimator, report: () => Promise.resolve(report('cox')) },
    })
    const shown = view('cox').last!.relativeHumidityPercent
    const aside = await waitFor(() => {
      const found = document.querySelector('[data-part="put-right"]')
      expect(found).not.toBeNull()
      return found!
    })
    expect(aside.textContent).toContain(`its display shows ${shown}`)
    const reading = document.querySelector('[data-part="air-line"] [data-quantity="reading"]')!
    expect(shown - Number.parseFloat(reading.textContent)).toBeGreaterThan(1)
    expect(await everyFigureAgrees('[data-part="air-line"] [data-quantity="reading"]')).toBe(1)
  })
  test('an address of nothing leads back to the shelf', async () => {
    renderPlace(<BoxPlace />, { store: memoryStore([...acts]), path: '/box/:boxId', at: '/box/nowhere' })
    expect(await screen.findByText('No such box')).toBeTruthy()
    expect(screen.getByText('To the shelf')).toBeTruthy()
  })
  test('readings that contradict what was told are said to, with which and what to look at', async () => {
    const worst = {
      id: 'x',
      kind: 'reading' as const,
      atS: NOW / 1000 - 86_400,
      seen: 52,
      expected: 21,
      sigma: 1.8,
    }
    openBox('cox', {
      contradiction: {
        where: 'all',
        chiSquare: 300,
        limit: 40,
        observations: 20,
        worst,
        strained: 'how tight the lid is',
      },
    })
    const notice = await screen.findByRole('alert')
    expect(notice.textContent).toMatch(
      /contradict what I was told\. What the display showed on 7 Nov is 17 times its error .* look first at how tight the lid is/,
    )
    fireEvent.click(within(notice).getByText('17 times'))
    expect((await screen.findByText('the nearest draw, worked out')).textContent).toBeTruthy()
  })
  test('a range too wide to act by is no date: it says when to read it again, and why then', async () => {
    const { nowS, leaves } = report('cox')
    const middle = nowS + 30 * 86_400
    openBox('cox', {
      leaves: { ...leaves!, spread: { low: nowS + 9 * 86_400, middle, high: nowS + 120 * 86_400 } },
      standing: { is: 'not known yet', readAgainS: readAgainS(middle, nowS) },
    })
    const heading = await screen.findByRole('heading', { level: 1 })
    await waitFor(() => expect(heading.textContent).toMatch(/^Not known yet: read it again/))
    expect(await everyFigureAgrees('h1 [data-quantity]')).toBe(1)
  })
  test('what is wrong is named instead of a date, with the way to why', async () => {
    const amiss = { kind: 'leak', atS: NOW / 1000 - 20 * 86_400, factor: 6 } as const
    openBox('cox', { wrong: [{ cause: 'leak', share: 0.9, amiss }] })
    const heading = await screen.findByRole('heading', { level: 1 })
    await waitFor(() =>
      expect(heading.textContent).toMatch(/^Its lid lets in more than it did since about .*: seal it/),
    )
    expect(screen.getByText('What is wrong').getAttribute('href')).toMatch(/box\/cox\/wrong$/)
    expect(await everyFigureAgrees('h1 [data-quantity]')).toBe(1)
  })
  test('a display that could not be read is said, with what to do, until it is read again', async () => {
    const unread = (atMs: number, then: Draft[] = []) =>
      makeAct(testMaker, 'x', [
        { kind: 'box.unread', atMs, payload: { boxId: 'cox', why: 'shows nothing' } },
        ...then,
      ])
    const read = readingOfCox(NOW - 1000)
    const open = (more: Act) =>
      renderPlace(<BoxPlace />, { store: memoryStore([...acts, more]), path: '/box/:boxId', at: '/box/cox' })
    open(unread(NOW - 2000))
    expect((await screen.findByText(/Its display showed nothing/)).textContent).toMatch(/fresh coin cell/)
    cleanup()
    open(unread(NOW - 2000, [read]))
    await screen.findByText('Everything entered for Cox')
    expect(screen.queryByText(/Its display showed nothing/)).toBeNull()
  })
  test('a weighing and a reading with no air in common can’t both be true, and it is said', async () => {
    const { dryMassG } = state.charges.get('cox-beads')!
    const weighed = (waterG: number) =>
      makeAct(testMaker, 'x', [
        {
          kind: 'charge.weighed',
          atMs: NOW - 3000,
          payload: { chargeId: 'cox-beads', grossG: dryMassG + waterG, tareG: 0, scaleErrorG: 1 },
        },
        readingOfCox(NOW - 1000),
      ])
    const open = (more: Act) =>
      renderPlace(<BoxPlace />, { store: memoryStore([...acts, more]), path: '/box/:boxId', at: '/box/cox' })
    open(weighed(0))
    expect((await screen.findByText(/the beads held/)).textContent).toMatch(
      /0\.0.g of water, air of 0 \(0–\d+\).% over them\. The display showed 41.%: both can’t be true\./,
    )
    cleanup()
    // a fifth of their own weight is about what beads hold there
    open(weighed(0.2 * dryMassG))
    expect((await screen.findByText(/the beads held/)).textContent).not.toMatch(/both can’t/)
  })
  test('a reckoning that fails is said, and the readings stay', async () => {
    renderPlace(<BoxPlace />, {
      store: memoryStore([...acts]),
      path: '/box/:boxId',
      at: '/box/cox',
      estimator: { ...idleEstimator, report: () => Promise.reject(new Error('The reckoning broke off.')) },
    })
    expect(await screen.findByText(/could not be reckoned: The reckoning broke off\./)).toBeTruthy()
  })
})

describe('the answer line', () => {
  const line = (id: string, judgement: BoxJudgement) => {
    const { container } = renderPlace(
      <h1>
        <AnswerLine view={view(id)} report={report(id)} judgement={judgement} nowMs={NOW} zone="UTC" />
      </h1>,
    )
    return container.querySelector('h1')!.textContent
  }
  const day = NOW / 1000 + 30 * 86_400
  test.each<[string, BoxJudgement, RegExp]>([
    [
      'good until',
      { word: 'good until', dateS: day, latestS: day + 9e6 },
      /^Good until Mon 8 Dec \(may last/,
    ],
    ['renew by', { word: 'renew by', dateS: NOW / 1000 + 3 * 86_400, latestS: day }, /^Renew by Tue 11 Nov/],
    ['renew today', { word: 'renew by', dateS: NOW / 1000, latestS: day }, /^Renew today/],
    [
      'over since',
      { word: 'over since', dateS: NOW / 1000 - 9 * 86_400 },
      /^Over since Thu 30 Oct.*: renew it$/,
    ],
    ['not known', { word: 'not known', todo: 'weigh the beads' }, /^Not known: weigh the beads$/],
  ])('%s', (_, judgement, expected) => expect(line('cox', judgement)).toMatch(expected))
  test('can’t reach, with the best it could do', () =>
    expect(line('bilge', { word: "can't reach", floorRhPercent: 16, wouldDo: 'a foam strip' })).toMatch(
      /^Can’t reach 10.%: \d+.% at best$/,
    ))
})

describe('grams wanted', () => {
  const wanted = (remedy: GramsWanted['remedy'], weeks: number, grams: number | null): GramsWanted => ({
    remedy,
    weeks,
    grams,
    perDraw: Array.from({ length: 15 }, () => grams ?? 1500),
  })
  const say = (...list: GramsWanted[]) =>
    renderPlace(<GramsLine view={view('thole')} wanted={list} failed={false} />).container.textContent
  test('what is in it is said as assumed, sizes for each span, and another way where it does more', () => {
    const text = say(
      wanted('as it is', 4, 61),
      wanted('as it is', 8, 141),
      wanted('as it is', 16, 233),
      wanted('dry the damp spools', 8, 42),
      wanted('a better seal', 8, 100),
    )
    expect(text).toMatch(/assumed in it/)
    expect(text).toMatch(
      /65.g would hold 4 weeks, 150.g 8 weeks and 240.g 16 weeks\. Or dry the damp spools first, and 45.g hold 8 weeks\./,
    )
  })
  test('when no amount would do, it says so and what would', () =>
    expect(
      say(
        wanted('as it is', 4, null),
        wanted('as it is', 8, null),
        wanted('as it is', 16, null),
        wanted('a better seal', 8, 90),
      ),
    ).toMatch(/No amount of beads that fits.*clips and rubber.*90.g/))
  test('plenty is called plenty', () =>
    expect(say(wanted('as it is', 4, 5), wanted('as it is', 8, 12), wanted('as it is', 16, 20))).toMatch(
      /what is in it is plenty/,
    ))
  test('while it sizes, and when that fails', () => {
    expect(
      renderPlace(<GramsLine view={view('cox')} wanted={undefined} failed={false} />).container.textContent,
    ).toContain('Sizing')
    expect(
      renderPlace(<GramsLine view={view('cox')} wanted={undefined} failed />).container.textContent,
    ).toContain('could not be reckoned')
  })
})

describe('the fact worth most', () => {
  const shares = (early: number, late: number) =>
    Array.from({ length: 19 }, (_, i) => ({
      share: (i + 1) / 20,
      atS: NOW / 1000 + (early + ((late - early) * i) / 18) * 86_400,
    }))
  const spread = (early: number, late: number) => ({
    low: NOW / 1000 + early * 86_400,
    middle: NOW / 1000 + ((early + late) / 2) * 86_400,
    high: NOW / 1000 + late * 86_400,
  })
  const crafted = (worth: BoxReport['worth']): BoxReport => ({
    ...report('thole'),
    leaves: {
      spread: spread(20, 150),
      beyondHorizon: { early: false, middle: false, late: false },
      sharesOfDates: shares(20, 150),
    },
    worth,
  })
  const fact = (id: string, ask: string, early: number, late: number) => ({
    id,
    ask,
    spread: spread(early, late),
    sharesOfDates: shares(early, late),
  })
  test('one at a time, with what it narrows; skipping asks the next; what is told already is never asked', async () => {
    const worth = [
      fact('leak', 'which lid it has', 60, 70),
      fact('mass', 'how many beads there are', 49, 77),
      fact('room', 'what the same display reads outside the box', 30, 130),
    ]
    const { container } = renderPlace(
      <FactWorthMost roomIsRead={false} view={view('thole')} report={crafted(worth)} />,
      {
        store: memoryStore([...acts]),
      },
    )
    // Thole's lid was told: the beads are the first worth asking
    expect(container.textContent).toMatch(
      /Tell me how many beads there are: narrows 4 weeks–5 months to 7 weeks–11 weeks\./,
    )
    fireEvent.click(screen.getByText('Skip'))
    expect(container.querySelector('[data-fact]')?.getAttribute('data-fact')).toBe('room')
    fireEvent.click(screen.getByText('Skip'))
    expect(container.querySelector('[data-fact]')).toBeNull()
  })
  test('the room is not asked for again once it is read', () => {
    const { container } = renderPlace(
      <FactWorthMost
        roomIsRead
        view={view('thole')}
        report={crafted([fact('room', 'what the same display reads outside the box', 30, 60)])}
      />,
    )
    expect(container.querySelector('[data-fact]')).toBeNull()
  })
  test('nothing is asked that would hardly help', () => {
    const { container } = renderPlace(
      <FactWorthMost
        roomIsRead={false}
        view={view('thole')}
        report={crafted([fact('mass', 'how many beads there are', 22, 148)])}
      />,
    )
    expect(container.querySelector('[data-fact]')).toBeNull()
  })
  test('nothing is asked where the date is known to the day', () => {
    const base = crafted([fact('mass', 'how many beads there are', 0, 0.1)])
    const spread = { low: base.nowS, middle: base.nowS, high: base.nowS + 86_400 }
    const { container } = renderPlace(
      <FactWorthMost
        roomIsRead={false}
        view={view('thole')}
        report={{ ...base, leaves: { ...base.leaves!, spread } }}
      />,
    )
    expect(container.querySelector('[data-fact]')).toBeNull()
  })
  test('telling is checked, then kept as told', async () => {
    const store = memoryStore([...acts])
    const before = store.acts.length
    renderPlace(
      <FactWorthMost
        roomIsRead={false}
        view={view('thole')}
        report={crafted([fact('mass', 'how many beads there are', 49, 77)])}
      />,
      { store },
    )
    fireEvent.click(screen.getByText('Tell'))
    const field = await screen.findByLabelText('Beads, g')
    fireEvent.change(field, { target: { value: '0' } })
    fireEvent.click(screen.getByText('Keep it'))
    expect(await screen.findByText(/from 1 to 5000 g: type what the packet says/)).toBeTruthy()
    fireEvent.change(field, { target: { value: '125' } })
    fireEvent.click(screen.getByText('Keep it'))
    await screen.findByText('Skip')
    expect(store.acts[before]!.entries[0]).toMatchObject({
      kind: 'charge.changed',
      payload: { dryMassG: 125, massKnown: 'told' },
    })
  })
})
