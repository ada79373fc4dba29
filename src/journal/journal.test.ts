import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { makeAct, makeWithdrawal, readAct, type Act, type Draft, type Maker } from '#records/act.ts'
import { boxFacts } from './box-facts.ts'
import { boxView } from './box-view.ts'
import { ENTRY_KINDS, newestVersion, readEntry, UPGRADERS, type EntryKind } from '#records/entry.ts'
import { VERSION_1 } from '#testing/fixtures/version-1.ts'
import { VERSION_2 } from '#testing/fixtures/version-2.ts'
import { VERSION_3 } from '#testing/fixtures/version-3.ts'
import { VERSION_4 } from '#testing/fixtures/version-4.ts'
import { fold } from './fold.ts'
import { instrumentFor } from './instruments.ts'
import { inShelfOrder } from './shelf-order.ts'

const HOUR = 3_600_000
const DAY = 24 * HOUR
const START = Date.UTC(2025, 2, 3, 9)
function maker(nowMs = START): Maker & { nowMs: () => number; tick: (ms: number) => void } {
  let time = nowMs
  let count = 0
  return {
    nowMs: () => time,
    tick: ms => void (time += ms),
    zone: 'Europe/Oslo',
    newId: () => `id${String(++count).padStart(4, '0')}`,
  }
}
const draft = (kind: EntryKind, change: object = {}, atMs?: number) =>
  ({
    kind,
    payload: { ...VERSION_2[kind], ...VERSION_1[kind], ...change },
    ...(atMs === undefined ? {} : { atMs }),
  }) as unknown as Draft
const shelf = [
  draft('room.made'),
  draft('instrument.made'),
  draft('box.made'),
  draft('charge.made'),
  draft('spool.made'),
]

describe('entries', () => {
  const FROZEN: Readonly<Record<string, Record<string, unknown>>>[] = [
    VERSION_1,
    VERSION_2,
    VERSION_3,
    VERSION_4,
  ]
  const asEntry = (kind: string, version: number, payload: Record<string, unknown>) => ({
    id: 'e',
    kind,
    version,
    at: '2025-03-03T09:00:00.000Z',
    zone: 'UTC',
    atPrecision: 'minute',
    subjects: [],
    payload,
  })
  const versions = (Object.keys(ENTRY_KINDS) as EntryKind[]).flatMap(kind =>
    Array.from({ length: newestVersion(kind) }, (_, i) => [kind, i + 1] as const),
  )
  test.each(versions)('%s version %i: its frozen payload is there and reads', (kind, version) => {
    const payload = FROZEN[version - 1]![kind]
    expect(payload).toBeDefined()
    expect(readEntry(asEntry(kind, version, payload!))).toMatchObject({
      ok: true,
      entry: { version: newestVersion(kind) },
    })
  })
  test.each(Object.keys(ENTRY_KINDS) as EntryKind[])(
    '%s: refuses what a newer version wrote, and what no version knows',
    kind => {
      expect(UPGRADERS[kind]?.length ?? 0).toBe(newestVersion(kind) - 1)
      const newest = newestVersion(kind)
      const payload = FROZEN[newest - 1]![kind]!
      expect(readEntry(asEntry(kind, newest + 1, payload))).toMatchObject({
        ok: false,
        problem: { kind: 'from a newer version' },
      })
      expect(readEntry(asEntry(kind, newest, { ...payload, extra: 1 }))).toMatchObject({
        ok: false,
        problem: { kind: 'bad payload' },
      })
    },
  )
  /** What each step of each kind does to its frozen payload. A step without a line here fails. */
  const STEPS: Readonly<Record<string, Record<string, unknown>>> = {
    'room.made 1': {},
    'room.changed 1': {},
    'spool.made 3': {},
    'spool.changed 2': {},
    'value.overridden 1': {},
    'box.made 1': {},
    'box.changed 1': {},
    'charge.made 3': {},
    'charge.changed 3': {},
    'charge.heated 3': {},
    'charge.made 2': {},
    'charge.changed 2': {},
    'charge.heated 2': {},
    'spool.made 2': {},
    'spool.changed 1': {},
    'charge.made 1': { indicator: 'unknown' },
    'charge.changed 1': {},
    'charge.heated 1': { oven: 'unknown', roomId: null },
    'spool.made 1': {},
    'spool.moved 1': {},
  }
  test.each(versions.filter(([kind, version]) => version < newestVersion(kind)))(
    '%s version %i: its step adds just this, and leaves what is stored alone',
    (kind, version) => {
      const stored = FROZEN[version - 1]![kind]!
      const before = JSON.stringify(stored)
      const added = STEPS[`${kind} ${version}`]
      expect(added).toBeDefined()
      expect(UPGRADERS[kind]![version - 1]!(structuredClone(stored))).toEqual({ ...stored, ...added })
      expect(JSON.stringify(stored)).toBe(before)
    },
  )
  test('every frozen payload belongs to a kind and a version that there is', () => {
    FROZEN.forEach((frozen, i) => {
      for (const kind of Object.keys(frozen))
        expect(newestVersion(kind as EntryKind)).toBeGreaterThanOrEqual(i + 1)
    })
  })

  test.each([
    ['a humidity above 100', { relativeHumidityPercent: 101 }],
    ['a humidity that is no number', { relativeHumidityPercent: Number.NaN }],
    ['an infinite temperature', { temperatureC: Infinity }],
    ['a temperature left out', { temperatureC: undefined }],
  ])('refuses %s', (_, change) => {
    const act = makeAct(maker(), 'x', [draft('reading.taken', change)])
    expect(readAct(act)).toMatchObject({ ok: false })
  })
  test('refuses 0 g of beads and what is no act at all', () => {
    expect(readAct(makeAct(maker(), 'x', [draft('charge.made', { dryMassG: 0 })]))).toMatchObject({
      ok: false,
    })
    for (const raw of [null, 7, 'x', [], {}, { id: 'a' }]) expect(readAct(raw)).toMatchObject({ ok: false })
  })
  test('subjects are every id a payload names', () =>
    expect(makeAct(maker(), 'x', [draft('reading.taken')]).entries[0]!.subjects).toEqual(['b1', 'i1']))
})

