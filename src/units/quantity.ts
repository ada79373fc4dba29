/**
 * A soft unit tag: the compiler refuses a pascal where a °C is wanted, literals and arithmetic stay plain numbers.
 * One canonical unit per quantity; the unit also stands in every name.
 */
declare const unit: unique symbol
export type Quantity<U extends string> = number & { readonly [unit]?: U }

export type Celsius = Quantity<'degC'>
export type Kelvin = Quantity<'K'>
export type Pascal = Quantity<'Pa'>
export type PercentRh = Quantity<'%RH'>
export type GramsPerCubicMetre = Quantity<'g/m3'>
export type Grams = Quantity<'g'>
export type GramsPerGram = Quantity<'g/g'>
export type WeightPercent = Quantity<'wt%'>
export type LitresPerHour = Quantity<'L/h'>
export type Litres = Quantity<'L'>
export type Millimetres = Quantity<'mm'>
/** Seconds since 1970-01-01T00:00Z for an instant, or a length of time. */
export type Seconds = Quantity<'s'>
