import type { Celsius, Grams } from '#units/quantity.ts'
import { input, type Answer } from '../answer.ts'
import { DESICCANTS } from '../desiccant/catalogue.ts'
import { asTold, HEAT_SOURCES, type Heat, type HeatSource } from '../renewal/heat-source.ts'
import type { HeatThese, HeatTheseAsked } from '../renewal/heat-these.ts'
import { BED_SHARE, DEFROST_SHARE, INTO_BED, WARM_UP_MINUTES } from '../renewal/baking.ts'
import { answer, enteredAnswer, totalAnswer } from './answers.ts'
import { floorAfterAnswer } from './renewal-answers.ts'

const span = (low: number, high: number, unit: string, digits = 0): string =>
  `Likely ${low.toFixed(digits)}–${high.toFixed(digits)} ${unit}.`

/** Minutes of one batch. */
export function minutesAnswer(asked: HeatTheseAsked, plan: HeatThese): Answer {
  const { charge, source, roomC } = asked
  const { low, middle, high } = plan.minutes
  const likely = span(low, high, 'minutes')
  if (source.kind === 'own heater')
    return enteredAnswer('minutes of heat', 'what such a unit takes', middle, 'min', 'assumed', likely)
  const waterG = plan.waterOutG.middle / plan.bed.batches
  if (plan.steps)
    return answer(
      'minutes of heat',
      middle,
      'min',
      'computed',
      'microwave-minutes',
      [
        input('w', 'water to come out of a batch', waterG, 'g', 'computed'),
        input('m', 'beads in a batch, dry', plan.bed.gramsEach, 'g', 'told'),
        input('T_r', 'the room', roomC, '°C', 'computed'),
        input('P', 'defrost power', plan.steps.watts, 'W', source.watts === null ? 'assumed' : 'told'),
      ],
      `${likely} Stop when no more steam comes, whatever the minutes.`,
    )
  return answer(
    'minutes of heat',
    middle,
    'min',
    'computed',
    'baking-minutes',
    [
      input('d', 'depth of the bed', plan.bed.depthMm, 'mm', 'computed'),
      input('ρ', 'bulk density', DESICCANTS[charge.desiccant].bulkDensityGPerMl, 'g/mL', 'assumed'),
      input(
        'w',
        'water to come out, of the dry mass',
        plan.waterOutG.middle / charge.dryMassG,
        'g/g',
        'computed',
      ),
      input(
        'T',
        'heat by the beads',
        plan.heat!.middleC,
        '°C',
        plan.heat!.by === 'measured' ? 'measured' : 'assumed',
      ),
      input('T_r', 'the room', roomC, '°C', 'computed'),
      input('h', 'from the oven into the bed', INTO_BED.middle, 'W/(m²·K)', 'assumed'),
      input('t0', 'until it is hot', WARM_UP_MINUTES, 'min', 'assumed'),
      input('s', 'share of the heat the bed has while it gives off water', BED_SHARE, '', 'assumed'),
    ],
    `${likely} A fan makes it the lower, still air the higher; the scale tells.`,
  )
}

/** Water left in it over its dry mass, of the range in between. */
export const leftAnswer = (asked: HeatTheseAsked, plan: HeatThese): Answer =>
  answer(
    'water left in the beads',
    plan.leftG.middle,
    'g',
    'computed',
    'water-held',
    [
      input(
        'q',
        plan.heat ? 'loading the heat leaves, in today’s room air' : 'loading a microwave leaves',
        plan.leftG.middle / (asked.charge.dryMassG * asked.charge.capacityFactor),
        'g/g',
        plan.heat ? 'computed' : 'assumed',
      ),
      input('m', 'beads, dry', asked.charge.dryMassG, 'g', 'told'),
      input('k', 'what they still hold after their cycles', asked.charge.capacityFactor, '', 'computed'),
    ],
    span(plan.leftG.low, plan.leftG.high, 'g', 1),
  )

/** What the scale shows when they are dry, in the middle of its range. */
export const endWeightAnswer = ({ charge }: Pick<HeatTheseAsked, 'charge'>, plan: HeatThese): Answer =>
  totalAnswer('weight when done', 'g', [
    ['beads, dry', charge.dryMassG],
    ['water left in them', plan.leftG.middle],
    ...(charge.tareG === null ? [] : [['holder', charge.tareG] as const]),
  ])

/** kWh of all batches. */
export const energyAnswer = ({ source, roomC }: HeatTheseAsked, plan: HeatThese): Answer =>
  heatEnergyAnswer(source, {
    heat: plan.heat,
    roomC,
    minutes: plan.minutes.middle * plan.bed.batches,
    waterG: plan.waterOutG.middle,
    kWh: plan.kWh,
  })

/** kWh of heat that lasts so long and takes out so much water. */
export function heatEnergyAnswer(
  source: HeatSource,
  of: {
    readonly heat: Heat | null
    readonly roomC: Celsius
    readonly minutes: number
    readonly waterG: Grams
    readonly kWh: number
  },
): Answer {
  const told = asTold(source)
  const power = input('P', 'draws at most', told.watts, 'W', source.watts === null ? 'assumed' : 'told')
  const time = input('t', 'minutes in all', of.minutes, 'min', 'computed')
  if (source.kind === 'sun') return enteredAnswer('energy', 'the sun asks no money', 0, 'kWh', 'assumed')
  if (source.kind === 'microwave')
    return answer('energy', of.kWh, 'kWh', 'computed', 'microwave-energy', [
      power,
      time,
      input('s', 'share of its power on defrost', DEFROST_SHARE, '', 'assumed'),
    ])
  if (source.kind === 'own heater')
    return answer('energy', of.kWh, 'kWh', 'computed', 'power-energy', [power, time])
  return answer(
    'energy',
    of.kWh,
    'kWh',
    'computed',
    'baking-energy',
    [
      power,
      time,
      input('a', 'to warm it', HEAT_SOURCES[source.kind].warmWhPerK, 'Wh/K', 'assumed'),
      input('b', 'what it loses', HEAT_SOURCES[source.kind].lossWPerK, 'W/K', 'assumed'),
      input('ΔT', 'above the room', Math.max(0, of.heat!.middleC - of.roomC), 'K', 'computed'),
      input('w', 'water to come out', of.waterG, 'g', 'computed'),
    ],
    'Typical losses, from memory; a meter in the plug tells better.',
  )
}

/** The driest air of the box over what stays in, in the middle of its range. */
export const floorAnswerOf = ({ charge, boxC }: HeatTheseAsked, plan: HeatThese): Answer =>
  floorAfterAnswer(
    {
      loadingGPerG: plan.leftG.middle / (charge.dryMassG * charge.capacityFactor),
      floorRhPercent: plan.floorRhPercent.middle,
      floorHighRhPercent: plan.floorRhPercent.high,
    },
    charge.desiccant,
    boxC,
  )

/** @param price of a kilowatt hour, in `currency` */
export const moneyAnswer = ({ kWh }: Pick<HeatThese, 'kWh'>, price: number, currency: string): Answer =>
  answer('money for it', kWh * price, currency, 'computed', 'product', [
    input('a', 'energy', kWh, 'kWh', 'computed'),
    input('b', 'a kilowatt hour', price, currency, 'told'),
  ])
