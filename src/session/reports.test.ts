import { describe, expect, test } from '@jest/globals'
import { boathouseLoft } from '#testing/loft-once.ts'
import { estimateBox } from '#core/estimate/estimate-box.ts'
import { boxFacts } from '#journal/box-facts.ts'
import { boxView } from '#journal/box-view.ts'
import { fold } from '#journal/fold.ts'
import type { Act } from '#records/act.ts'
import { factsKey } from './reports.ts'

const NOW_MS = Date.UTC(2031, 4, 6, 9)
const acts = boathouseLoft(NOW_MS, 'UTC')
const factsOf = (journal: readonly Act[], boxId: string) => {
  const state = fold(journal)
  return boxFacts(state, boxView(state, boxId, NOW_MS)!, NOW_MS)!
}
/** Everything under another name. */
const renamed = acts.map(act => ({
  ...act,
  entries: act.entries.map(entry =>
    'name' in entry.payload
      ? { ...entry, payload: { ...entry.payload, name: `Zander ${entry.id.slice(-4)}` } }
      : entry,
  ),
})) as Act[]

describe('what a kept result stands on', () => {
  test('is not what things are called: no box is reckoned anew for a name', () => {
    for (const boxId of fold(acts).boxes.keys())
      expect(factsKey(factsOf(renamed, boxId))).toBe(factsKey(factsOf(acts, boxId)))
  })

  test('is everything else that is told of a box', () => {
    const facts = factsOf(acts, 'stroke')
    const [beads] = facts.charges
    const others = [
      { ...facts, openingsPerMonth: facts.openingsPerMonth + 1 },
      { ...facts, charges: [{ ...beads!, dryMassG: beads!.dryMassG + 1 }] },
      { ...facts, charges: [{ ...beads!, id: 'other beads' }] },
      { ...facts, spools: facts.spools.slice(1) },
    ]
    expect(new Set([facts, ...others].map(factsKey)).size).toBe(others.length + 1)
  })

  test('and no result holds a name', () => {
    const facts = factsOf(renamed, 'stroke')
    expect(JSON.stringify(facts)).toContain('Zander')
    const report = estimateBox(facts, { drawsPerRound: 20 })
    expect(report.leaves).not.toBeNull()
    expect(JSON.stringify(report)).not.toContain('Zander')
  })
})
