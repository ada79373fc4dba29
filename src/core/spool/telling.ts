import type { Seconds } from '#units/quantity.ts'
import type { Material } from '../filament/material.ts'
import { MAKES, SLIT_SHARES } from '../ask/spool-time.ts'

export interface Ranged {
  readonly low: number
  readonly middle: number
  readonly high: number
}

/** One telling of a life: everything that is not known set to one value. */
export interface Telling {
  /** 0: the driest it can have been and stood in … 1: the dampest. */
  readonly damp: number
  /** The same from later times on, in their order; left out: as at first. */
  readonly later?: readonly { readonly fromS: Seconds; readonly damp: number }[]
  readonly slitShare: number
  /** Against the catalogue. */
  readonly diffusivity: number
  readonly moisture: number
  /** Board against what was told; left out: as told. */
  readonly board?: number
}
export const MIDDLE: Telling = { damp: 0.5, slitShare: SLIT_SHARES.usual, diffusivity: 1, moisture: 1 }

/** What is not known, each by itself from one end to the other: how damp it was and stood, how fast, how much it holds. */
const CAUSES: readonly (readonly [Telling, Telling])[] = [
  [
    { ...MIDDLE, damp: 0 },
    { ...MIDDLE, damp: 1 },
  ],
  [
    { ...MIDDLE, slitShare: SLIT_SHARES.tight, diffusivity: 1 / MAKES.diffusivity },
    { ...MIDDLE, slitShare: SLIT_SHARES.loose, diffusivity: MAKES.diffusivity },
  ],
  [
    { ...MIDDLE, moisture: 1 / MAKES.moisture },
    { ...MIDDLE, moisture: MAKES.moisture },
  ],
]

/** One end of four in five is so many standard deviations out. */
const END_Z = 1.28
/** Slit transport goes with speed, from its tight to its loose end. */
const SLITS = { middle: 0.067, spread: 0.4 } as const
const BOARD_SPREAD = 0.2

/** How fast this spool is and how much it holds, each so many standard deviations from the usual. */
export const spoolOf = ({
  speedZ,
  holdsZ,
  boardZ,
}: {
  readonly speedZ: number
  readonly holdsZ: number
  readonly boardZ: number
}): Pick<Telling, 'slitShare' | 'diffusivity' | 'moisture'> & { readonly board: number } => ({
  slitShare: SLITS.middle * Math.exp(SLITS.spread * speedZ),
  diffusivity: MAKES.diffusivity ** (speedZ / END_Z),
  moisture: MAKES.moisture ** (holdsZ / END_Z),
  board: Math.exp(BOARD_SPREAD * boardZ),
})

/** How fast one spool is, how much it holds and how much board it has, as the scale told; in standard deviations from the usual. */
export interface OwnMake {
  readonly speedZ: Ranged
  readonly holdsZ: Ranged
  readonly boardZ: Ranged
}

/** Everything that is not known of a make, each corner together: how fast, how much, how tightly wound. */
const CORNERS: readonly Telling[] = [SLIT_SHARES.loose, SLIT_SHARES.tight].flatMap(slitShare =>
  [MAKES.diffusivity, 1 / MAKES.diffusivity].flatMap(diffusivity =>
    [MAKES.moisture, 1 / MAKES.moisture].map(moisture => ({ ...MIDDLE, slitShare, diffusivity, moisture })),
  ),
)

/** What is not known of a spool from now on: its middle, and each corner together; closer where it was followed by the scale. */
export function cornersOf(own: OwnMake | null | undefined): readonly [Telling, ...Telling[]] {
  if (!own) return [MIDDLE, ...CORNERS]
  const { speedZ, holdsZ, boardZ } = own
  const of = (speed: number, holds: number): Telling => ({
    damp: MIDDLE.damp,
    ...spoolOf({ speedZ: speed, holdsZ: holds, boardZ: boardZ.middle }),
  })
  return [
    of(speedZ.middle, holdsZ.middle),
    ...[speedZ.low, speedZ.high].flatMap(speed => [holdsZ.low, holdsZ.high].map(holds => of(speed, holds))),
  ]
}

/** A material as one telling has it. */
export const materialOf = (material: Material, { diffusivity, moisture }: Telling): Material => ({
  ...material,
  diffusivityAt23M2PerS: material.diffusivityAt23M2PerS * diffusivity,
  moistureAt50Percent: material.moistureAt50Percent * moisture,
  saturatedMoisturePercent: material.saturatedMoisturePercent * moisture,
})

/** What the scale told of one spool while it dried. */
export interface FittedSpool extends OwnMake {
  /** The run it was weighed in, from going in to coming out. */
  readonly fromS: Seconds
  readonly untilS: Seconds
  /** How damp it had been before, and how damp its air was in the dryer: 0…1 of what each can have been. */
  readonly damp: Ranged
  readonly dryerDamp: Ranged
}

/** A stretch that begins so little before it begins with it: hours of heat are kept as fractions. */
const SAME_S = 60

/** The middle telling of a life, and what each thing not known makes of it by itself. */
export function tellingsOf(fitted: FittedSpool | undefined): {
  readonly middle: Telling
  readonly causes: readonly (readonly [Telling, Telling])[]
} {
  if (!fitted) return { middle: MIDDLE, causes: CAUSES }
  const { fromS, untilS, speedZ, holdsZ, boardZ } = fitted
  const known = { speedZ: speedZ.middle, holdsZ: holdsZ.middle, boardZ: boardZ.middle }
  const of = (
    spool: Partial<typeof known>,
    damp = fitted.damp.middle,
    dryerDamp = fitted.dryerDamp.middle,
    // what the scale said of that dryer's air says nothing of the air since
    since = MIDDLE.damp,
  ): Telling => ({
    ...spoolOf({ ...known, ...spool }),
    damp,
    later: [
      { fromS: fromS - SAME_S, damp: dryerDamp },
      { fromS: untilS - SAME_S, damp: since },
    ],
  })
  return {
    middle: of({}),
    causes: [
      [of({}, fitted.damp.low), of({}, fitted.damp.high)],
      [of({}, undefined, fitted.dryerDamp.low), of({}, undefined, fitted.dryerDamp.high)],
      [of({}, undefined, undefined, 0), of({}, undefined, undefined, 1)],
      [of({ speedZ: speedZ.low }), of({ speedZ: speedZ.high })],
      [of({ holdsZ: holdsZ.low }), of({ holdsZ: holdsZ.high })],
      [of({ boardZ: boardZ.low }), of({ boardZ: boardZ.high })],
    ],
  }
}

/** How damp it is taken to be at a time. */
export const dampAt = ({ damp, later = [] }: Telling, atS: Seconds): number =>
  later.findLast(one => one.fromS <= atS)?.damp ?? damp
