import { describe, expect, test } from '@jest/globals'
import { secondsFromDays } from '#units/time.ts'
import { syntheticBox } from '#testing/synthetic-box.ts'
import { DESICCANTS, type DesiccantKind } from '../desiccant/catalogue.ts'
import type { BoxFacts } from '../evidence/facts.ts'
import { freshnessRange } from '../evidence/freshness.ts'
import { usualRenewalC } from '../renewal/ways.ts'
import { loadingAtRhGPerG } from '../sorbent/sorbent.ts'
import { freshLoadingGPerG, modelOfDraw } from './model-of-draw.ts'
import { seededRandom } from './random.ts'
import { drawValues, unknownsOf } from './unknowns.ts'

const { facts } = syntheticBox(seededRandom(3), 60, 10)
const values = (of: BoxFacts) => {
  const unknowns = unknownsOf(of)
  return { unknowns, values: drawValues(of, unknowns, new Float64Array(unknowns.length)) }
}
describe('a lid mended on a day', () => {
  const mended: BoxFacts = {
    ...facts,
    leak: { lowLPerH: 0.02, highLPerH: 0.2, name: 'clips', knowledge: 'told' },
    leaksBefore: [{ lowLPerH: 2, highLPerH: 10, untilS: facts.nowS - secondsFromDays(20) }],
  }
  test('the lid before is not known for certain by itself, and nobody is asked about it', () => {
    const { unknowns } = values(mended)
    expect(unknowns.filter(({ id }) => id.startsWith('leak before'))).toMatchObject([
      { id: 'leak before:0', cause: 'how tight the lid was before', asks: null },
    ])
    expect(values(facts).unknowns.some(({ id }) => id.startsWith('leak before'))).toBe(false)
  })
  test('it leaked as it did until then, and leaks as it does since', () => {
    const [lid] = modelOfDraw(mended, values(mended).values).inlets
    expect(lid).toMatchObject({ by: 'lid' })
    expect(lid!.conductanceLPerH).toBeCloseTo(Math.sqrt(2 * 10), 6)
    expect(lid!.later).toEqual([
      { atS: facts.nowS - secondsFromDays(20), conductanceLPerH: expect.closeTo(Math.sqrt(0.02 * 0.2), 6) },
    ])
  })
})

describe.each(Object.keys(DESICCANTS) as DesiccantKind[])('%s', kind => {
  const air = { relativeHumidityPercent: 60, temperatureC: 20 }
  test('new is drier than a changed colour, and all answers lie within what it can hold', () => {
    const fresh = freshnessRange('new', kind, air)
    const spent = freshnessRange('colour changed', kind, air)
    expect(fresh.highGPerG).toBeLessThan(spent.lowGPerG)
    for (const answer of ['new', 'heated', 'colour changed', 'in the air', 'unknown'] as const) {
      const { lowGPerG, highGPerG } = freshnessRange(answer, kind, air)
      expect(lowGPerG).toBeGreaterThanOrEqual(0)
      expect(highGPerG).toBeGreaterThan(lowGPerG)
      expect(highGPerG).toBeLessThanOrEqual(DESICCANTS[kind].sorbent.mostGPerG)
    }
  })
  test('freshly renewed it is drier than air of 10 %, or used once and then new', () => {
    const { values: middle } = values(facts)
    const { surroundings } = modelOfDraw(facts, middle)
    const fresh = freshLoadingGPerG({ kind, holder: 'packet' }, middle, surroundings, facts.nowS)
    const at10 = loadingAtRhGPerG(DESICCANTS[kind].sorbent, { relativeHumidityPercent: 10, temperatureC: 20 })
    if (usualRenewalC({ desiccant: kind, holder: 'packet' }) === null)
      expect(fresh).toBeLessThan(freshnessRange('new', kind, air).highGPerG)
    else expect(fresh).toBeLessThan(at10)
  })
})
