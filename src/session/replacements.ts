import { least } from '#units/extremes.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import { heatWay } from '#core/renewal/ways.ts'
import { planHeating } from './plan-heating.ts'
import { vapourPressureOfRhPa } from '#core/air/vapour.ts'
import { roomAirOrUsual } from '#journal/room-air-or-usual.ts'
import { roomsOf } from '#journal/rooms.ts'
import type { ChargeRecord } from '#journal/state.ts'
import { msFromSeconds } from '#units/time.ts'
import { trendOf } from './capacity-seen.ts'
import { chargeToHeat } from './charge-to-heat.ts'
import { sourceChoices } from './heat-choices.ts'
import type { JournalView } from './journal-view.ts'
import type { KnownBox } from './known-box.ts'
import type { CapacityTrend } from '#core/renewal/wear.ts'

/** Why beads are bought and not heated. */
export type ReplaceWhy = 'used once' | 'worn' | 'no heat here'

/** Beads to be replaced. */
export interface Replacement {
  readonly charge: ChargeRecord
  readonly boxId: string | null
  readonly boxName: string | null
  readonly why: ReplaceWhy
  /** By when; null: nobody can say; in the past: it is due. */
  readonly dueMs: number | null
  /** The report its date comes from. */
  readonly report: BoxReport | null
  /** Water at which it no longer holds the box, and what it has now. */
  readonly spentG: number | null
  readonly waterG: number | null
  readonly trend: CapacityTrend
}

const HALF_YEAR_MS = 182 * 86_400_000

/** What is used once, worn out, or cannot be heated here, the soonest first; worn ones are due now. */
export function replacements(
  { state, nowMs }: JournalView,
  known: readonly KnownBox[],
  reports: readonly (BoxReport | undefined)[],
): Replacement[] {
  const [room] = roomsOf(state)
  const roomAir = roomAirOrUsual(state, room, nowMs)
  const air = { roomPa: vapourPressureOfRhPa(roomAir), roomC: roomAir.temperatureC }
  const inBoxes = known.flatMap(({ view }, i) =>
    view.charges.map(charge => ({ charge, box: view.box, report: reports[i] ?? null })),
  )
  const lying = [...state.charges.values()]
    .filter(charge => charge.boxId === null && charge.retiredMs === null)
    .map(charge => ({ charge, box: null, report: null }))
  return [...inBoxes, ...lying]
    .flatMap(({ charge, box, report }): Replacement[] => {
      const trend = trendOf(state, charge, nowMs)
      const isHeated = (): boolean =>
        sourceChoices(state, charge.holder === 'plug-in unit').some(
          choice =>
            planHeating(
              [{ charge, toHeat: chargeToHeat(charge, report ?? undefined, nowMs) }],
              choice.source,
              air,
            ).refused.length === 0,
        )
      const why: ReplaceWhy | null =
        heatWay(charge) === null ? 'used once' : trend.isWorn ? 'worn' : isHeated() ? null : 'no heat here'
      if (why === null) return []
      const held = report?.charges.find(one => one.ids.includes(charge.chargeId)) ?? null
      const leaves = report?.leaves
      const dueMs =
        why === 'worn'
          ? nowMs
          : leaves && !leaves.beyondHorizon.early
            ? msFromSeconds(leaves.spread.low)
            : null
      return [
        {
          charge,
          boxId: box?.boxId ?? null,
          boxName: box?.name ?? null,
          why,
          dueMs,
          report,
          spentG:
            held?.notchLoadingGPerG == null
              ? null
              : held.notchLoadingGPerG * charge.dryMassG * held.capacityFactor,
          waterG: held === null ? null : (held.waterG * charge.dryMassG) / held.dryMassG,
          trend,
        },
      ]
    })
    .sort((a, b) => (a.dueMs ?? Infinity) - (b.dueMs ?? Infinity))
}

/** One line of what is to be bought. */
export interface ToBuy {
  readonly desiccant: ChargeRecord['desiccant']
  readonly grams: number
  /** The earliest it is wanted; null: not within half a year. */
  readonly byMs: number | null
  readonly for: readonly { readonly name: string; readonly grams: number }[]
}

/** By kind, what is wanted within half a year, with its amounts. */
export function shoppingList(list: readonly Replacement[], nowMs: number): ToBuy[] {
  const wanted = list.filter(one => one.dueMs !== null && one.dueMs - nowMs < HALF_YEAR_MS)
  return [...new Set(wanted.map(one => one.charge.desiccant))].map(desiccant => {
    const of = wanted.filter(one => one.charge.desiccant === desiccant)
    return {
      desiccant,
      grams: of.reduce((sum, one) => sum + one.charge.dryMassG, 0),
      byMs: least(of.map(one => one.dueMs!)),
      for: of.map(one => ({ name: one.boxName ?? one.charge.name, grams: one.charge.dryMassG })),
    }
  })
}
