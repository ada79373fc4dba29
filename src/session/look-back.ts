import { greatest } from '#units/extremes.ts'
import { weighedWaterG } from '#core/evidence/weighing.ts'
import { bakingKWh } from '#core/renewal/baking.ts'
import { heatAt, untoldSource, type HeatSource, type HeatSourceKind } from '#core/renewal/heat-source.ts'
import { HEAT_SOURCE_KINDS } from '#core/renewal/heat-source.ts'
import { asHeatSource } from '#journal/heat-sources.ts'
import { roomAirOrUsual } from '#journal/room-air-or-usual.ts'
import type { ChargeRecord, OvenPlanTold, State } from '#journal/state.ts'
import { addDays, type IsoDay } from '#units/calendar-day.ts'

const HOUR_MS = 3_600_000
/** Weighed so long before a heat, or after it, a weight is this heat's. */
const BEFORE_MS = 24 * HOUR_MS
const AFTER_MS = 12 * HOUR_MS
/** Charges whose heat ended within this were one filling. */
const TOGETHER_MS = HOUR_MS / 2

/** One filling of an oven that was. */
export interface PastHeat {
  readonly atMs: number
  readonly sourceName: string | null
  readonly charges: readonly {
    readonly charge: ChargeRecord
    /** What the scale says came out; null: not weighed before and after. */
    readonly waterG: number | null
  }[]
  readonly waterG: number
  readonly kWh: number
  /** null: no price is told. */
  readonly money: number | null
}

/** Everything that was heated, the earliest first; what went in together counts once. */
export function pastHeats(state: State): PastHeat[] {
  const all = [...state.charges.values()]
    .flatMap(charge => charge.heatings.map(heating => ({ charge, heating })))
    .sort((a, b) => a.heating.atMs - b.heating.atMs)
  const fillings: (typeof all)[] = []
  for (const one of all) {
    const last = fillings.at(-1)?.[0]
    if (
      last &&
      one.heating.atMs - last.heating.atMs <= TOGETHER_MS &&
      one.heating.oven === last.heating.oven &&
      one.heating.heatSourceId === last.heating.heatSourceId
    )
      fillings.at(-1)!.push(one)
    else fillings.push([one])
  }
  return fillings.map(filling => {
    const { heating } = filling[0]!
    const record = heating.heatSourceId === null ? undefined : state.heatSources.get(heating.heatSourceId)
    const source: HeatSource = record ? asHeatSource(record) : untoldSource(kindOf(heating.oven))
    const room = heating.roomId === null ? undefined : state.rooms.get(heating.roomId)
    const charges = filling.map(({ charge, heating: own }) => ({
      charge,
      waterG: waterOutG(charge, own.atMs, own.hours),
    }))
    const waterG = charges.reduce((sum, one) => sum + (one.waterG ?? 0), 0)
    const kWh = bakingKWh(source, {
      heat: heating.temperatureC === null ? null : heatNear(source, heating.temperatureC),
      roomC: roomAirOrUsual(state, room, heating.atMs).temperatureC,
      minutes: greatest(filling.map(one => one.heating.hours)) * 60,
      waterG,
    })
    return {
      atMs: heating.atMs,
      sourceName: record?.name ?? null,
      charges,
      waterG,
      kWh,
      money: record?.pricePerKwh == null ? null : kWh * record.pricePerKwh,
    }
  })
}

const kindOf = (oven: string): HeatSourceKind => HEAT_SOURCE_KINDS.find(kind => kind === oven) ?? 'electric'

/** The heat as it was written down, with the swing of its source. */
function heatNear(source: HeatSource, temperatureC: number) {
  const heat = heatAt(source, temperatureC)
  const off = temperatureC - heat.middleC
  return { ...heat, middleC: temperatureC, leastC: heat.leastC + off, mostC: heat.mostC + off }
}

function waterOutG(charge: ChargeRecord, atMs: number, hours: number): number | null {
  const inMs = atMs - hours * HOUR_MS
  const before = charge.weighings.findLast(
    one => one.atMs <= atMs && one.atMs >= inMs - BEFORE_MS && one.atMs <= inMs + HOUR_MS,
  )
  const after = charge.weighings.find(
    one => one.atMs >= atMs && one.atMs <= atMs + AFTER_MS && one.atMs !== before?.atMs,
  )
  if (!before || !after) return null
  return Math.max(
    0,
    weighedWaterG(charge.dryMassG, before) - Math.max(0, weighedWaterG(charge.dryMassG, after)),
  )
}

/** A day that was planned, and whether anything was heated on it. */
export interface PlannedDay {
  readonly day: IsoDay
  readonly isKept: boolean
}

/**
 * Past days of the plans a person saw: of each day the last plan seen before it. Kept: something was heated that day or the
 * next.
 * @param isoOf the calendar day of an instant, in the person's zone
 */
export function plannedDays(
  { plansSeen }: Pick<OvenPlanTold, 'plansSeen'>,
  heats: readonly { readonly atMs: number }[],
  today: IsoDay,
  isoOf: (ms: number) => IsoDay,
): PlannedDay[] {
  const heated = new Set(heats.map(one => isoOf(one.atMs)))
  const days = new Set(plansSeen.flatMap(plan => plan.sessions.map(one => one.day)))
  return [...days]
    .filter(day => day < today)
    .sort()
    .flatMap(day => {
      const inForce = plansSeen.findLast(plan => isoOf(plan.atMs) <= day)
      if (!inForce?.sessions.some(one => one.day === day)) return []
      return [{ day, isKept: heated.has(day) || heated.has(addDays(day, 1)) }]
    })
}