describe('fold', () => {
  test('moves name only where to: a spool is in one place', () => {
    const make = maker()
    const first = makeAct(make, 'shelf', [...shelf, draft('box.made', { boxId: 'b2' })])
    make.tick(DAY)
    const moved = makeAct(make, 'move', [draft('spool.moved', { where: { at: 'box', boxId: 'b2' } })])
    const state = fold([first, moved])
    expect(boxView(state, 'b1', make.nowMs())!.spools).toHaveLength(0)
    expect(boxView(state, 'b2', make.nowMs())!.spools).toHaveLength(1)
    expect(state.spools.get('s1')!.stays).toEqual([
      { boxId: 'b1', fromMs: START, untilMs: START + DAY },
      { boxId: 'b2', fromMs: START + DAY, untilMs: null },
    ])
  })
  test('a swap takes one out and puts one in; a wrong one is a contradiction with repairs', () => {
    const make = maker()
    const first = makeAct(make, 'shelf', [...shelf, draft('charge.made', { chargeId: 'c2', boxId: null })])
    make.tick(DAY)
    const swap = makeAct(make, 'swap', [draft('charge.replaced')])
    const state = fold([first, swap])
    expect(boxView(state, 'b1', make.nowMs())!.charges.map(c => c.chargeId)).toEqual(['c2'])
    make.tick(DAY)
    const again = fold([first, swap, makeAct(make, 'swap', [draft('charge.replaced')])])
    expect(again.contradictions).toHaveLength(1)
    expect(again.contradictions[0]!.repairs).toHaveLength(2)
  })
  test('a correction stands in for its entry, the latest written wins; withdrawing and its undo', () => {
    const make = maker()
    const first = makeAct(make, 'shelf', [...shelf, draft('reading.taken')])
    const entryId = first.entries.at(-1)!.id
    make.tick(HOUR)
    const right = (rh: number) => {
      make.tick(HOUR)
      return makeAct(make, 'put right', [
        { ...draft('reading.taken', { relativeHumidityPercent: rh }, START), corrects: entryId },
      ])
    }
    const [a, b] = [right(33), right(35)]
    const rh = (acts: Act[]) => fold(acts).readings.map(r => r.relativeHumidityPercent)
    expect(rh([b, first, a])).toEqual([35])
    const undo = makeWithdrawal(make, b)
    expect(rh([first, a, b, undo])).toEqual([33])
    make.tick(1)
    expect(rh([first, a, b, undo, makeWithdrawal(make, undo)])).toEqual([35])
  })
  test('is total and blind to order: any entries apply or are contradictions', () => {
    const kinds = Object.keys(VERSION_1) as EntryKind[]
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(fc.constantFrom(...kinds), fc.integer({ min: 0, max: 50 }), fc.constantFrom('b1', 'b2')),
          { maxLength: 40 },
        ),
        list => {
          const make = maker()
          const acts = list.map(([kind, day, boxId]) => {
            make.tick(1000)
            const payload = VERSION_1[kind]!
            return makeAct(make, 'any', [draft(kind, 'boxId' in payload ? { boxId } : {}, START + day * DAY)])
          })
          const state = fold(acts)
          const things =
            state.rooms.size +
            state.boxes.size +
            state.charges.size +
            state.spools.size +
            state.instruments.size +
            state.scales.size +
            state.plans.size +
            state.heatSources.size
          // every entry that makes a thing or a reading has made it, or stands among the contradictions: none is lost
          const makes = acts.flatMap(act => act.entries).filter(({ kind }) => /\.(made|taken)$/.test(kind))
          const refused = new Set(state.contradictions.map(({ entryId }) => entryId))
          expect(refused.size).toBe(state.contradictions.length)
          expect(things + state.readings.length).toBe(makes.filter(({ id }) => !refused.has(id)).length)
          expect(JSON.stringify([...fold([...acts].reverse()).boxes])).toBe(JSON.stringify([...state.boxes]))
          for (const boxId of state.boxes.keys())
            boxFacts(state, boxView(state, boxId, make.nowMs() + 60 * DAY)!, make.nowMs() + 60 * DAY)
        },
      ),
      { seed: 3, numRuns: 150 },
    )
  })
})

