import type { Answer, BecauseInput, Knowledge } from '../answer.ts'
import { input } from '../answer.ts'
import { saturationPressureWaterPa } from '../air/saturation.ts'
import {
  dewPointOfRhC,
  GAS_CONSTANT_J_PER_MOL_K,
  MOLAR_MASS_WATER_G_PER_MOL,
  vapourDensityOfRhGPerM3,
} from '../air/vapour.ts'
import type { ChargeNow, Stream } from '../estimate/report.ts'
import { FORMULAS, type FormulaId } from './catalogue.ts'

/** Puts an answer together: the formula's text and source come from the catalogue. */
export function answer(
  quantity: string,
  value: number,
  unit: string,
  knowledge: Knowledge,
  formulaId: FormulaId,
  inputs: readonly BecauseInput[],
  note?: string,
): Answer {
  const { text, source } = FORMULAS[formulaId]
  return {
    quantity,
    value,
    unit,
    knowledge,
    because: { formulaId, formula: text, inputs, source, ...(note === undefined ? {} : { note }) },
  }
}

/** A value somebody entered, or that was assumed for them. */
export const enteredAnswer = (
  quantity: string,
  name: string,
  value: number,
  unit: string,
  knowledge: Knowledge,
  note?: string,
): Answer =>
  knowledge === 'assumed'
    ? answer(quantity, value, unit, knowledge, 'as-assumed', [input('a', name, value, unit, knowledge)], note)
    : answer(quantity, value, unit, knowledge, 'as-entered', [input('r', name, value, unit, knowledge)], note)

/** A reading as it was shown, or put right where its display was checked. */
export const readingAnswer = (
  quantity: string,
  { relativeHumidityPercent, putRight }: ShownReading,
  note?: string,
): Answer =>
  putRight
    ? answer(
        quantity,
        relativeHumidityPercent,
        '%',
        'computed',
        'put-right',
        [
          input('r', 'what the display showed', putRight.shownRhPercent, '%', 'measured'),
          input('a', 'it shows so much more at 25 %', putRight.offsetRh, '%', 'computed'),
          input('b', 'and so much more for each per cent beyond', putRight.perRh, '%', 'computed'),
        ],
        note,
      )
    : enteredAnswer(quantity, 'hygrometer reading', relativeHumidityPercent, '%', 'measured', note)

interface ShownReading {
  readonly relativeHumidityPercent: number
  readonly putRight?: { readonly shownRhPercent: number; readonly offsetRh: number; readonly perRh: number }
}

export const targetAnswer = (
  targets: readonly { name: string; rhPercent: number }[],
  note?: string,
): Answer =>
  answer(
    'target RH',
    Math.min(...targets.map(target => target.rhPercent)),
    '%',
    'told',
    'strictest',
    targets.map((target, i) => input(`t${i + 1}`, target.name, target.rhPercent, '%', 'assumed')),
    note,
  )

interface AirState {
  readonly relativeHumidityPercent: number
  readonly temperatureC: number
  readonly knowledge: Knowledge
}
const airInputs = (air: AirState): BecauseInput[] => [
  input('φ', 'relative humidity', air.relativeHumidityPercent, '%', air.knowledge),
  input('T', 'temperature', air.temperatureC, '°C', air.knowledge),
  input('e_s', 'saturation pressure at T', saturationPressureWaterPa(air.temperatureC), 'Pa', 'computed'),
]

export const vapourDensityAnswer = (quantity: string, air: AirState): Answer =>
  answer(quantity, vapourDensityOfRhGPerM3(air), 'g/m³', 'computed', 'vapour-density', [
    ...airInputs(air),
    input('M', 'molar mass of water', MOLAR_MASS_WATER_G_PER_MOL, 'g/mol', 'computed'),
    input('R', 'gas constant', GAS_CONSTANT_J_PER_MOL_K, 'J/(mol·K)', 'computed'),
  ])

export const dewPointAnswer = (quantity: string, air: AirState): Answer =>
  answer(quantity, dewPointOfRhC(air), '°C', 'computed', 'dew-point', airInputs(air))

export const differenceAnswer = (
  quantity: string,
  unit: string,
  a: readonly [string, number],
  b: readonly [string, number],
): Answer =>
  answer(quantity, a[1] - b[1], unit, 'computed', 'difference', [
    input('a', a[0], a[1], unit, 'computed'),
    input('b', b[0], b[1], unit, 'computed'),
  ])

export const totalAnswer = (
  quantity: string,
  unit: string,
  parts: readonly (readonly [string, number])[],
): Answer =>
  answer(
    quantity,
    parts.reduce((sum, [, value]) => sum + value, 0),
    unit,
    'computed',
    'total',
    parts.map(([name, value], i) => input(`s${i + 1}`, name, value, unit, 'computed')),
  )

/** mg of water a day along one path; reckoned, so drawn as assumed where its conductance is. */
export const streamAnswer = (name: string, stream: Stream, knowledge: Knowledge): Answer =>
  answer(
    `water by ${name}`,
    stream.mgPerDay,
    'mg/day',
    knowledge,
    'stream',
    [
      input('G', 'conductance, as the readings leave it', stream.conductanceLPerH, 'L/h', 'computed'),
      input('c_from', 'vapour density where it comes from', stream.fromGPerM3, 'g/m³', 'computed'),
      input('c_to', 'vapour density where it goes', stream.toGPerM3, 'g/m³', 'computed'),
    ],
    `likely ${stream.spread.low.toFixed(0)}–${stream.spread.high.toFixed(0)} mg a day; the draw shown is nearest to the middle of all`,
  )

