import { describe, expect, test } from '@jest/globals'
import { VERSION_1 } from '#testing/fixtures/version-1.ts'
import type { Plan } from '#records/kinds/plan.ts'
import { readPlanFile, withoutIds, writePlanFile } from './plan-file.ts'

const made = VERSION_1['plan.made'] as unknown as Plan
const plan = withoutIds({
  ...made,
  spools: [
    {
      of: 'sized',
      name: 'PA12 grey',
      material: 'PA12',
      body: 'board',
      rimDiameterMm: 195,
      widthMm: 61,
      boreMm: 54,
      filamentG: 750,
      emptyG: 180,
      count: 2,
    },
  ],
})

describe('a plan as a file', () => {
  test('what is written is read back', () => expect(readPlanFile(writePlanFile(plan))).toEqual(plan))
  test('nothing of the journal it came from is in it', () => {
    expect(writePlanFile(plan)).not.toMatch(/planId|roomId/)
  })
  test.each<[string, string, RegExp]>([
    ['no JSON', 'hello', /not JSON/],
    ['another JSON', '{"a":1}', /no plan of a box/],
    ['a newer one', '{"format":"veld-plan","version":9}', /newer kind \(9\)/],
    ['a huge one', ' '.repeat(1_000_001), /over a megabyte/],
    [
      'a length that can’t be',
      writePlanFile(plan).replace('"rodDiameterMm": 12', '"rodDiameterMm": -12'),
      /rodDiameterMm does not fit/,
    ],
    ['a name from the prototype', writePlanFile(plan).replace('"PA12"', '"constructor"'), /does not fit/],
  ])('%s is refused, and says why', (_, text, message) => expect(() => readPlanFile(text)).toThrow(message))
  test('a spool of somebody’s kit is refused', () => {
    const own = { ...plan, spools: [{ of: 'own' as const, spoolId: 's1' }] }
    expect(() => readPlanFile(writePlanFile(own))).toThrow(/only its own journal knows/)
  })
})
