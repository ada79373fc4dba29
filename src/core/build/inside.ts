import type { Litres, Millimetres } from '#units/quantity.ts'
import { litresFromCubicMm } from '#units/volume.ts'

/** A point or direction: along the length, the depth, and up from the middle of the floor. */
export type Vector = readonly [number, number, number]
/** Which way something lies: along the length, the depth, or upright. */
export type Axis = 0 | 1 | 2

/** Something solid inside: a ledge, a foot, a wheel well, the beads, the display. Edges in mm from the middle of the floor. */
export interface Block {
  readonly name: string
  readonly from: Vector
  readonly to: Vector
}

/** The inside of a container: a frustum, wider or narrower at the base than at the rim, and what is solid in it. */
export interface Inside {
  readonly section: 'rectangular' | 'round'
  /** At the rim: length and depth; both the diameter where it is round. */
  readonly rimMm: readonly [Millimetres, Millimetres]
  readonly baseMm: readonly [Millimetres, Millimetres]
  readonly heightMm: Millimetres
  readonly blocks: readonly Block[]
}

export type FaceName = 'lid' | 'floor' | 'left end' | 'right end' | 'front' | 'back' | 'wall'
/** What bounds the inside: all points with normal · point ≤ distance. The normal is of length 1 and points outwards. */
export interface Face {
  readonly name: FaceName
  readonly normal: Vector
  readonly distanceMm: Millimetres
}

/** A round wall as flat faces about it: they stand off the true one by at most 0.01 mm in 100 mm of radius. */
const ROUND_FACES = 240

/** The inside as faces; convex, so that a body inside all of them is inside. */
export function facesOf({ section, rimMm, baseMm, heightMm }: Inside): readonly Face[] {
  const leaning = (name: FaceName, across: readonly [number, number], base: number, rim: number): Face => {
    const lean = (rim - base) / 2 / heightMm
    const length = Math.hypot(1, lean)
    return {
      name,
      normal: [across[0] / length, across[1] / length, -lean / length],
      distanceMm: base / 2 / length,
    }
  }
  const level: Face[] = [
    { name: 'lid', normal: [0, 0, 1], distanceMm: heightMm },
    { name: 'floor', normal: [0, 0, -1], distanceMm: 0 },
  ]
  if (section === 'round')
    return [
      ...level,
      ...Array.from({ length: ROUND_FACES }, (_, i) => {
        const angle = (2 * Math.PI * i) / ROUND_FACES
        return leaning('wall', [Math.cos(angle), Math.sin(angle)], baseMm[0], rimMm[0])
      }),
    ]
  return [
    ...level,
    leaning('left end', [-1, 0], baseMm[0], rimMm[0]),
    leaning('right end', [1, 0], baseMm[0], rimMm[0]),
    leaning('front', [0, -1], baseMm[1], rimMm[1]),
    leaning('back', [0, 1], baseMm[1], rimMm[1]),
  ]
}

/** Length and depth inside at a height above the floor, mm. */
export const innerAtMm = (
  { rimMm, baseMm, heightMm }: Inside,
  upMm: Millimetres,
): readonly [number, number] => {
  const share = upMm / heightMm
  return [0, 1].map(i => baseMm[i]! + (rimMm[i]! - baseMm[i]!) * share) as [number, number]
}

/** What it holds to the lid, a prismatoid at rim, middle and base: V = h/6·(A_rim + 4·A_middle + A_base). */
export function insideL(inside: Inside): Litres {
  const { section, rimMm, baseMm, heightMm } = inside
  const middle = innerAtMm(inside, heightMm / 2)
  const area = ([length, depth]: readonly [number, number]) => length * depth
  const share = section === 'round' ? Math.PI / 4 : 1
  return litresFromCubicMm(((area(rimMm) + 4 * area(middle) + area(baseMm)) * share * heightMm) / 6)
}

/** Inner surface of walls, floor and lid, m². */
export function surfaceM2({ section, rimMm, baseMm, heightMm }: Inside): number {
  const slant = (i: 0 | 1) => Math.hypot(heightMm, (rimMm[i] - baseMm[i]) / 2)
  const floors = rimMm[0] * rimMm[1] + baseMm[0] * baseMm[1]
  if (section === 'round')
    return ((Math.PI / 2) * (rimMm[0] + baseMm[0]) * slant(0) + (Math.PI / 4) * floors) / 1e6
  // the wall over the depth leans with the length, and the other way round
  const walls = (rimMm[1] + baseMm[1]) * slant(0) + (rimMm[0] + baseMm[0]) * slant(1)
  return (walls + floors) / 1e6
}
