import { secondsFromMs } from '#units/time.ts'
import {
  displayErrors,
  truePercent,
  type DisplayCheck,
  type DisplayError,
} from '#core/reading/display-check.ts'
import type { CheckRecord, ReadingRecord, State } from './state.ts'

type Checked = Pick<State, 'checks' | 'instruments'>
type ErrorAt = (instrumentId: string, atMs: number) => DisplayError | null

const never: ErrorAt = () => null
const known = new WeakMap<State['checks'], ErrorAt>()

/** How far a display is off at a time, by all checks that stand, earlier and later ones; null: never checked. */
export function displayErrorAt({ checks, instruments }: Checked): ErrorAt {
  if (checks.length === 0) return never
  const before = known.get(checks)
  if (before) return before
  const accuracy = new Map([...instruments.values()].map(one => [one.instrumentId, one.accuracyPercentRh]))
  const errorAt = displayErrors(accuracy, checks.map(asCheck))
  const byMs: ErrorAt = (instrumentId, atMs) => errorAt(instrumentId, secondsFromMs(atMs))
  known.set(checks, byMs)
  return byMs
}

export const asCheck = ({
  air,
  temperatureC,
  waitedHours,
  shown,
  atMs,
}: Omit<CheckRecord, 'id'>): DisplayCheck => ({
  atS: secondsFromMs(atMs),
  air,
  temperatureC,
  waitedHours,
  shown: shown.map(one => ({ displayId: one.instrumentId, rhPercent: one.relativeHumidityPercent })),
})

/** A tenth of a per cent: finer than any display tells. */
const inTenths = (percent: number): number => Math.round(percent * 10) / 10

const putRight = (
  shownRhPercent: number,
  error: DisplayError,
): Pick<ReadingRecord, 'relativeHumidityPercent' | 'putRight'> => ({
  relativeHumidityPercent: inTenths(truePercent(shownRhPercent, error)),
  putRight: { shownRhPercent, offsetRh: error.offsetRh, perRh: error.perRh },
})

/** A reading as it would stand in the journal. */
export function trueReading(state: Checked, reading: ReadingRecord): ReadingRecord {
  const error = displayErrorAt(state)(reading.instrumentId, reading.atMs)
  return error ? { ...reading, ...putRight(reading.relativeHumidityPercent, error) } : reading
}

export const shownRh = (reading: ReadingRecord): number =>
  reading.putRight?.shownRhPercent ?? reading.relativeHumidityPercent

/** Every reading as the air was; what was shown stays beside it. */
export const trueReadings = (
  state: Checked & { readonly readings: readonly ReadingRecord[] },
): ReadingRecord[] => state.readings.map(reading => trueReading(state, reading))
