import type { Celsius, Grams } from '#units/quantity.ts'
import type { Answer } from '../answer.ts'
import type { DayAtOven } from '../renewal/day-at-oven.ts'
import { AFTER_MINUTES, BEFORE_MINUTES, COOL_MINUTES, TURN_MINUTES } from '../renewal/day-at-oven.ts'
import type { Heat, HeatSource } from '../renewal/heat-source.ts'
import { totalAnswer } from './answers.ts'
import { heatEnergyAnswer } from './heat-answers.ts'

/** Minutes a person is at the oven on one day. */
export function presentAnswer(time: DayAtOven): Answer {
  const isAlone = time.aloneMinutes > 0
  return totalAnswer('you are there', 'min', [
    ['displays out, weigh, load the oven', BEFORE_MINUTES],
    ...time.hot.map(({ from, to }, i) => [`hot, batch ${i + 1}`, to - from] as const),
    ...(time.hot.length > 0 ? [['out, weigh, in again', TURN_MINUTES * time.hot.length] as const] : []),
    ...(isAlone || time.hot.length === 0 ? [] : [['cooling under lids', COOL_MINUTES] as const]),
    ['weigh, and back into the boxes', AFTER_MINUTES],
  ])
}

/** kWh of one day: of its one batch with what it goes by, of several their sum. */
export function dayEnergyAnswer(
  source: HeatSource,
  roomC: Celsius,
  {
    heat,
    batches,
  }: {
    readonly heat: Heat | null
    readonly batches: readonly {
      readonly minutes: number
      readonly waterG: Grams
      readonly kWh: number
    }[]
  },
): Answer {
  const [only] = batches
  return only && batches.length === 1
    ? heatEnergyAnswer(source, { heat, roomC, ...only })
    : totalAnswer(
        'energy of the day',
        'kWh',
        batches.map((batch, i) => [`batch ${i + 1}`, batch.kWh]),
      )
}
