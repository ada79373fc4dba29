import type { Answer } from '../answer.ts'
import { input } from '../answer.ts'
import { DESICCANTS, type DesiccantKind } from '../desiccant/catalogue.ts'
import { henryConstantPerPa } from '../desiccant/silica-gel.ts'
import { saturationPressureWaterPa } from '../air/saturation.ts'
import type { AfterHeating } from '../renewal/after-heating.ts'
import type { WeighedCharge } from '../renewal/weighed.ts'
import { loadingAtRhGPerG, rhOverLoadingPercent } from '../sorbent/sorbent.ts'
import { answer } from './answers.ts'

/** Loading that a heating leaves. */
export const residualAnswer = (
  after: AfterHeating,
  at: { desiccant: DesiccantKind; ovenPa: number; temperatureC: number },
): Answer => {
  const { gel, sorbent } = DESICCANTS[at.desiccant]
  if (!gel)
    return betweenPoints(
      'loading left by the heat',
      'g/g',
      { name: 'RH in the oven, %', value: (100 * at.ovenPa) / saturationPressureWaterPa(at.temperatureC) },
      relativeHumidityPercent =>
        loadingAtRhGPerG(sorbent, { relativeHumidityPercent, temperatureC: at.temperatureC }),
      'Equilibrium, reached when the heat lasts long enough; far beyond the table’s 25 °C.',
    )
  return answer(
    'loading left by the heat',
    after.loadingGPerG,
    'g/g',
    'computed',
    'toth',
    [
      input(
        'K',
        'Henry constant at the oven’s heat',
        henryConstantPerPa(gel, at.temperatureC),
        '(g/g)/Pa',
        'computed',
      ),
      input('p', 'vapour pressure in the oven', at.ovenPa, 'Pa', 'computed'),
      input('q_m', 'most it can hold', gel.monolayerLoadingGPerG, 'g/g', 'assumed'),
      input('t', 'Tóth exponent', gel.exponent, '', 'assumed'),
    ],
    'Equilibrium, reached when the heat lasts long enough; real gel keeps 1–2 % more.',
  )
}

/** How near the two points lie that a value is read between: this share of it to either side. */
const NEAR = 0.01

/** A value of a curve, as a straight line between two near points of it shows it. */
function betweenPoints(
  quantity: string,
  unit: string,
  at: { readonly name: string; readonly value: number },
  curve: (y: number) => number,
  note: string,
): Answer {
  const [y1, y2] = [at.value * (1 - NEAR), at.value * (1 + NEAR)]
  const [x1, x2] = [curve(y1), curve(y2)]
  const x = y2 > y1 ? x1 + ((at.value - y1) / (y2 - y1)) * (x2 - x1) : x1
  return answer(
    quantity,
    x,
    unit,
    'computed',
    'between-points',
    [
      input('y', at.name, at.value, '', 'computed'),
      input('y1', 'a little less', y1, '', 'computed'),
      input('x1', 'the curve there', x1, unit, 'computed'),
      input('y2', 'a little more', y2, '', 'computed'),
      input('x2', 'the curve there', x2, unit, 'computed'),
    ],
    note,
  )
}

const overBeads = (
  quantity: string,
  rhPercent: number,
  loadingGPerG: number,
  desiccant: DesiccantKind,
  temperatureC: number,
  note: string,
): Answer => {
  const { gel, sorbent } = DESICCANTS[desiccant]
  if (!gel)
    return betweenPoints(
      quantity,
      '%',
      { name: 'loading, g/g', value: loadingGPerG },
      loading => rhOverLoadingPercent(sorbent, { loadingGPerG: loading, temperatureC }),
      note,
    )
  return answer(
    quantity,
    rhPercent,
    '%',
    'computed',
    'toth-inverse',
    [
      input('q', 'loading', loadingGPerG, 'g/g', 'computed'),
      input('q_m', 'most it can hold', gel.monolayerLoadingGPerG, 'g/g', 'assumed'),
      input('t', 'Tóth exponent', gel.exponent, '', 'assumed'),
      input(
        'K',
        'Henry constant at the box’s temperature',
        henryConstantPerPa(gel, temperatureC),
        '(g/g)/Pa',
        'computed',
      ),
      input('e_s', 'saturation pressure there', saturationPressureWaterPa(temperatureC), 'Pa', 'computed'),
    ],
    note,
  )
}

/** The lowest RH the box can have over beads fresh from this heat. */
export const floorAfterAnswer = (
  after: Pick<AfterHeating, 'loadingGPerG' | 'floorRhPercent' | 'floorHighRhPercent'>,
  desiccant: DesiccantKind,
  boxC: number,
): Answer =>
  overBeads(
    'lowest RH after this heat',
    after.floorRhPercent,
    after.loadingGPerG,
    desiccant,
    boxC,
    `With what real gel keeps, up to ${after.floorHighRhPercent.toFixed(0)} %.`,
  )

/** RH over beads that were weighed. */
export const weighedRhAnswer = (weighed: WeighedCharge, desiccant: DesiccantKind, boxC: number): Answer =>
  overBeads(
    'RH over the beads, by their weight',
    weighed.rhPercent,
    weighed.loadingGPerG,
    desiccant,
    boxC,
    `Likely ${weighed.lowRhPercent.toFixed(0)}–${weighed.highRhPercent.toFixed(0)} %: the scale’s error and what makes differ by.`,
  )