describe('a box as it stands', () => {
  const make = maker()
  const acts = [makeAct(make, 'shelf', shelf)]
  const read = (rh: number, afterMs: number, place?: object) => {
    const act = makeAct({ ...make, nowMs: () => START + afterMs }, 'read', [
      draft('reading.taken', { relativeHumidityPercent: rh, ...(place ? { place } : {}) }),
    ])
    acts.push(act)
  }
  read(22, 5 * HOUR)
  read(19, 3 * DAY)
  read(29, 9 * DAY)
  read(31, 12 * DAY)
  read(70, 12 * DAY, { in: 'room', roomId: 'r1' })
  const state = fold(acts)
  const view = boxView(state, 'b1', START + 13 * DAY)!

  test('the reading within the settling time is kept, and says when to look again', () => {
    expect(view.readings[0]).toMatchObject({ word: 'too early', lookAgainMs: START + DAY })
    expect(view.readings.map(r => r.word)).toEqual(['too early', 'holds', 'over', 'over'])
  })
  test('over since the first of the run; seen yesterday; the strictest target is the spool’s', () => {
    expect(view.overSinceMs).toBe(START + 9 * DAY)
    expect(view.known).toEqual({ word: 'seen', daysAgo: 1 })
    expect(view.target).toMatchObject({ rhPercent: 25, spool: { name: 'PLA teal' } })
  })
  test('facts for the estimator', () => {
    const facts = boxFacts(state, view, START + 13 * DAY)!
    expect(facts.readings.map(r => r.settled)).toEqual([false, true, true, true])
    expect(facts.room.readings).toHaveLength(1)
    expect(facts.leak).toMatchObject({ lowLPerH: 0.2, highLPerH: 1 })
    expect(facts.charges[0]!.freshness).toEqual({ lowGPerG: 0.01, highGPerG: 0.05 })
    expect(facts.insideL).toBeGreaterThan(35)
  })
  test('a weighing is water with its spread; a heating outside the box makes the next stay fresh', () => {
    const later = [
      ...acts,
      makeAct({ ...make, nowMs: () => START + 13 * DAY }, 'weigh', [
        draft('charge.weighed'),
        draft('charge.moved', { boxId: null }),
      ]),
      makeAct({ ...make, nowMs: () => START + 14 * DAY }, 'oven', [
        draft('charge.heated'),
        draft('charge.moved', { boxId: 'b1' }, START + 14 * DAY + HOUR),
      ]),
    ]
    const after = fold(later)
    const facts = boxFacts(after, boxView(after, 'b1', START + 20 * DAY)!, START + 20 * DAY)!
    expect(facts.charges).toHaveLength(2)
    expect(facts.charges[0]!.weighings).toEqual([])
    expect(facts.charges[1]!.freshness.highGPerG).toBeLessThan(0.05)
  })
})

test('a move resets nothing: a spool brings along where it has been', () => {
  const make = maker()
  const act = makeAct(make, 'set up', [
    ...shelf,
    draft('box.made', { boxId: 'b2' }),
    draft('spool.moved', { where: { at: 'box', boxId: 'b2' } }, START + 40 * DAY),
    draft('spool.moved', { where: { at: 'bag' } }, START + 50 * DAY),
    draft('spool.moved', { where: { at: 'open' } }, START + 60 * DAY),
    draft('spool.moved', { where: { at: 'box', boxId: 'b1' } }, START + 62 * DAY),
  ])
  const now = START + 70 * DAY
  const state = fold([act])
  const facts = (boxId: string) => boxFacts(state, boxView(state, boxId, now)!, now)!
  expect(facts('b2').spools[0]!.wetness.past.map(air => air.forS / 86_400)).toEqual([40])
  // forty days here, ten there, ten in a bag that lets nothing through, two in the open
  const [, back] = facts('b1').spools
  expect(back!.wetness.past.map(air => air.forS / 86_400)).toEqual([40, 10, 2])
  expect(back!.wetness.told).toEqual(facts('b1').spools[0]!.wetness.told)
})

