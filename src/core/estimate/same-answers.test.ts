import { expect, test } from '@jest/globals'
import { syntheticBox } from '#testing/synthetic-box.ts'
import type { BoxFacts } from '../evidence/facts.ts'
import { seededRandom } from './random.ts'
import { estimateBox } from './estimate-box.ts'

/** The same box under other names, as another journal would have it. */
function renamed(facts: BoxFacts, mark: string): BoxFacts {
  const named = <T extends { readonly id: string }>(items: readonly T[]): T[] =>
    items.map(item => ({ ...item, id: `${mark}${item.id}` }))
  return {
    ...facts,
    charges: named(facts.charges),
    spools: named(facts.spools),
  }
}
/** A report without the names it carries. */
const bare = (facts: BoxFacts, mark: string) =>
  JSON.parse(JSON.stringify(estimateBox(facts, { drawsPerRound: 40 })).replaceAll(`"${mark}`, '"')) as unknown

// how far another turn of the points moves an answer is measured by npm run validate, over twenty boxes
test('journals of the same facts under other ids: the same report to the last digit', () => {
  for (const box of [1, 2]) {
    const { facts } = syntheticBox(seededRandom(box * 104_729), [20, 60, 150][box % 3]!, 6)
    const plain = bare(facts, '')
    for (const mark of ['01J', 'zz-']) expect(bare(renamed(facts, mark), mark)).toEqual(plain)
  }
})
