import { inWhole, THIN } from './format.ts'
import type { Measures } from './measures.ts'

/** "45 min", "1 h 20", "16 h": to five minutes, to ten above an hour, to the hour above ten. */
export function minutesText(minutes: number): string {
  if (minutes < 20) return `${inWhole(Math.max(1, minutes))}${THIN}min`
  const step = minutes < 60 ? 5 : minutes < 600 ? 10 : 60
  const rounded = Math.round(minutes / step) * step
  if (rounded < 60) return `${rounded}${THIN}min`
  const hours = Math.floor(rounded / 60)
  const left = rounded % 60
  return left === 0 ? `${hours}${THIN}h` : `${hours}${THIN}h ${left}`
}

/** Degrees of a setting: whole ones of the dial's own scale. */
export const degreesText = ({ temperature }: Measures, celsius: number): string =>
  temperature
    .text(temperature.parse(String(Math.round(Number(temperature.field(celsius))))))
    .replace(/[.,]0(?=\D*$)/, '')
