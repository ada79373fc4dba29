import type { Celsius, Grams, Litres, Millimetres } from '#units/quantity.ts'
import { inchesFromMm, mmFromInches } from '#units/length.ts'
import { gramsFromOunces, ouncesFromGrams } from '#units/mass.ts'
import { celsiusFromFahrenheit, fahrenheitFromCelsius } from '#units/temperature.ts'
import { litresFromQuarts, quartsFromLitres } from '#units/volume.ts'
import { parseDecimal } from './decimal.ts'
import { THIN, inHundredths, inTenths, inWhole } from './format.ts'

/** The units a person reads and types; what is kept is metric. */
export interface UnitChoice {
  readonly temperatureScale: 'C' | 'F'
  readonly lengthUnit: 'mm' | 'in'
  readonly weightUnit: 'g' | 'oz'
  readonly volumeUnit: 'L' | 'qt'
}

/** One quantity in a person's own unit. */
export interface Measure<Canonical> {
  readonly unit: string
  /** Whole grams and millimetres, tenths of degrees; as fine in the other unit. */
  readonly bare: (value: Canonical) => string
  /** The same with its unit. */
  readonly text: (value: Canonical) => string
  /** What stands in a field to be edited. */
  readonly field: (value: Canonical) => string
  /** NaN where the text is no number. */
  readonly parse: (text: string) => Canonical
}

export interface Measures {
  readonly temperature: Measure<Celsius>
  readonly length: Measure<Millimetres>
  /** A place to be marked or drilled: tenths of millimetres, hundredths of inches. */
  readonly mark: Measure<Millimetres>
  readonly weight: Measure<Grams>
  /** Water: a tenth of a gram finer than what it is in. */
  readonly water: Measure<Grams>
  readonly volume: Measure<Litres>
}

const same = (value: number): number => value

const TYPED_UNIT = /(°\s*[CF]|[CF]|mm|in|g|oz|L|qt)\s*$/i
type Quantity = 'temperature' | 'length' | 'mass' | 'volume'
const UNITS: Readonly<
  Record<string, { readonly of: Quantity; readonly toCanonical: (value: number) => number }>
> = {
  c: { of: 'temperature', toCanonical: same },
  f: { of: 'temperature', toCanonical: celsiusFromFahrenheit },
  mm: { of: 'length', toCanonical: same },
  in: { of: 'length', toCanonical: mmFromInches },
  g: { of: 'mass', toCanonical: same },
  oz: { of: 'mass', toCanonical: gramsFromOunces },
  l: { of: 'volume', toCanonical: same },
  qt: { of: 'volume', toCanonical: litresFromQuarts },
}

function measure(
  unit: string,
  show: (shown: number) => string,
  places: number,
  to: (value: number) => number = same,
  from: (shown: number) => number = same,
): Measure<number> {
  const bare = (value: number) => show(to(value))
  return {
    unit,
    bare,
    text: value => `${bare(value)}${THIN}${unit}`,
    field: value => String(Number(to(value).toFixed(places))),
    parse: text => {
      const typed = TYPED_UNIT.exec(text)?.[1]?.replace('°', '').toLowerCase()
      if (typed === undefined) return from(parseDecimal(text))
      // a unit that is typed is meant: of the other system it is converted, of another quantity it is none
      const inUnit = UNITS[typed]!
      return inUnit.of === UNITS[unit.replace('°', '').toLowerCase()]!.of
        ? inUnit.toCanonical(parseDecimal(text))
        : Number.NaN
    },
  }
}

export const measures = (choice: UnitChoice): Measures => ({
  temperature:
    choice.temperatureScale === 'C'
      ? measure('°C', inTenths, 1)
      : measure('°F', inTenths, 1, fahrenheitFromCelsius, celsiusFromFahrenheit),
  length:
    choice.lengthUnit === 'mm'
      ? measure('mm', inWhole, 1)
      : measure('in', inHundredths, 3, inchesFromMm, mmFromInches),
  mark:
    choice.lengthUnit === 'mm'
      ? measure('mm', inTenths, 1)
      : measure('in', inHundredths, 3, inchesFromMm, mmFromInches),
  weight:
    choice.weightUnit === 'g'
      ? measure('g', inWhole, 1)
      : measure('oz', inHundredths, 3, ouncesFromGrams, gramsFromOunces),
  water:
    choice.weightUnit === 'g'
      ? measure('g', inTenths, 1)
      : measure('oz', inHundredths, 3, ouncesFromGrams, gramsFromOunces),
  volume:
    choice.volumeUnit === 'L'
      ? measure('L', inWhole, 1)
      : measure('qt', inWhole, 1, quartsFromLitres, litresFromQuarts),
})

/** "20 to 2000 mm", in the person's unit: for a message that names the bounds. */
export const within = (measure: Measure<number>, bound: { min: number; max: number }): string =>
  `${measure.field(bound.min)} to ${measure.field(bound.max)} ${measure.unit}`
