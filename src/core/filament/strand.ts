import type { Millimetres } from '#units/quantity.ts'

export const FILAMENT_DIAMETERS_MM = [1.75, 2.85] as const
export type FilamentDiameterMm = (typeof FILAMENT_DIAMETERS_MM)[number]

/**
 * A strand as three shells, outermost first: shares of its mass and transfer numbers, so that
 * v₁·du₁/dFo = g₁·(u_surface − u₁) − g₂·(u₁ − u₂) and so on, Fo = D·t/radius².
 * Fitted here to the series for a cylinder (Crank, The Mathematics of Diffusion, ch. 5): the uptake is within 0.5 %
 * of it from Fo 0.005 on; even shells of the same number would be off by several per cent.
 */
export const STRAND_SHELLS = [
  { massShare: 0.158475, transferNumber: 64.5077 },
  { massShare: 0.318406, transferNumber: 14.4984 },
  { massShare: 0.523119, transferNumber: 4.62595 },
] as const

export const strandRadiusM = (diameterMm: Millimetres): number => diameterMm / 2000

/** Zeros of the Bessel function J₀: the first by table (Abramowitz & Stegun 9.5), the rest by McMahon's expansion. */
function besselZero(n: number): number {
  const first = [2.4048255577, 5.5200781103, 8.6537279129, 11.7915344391]
  if (n <= first.length) return first[n - 1]!
  const b = Math.PI * (n - 0.25)
  return b + 1 / (8 * b) - 124 / (3 * (8 * b) ** 3)
}

/**
 * Share of its final uptake that a cylinder has reached, its surface held constant.
 * @param fourierNumber D·t/radius², 0 or more
 * @returns 0…1. Source: Crank, The Mathematics of Diffusion, ch. 5: 1 − Σ 4/α²·exp(−α²·Fo)
 */
export function cylinderUptake(fourierNumber: number): number {
  if (fourierNumber <= 0) return 0
  let left = 0
  for (let n = 1; n <= 200; n++) {
    const alpha = besselZero(n)
    const term = (4 / alpha ** 2) * Math.exp(-(alpha ** 2) * fourierNumber)
    left += term
    if (term < 1e-12) break
  }
  return 1 - left
}
