import { freshnessRange } from '#core/evidence/freshness.ts'
import { weighedWaterG } from '#core/evidence/weighing.ts'
import { capacityAfterCycles } from '#core/desiccant/ageing.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import type { Range } from '#core/renewal/baking.ts'
import type { ChargeToHeat } from '#core/renewal/heat-these.ts'
import { cyclesOf } from '#journal/charge-facts.ts'
import type { ChargeRecord } from '#journal/state.ts'

/** Normal at 90 %: the scale's own error as a range. */
const TENTH = 1.2816

/**
 * A charge with what is known of its water: inside a box by the box's reckoning, else by its last weighing, else by what was
 * told of it. @param report of its box; undefined while it is not there, or the charge lies ready
 */
export function chargeToHeat(
  charge: ChargeRecord,
  report: BoxReport | undefined,
  nowMs: number,
): ChargeToHeat {
  const { usual, overheated } = cyclesOf(charge, nowMs)
  return {
    desiccant: charge.desiccant,
    indicator: charge.indicator,
    holder: charge.holder,
    body: charge.body ?? null,
    saysC: charge.saysC ?? null,
    saysHours: charge.saysHours ?? null,
    dryMassG: charge.dryMassG,
    capacityFactor: capacityAfterCycles(usual) * capacityAfterCycles(overheated, 'overheated'),
    tareG: charge.tareG ?? null,
    waterG: waterNow(charge, report),
  }
}

function waterNow(charge: ChargeRecord, report: BoxReport | undefined): Range {
  const now =
    charge.boxId === null ? undefined : report?.charges.find(one => one.ids.includes(charge.chargeId))
  if (now) return now.spread
  const weighed = charge.weighings.at(-1)
  const outMs = charge.stays.at(-1)?.untilMs ?? charge.madeMs
  const heated = charge.heatings.findLast(heating => heating.atMs >= outMs)
  if (weighed && weighed.atMs >= Math.max(outMs, heated?.atMs ?? 0)) {
    const waterG = Math.max(0, weighedWaterG(charge.dryMassG, weighed))
    const errorG = TENTH * weighed.scaleErrorG
    return { low: Math.max(0, waterG - errorG), middle: waterG, high: waterG + errorG }
  }
  const { lowGPerG, highGPerG } = freshnessRange(
    heated ? 'heated' : charge.stays.length > 0 ? 'unknown' : charge.freshness,
    charge.desiccant,
    SOME_AIR,
  )
  return {
    low: lowGPerG * charge.dryMassG,
    middle: ((lowGPerG + highGPerG) / 2) * charge.dryMassG,
    high: highGPerG * charge.dryMassG,
  }
}
/** Where it lay in the air, and nobody said in which. */
const SOME_AIR = { relativeHumidityPercent: 55, temperatureC: 18 }
