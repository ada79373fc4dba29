import { expect, test } from '@jest/globals'
import { SILICA_GELS } from '../desiccant/catalogue.ts'
import { MATERIALS } from '../filament/catalogue.ts'
import {
  dateAnswer,
  dewPointAnswer,
  enteredAnswer,
  shareAnswer,
  targetAnswer,
  totalAnswer,
} from './answers.ts'
import { endsAtAnswer } from './box-answers.ts'
import { splitChange } from './change.ts'

test('a change splits into temperature and water, and the parts make the whole', () => {
  const split = splitChange(
    SILICA_GELS['silica-a'],
    { relativeHumidityPercent: 17, temperatureC: 9 },
    { relativeHumidityPercent: 24, temperatureC: 14 },
    { dryMassG: 200, capacityFactor: 1 },
  )
  expect(split.byTemperaturePercent.value + split.byWaterPercent.value).toBeCloseTo(7, 10)
  // 0.65 % of itself a kelvin: about 0.6 % RH over five kelvins
  expect(split.byTemperaturePercent.value).toBeGreaterThan(0.4)
  expect(split.byTemperaturePercent.value).toBeLessThan(0.8)
  expect(split.gainedMg.value).toBeGreaterThan(5000)
})

test('warmed with its water kept inside, a box changes by temperature alone', () => {
  const then = { relativeHumidityPercent: 20, temperatureC: 10 }
  const { betweenRhPercent } = splitChange(
    SILICA_GELS['silica-a'],
    then,
    { relativeHumidityPercent: 20, temperatureC: 18 },
    { dryMassG: 100, capacityFactor: 1 },
  )
  const again = splitChange(
    SILICA_GELS['silica-a'],
    then,
    { relativeHumidityPercent: betweenRhPercent, temperatureC: 18 },
    { dryMassG: 100, capacityFactor: 1 },
  )
  expect(again.byWaterPercent.value).toBeCloseTo(0, 10)
  expect(Math.abs(again.gainedMg.value)).toBeLessThan(1e-6)
})

test('every answer carries a formula, a source and its inputs', () => {
  const answers = [
    targetAnswer([
      { name: 'a', rhPercent: 25 },
      { name: 'b', rhPercent: 15 },
    ]),
    dewPointAnswer('dew point', { relativeHumidityPercent: 40, temperatureC: 12, knowledge: 'measured' }),
    enteredAnswer('width', 'width', 300, 'mm', 'assumed'),
    totalAnswer('in all', 'mg/day', [
      ['lid', 20],
      ['wall', 3],
    ]),
    shareAnswer('grams', 'g', 0.9, [10, 20, 30, 40, 50, 60, 70, 80, 90, 100], 'a draw'),
    dateAnswer(
      'renew by',
      0.1,
      [
        { share: 0.05, atS: 100 },
        { share: 0.1, atS: 200 },
      ],
      400,
    ),
    endsAtAnswer(MATERIALS.PLA, 'PLA', 25),
  ]
  expect(answers.map(a => Math.round(a.value * 100) / 100)).toEqual([15, -1.17, 300, 23, 90, 200, 0.19])
  for (const { because } of answers) {
    expect(because.inputs.length).toBeGreaterThan(0)
    expect(because.formula).not.toBe('')
    expect(because.source).not.toBe('')
  }
  expect(enteredAnswer('width', 'width', 300, 'mm', 'told').because.formulaId).toBe('as-entered')
})
