import { describe, expect, test } from '@jest/globals'
import { FORMULA_WORK } from '#testing/recompute.ts'
import type { Answer } from '../answer.ts'
import { DESICCANTS, type DesiccantKind } from '../desiccant/catalogue.ts'
import { afterHeating } from '../renewal/after-heating.ts'
import { heatWay } from '../renewal/ways.ts'
import { weighedCharge } from '../renewal/weighed.ts'
import { loadingAtRhGPerG } from '../sorbent/sorbent.ts'
import { splitChange } from './change.ts'
import { floorAfterAnswer, residualAnswer, weighedRhAnswer } from './renewal-answers.ts'

const KINDS = Object.keys(DESICCANTS) as DesiccantKind[]

/** The value once more, from the inputs as they are shown. */
function again({ because }: Answer): number {
  const inputs = Object.fromEntries(because.inputs.map(item => [item.symbol, String(item.value)]))
  const value = (symbol: string) => Number(inputs[symbol])
  return Number(FORMULA_WORK[because.formulaId]!(value, { formula: because.formula, inputs, result: '' }))
}
const holds = (answer: Answer, within: number) =>
  expect(Math.abs(again(answer) - answer.value)).toBeLessThanOrEqual(within)

describe.each(KINDS)('%s', desiccant => {
  test('a change of reading is split in two that can be worked out again', () => {
    const split = splitChange(
      DESICCANTS[desiccant],
      { relativeHumidityPercent: 14, temperatureC: 12 },
      { relativeHumidityPercent: 17, temperatureC: 19 },
      { dryMassG: 120, capacityFactor: 1 },
    )
    holds(split.byTemperaturePercent, 0.02)
    holds(split.byWaterPercent, 1e-9)
    expect(split.byTemperaturePercent.value + split.byWaterPercent.value).toBeCloseTo(3, 6)
  })

  test('a weighing and a heating too', () => {
    const waterG =
      100 * loadingAtRhGPerG(DESICCANTS[desiccant].sorbent, { relativeHumidityPercent: 18, temperatureC: 20 })
    const weighed = weighedCharge({ desiccant, dryMassG: 100, waterG, sigmaG: 1, temperatureC: 20 })
    expect(weighed.rhPercent).toBeCloseTo(18, 3)
    holds(weighedRhAnswer(weighed, desiccant, 20), 0.05)
    const way = heatWay({ desiccant, holder: 'packet' })
    if (!way) return expect(desiccant).toBe('calcium-chloride')
    const at = { desiccant, ovenPa: 1400, temperatureC: way.usualC }
    const after = afterHeating({ ...at, boxC: 20 })
    // the heat that is usual for a kind makes it dry
    expect(after.floorRhPercent).toBeLessThan(5)
    holds(residualAnswer(after, at), 2e-4)
    holds(floorAfterAnswer(after, desiccant, 20), 0.05)
  })
})

describe('how each is renewed', () => {
  test('crystals are used once; sieve is beyond kitchen ovens; a plug-in unit has hours of its own', () => {
    expect(heatWay({ desiccant: 'calcium-chloride', holder: 'crystal pack' })).toBeNull()
    const sieve = heatWay({ desiccant: 'sieve-4a', holder: 'packet' })!
    expect(sieve.ovens).not.toContain('electric')
    expect(sieve.notAtHome).toMatch(/200–300 °C/)
    expect(heatWay({ desiccant: 'silica-a', holder: 'plug-in unit' })).toMatchObject({
      ovens: ['own heater'],
      usualHours: 16,
    })
  })
})
