import type { Celsius, LitresPerHour, Millimetres, Pascal } from '#units/quantity.ts'
import { vapourDiffusivityM2PerS } from '../air/diffusivity.ts'
import { STANDARD_PRESSURE_PA } from '../air/vapour.ts'

/**
 * A hole as a conductance by diffusion, both end corrections in: G = D·A/(L + π·r/2).
 * @param diameterMm 0.1–100 @param wallMm 0–100 @returns L/h
 * Source: Rayleigh's end correction of π·r/4 a side.
 */
export function holeLPerH(hole: {
  diameterMm: Millimetres
  wallMm: Millimetres
  temperatureC?: Celsius
  pressurePa?: Pascal
}): LitresPerHour {
  const radiusM = hole.diameterMm / 2000
  const diffusivity = vapourDiffusivityM2PerS(
    hole.temperatureC ?? 23,
    hole.pressurePa ?? STANDARD_PRESSURE_PA,
  )
  const area = Math.PI * radiusM ** 2
  return litresPerHour((diffusivity * area) / (hole.wallMm / 1000 + (Math.PI * radiusM) / 2))
}

/**
 * A tube with or without filament in it: diffusion through what the filament leaves free. A metre of filled 2 mm tube
 * passes next to nothing.
 * @param filamentMm 0 for an empty tube; less than the bore
 */
export function tubeLPerH(tube: {
  boreMm: Millimetres
  lengthMm: Millimetres
  filamentMm?: Millimetres
  temperatureC?: Celsius
}): LitresPerHour {
  const boreM = tube.boreMm / 1000
  const filamentM = (tube.filamentMm ?? 0) / 1000
  const area = (Math.PI / 4) * Math.max(boreM ** 2 - filamentM ** 2, 0)
  const endM = (Math.PI * boreM) / 4
  return litresPerHour(
    (vapourDiffusivityM2PerS(tube.temperatureC ?? 23) * area) / (tube.lengthMm / 1000 + endM),
  )
}

/** What may close an outlet, as a conductance beside the open hole's; typical, from memory. */
export const OUTLETS = {
  open: { name: 'open hole', lowLPerH: null, highLPerH: null },
  coupler: { name: 'pneumatic coupler with its tube', lowLPerH: 0.02, highLPerH: 0.08 },
  membrane: { name: 'elastic membrane round the filament', lowLPerH: 0.005, highLPerH: 0.03 },
  cap: { name: 'capped', lowLPerH: 0.001, highLPerH: 0.01 },
} as const

const litresPerHour = (m3PerS: number): LitresPerHour => m3PerS * 3600 * 1000
