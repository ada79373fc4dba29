import type { Litres, Millimetres } from '#units/quantity.ts'
import { litresFromCubicMm } from '#units/volume.ts'
import type { LidKind } from './lid.ts'
import type { WallMaterial } from './wall.ts'

export const CONTAINER_KINDS = ['jar', 'clip-square', 'clip-long', 'tote', 'pail', 'bag', 'printed'] as const
export type ContainerKind = (typeof CONTAINER_KINDS)[number]

/** Inside measures at the rim; the base is narrower by `baseShare`. */
export interface ContainerSize {
  readonly widthMm: Millimetres
  readonly depthMm: Millimetres
  readonly heightMm: Millimetres
}

export interface Container {
  readonly kind: ContainerKind
  readonly name: string
  readonly section: 'rectangular' | 'round' | 'pillow'
  readonly size: ContainerSize
  /** Base width over rim width. */
  readonly baseShare: number
  readonly wall: WallMaterial
  readonly wallThicknessMm: Millimetres
  readonly lid: LidKind
}

/** Typical sizes, to be measured by the person; pencil until then. */
export const CONTAINERS: Readonly<Record<ContainerKind, Container>> = {
  jar: container('jar', 'pantry jar', 'rectangular', [102, 226, 272], 0.9, 'PP', 1.5, 'clips'),
  'clip-square': container(
    'clip-square',
    'clip box, square',
    'rectangular',
    [266, 136, 248],
    0.93,
    'PP',
    1.6,
    'clips',
  ),
  'clip-long': container(
    'clip-long',
    'clip box, long',
    'rectangular',
    [404, 206, 244],
    0.88,
    'PP',
    1.7,
    'clips',
  ),
  tote: container('tote', 'tote', 'rectangular', [560, 280, 310], 0.88, 'PP', 1.8, 'foam'),
  pail: container('pail', 'pail', 'round', [290, 290, 262], 0.9, 'HDPE', 2, 'snap'),
  bag: container('bag', 'zip bag', 'pillow', [300, 84, 330], 1, 'LDPE', 0.1, 'zip'),
  printed: container(
    'printed',
    'printed box',
    'rectangular',
    [252, 104, 296],
    1,
    'printed PETG',
    2.4,
    'foam',
  ),
}

function container(
  kind: ContainerKind,
  name: string,
  section: Container['section'],
  [widthMm, depthMm, heightMm]: [number, number, number],
  baseShare: number,
  wall: WallMaterial,
  wallThicknessMm: number,
  lid: LidKind,
): Container {
  return { kind, name, section, size: { widthMm, depthMm, heightMm }, baseShare, wall, wallThicknessMm, lid }
}

/** Share of the enclosing cuboid that a filled zip bag takes up. From memory of filled bags. */
const PILLOW_SHARE = 0.75

/**
 * Inside volume with taper: a prismatoid, V = h/6·(A_rim + 4·A_middle + A_base).
 * @param size inside, at the rim, 20–2000 mm each
 * @param baseShare 0.3–1
 */
export function insideVolumeL(section: Container['section'], size: ContainerSize, baseShare: number): Litres {
  const middleShare = (1 + baseShare) / 2
  const taper = (1 + 4 * middleShare ** 2 + baseShare ** 2) / 6
  const cuboidL = litresFromCubicMm(size.widthMm * size.depthMm * size.heightMm)
  const fill = section === 'round' ? Math.PI / 4 : section === 'pillow' ? PILLOW_SHARE : 1
  return cuboidL * taper * fill
}

/** Air left between the solids; never less than 2 % of the inside, since nothing packs tighter. */
export const freeAirL = (insideL: Litres, solidsL: Litres): Litres =>
  Math.max(insideL - solidsL, 0.02 * insideL)
