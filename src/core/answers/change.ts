import type { Answer } from '../answer.ts'
import { input } from '../answer.ts'
import { saturationPressureWaterPa } from '../air/saturation.ts'
import { GAS_CONSTANT_J_PER_MOL_K } from '../air/vapour.ts'
import type { Desiccant } from '../desiccant/catalogue.ts'
import { henryConstantPerPa } from '../desiccant/silica-gel.ts'
import { loadingAtRhGPerG, rhAtConstantLoadingPercent } from '../sorbent/sorbent.ts'
import { answer } from './answers.ts'

interface Reading {
  readonly relativeHumidityPercent: number
  readonly temperatureC: number
}

/** A change between two readings, split in two. */
export interface ChangeSplit {
  /** Where the first reading stands at the second's temperature with the same water. */
  readonly betweenRhPercent: number
  readonly byTemperaturePercent: Answer
  readonly byWaterPercent: Answer
  /** Water gained (negative: lost) by the beads, mg. */
  readonly gainedMg: Answer
}

/** Splits a change of reading into what temperature explains at constant loading and what water does. */
export function splitChange(
  { gel, netHeatKJPerMol, sorbent }: Desiccant,
  then: Reading,
  now: Reading,
  charge: { dryMassG: number; capacityFactor: number },
): ChangeSplit {
  const between = rhAtConstantLoadingPercent(sorbent, {
    relativeHumidityPercent: then.relativeHumidityPercent,
    fromTemperatureC: then.temperatureC,
    toTemperatureC: now.temperatureC,
  })
  const [q1, q2] = [loadingAtRhGPerG(sorbent, then), loadingAtRhGPerG(sorbent, now)]
  const percent = (symbol: string, name: string, value: number) => input(symbol, name, value, '%', 'measured')
  const byTemperature = (): Answer => {
    const value = between - then.relativeHumidityPercent
    const read = percent('φ1', 'reading then', then.relativeHumidityPercent)
    if (gel)
      return answer('change by temperature', value, '%', 'computed', 'constant-loading', [
        read,
        input(
          'e1',
          'saturation pressure then',
          saturationPressureWaterPa(then.temperatureC),
          'Pa',
          'computed',
        ),
        input(
          'K1',
          "isotherm's constant then",
          henryConstantPerPa(gel, then.temperatureC) * 1000,
          '1/kPa',
          'computed',
        ),
        input('e2', 'saturation pressure now', saturationPressureWaterPa(now.temperatureC), 'Pa', 'computed'),
        input(
          'K2',
          "isotherm's constant now",
          henryConstantPerPa(gel, now.temperatureC) * 1000,
          '1/kPa',
          'computed',
        ),
      ])
    if (netHeatKJPerMol !== undefined)
      return answer('change by temperature', value, '%', 'computed', 'constant-loading-heat', [
        read,
        input('Q', 'net heat of sorption', netHeatKJPerMol, 'kJ/mol', 'assumed'),
        input('R', 'gas constant', GAS_CONSTANT_J_PER_MOL_K, 'J/(mol·K)', 'computed'),
        input('T1', 'temperature then', then.temperatureC, '°C', 'measured'),
        input('T2', 'temperature now', now.temperatureC, '°C', 'measured'),
      ])
    return answer('change by temperature', value, '%', 'computed', 'difference', [
      input('a', 'at the new temperature with the same water', between, '%', 'computed'),
      input('b', 'reading then', then.relativeHumidityPercent, '%', 'measured'),
    ])
  }
  return {
    betweenRhPercent: between,
    byTemperaturePercent: byTemperature(),
    byWaterPercent: answer(
      'change by water',
      now.relativeHumidityPercent - between,
      '%',
      'computed',
      'difference',
      [
        percent('a', 'reading now', now.relativeHumidityPercent),
        input('b', 'at the new temperature with the same water', between, '%', 'computed'),
      ],
    ),
    gainedMg: answer(
      'water gained by the beads',
      1000 * (q2 - q1) * charge.dryMassG * charge.capacityFactor,
      'mg',
      'computed',
      'charge-gain',
      [
        input('q1', 'loading at the reading then', q1, 'g/g', 'computed'),
        input('q2', 'loading at the reading now', q2, 'g/g', 'computed'),
        input('m', 'beads, dry', charge.dryMassG, 'g', 'told'),
        input('k', 'what these beads hold against the catalogue', charge.capacityFactor, '', 'computed'),
      ],
    ),
  }
}
