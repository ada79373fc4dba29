import type { BoxFacts, ReadingFacts } from '#core/evidence/facts.ts'
import type { History } from './history.ts'
import type { Pace } from './looks.ts'

/** A history as it is kept: its readings column by column, since a logger's are thousands. */
export interface Packed {
  readonly seed: number
  readonly pace: Pace
  readonly leftS: number | null
  readonly facts: Omit<BoxFacts, 'readings'>
  readonly atS: readonly number[]
  readonly temperatureC: readonly number[]
  readonly rhPercent: readonly number[]
  readonly unsettled: readonly number[]
  readonly displays: string
}

/** Told history and what came of it; the truth behind each reading is not kept. */
export type Kept = Omit<History, 'trueRhPercent'>

export function packed({ seed, pace, leftS, facts: { readings, ...facts } }: Kept): Packed {
  return {
    seed,
    pace,
    leftS,
    facts,
    atS: readings.map(({ atS }, i) => Math.round(atS) - (i === 0 ? 0 : Math.round(readings[i - 1]!.atS))),
    temperatureC: readings.map(reading => reading.temperatureC),
    rhPercent: readings.map(reading => reading.relativeHumidityPercent),
    unsettled: readings.flatMap(({ settled }, i) => (settled ? [] : [i])),
    displays: readings.map(({ displayId }) => displayId).join(''),
  }
}

export function unpacked({ seed, pace, leftS, facts, ...columns }: Packed): Kept {
  const unsettled = new Set(columns.unsettled)
  let atS = 0
  const readings = columns.atS.map((step, i): ReadingFacts => {
    atS += step
    return {
      atS,
      temperatureC: columns.temperatureC[i]!,
      relativeHumidityPercent: columns.rhPercent[i]!,
      settled: !unsettled.has(i),
      displayId: columns.displays[i]!,
    }
  })
  return { seed, pace, leftS, facts: { ...facts, readings } }
}