const heldInputs = (charge: ChargeNow, loadingGPerG: number, loadingName: string): BecauseInput[] => [
  input('q', loadingName, loadingGPerG, 'g/g', 'computed'),
  input('m', 'beads, dry', charge.dryMassG, 'g', 'told'),
  input('k', 'what these beads hold against the catalogue', charge.capacityFactor, '', 'computed'),
]
export const heldAnswer = (charge: ChargeNow): Answer =>
  answer(
    'water in the beads',
    charge.waterG,
    'g',
    'computed',
    'water-held',
    heldInputs(charge, charge.loadingGPerG, 'loading now'),
    `likely ${charge.spread.low.toFixed(1)}–${charge.spread.high.toFixed(1)} g`,
  )
export const notchAnswer = (charge: ChargeNow): Answer =>
  answer(
    'water at which the target is lost',
    charge.notchG ?? 0,
    'g',
    'computed',
    'water-held',
    heldInputs(charge, charge.notchLoadingGPerG ?? 0, 'loading at which the air stands at the target'),
    charge.notchSpread
      ? `likely ${charge.notchSpread.low.toFixed(1)}–${charge.notchSpread.high.toFixed(1)} g`
      : undefined,
  )
export const freshAnswer = (charge: ChargeNow): Answer =>
  answer(
    'water after the usual heating',
    charge.freshG,
    'g',
    'computed',
    'water-held',
    heldInputs(
      charge,
      charge.freshG / (charge.dryMassG * charge.capacityFactor),
      'loading after the usual heating in this room',
    ),
  )

/** A date at which a share of the draws has left the target. */
export const dateAnswer = (
  quantity: string,
  share: number,
  dates: readonly { share: number; atS: number }[],
  draws: number,
): Answer => {
  // where many draws never leave it, their date is the forecast's end: no date at all
  const latestS = dates.at(-1)?.atS
  const piled = dates.filter(date => date.atS === latestS)
  const isHorizon = (date: { atS: number }): boolean => piled.length > 1 && date.atS === latestS
  const beyond =
    piled.length > 1
      ? ` More than ${Math.round(100 - 100 * piled[0]!.share)} % of the draws have not left it within the 400 days looked at: beyond a year.`
      : ''
  return answer(
    quantity,
    dates.find(date => date.share >= share - 1e-9)?.atS ?? Number.NaN,
    'date',
    'computed',
    'weighted-date',
    [
      input('p', 'share wanted', share, '', 'computed'),
      ...dates
        .filter(date => !isHorizon(date))
        .map(date =>
          input(
            `d${Math.round(date.share * 1000) / 10}`,
            `${Math.round(date.share * 1000) / 10} % have left it`,
            date.atS,
            'date',
            'computed',
          ),
        ),
    ],
    `${draws} draws from what was told, each through the network from the first entry, weighted by how well it meets every reading and weighing.${beyond}`,
  )
}

/** The value a share of a list does not exceed; the list is shown. */
export const shareAnswer = (
  quantity: string,
  unit: string,
  share: number,
  sorted: readonly number[],
  each: string,
): Answer =>
  answer(
    quantity,
    sorted[Math.max(0, Math.ceil(share * sorted.length - 1e-9) - 1)] ?? Number.NaN,
    unit,
    'computed',
    'weighted-share',
    [
      input('p', 'share wanted', share, '', 'computed'),
      ...sorted.map((value, i) => input(`v${i + 1}`, each, value, unit, 'computed')),
    ],
  )

/** @param days calendar days in the person's zone, which the core does not know */
export const daysSinceAnswer = (quantity: string, days: number, fromS: number, toS: number): Answer =>
  answer(quantity, days, 'days', 'computed', 'days-since', [
    input('a', 'then', fromS, 'date', 'told'),
    input('b', 'now', toS, 'date', 'computed'),
  ])

export const ratioAnswer = (
  quantity: string,
  unit: string,
  a: readonly [string, number],
  b: readonly [string, number],
): Answer =>
  answer(quantity, a[1] / b[1], 'times', 'computed', 'ratio', [
    input('a', a[0], a[1], unit, 'computed'),
    input('b', b[0], b[1], unit, 'computed'),
  ])

/** How far an observation lies from the nearest draw, in its own standard deviations. */
export const missAnswer = (
  worst: { readonly seen: number; readonly expected: number; readonly sigma: number },
  unit: string,
): Answer =>
  answer(
    'miss of the nearest draw',
    Math.abs(worst.seen - worst.expected) / worst.sigma,
    'times',
    'computed',
    'miss',
    [
      input('seen', 'what was seen', worst.seen, unit, 'measured'),
      input('e', 'the nearest draw', worst.expected, unit, 'computed'),
      input('σ', 'one standard deviation', worst.sigma, unit, 'computed'),
    ],
  )

/** When a reading tells most. @param middleS the date as likely before as after @param readAgainS what the estimate says */
export const readAgainAnswer = (nowS: number, middleS: number, readAgainS: number): Answer =>
  answer('read it again', readAgainS, 'date', 'computed', 'read-again', [
    input('t', 'now', nowS, 'time', 'told'),
    input('m', 'the date as likely before as after', middleS, 'time', 'computed'),
  ])

/** When something that nobody told must have happened. @param atS by the draw that fits best */
export const sinceAnswer = (atS: number): Answer =>
  answer('since', atS, 'date', 'computed', 'likeliest-draw', [
    input('d', 'the day it began, within the readings before and after', atS, 'date', 'computed'),
  ])

export const settlesAtAnswer = (disturbedS: number, hours: number): Answer =>
  answer('settled at', disturbedS + hours * 3600, 'time', 'computed', 'settles-at', [
    input('o', 'opened, or beads put in', disturbedS, 'time', 'told'),
    input('h', 'time to settle', hours, 'h', 'assumed'),
  ])
