import type { Millimetres } from '#units/quantity.ts'
import { outerWidthMm } from './wall-place.ts'
import type { Inside } from './inside.ts'

/** How a lid with a foam strip is held down. */
export interface FoamStrip {
  /** Clips or straps all round. */
  readonly clips: number
  readonly heightMm: Millimetres
}
export const USUAL_STRIP: FoamStrip = { clips: 6, heightMm: 6 }

/** Soft closed-cell strip pressed by a third pushes back about so much, N for each mm of it; typical, from memory. */
const PUSH_N_PER_MM = 0.05
/** Of the flange a rim is rolled into: it stands out so far, and takes the bending. */
const FLANGE_MM = 8
/** Soft plastics of totes; typical, from memory. */
const YOUNG_N_PER_MM2 = 1400
/** Foam follows by about a third of its height before it lets go; common practice. */
const FOLLOWS_SHARE = 1 / 3

export interface StripReport {
  /** Once round the rim; in four pieces on a box with corners. */
  readonly lengthMm: Millimetres
  readonly pieces: readonly Millimetres[]
  readonly betweenClipsMm: Millimetres
  /** How far the rim bows out between two clips. */
  readonly bulgeMm: Millimetres
  readonly followsMm: Millimetres
  readonly closes: boolean
  /** The least clips with which it closes. */
  readonly clipsWanted: number
}

/** Second moment of the flange, bent outwards: t·b³/12. */
export const flangeMm4 = (wallMm: Millimetres): number => (wallMm * FLANGE_MM ** 3) / 12
/** A strip's push over a length of rim that is held at both ends: w·s⁴/(384·E·I). Source: beam tables, ends held fast. */
export const bulgeMm = (betweenMm: Millimetres, wallMm: Millimetres): Millimetres =>
  (PUSH_N_PER_MM * betweenMm ** 4) / (384 * YOUNG_N_PER_MM2 * flangeMm4(wallMm))
export const STRIP_CONSTANTS = { pushNPerMm: PUSH_N_PER_MM, youngNPerMm2: YOUNG_N_PER_MM2 } as const

const MOST_CLIPS = 60
/** What strip a lid wants, and whether the clips hold the rim to it. @throws RangeError with fewer than one clip */
export function stripReport(inside: Inside, wallMm: Millimetres, strip: FoamStrip): StripReport {
  if (!(strip.clips >= 1)) throw new RangeError('A strip is pressed by one clip at least.')
  const { section, rimMm, heightMm } = inside
  const pieces =
    section === 'round'
      ? [Math.PI * rimMm[0]]
      : [rimMm[0], rimMm[0], rimMm[1], rimMm[1]].map(mm => Math.ceil(mm))
  const round =
    section === 'round'
      ? outerWidthMm(inside, wallMm, 'wall', heightMm)
      : 2 *
        (outerWidthMm(inside, wallMm, 'front', heightMm) + outerWidthMm(inside, wallMm, 'left end', heightMm))
  const followsMm = strip.heightMm * FOLLOWS_SHARE
  const bulgeWith = (clips: number) => bulgeMm(round / clips, wallMm)
  let clipsWanted = 2
  while (clipsWanted < MOST_CLIPS && bulgeWith(clipsWanted) > followsMm) clipsWanted++
  const bulge = bulgeWith(strip.clips)
  return {
    lengthMm: pieces.reduce((sum, mm) => sum + mm, 0),
    pieces,
    betweenClipsMm: round / strip.clips,
    bulgeMm: bulge,
    followsMm,
    closes: bulge <= followsMm,
    clipsWanted,
  }
}
