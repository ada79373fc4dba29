import type { Celsius, Seconds } from '#units/quantity.ts'
import { daysFromSeconds } from '#units/time.ts'
import type { DailyTemperatures } from './network.ts'

type OfTemperature = (temperatureC: Celsius) => number

/** What a function of temperature comes to on each day, NaN until it is asked for; thousands of draws share one room. */
const tables = new WeakMap<Float64Array, Map<OfTemperature, Float64Array>>()

function tableOf(temperatureC: Float64Array, fn: OfTemperature): Float64Array {
  const ofRoom = tables.get(temperatureC) ?? new Map<OfTemperature, Float64Array>()
  tables.set(temperatureC, ofRoom)
  const table = ofRoom.get(fn) ?? new Float64Array(temperatureC.length).fill(Number.NaN)
  ofRoom.set(fn, table)
  return table
}

/**
 * Functions of a room's temperature, straight between the days as the temperature itself and the room's vapour are taken:
 * a day that warms by 2 K bends saturation by 0.2 % at its middle.
 */
export class ByDay {
  private readonly tables: readonly Float64Array[]

  constructor(
    private readonly days: DailyTemperatures,
    private readonly fns: readonly OfTemperature[],
  ) {
    this.tables = fns.map(fn => tableOf(days.temperatureC, fn))
  }

  /** All of them at a time, into `out`. */
  read(timeS: Seconds, out: Float64Array): void {
    const { temperatureC, fromS } = this.days
    const position = Math.min(Math.max(daysFromSeconds(timeS - fromS), 0), temperatureC.length - 1.001)
    const day = Math.floor(position)
    const share = position - day
    for (let i = 0; i < out.length; i++) {
      const table = this.tables[i]!
      if (Number.isNaN(table[day]!)) this.fill(i, day)
      if (Number.isNaN(table[day + 1]!)) this.fill(i, day + 1)
      const before = table[day]!
      out[i] = before + share * (table[day + 1]! - before)
    }
  }

  private fill(i: number, day: number): void {
    this.tables[i]![day] = this.fns[i]!(this.days.temperatureC[day]!)
  }
}
