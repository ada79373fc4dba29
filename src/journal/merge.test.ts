import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { makeAct, makeWithdrawal, readAct, type Act, type Draft, type Maker } from '#records/act.ts'
import { KEPT_ASIDE_MS, makeBringing, makeReplacement, preview, sweepable, union } from './merge.ts'
import type { EntryKind } from '#records/entry.ts'
import { arbitraryJournal, DAY_MS, inBytes, START } from '#testing/fixtures/arbitrary-journal.ts'
import { VERSION_1 } from '#testing/fixtures/version-1.ts'
import { VERSION_2 } from '#testing/fixtures/version-2.ts'

/** Devices that share some of their past. */
const devices = fc
  .tuple(arbitraryJournal('s'), arbitraryJournal('a'), arbitraryJournal('b'), arbitraryJournal('c'))
  .map(([shared, a, b, c]) => [shared, [...shared, ...a], [...shared, ...b], [...shared, ...c]] as const)
const runs = { seed: 5, numRuns: 120 }

describe('bringing together', () => {
  test('is commutative, associative and idempotent, and folds byte for byte the same', () => {
    fc.assert(
      fc.property(devices, ([, a, b, c]) => {
        expect(union(a, b)).toEqual(union(b, a))
        expect(union(union(a, b), c)).toEqual(union(a, union(b, c)))
        expect(union(a, a)).toEqual(union(a, []))
        expect(inBytes(union(union(a, b), c))).toBe(inBytes(union(c, union(b, a))))
      }),
      runs,
    )
  })
  test('as one act it says the same as the union, whoever brings whom; its undo is as before', () => {
    fc.assert(
      fc.property(devices, ([, a, b]) => {
        const maker: Maker = { nowMs: () => START + 90 * DAY_MS, zone: 'UTC', newId: () => 'bringing' }
        const intoA = [...a, makeBringing(maker, 'b', preview(a, b, START + 90 * DAY_MS).newActs)]
        const intoB = [...b, makeBringing(maker, 'a', preview(b, a, START + 90 * DAY_MS).newActs)]
        expect(inBytes(intoA)).toBe(inBytes(union(a, b)))
        expect(inBytes(intoA)).toBe(inBytes(intoB))
        const undo = makeWithdrawal({ ...maker, newId: () => 'undo' }, intoA[intoA.length - 1]!)
        expect(inBytes([...intoA, undo])).toBe(inBytes(a))
      }),
      runs,
    )
  })
  test('a stored bringing reads back, and carries nothing that carries', () => {
    const maker: Maker = { nowMs: () => START, zone: 'UTC', newId: () => 'x1' }
    const bringing = makeBringing(maker, 'b', [])
    expect(readAct(bringing).ok).toBe(true)
    expect(readAct({ ...bringing, id: 'x2', brings: [bringing] }).ok).toBe(false)
    expect(readAct({ ...bringing, format: 1 }).ok).toBe(false)
    expect(readAct({ ...bringing, format: 3 })).toMatchObject({ problem: { kind: 'from a newer version' } })
  })
})

describe('the preview', () => {
  const maker: Maker = { nowMs: () => START, zone: 'UTC', newId: () => `p${++n}` }
  let n = 0
  const act = (kind: EntryKind, atMs = START) =>
    makeAct(maker, kind, [
      { kind, payload: { ...VERSION_2[kind], ...VERSION_1[kind] }, atMs } as unknown as Draft,
    ])
  test('counts what is new, what is known, what contradicts, what is ahead', () => {
    const kept = ['room.made', 'instrument.made', 'box.made'].map(kind => act(kind as EntryKind))
    const brought = [
      kept[0]!,
      act('reading.taken'),
      act('reading.taken', START + 3 * DAY_MS),
      act('spool.changed'),
    ]
    const looked = preview(kept, brought, START)
    expect(looked).toMatchObject({ known: 1, contradictions: 1, withdrawals: 0, differing: [], demo: [] })
    expect([...looked.counts]).toEqual([
      ['reading.taken', 2],
      ['spool.changed', 1],
    ])
    expect(looked.ahead).toHaveLength(1)
  })
  test('one id with two contents is named, another order of fields is not', () => {
    const mine = act('box.opened')
    const theirs = { ...mine, what: 'something else' }
    expect(preview([mine], [theirs], START).differing).toEqual([mine.id])
    const [entry] = mine.entries
    const turned = {
      ...mine,
      entries: [{ ...entry!, payload: Object.fromEntries(Object.entries(entry!.payload).reverse()) }],
    }
    expect(preview([mine], [turned as unknown as Act], START).differing).toEqual([])
  })
})

test('what a replacement set aside is swept after thirty days, and not while it can be had back', () => {
  let n = 0
  const maker = (atMs: number): Maker => ({ nowMs: () => atMs, zone: 'UTC', newId: () => `r${++n}` })
  const old = [makeAct(maker(START), 'a', []), makeAct(maker(START), 'b', [])]
  const replacement = makeReplacement(maker(START), 'Replaced', [], old)
  const kept = [...old, replacement]
  expect(sweepable(kept, START + KEPT_ASIDE_MS)).toEqual([])
  expect(sweepable(kept, START + KEPT_ASIDE_MS + 1)).toEqual(old.map(act => act.id))
  expect(sweepable([...kept, makeWithdrawal(maker(START), replacement)], START + 2 * KEPT_ASIDE_MS)).toEqual(
    [],
  )
})
