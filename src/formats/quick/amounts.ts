import { gramsFromOunces } from '#units/mass.ts'
import { mmFromInches } from '#units/length.ts'
import { NUMBER, numberOf, type Text } from './text.ts'

const WEIGHT_UNITS = 'kg|kilograms?|kilos?|g|gr|grams?|grammes?|oz|ounces?|lbs?|pounds?'
const LENGTH_UNITS = 'mm|cm|m|in|inch|inches|″|"'
const OUNCES_A_POUND = 16

export function gramsOf(number: string, unit: string): number {
  const value = numberOf(number)
  if (/^k/i.test(unit)) return value * 1000
  if (/^(?:oz|ou)/i.test(unit)) return gramsFromOunces(value)
  if (/^(?:lb|p)/i.test(unit)) return gramsFromOunces(value * OUNCES_A_POUND)
  return value
}
function mmOf(number: string, unit: string): number {
  const value = numberOf(number)
  if (/^(?:in|″|")/i.test(unit)) return mmFromInches(value)
  if (/^cm/i.test(unit)) return value * 10
  return /^m$/i.test(unit) ? value * 1000 : value
}

export const WEIGHT = `(${NUMBER}|half a|half|a|one|two)\\s*(${WEIGHT_UNITS})`

/** A weight with something before or after it that says which: "empty 180 g", "180 g empty". */
export function takeWeight(text: Text, before: string, after = before): number | null {
  const found =
    text.take(new RegExp(`(?:${before})\\s*(?:is|of|:|weighs?|at)?\\s*${WEIGHT}`)) ??
    (after === '' ? null : text.take(new RegExp(`${WEIGHT}\\s*(?:${after})`)))
  return found ? gramsOf(found.at(-2)!, found.at(-1)!) : null
}

/** Any weight that stands alone. */
export function takeAnyWeight(text: Text): number | null {
  const found = text.take(new RegExp(WEIGHT))
  return found ? gramsOf(found[1]!, found[2]!) : null
}

/** A length named before or after: "rim 200 mm", "54 mm bore". */
export function takeLength(text: Text, name: string, bare: 'mm' | 'in'): number | null {
  const found =
    text.take(new RegExp(`(?:${name})\\s*(?:is|of|:|across)?\\s*(${NUMBER})\\s*(${LENGTH_UNITS})?`)) ??
    text.take(new RegExp(`(${NUMBER})\\s*(${LENGTH_UNITS})\\s*(?:${name})`))
  return found ? mmOf(found[1]!, found[2] ?? bare) : null
}

/** Three inside lengths: "560 × 280 × 310 mm", "22x11x12 in". */
export function takeSize(text: Text, bare: 'mm' | 'in'): readonly [number, number, number] | null {
  const by = '\\s*(?:x|×|\\*|by)\\s*'
  const unit = `\\s*(${LENGTH_UNITS})?`
  const found = text.take(new RegExp(`(${NUMBER})${unit}${by}(${NUMBER})${unit}${by}(${NUMBER})${unit}`))
  if (!found) return null
  const last = found[6] ?? found[4] ?? found[2] ?? bare
  return [
    mmOf(found[1]!, found[2] ?? last),
    mmOf(found[3]!, found[4] ?? last),
    mmOf(found[5]!, found[6] ?? last),
  ]
}

/** Litres: "19 L", "2 litres", "500 mL". */
export function takeLitres(text: Text): number | null {
  const found = text.take(
    new RegExp(`(${NUMBER}|half a|a)\\s*(l|litres?|liters?|ml|qt|quarts?|gal|gallons?)`),
  )
  if (!found) return null
  const value = numberOf(found[1]!)
  const unit = found[2]!.toLowerCase()
  if (unit === 'ml') return value / 1000
  if (unit.startsWith('q')) return value * 0.946353
  return unit.startsWith('g') ? value * 3.785412 : value
}
