import type { SpoolBody } from '#core/spool/spool-limits.ts'
import type { ContainerKind } from '#core/container/container.ts'
import type { HolderKind } from '#core/container/holder.ts'
import type { LidKind } from '#core/container/lid.ts'
import type { WallMaterial } from '#core/container/wall.ts'
import type { DesiccantKind } from '#core/desiccant/catalogue.ts'
import type { Freshness } from '#core/evidence/freshness.ts'
import type { Wetness } from '#core/evidence/wetness.ts'
import type { MaterialId } from '#core/filament/material.ts'
import type { HolderBody } from '#core/renewal/heat-limits.ts'
import type { HeatSourceKind } from '#core/renewal/heat-source.ts'
import type { ClimateKind } from '#core/room/climate.ts'

/** Where a thing goes: a box by its id, or a place that is none. 'away': on the peg, in a drawer, put away. */
export type WantedPlace = `box:${string}` | 'printer' | 'open' | 'bag' | 'away'

/** What a thing is to be, field by field, whoever said it: the quick field, the form, a pasted row. */
export interface SpoolWanted {
  readonly kind: 'spool'
  readonly count: number
  readonly name: string
  readonly material: MaterialId
  /** A hue of the house. */
  readonly colour: string
  readonly maker: string | null
  readonly filamentG: number
  /** Whole spool on the scale; with it the filament is gross less empty. */
  readonly grossG: number | null
  readonly emptyG: number
  readonly body: SpoolBody | null
  readonly preset: string | null
  readonly strandMm: 1.75 | 2.85
  readonly rimDiameterMm: number
  readonly widthMm: number
  readonly boreMm: number | null
  /** Calendar days, or null: not told. */
  readonly openedOn: string | null
  readonly driedOn: string | null
  readonly wetness: Wetness
  readonly place: WantedPlace
}

export interface ChargeWanted {
  readonly kind: 'charge'
  readonly count: number
  readonly name: string
  readonly desiccant: DesiccantKind
  /** Packets or bags that are one charge, and what each holds, dry. */
  readonly pieces: number
  readonly gramsEach: number
  readonly holder: HolderKind
  readonly indicator: 'orange' | 'blue' | 'none' | 'unknown'
  readonly freshness: Freshness
  readonly tareG: number | null
  readonly fillLineG: number | null
  /** What its holder is made of, and what its maker prints on it. */
  readonly body: HolderBody | null
  readonly saysC: number | null
  readonly saysHours: number | null
  readonly place: WantedPlace
}

export interface DisplayWanted {
  readonly kind: 'display'
  readonly count: number
  readonly name: string
  readonly accuracyPercentRh: number
  readonly floorPercentRh: number
  readonly place: WantedPlace
}

export interface BoxWanted {
  readonly kind: 'box'
  readonly count: number
  readonly name: string
  readonly container: ContainerKind
  readonly widthMm: number
  readonly depthMm: number
  readonly heightMm: number
  readonly wall: WallMaterial | null
  readonly wallThicknessMm: number | null
  readonly lid: LidKind
  readonly openingsPerMonth: number
}

export interface RoomWanted {
  readonly kind: 'room'
  readonly count: number
  readonly name: string
  readonly climate: ClimateKind
}

export interface ScaleWanted {
  readonly kind: 'scale'
  readonly count: number
  readonly name: string
  readonly stepG: number
}

/** What beads are heated in; null: as is usual for its kind. */
export interface HeatWanted {
  readonly kind: 'heat source'
  readonly count: number
  readonly name: string
  readonly source: HeatSourceKind
  readonly lowestC: number | null
  readonly highestC: number | null
  readonly swingC: number | null
  readonly watts: number | null
  readonly trays: number | null
  readonly trayAreaCm2: number | null
  readonly trayDepthMm: number | null
  readonly pricePerKwh: number | null
  readonly food: 'yes' | 'no' | null
}

export type Wanted =
  | SpoolWanted
  | ChargeWanted
  | DisplayWanted
  | BoxWanted
  | RoomWanted
  | ScaleWanted
  | HeatWanted
export type WantedKind = Wanted['kind']

/** One field that can be read in more than one way: the first is taken until somebody says otherwise. */
export interface Ask {
  readonly field: string
  readonly says: string
  readonly options: readonly { readonly value: string | number; readonly label: string }[]
}

export interface Understood {
  readonly wanted: Wanted
  /** Fields that were said; the others are assumed. */
  readonly told: ReadonlySet<string>
  readonly asks: readonly Ask[]
}

export interface Reading {
  readonly things: readonly Understood[]
  /** Words nothing was made of. */
  readonly unread: readonly string[]
  /** Where nothing could be made of it: what to write instead. */
  readonly help: string | null
}

/** What a sentence may name, and the day it is written on. */
export interface QuickContext {
  /** Midday of today in the person's own zone, as a local date. */
  readonly today: Date
  readonly boxes: readonly { readonly id: string; readonly name: string }[]
  /** Where a length has no unit. */
  readonly lengthUnit: 'mm' | 'in'
}
