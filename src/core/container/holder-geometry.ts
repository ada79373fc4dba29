import type { Celsius, LitresPerHour, Millimetres } from '#units/quantity.ts'
import { vapourDiffusivityM2PerS } from '../air/diffusivity.ts'
import { holeLPerH } from './hole.ts'

/** Half the bed lies above the mean uptake: the linear driving force of a slab, with the pores' share and bends. */
const BED_FACTOR = 3 * 0.26
const FILM_M_PER_S = 2e-3

/**
 * Conductance between box air and beads from what they lie in: 1/G = 1/(h·A) + holes + packet + L/(3·0.26·D·A).
 * @param openAreaCm2 of the beads' surface towards the air, 1–2000
 * @param bedDepthMm 1–300
 * @param holes in the lid of a closed holder; left out: open
 * @param packetLPerH of a packet's paper or weave; left out: none
 * @returns L/h
 */
export function holderConductanceLPerH(holder: {
  openAreaCm2: number
  bedDepthMm: Millimetres
  holes?: { count: number; diameterMm: Millimetres; wallMm: Millimetres }
  packetLPerH?: LitresPerHour
  temperatureC?: Celsius
  filmMPerS?: number
}): LitresPerHour {
  const temperatureC = holder.temperatureC ?? 23
  const areaM2 = holder.openAreaCm2 / 1e4
  const filmLPerH = litresPerHour((holder.filmMPerS ?? FILM_M_PER_S) * areaM2)
  const bedLPerH = litresPerHour(
    (BED_FACTOR * vapourDiffusivityM2PerS(temperatureC) * areaM2) / (holder.bedDepthMm / 1000),
  )
  let resistance = 1 / filmLPerH + 1 / bedLPerH
  if (holder.holes) resistance += 1 / (holder.holes.count * holeLPerH({ ...holder.holes, temperatureC }))
  if (holder.packetLPerH !== undefined) resistance += 1 / holder.packetLPerH
  return 1 / resistance
}

const litresPerHour = (m3PerS: number): LitresPerHour => m3PerS * 3600 * 1000
