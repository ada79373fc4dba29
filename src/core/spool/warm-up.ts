import type { Celsius, Litres, PercentRh } from '#units/quantity.ts'
import { vapourDensityGPerM3, vapourPressureOfRhPa } from '../air/vapour.ts'

/** One look at the display in a closed heated chamber. */
export interface WarmedReading {
  readonly temperatureC: Celsius
  readonly relativeHumidityPercent: PercentRh
}

export interface WarmUpAsked {
  readonly chamberL: Litres
  /** With the spool in it; any order. */
  readonly readings: readonly WarmedReading[]
  /** The same chamber, empty, warmed the same way; any order. */
  readonly baseline: readonly WarmedReading[]
}

export interface WarmUpPoint extends WarmedReading {
  readonly densityGPerM3: number
  /** Of the empty chamber at this heat; null: it was not warmed so far, or not begun so cool. */
  readonly emptyGPerM3: number | null
  /** What the spool added since the coolest reading; null where there is nothing to take off. */
  readonly addedGPerM3: number | null
  /** Less than this one display cannot tell, from one warming to the next. */
  readonly doubtGPerM3: number
}

export interface WarmUpFound {
  /** From the coolest on. */
  readonly points: readonly WarmUpPoint[]
  /** Where it first added more than can be doubted, and kept on; null: nowhere. */
  readonly beganC: Celsius | null
  /** At least so much water came out, mg: what the walls took and the gaps let out is not in it. null: none can be told. */
  readonly leastMg: number | null
  /** The reading that says so, and the coolest that everything is counted from; null with it. */
  readonly bySaying: { readonly from: WarmUpPoint; readonly most: WarmUpPoint } | null
  /** Readings that the empty chamber has nothing to say to. */
  readonly beyond: number
}

/** One display against itself from one warming to the next, % RH; from memory. What it is out by altogether drops out. */
const REPEATS_PERCENT = 1.5

const densityOf = (one: WarmedReading): number =>
  vapourDensityGPerM3({ vapourPressurePa: vapourPressureOfRhPa(one), temperatureC: one.temperatureC })

/**
 * Does water come out of a spool that is warmed in a closed chamber? Density of vapour beside that of the empty chamber at the
 * same heat, each counted from where it began: a chamber's own walls and beads give off water too, and two days begin in
 * different air. It shows that there is water and from which heat on it leaves, never how much is left.
 * @param asked at least two readings each
 */
export function warmUp({ chamberL, readings, baseline }: WarmUpAsked): WarmUpFound {
  const inOrder = [...readings].sort((a, b) => a.temperatureC - b.temperatureC)
  const empty = curveOf(baseline)
  const emptyAt = (temperatureC: number) => valueOn(empty, temperatureC)
  const from = inOrder.find(one => emptyAt(one.temperatureC) !== null)
  const added = (one: WarmedReading): number | null => {
    const emptyNow = emptyAt(one.temperatureC)
    if (emptyNow === null || !from) return null
    return densityOf(one) - densityOf(from) - (emptyNow - emptyAt(from.temperatureC)!)
  }
  const points = inOrder.map((one): WarmUpPoint => ({
    ...one,
    densityGPerM3: densityOf(one),
    emptyGPerM3: emptyAt(one.temperatureC),
    addedGPerM3: added(one),
    // two warmings, each with its own
    doubtGPerM3: Math.SQRT2 * densityOf({ ...one, relativeHumidityPercent: REPEATS_PERCENT }),
  }))
  const isOver = ({ addedGPerM3, doubtGPerM3 }: WarmUpPoint) =>
    addedGPerM3 !== null && addedGPerM3 > doubtGPerM3
  const told = points.filter(one => one.addedGPerM3 !== null)
  const lastUnder = told.findLastIndex(one => !isOver(one))
  const began = told[lastUnder + 1]
  const sure = (one: WarmUpPoint) => one.addedGPerM3! - one.doubtGPerM3
  const most = told.reduce<WarmUpPoint | null>(
    (best, one) => (best === null || sure(one) > sure(best) ? one : best),
    null,
  )
  const isTold = began !== undefined && most !== null && sure(most) > 0
  return {
    points,
    beganC: began?.temperatureC ?? null,
    // a gram in a cubic metre is a milligram in a litre
    leastMg: isTold ? sure(most) * chamberL : null,
    bySaying: isTold ? { from: told[0]!, most } : null,
    beyond: points.length - told.length,
  }
}

interface OnCurve {
  readonly temperatureC: Celsius
  readonly densityGPerM3: number
}

/** Readings at one heat taken together. */
function curveOf(readings: readonly WarmedReading[]): OnCurve[] {
  const at = new Map<number, number[]>()
  for (const one of readings) at.set(one.temperatureC, [...(at.get(one.temperatureC) ?? []), densityOf(one)])
  return [...at]
    .map(([temperatureC, all]) => ({
      temperatureC,
      densityGPerM3: all.reduce((sum, one) => sum + one, 0) / all.length,
    }))
    .sort((a, b) => a.temperatureC - b.temperatureC)
}

function valueOn(curve: readonly OnCurve[], temperatureC: Celsius): number | null {
  const next = curve.findIndex(one => one.temperatureC >= temperatureC)
  if (next < 0) return null
  const after = curve[next]!
  if (after.temperatureC === temperatureC) return after.densityGPerM3
  const before = curve[next - 1]
  if (!before) return null
  const share = (temperatureC - before.temperatureC) / (after.temperatureC - before.temperatureC)
  return before.densityGPerM3 + share * (after.densityGPerM3 - before.densityGPerM3)
}
