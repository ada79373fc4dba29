import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import { capacityAfterCycles } from '#core/desiccant/ageing.ts'
import { weighedWaterG } from '#core/evidence/weighing.ts'
import { capacityTrend, type CapacitySeen, type CapacityTrend } from '#core/renewal/wear.ts'
import { loadingAtRhGPerG } from '#core/sorbent/sorbent.ts'
import { cyclesOf } from '#journal/charge-facts.ts'
import { readingsOf } from '#journal/readings-of.ts'
import type { ChargeRecord, State } from '#journal/state.ts'

const DAY_MS = 86_400_000
/** A reading this near to a weighing tells the air the beads stood in. */
const BESIDE_MS = 3 * DAY_MS
/** Beads younger than this have not taken up what the air gives. */
const SETTLED_MS = 6 * DAY_MS
/** Below this a display's own error is too large a share of what they hold. */
const LEAST_RH = 15
const MOST_RH = 70

/** What a charge was seen to hold, weighed as it came out of a box whose air had been read. */
export function capacitySeen(state: State, charge: ChargeRecord): CapacitySeen[] {
  const { sorbent } = DESICCANTS[charge.desiccant]
  return charge.weighings.flatMap(weighing => {
    const stay = charge.stays.find(
      one => one.fromMs <= weighing.atMs && (one.untilMs === null || weighing.atMs <= one.untilMs + DAY_MS),
    )
    const heatedMs = charge.heatings.findLast(one => one.atMs <= weighing.atMs)?.atMs ?? charge.madeMs
    if (!stay || weighing.atMs - Math.max(heatedMs, stay.fromMs) < SETTLED_MS) return []
    const reading = readingsOf(state, { in: 'box', boxId: stay.boxId }).findLast(
      one => Math.abs(one.atMs - weighing.atMs) < BESIDE_MS && one.atMs >= stay.fromMs,
    )
    if (!reading) return []
    const { relativeHumidityPercent: rhPercent, temperatureC } = reading
    if (rhPercent < LEAST_RH || rhPercent > MOST_RH) return []
    const expected =
      loadingAtRhGPerG(sorbent, { relativeHumidityPercent: rhPercent, temperatureC }) * charge.dryMassG
    if (!(expected > 0)) return []
    const { usual, overheated } = cyclesOf(charge, weighing.atMs)
    return [{ cycles: usual + overheated, share: weighedWaterG(charge.dryMassG, weighing) / expected }]
  })
}

/** Its trend as of now. */
export function trendOf(state: State, charge: ChargeRecord, nowMs: number): CapacityTrend {
  const { usual, overheated } = cyclesOf(charge, nowMs)
  return capacityTrend(capacitySeen(state, charge), usual, 1 - capacityAfterCycles(overheated, 'overheated'))
}
