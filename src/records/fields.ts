import * as v from 'valibot'

/** Bounds of every value that comes from outside: what can be, not what is likely. */
export const bounds = {
  relativeHumidityPercent: { min: 0, max: 100, unit: '%', name: 'Relative humidity' },
  temperatureC: { min: -30, max: 60, unit: '°C', name: 'Temperature' },
  /** Outdoor air of a climate, from the coldest place to the hottest. */
  climateC: { min: -70, max: 70, unit: '°C', name: 'Outdoor temperature' },
  heatingC: { min: 30, max: 350, unit: '°C', name: 'Heating temperature' },
  lengthMm: { min: 20, max: 2000, unit: 'mm', name: 'Length' },
  beadsG: { min: 1, max: 5000, unit: 'g', name: 'Beads' },
  filamentG: { min: 1, max: 10_000, unit: 'g', name: 'Filament' },
} as const

export const finite = (min: number, max: number) =>
  v.pipe(v.number(), v.finite(), v.minValue(min), v.maxValue(max))
const of = (bound: { min: number; max: number }) => finite(bound.min, bound.max)

export const rhField = of(bounds.relativeHumidityPercent)
export const temperatureField = of(bounds.temperatureC)
export const lengthField = of(bounds.lengthMm)
export const beadsField = of(bounds.beadsG)
export const filamentField = of(bounds.filamentG)
export const heatingField = of(bounds.heatingC)

/** Dots alone would name the folder above, wherever an id stands in an address. */
export const idField = v.pipe(v.string(), v.regex(/^(?!\.+$)[\w:.-]{1,64}$/))
export const nameField = v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(60))
/** A fact that may not have been told; null takes it back. */
export const told = <Schema extends v.GenericSchema>(field: Schema) => v.exactOptional(v.nullable(field))
export const knowledgeField = v.picklist(['assumed', 'told', 'measured'])
/** UTC instant, to the millisecond at most. */
export const instantField = v.pipe(
  v.string(),
  v.maxLength(30),
  v.isoTimestamp(),
  v.check(text => Number.isFinite(Date.parse(text)), 'no instant'),
)