test('own values of a material: the last one holds, null gives the catalogue back', () => {
  const writer = maker()
  const write = (value: number | null, day: number) =>
    makeAct(writer, 'PLA: own values', [
      {
        kind: 'value.overridden',
        payload: { material: 'PLA', field: 'targetRhPercent', value },
        atMs: Date.parse('2025-03-01T00:00:00Z') + day * 86_400_000,
      },
    ])
  const acts = [write(18, 1), write(16, 2)]
  expect(fold(acts).materials.PLA.targetRhPercent).toBe(16)
  expect(fold([...acts, write(null, 3)]).overrides.size).toBe(0)
  expect(fold([...acts, write(null, 3)]).materials.PLA.targetRhPercent).toBe(25)
  const bad = { ...acts[0]!.entries[0]!, payload: { material: 'PLA', field: 'targetRhPercent', value: 95 } }
  expect(readEntry(bad)).toMatchObject({ ok: false })
})

describe('what Kit enters', () => {
  const act = (drafts: readonly Draft[]) => makeAct(maker(), 'kit', drafts)
  const at = (days: number) => START + days * DAY

  test('a mended lid leaks anew from its day on; what leaked before leaked as it did', () => {
    const state = fold([act([...shelf, draft('box.sealed', { lid: 'clips', lidKnown: 'measured' }, at(10))])])
    const view = boxView(state, 'b1', at(20))!
    const facts = boxFacts(state, view, at(20))!
    expect(facts.leak.name).toBe('clips and rubber')
    expect(facts.leaksBefore).toHaveLength(1)
    expect(facts.leaksBefore![0]!.untilS).toBe(at(10) / 1000)
    // a lid told afterwards is the new one's
    const told = fold([
      act([
        ...shelf,
        draft('box.sealed', { lid: 'clips' }, at(10)),
        draft('box.changed', { lid: 'clips-port' }, at(12)),
      ]),
    ])
    expect(told.boxes.get('b1')!.lids.map(({ lid }) => lid)).toEqual([
      VERSION_1['box.made']!['lid'],
      'clips-port',
    ])
  })

  test('a box with something in it can’t go; emptied it can, and stands on no shelf', () => {
    const full = fold([act([...shelf, draft('box.retired', {}, at(3))])])
    expect(full.contradictions).toHaveLength(1)
    expect(full.contradictions[0]!.reason).toMatch(/still in it/)
    const empty = fold([
      act([
        ...shelf,
        draft('charge.moved', { boxId: null }, at(2)),
        draft('spool.moved', { where: { at: 'open' } }, at(2)),
        draft('box.retired', {}, at(3)),
      ]),
    ])
    expect(empty.contradictions).toEqual([])
    expect(inShelfOrder(empty)).toEqual([])
    expect(empty.boxes.get('b1')!.retiredMs).toBe(at(3))
  })

  test('nothing goes into a box that is gone; either of the two can be put right', () => {
    const gone = [
      draft('charge.moved', { boxId: null }, at(2)),
      draft('spool.moved', { where: { at: 'open' } }, at(2)),
      draft('box.retired', {}, at(3)),
    ]
    const state = fold([
      act([
        ...shelf,
        ...gone,
        draft('spool.moved', { where: { at: 'box', boxId: 'b1' } }, at(4)),
        draft('charge.moved', { boxId: 'b1' }, at(4)),
      ]),
    ])
    expect(state.contradictions.map(({ reason }) => reason)).toEqual([
      'This box had been put away for good before.',
      'This box had been put away for good before.',
    ])
    expect(state.contradictions[0]!.repairs).toHaveLength(2)
    expect(state.spools.get('s1')!.where).toEqual({ at: 'open' })
    expect(state.charges.get('c1')!.boxId).toBeNull()
  })

  test('a display put away reads nothing any more; a room with a box in it stays', () => {
    const state = fold([
      act([
        ...shelf,
        draft('instrument.moved', { boxId: 'b1' }, at(1)),
        draft('instrument.retired', {}, at(2)),
        draft('room.retired', {}, at(2)),
      ]),
    ])
    expect(instrumentFor(state, 'b1')).toBeNull()
    expect(state.rooms.get('r1')!.retiredMs).toBeNull()
    expect(state.contradictions).toHaveLength(1)
  })

  test('walls of another stuff let in what they let in', () => {
    const wallOf = (change: object) => {
      const state = fold([act([...shelf, draft('box.changed', change, at(1))])])
      return boxFacts(state, boxView(state, 'b1', at(2))!, at(2))!.wall.conductanceLPerH
    }
    expect(
      wallOf({ wall: 'PC', wallThicknessMm: 2 }) / wallOf({ wall: 'PC', wallThicknessMm: 4 }),
    ).toBeCloseTo(2, 9)
    expect(wallOf({ wall: null })).toBe(wallOf({}))
  })
})
