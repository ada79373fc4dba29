import { describe, expect, test } from '@jest/globals'
import { readFileSync } from 'node:fs'
import { readQuick } from '#formats/quick/read-quick.ts'
import type { QuickContext, Understood, Wanted } from '#formats/quick/wanted.ts'
import { fold } from '#journal/fold.ts'
import type { State } from '#journal/state.ts'
import { makeAct, readAct, type Draft } from '#records/act.ts'
import { asWanted, type ThingRef } from './as-wanted.ts'
import { changeDrafts } from './change-drafts.ts'
import { retireDrafts } from './retire-drafts.ts'
import { sameAgain } from './same-again.ts'
import { BLANK } from './blank-wanted.ts'
import { kitDrafts } from './kit-drafts.ts'
import { ownedDrafts, ownedFor } from './owned.ts'

const NOW = Date.UTC(2026, 10, 26, 15)
const DAY = 86_400_000
let count = 0
const maker = { nowMs: () => NOW + count, zone: 'UTC', newId: () => `k${String(++count).padStart(5, '0')}` }
const dayMs = (day: string) => Date.parse(`${day}T12:00:00Z`)
const EMPTY = fold([])
const told = (wanted: Wanted, ...fields: string[]): Understood => ({
  wanted,
  told: new Set(fields),
  asks: [],
})
const act = (items: readonly Understood[], state: State = EMPTY) =>
  makeAct(maker, 'kit', kitDrafts(items, { state, maker, nowMs: NOW, dayMs }))
/** Written, read back as from a file, and folded. */
const kept = (...acts: ReturnType<typeof act>[]): State => {
  const read = acts.map(one => {
    const result = readAct(JSON.parse(JSON.stringify(one)))
    if (!result.ok) throw new Error(result.problem.detail)
    return result.act
  })
  const state = fold(read)
  expect(state.contradictions).toEqual([])
  return state
}

describe('what is understood can be kept and read back', () => {
  const names = ['Launch', 'Cox', 'Skeg', 'Stroke', 'Bow four', 'Ferry', 'Rigger']
  const boxes = names.map(name => told({ ...BLANK.box, name }, 'name'))
  const shelf = act(boxes)
  const state = fold([shelf])
  const context: QuickContext = {
    today: new Date(2026, 10, 26, 12),
    boxes: [...state.boxes.values()].map(({ boxId, name }) => ({ id: boxId, name })),
    lengthUnit: 'mm',
  }
  const sentences = readFileSync(new URL('../../formats/quick/sentences.txt', import.meta.url), 'utf8')
    .split('\n')
    .filter(line => line.includes(' => ') && !line.endsWith('=> nothing'))
    .map(line => line.split(' => ')[0]!)
  test.each(sentences)('%s', sentence => {
    const { things } = readQuick(sentence, context)
    const after = kept(shelf, act(things, state))
    const made =
      after.spools.size +
      after.charges.size +
      after.instruments.size +
      after.scales.size +
      after.heatSources.size +
      after.boxes.size
    const wanted = things.reduce(
      (sum, item) => sum + (item.wanted.kind === 'room' ? 0 : item.wanted.count),
      0,
    )
    expect(made).toBe(names.length + wanted)
  })
})

describe('a spool opened or dried before today', () => {
  const box = act([told({ ...BLANK.box, name: 'Launch' }, 'name')])
  const boxId = [...fold([box]).boxes.keys()][0]!
  const spool = (change: object): Wanted => ({ ...BLANK.spool, place: `box:${boxId}`, ...change }) as Wanted
  const one = (wanted: Wanted) =>
    [...kept(box, act([told(wanted, 'wetness')], fold([box]))).spools.values()][0]!

  test('opened three weeks ago, it lay in the room until it went in', () => {
    const { whereabouts, madeMs } = one(spool({ openedOn: '2026-11-05', wetness: 'sealed bag' }))
    expect(madeMs).toBe(dayMs('2026-11-05'))
    expect(whereabouts.map(({ where }) => where.at)).toEqual(['open', 'box'])
  })
  test('opened today, it went straight in', () =>
    expect(one(spool({ openedOn: '2026-11-26', wetness: 'sealed bag' })).whereabouts).toHaveLength(1))
  test('dried last week, before the box was there, it was kept in its bag', () =>
    expect(
      one(spool({ driedOn: '2026-11-19', wetness: 'dried today' })).whereabouts.map(({ where }) => where.at),
    ).toEqual(['bag', 'box']))
})

describe('what is there', () => {
  const kinds = Object.values(BLANK).filter(wanted => wanted.kind !== 'room')
  const state = kept(act(Object.values(BLANK).map(wanted => told(wanted))))
  const refOf = ({ kind }: Wanted): ThingRef => ({
    kind,
    id: [
      ...{
        spool: state.spools,
        charge: state.charges,
        box: state.boxes,
        display: state.instruments,
        room: state.rooms,
        scale: state.scales,
        'heat source': state.heatSources,
      }[kind].keys(),
    ][0]!,
  })
  test.each(kinds)(
    '$kind: stands in its form as it was entered, and nothing changed writes nothing',
    wanted => {
      const ref = refOf(wanted)
      const now = asWanted(state, ref)!
      expect({ ...now, place: undefined }).toEqual({ ...wanted, place: undefined })
      expect(changeDrafts(ref, now, now, NOW)).toEqual([])
    },
  )
  test.each(kinds)('$kind: a new name is one entry that names just that', wanted => {
    const ref = refOf(wanted)
    const now = asWanted(state, ref)!
    const [draft, ...more] = changeDrafts(ref, now, { ...now, name: 'Other' }, NOW + DAY)
    expect(more).toEqual([])
    expect(Object.keys(draft!.payload)).toHaveLength(2)
    expect(readAct(makeAct(maker, 'x', [draft!])).ok).toBe(true)
  })
  test.each(kinds)('$kind: it can be let go', wanted => {
    const drafts: Draft[] = retireDrafts(state, refOf(wanted), NOW + DAY)
    expect(readAct(makeAct(maker, 'x', drafts)).ok).toBe(true)
  })
  test.each(kinds)('$kind: said again in its own words it is understood as the same', wanted => {
    const sentence = sameAgain(asWanted(state, refOf(wanted))!, [])
    const { things } = readQuick(sentence, {
      today: new Date(2026, 10, 26, 12),
      boxes: [],
      lengthUnit: 'mm',
    })
    expect(things.map(item => item.wanted.kind)).toEqual([wanted.kind])
  })
})

test('what lies ready is offered before new ones', () => {
  const items = [
    told({ ...BLANK.box, name: 'Launch' }),
    told({ ...BLANK.charge, count: 3, gramsEach: 50 } as Wanted, 'gramsEach'),
  ]
  const state = kept(act(items))
  const boxId = [...state.boxes.keys()][0]!
  const wanted = { ...BLANK.charge, pieces: 2, gramsEach: 50, place: `box:${boxId}` } as Wanted
  const owned = ownedFor(state, wanted, new Set())!
  expect(owned).toMatchObject({ kind: 'charge', of: 3 })
  expect(owned.ids).toHaveLength(2)
  expect(ownedDrafts(owned, wanted, NOW).map(draft => draft.kind)).toEqual(['charge.moved', 'charge.moved'])
  // nothing of that weight
  expect(ownedFor(state, { ...wanted, gramsEach: 80 } as Wanted, new Set())).toBeNull()
})
