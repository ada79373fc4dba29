import type { Grams, Millimetres } from '#units/quantity.ts'

export const ROD_MATERIALS = {
  steel: { name: 'steel', youngGPa: 200, densityKgPerM3: 7850 },
  aluminium: { name: 'aluminium', youngGPa: 69, densityKgPerM3: 2700 },
  wood: { name: 'beech dowel', youngGPa: 11, densityKgPerM3: 700 },
  printed: { name: 'printed', youngGPa: 2, densityKgPerM3: 1200 },
} as const
export type RodMaterial = keyof typeof ROD_MATERIALS

/** A rod as one buys it; a bore of 0 is a solid one. Stiffness and weight are typical, from memory. */
export interface Rod {
  readonly material: RodMaterial
  readonly diameterMm: Millimetres
  readonly boreMm: Millimetres
}
/** Weight that hangs on it, and where from its left support. */
export interface RodLoad {
  readonly atMm: Millimetres
  readonly weightG: Grams
}

const GRAVITY_M_PER_S2 = 9.80665

/** Second moment of area of a round bar or tube, mm⁴: π(d⁴ − b⁴)/64. */
export const secondMomentMm4 = ({ diameterMm, boreMm }: Pick<Rod, 'diameterMm' | 'boreMm'>): number =>
  (Math.PI * (diameterMm ** 4 - boreMm ** 4)) / 64
/** Stiffness E·I, N·mm². */
export const stiffnessNMm2 = (rod: Rod): number =>
  ROD_MATERIALS[rod.material].youngGPa * 1000 * secondMomentMm4(rod)
/** Its own weight for each millimetre, N. */
export const ownWeightNPerMm = ({ material, diameterMm, boreMm }: Rod): number =>
  (ROD_MATERIALS[material].densityKgPerM3 *
    1e-9 *
    Math.PI *
    (diameterMm ** 2 - boreMm ** 2) *
    GRAVITY_M_PER_S2) /
  4
export const newtons = (weightG: Grams): number => (weightG / 1000) * GRAVITY_M_PER_S2

/**
 * How far a rod sags at a place, mm, under its loads and itself: free on two supports, or held in one wall.
 * @param spanMm between the supports, or out of the wall
 * Source: beam tables of strength of materials (simply supported and cantilever, point and even loads), superposed.
 */
export function sagAtMm(
  rod: Rod,
  spanMm: Millimetres,
  loads: readonly RodLoad[],
  held: 'both ends' | 'one end',
  xMm: Millimetres,
): Millimetres {
  const stiffness = stiffnessNMm2(rod)
  const own = ownWeightNPerMm(rod)
  const L = spanMm
  if (held === 'one end')
    return (
      loads.reduce((sum, { atMm: a, weightG }) => {
        const [near, far] = [Math.min(a, xMm), Math.max(a, xMm)]
        return sum + (newtons(weightG) * near ** 2 * (3 * far - near)) / (6 * stiffness)
      }, 0) +
      (own * xMm ** 2 * (6 * L ** 2 - 4 * L * xMm + xMm ** 2)) / (24 * stiffness)
    )
  return (
    loads.reduce((sum, { atMm, weightG }) => {
      // the formula holds on the load's left; on its right the beam is read from the other end
      const [a, x] = xMm <= atMm ? [atMm, xMm] : [L - atMm, L - xMm]
      const b = L - a
      return sum + (newtons(weightG) * b * x * (L ** 2 - b ** 2 - x ** 2)) / (6 * stiffness * L)
    }, 0) +
    (own * xMm * (L ** 3 - 2 * L * xMm ** 2 + xMm ** 3)) / (24 * stiffness)
  )
}

const STEPS = 200
/** The most it sags anywhere, and where; held in one wall, at its free end. */
export function mostSag(
  rod: Rod,
  spanMm: Millimetres,
  loads: readonly RodLoad[],
  held: 'both ends' | 'one end',
): { readonly atMm: Millimetres; readonly sagMm: Millimetres } {
  let most = { atMm: spanMm, sagMm: sagAtMm(rod, spanMm, loads, held, spanMm) }
  if (held === 'one end') return most
  for (let i = 1; i < STEPS; i++) {
    const atMm = (spanMm * i) / STEPS
    const sagMm = sagAtMm(rod, spanMm, loads, held, atMm)
    if (sagMm > most.sagMm) most = { atMm, sagMm }
  }
  return most
}

/** Beyond this spools run together in the middle: common practice. */
export const MOST_SAG_MM = 1.5
/** End to end; more, and spools walk to the lower one: common practice. */
export const LEVEL_WITHIN_MM = 0.5
/** A hole is so much wider than the rod that goes through. */
export const ROD_PLAY_MM = 0.5
