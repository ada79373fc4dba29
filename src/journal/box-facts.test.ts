import { expect, test } from '@jest/globals'
import type { Act } from '#records/act.ts'
import { boathouseLoft } from '#testing/loft-once.ts'
import { boxFacts } from './box-facts.ts'
import { boxView } from './box-view.ts'
import { fold } from './fold.ts'

const NOW = Date.UTC(2026, 10, 26, 10)
const factsOf = (acts: readonly Act[]) => {
  const state = fold(acts)
  return [...state.boxes.keys()].map(id => boxFacts(state, boxView(state, id, NOW)!, NOW))
}

test('what is known of a box holds no id of an act or an entry: the same entered anew is the same', () => {
  const acts = boathouseLoft(NOW, 'UTC')
  const anew = JSON.parse(JSON.stringify(acts).replaceAll('"demo-', '"anew-')) as Act[]
  expect(JSON.stringify(anew)).not.toBe(JSON.stringify(acts))
  expect(factsOf(anew)).toEqual(factsOf(acts))
})
