import { greatest } from '#units/extremes.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import { msFromSeconds } from '#units/time.ts'
import type { BoxView } from '#journal/box-view.ts'
import { isDuring, stayIn } from '#journal/stays.ts'
import { dayText, shortDayText } from '#ui/dates.ts'

export interface HistoryEvent {
  readonly ms: number
  readonly text: string
  readonly kind: 'heat' | 'open' | 'in'
}
export interface HistoryData {
  readonly fromMs: number
  readonly toMs: number
  readonly nowMs: number
  readonly zone: string
  readonly mostRh: number
  readonly target: number | null
  /** What a reading may be either side of the target and still be "near". */
  readonly nearHalfWidth: number
  readonly readings: readonly (readonly [ms: number, rh: number])[]
  readonly accuracy: number
  readonly past: {
    readonly ms: readonly number[]
    readonly low: readonly number[]
    readonly middle: readonly number[]
    readonly high: readonly number[]
  } | null
  readonly futures: readonly (readonly (readonly [ms: number, rh: number])[])[]
  readonly leaves: { readonly earlyMs: number; readonly lateMs: number } | null
  readonly events: readonly HistoryEvent[]
  readonly summary: string
}

const DAY_MS = 86_400_000
const LEAST_AHEAD_DAYS = 90

/** All that the chart draws, as plain numbers. */
export function historyData(
  view: BoxView,
  report: BoxReport | undefined,
  nowMs: number,
  zone: string,
): HistoryData {
  const fromMs = Math.min(view.box.madeMs, nowMs - 2 * DAY_MS)
  const futures = (report?.futures ?? []).map(curve =>
    curve.atS.map((s, i) => [msFromSeconds(s), curve.rhPercent[i]!] as const),
  )
  const lastFutureMs = futures[0]?.at(-1)?.[0] ?? nowMs + LEAST_AHEAD_DAYS * DAY_MS
  // the past keeps at least half of the page
  const toMs = Math.min(lastFutureMs, Math.max(nowMs + LEAST_AHEAD_DAYS * DAY_MS, nowMs + (nowMs - fromMs)))
  const readings = view.readings.map(reading => [reading.atMs, reading.relativeHumidityPercent] as const)
  const past = report
    ? {
        ms: report.past.atS.map(msFromSeconds),
        low: report.past.low,
        middle: report.past.middle,
        high: report.past.high,
      }
    : null
  const target = view.target?.rhPercent ?? null
  const seen = [...readings.map(([, rh]) => rh), target ?? 0, ...(past?.middle.slice(2) ?? [])]
  const leaves =
    report?.leaves && !report.leaves.beyondHorizon.early
      ? { earlyMs: msFromSeconds(report.leaves.spread.low), lateMs: msFromSeconds(report.leaves.spread.high) }
      : null
  return {
    fromMs,
    toMs,
    nowMs,
    zone,
    mostRh: roundUp(greatest(seen) + 8),
    target,
    nearHalfWidth: 0.6 * view.hygrometer.accuracyPercentRh,
    readings,
    accuracy: view.hygrometer.accuracyPercentRh,
    past,
    futures,
    leaves,
    events: eventsOf(view, fromMs),
    summary: `${readings.length} readings since ${dayText(fromMs, nowMs, zone)}${target === null ? '' : `, target ${target} %`}${leaves ? `; leaves it between ${shortDayText(leaves.earlyMs, nowMs, zone)} and ${shortDayText(leaves.lateMs, nowMs, zone)}` : ''}`,
  }
}

/** To whole tens up to 50, to whole twenties above: the steps of the axis. */
const roundUp = (rh: number): number =>
  Math.min(100, rh > 50 ? Math.ceil(rh / 20) * 20 : Math.ceil(rh / 10) * 10)

function eventsOf(view: BoxView, fromMs: number): HistoryEvent[] {
  const events: HistoryEvent[] = []
  for (const charge of view.everCharges) {
    const wasIn = (atMs: number) => stayIn(charge.stays, view.box.boxId).some(stay => isDuring(stay, atMs))
    for (const heating of charge.heatings.filter(({ atMs }) => wasIn(atMs)))
      events.push({
        ms: heating.atMs,
        text:
          heating.temperatureC === null
            ? `heated in a ${heating.oven}`
            : `oven, ${heating.hours} h at ${heating.temperatureC} °C`,
        kind: 'heat',
      })
    for (const stay of charge.stays)
      if (stay.boxId === view.box.boxId && stay.fromMs > fromMs + DAY_MS)
        events.push({ ms: stay.fromMs, text: 'other beads in', kind: 'heat' })
  }
  const arrivals = new Map<number, string[]>()
  for (const spool of view.spools) {
    const inMs = spool.stays.at(-1)?.fromMs ?? 0
    if (inMs > fromMs + DAY_MS) arrivals.set(inMs, [...(arrivals.get(inMs) ?? []), spool.name])
  }
  for (const [ms, names] of arrivals)
    events.push({ ms, text: names.length > 1 ? `${names.length} spools in` : `${names[0]} in`, kind: 'in' })
  for (const opening of view.box.openings)
    if (!events.some(event => Math.abs(event.ms - opening.atMs) < DAY_MS))
      events.push({ ms: opening.atMs, text: 'lid open', kind: 'open' })
  return events.sort((a, b) => a.ms - b.ms)
}
