import { greatest } from '#units/extremes.ts'
import { bakingKWh } from '#core/renewal/baking.ts'
import { dayAtOven, type DayAtOven } from '#core/renewal/day-at-oven.ts'
import { heatAt, type Heat } from '#core/renewal/heat-source.ts'
import { mostBatches, type OvenPlan } from '#core/renewal/oven-days.ts'
import { sparesRound, type RoundDay } from '#core/renewal/spares-round.ts'
import type { IsoDay } from '#units/calendar-day.ts'
import { asRound, longestHeat, type PlanQuestion } from './plan-question.ts'

export interface SheetBatch {
  readonly chargeIds: readonly string[]
  readonly minutes: number
  readonly grams: number
  /** Water that comes out of it. */
  readonly waterG: number
  readonly kWh: number
}

/** One day of the plan: what goes where, how long it takes. */
export interface DaySheet {
  readonly at: number
  readonly iso: IsoDay
  readonly day: number
  readonly boxIds: readonly string[]
  readonly round: RoundDay
  readonly batches: readonly SheetBatch[]
  readonly time: DayAtOven
  readonly heat: Heat | null
  readonly kWh: number
  readonly waterG: number
  /** It takes longer than there is. */
  readonly isTooLong: boolean
}

/** Every day of a plan, with the beads that go round from one to the next. */
export function daySheets(question: PlanQuestion, plan: OvenPlan): DaySheet[] {
  const { asked, days, boxes, spares, choice, dialC, air, told, plans } = question
  const charges = [
    ...boxes.flatMap(box => box.charges.map(one => asRound(one.charge))),
    ...spares.map(one => ({ ...asRound(one.charge), isDamp: !one.isReady })),
  ]
  const gramsOf = new Map(charges.map(one => [one.id, one.dryMassG]))
  const usual = longestHeat(plans)
  const hotMinutes = (id: string) => {
    const plan = plans.get(id)
    return plan ? plan.minutes.middle * plan.bed.batches : usual
  }
  const heat = dialC === null ? null : heatAt(choice.source, dialC)
  const rounds = sparesRound(
    charges,
    plan.sessions.map(({ at, boxIds }) => ({ boxIds, mostBatches: mostBatches(asked, at) })),
    choice.source,
  )
  return plan.sessions.map(({ at, boxIds }, i) => {
    const round = rounds[i]!
    const batches = round.batches.map((chargeIds): SheetBatch => {
      const minutes = Math.round(greatest(chargeIds.map(hotMinutes)))
      const waterG = chargeIds.reduce((sum, id) => sum + (plans.get(id)?.waterOutG.middle ?? 0), 0)
      return {
        chargeIds,
        minutes,
        grams: chargeIds.reduce((sum, id) => sum + gramsOf.get(id)!, 0),
        waterG,
        kWh: bakingKWh(choice.source, { heat, roomC: air.roomC, minutes, waterG }),
      }
    })
    const time = dayAtOven(
      batches.map(batch => batch.minutes),
      told.unattendedMinutes,
    )
    return {
      at,
      iso: days[at]!.iso,
      day: days[at]!.day,
      boxIds,
      round,
      batches,
      time,
      heat,
      kWh: batches.reduce((sum, batch) => sum + batch.kWh, 0),
      waterG: batches.reduce((sum, batch) => sum + batch.waterG, 0),
      isTooLong: time.presentMinutes > told.presentMinutes,
    }
  })
}
