import type { Litres, LitresPerHour, Millimetres } from '#units/quantity.ts'
import { litresFromCubicMm } from '#units/volume.ts'

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
  jar: container('jar', 'cereal jar', 'rectangular', [102, 226, 272], 0.9, 'PP', 1.5, 'clips'),
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

/** Inner surface of walls and lid, m². */
export function wallAreaM2(size: ContainerSize, baseShare: number): number {
  const middle = (1 + baseShare) / 2
  const { widthMm, depthMm, heightMm } = size
  const squareMm =
    2 * heightMm * middle * (widthMm + depthMm) + widthMm * depthMm * (1 + baseShare * baseShare)
  return squareMm / 1e6
}

/** Leak of a lid as a conductance, L/h: the range found in practice. */
export type LidKind = 'clips' | 'clips-port' | 'foam' | 'snap' | 'zip' | 'vented' | 'unknown'
export interface Lid {
  readonly kind: LidKind
  readonly name: string
  readonly lowLPerH: LitresPerHour
  readonly highLPerH: LitresPerHour
}
export const LIDS: Readonly<Record<LidKind, Lid>> = {
  clips: { kind: 'clips', name: 'clips and rubber', lowLPerH: 0.02, highLPerH: 0.2 },
  'clips-port': {
    kind: 'clips-port',
    name: 'clips and rubber, with a tube port',
    lowLPerH: 0.1,
    highLPerH: 0.9,
  },
  foam: { kind: 'foam', name: 'foam strip', lowLPerH: 0.2, highLPerH: 1 },
  snap: { kind: 'snap', name: 'snap lid', lowLPerH: 2, highLPerH: 10 },
  // no figure of practice: a pressed zip lies between clips and foam; from memory
  zip: { kind: 'zip', name: 'zip', lowLPerH: 0.02, highLPerH: 0.5 },
  vented: { kind: 'vented', name: 'open or vented', lowLPerH: 10, highLPerH: 40 },
  unknown: { kind: 'unknown', name: 'lid not known', lowLPerH: 0.05, highLPerH: 5 },
}

/** Vapour permeability of walls at 38 °C / 90 % RH, g·mm/(m²·day); typical, from memory. */
export const WALLS = {
  HDPE: 0.15,
  PP: 0.3,
  LDPE: 0.5,
  PET: 0.8,
  PVC: 1,
  PMMA: 2,
  PS: 3,
  PC: 3.5,
  ABS: 3,
  'printed PLA': 8,
  'printed PETG': 1.5,
} as const
export type WallMaterial = keyof typeof WALLS

/** Vapour density of air at 38 °C / 90 % RH, g/L: the drive under which wall permeabilities are stated. */
const STATED_DRIVE_G_PER_L = 0.0416
const HOURS_PER_DAY = 24

/**
 * Walls as a conductance: G = P·A/d/24/0.0416. Taken at the stated 38 °C, so rather too leaky in a cool room.
 * @param areaM2 0.01–10
 * @param thicknessMm 0.02–50
 * @returns L/h of air whose vapour passes
 */
export const wallConductanceLPerH = (
  wall: WallMaterial,
  areaM2: number,
  thicknessMm: Millimetres,
): LitresPerHour => (WALLS[wall] * areaM2) / thicknessMm / HOURS_PER_DAY / STATED_DRIVE_G_PER_L

/** Share of the free air that one opening exchanges: 30 % at once, 95 % left open. Common practice. */
export const openingShare = (openSeconds: number): number => 0.3 + 0.65 * (1 - Math.exp(-openSeconds / 60))
