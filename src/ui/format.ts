/** A sixth of an em: keeps a unit by its number. */
export const THIN = '\u2006'

const whole = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 0 })
const oneDigit = new Intl.NumberFormat('en-GB', { minimumFractionDigits: 1, maximumFractionDigits: 1 })
const twoDigits = new Intl.NumberFormat('en-GB', { minimumFractionDigits: 2, maximumFractionDigits: 2 })

const minus = (text: string): string => text.replace('-', '−')
export const inWhole = (value: number): string => minus(whole.format(Math.abs(value) < 0.5 ? 0 : value))
export const inTenths = (value: number): string => minus(oneDigit.format(Math.abs(value) < 0.05 ? 0 : value))
export const inHundredths = (value: number): string => minus(twoDigits.format(value))

/** A reading or a target as it was typed: whole where it was whole, else with its tenth. */
export const asTyped = (value: number): string =>
  Math.abs(value - Math.round(value)) < 0.05 ? inWhole(value) : inTenths(value)

/** The air as a display told it; put right it is a figure of ours, and whole. */
export const readText = (reading: {
  readonly relativeHumidityPercent: number
  readonly putRight?: unknown
}): string =>
  reading.putRight ? inWhole(reading.relativeHumidityPercent) : asTyped(reading.relativeHumidityPercent)

/** A name as long as there is room for. */
export const shortName = (name: string, letters: number): string =>
  name.length > letters ? `${name.slice(0, letters - 1).trimEnd()}…` : name

/** Signed, for changes. */
export const signed = (text: string): string =>
  text.startsWith('−') || /^0([.,]0+)?$/.test(text) ? text : `+${text}`

/** Digits enough to work a value out again by hand. */
export function inFull(value: number): string {
  if (value === 0) return '0'
  const size = Math.abs(value)
  if (size >= 1e5 || size < 1e-3) return minus(value.toExponential(4))
  return minus(String(Number(value.toPrecision(6))))
}

/** Grams as a person weighs them: tens above a hundred, fives above twenty. */
export function roundedGrams(grams: number): number {
  const step = grams >= 100 ? 10 : grams >= 20 ? 5 : 1
  return Math.ceil(grams / step) * step
}

/** What so many grams of new beads cost; null where no price is told. */
export function moneyFor(
  grams: number,
  { beadsPricePerKg, currency }: { readonly beadsPricePerKg: number | null; readonly currency: string },
): string | null {
  if (beadsPricePerKg === null) return null
  const format = new Intl.NumberFormat('en-GB', { style: 'currency', currency })
  return format.format((beadsPricePerKg * grams) / GRAMS_PER_KG)
}
const GRAMS_PER_KG = 1000
