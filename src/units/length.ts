import type { Millimetres } from './quantity.ts'

const MM_PER_INCH = 25.4

export const mmFromInches = (inches: number): Millimetres => inches * MM_PER_INCH
export const inchesFromMm = (lengthMm: Millimetres): number => lengthMm / MM_PER_INCH
