import type {
  Grams,
  GramsPerGram,
  Litres,
  LitresPerHour,
  Pascal,
  PercentRh,
  Seconds,
} from '#units/quantity.ts'
import type { Knowledge } from '../answer.ts'
import type { HolderKind } from '../container/holder.ts'
import type { DesiccantKind } from '../desiccant/catalogue.ts'
import type { Material } from '../filament/material.ts'
import type { SpoolSize } from '../filament/winding.ts'
import type { ConductanceLaw } from '../network/law.ts'
import type { Stay } from '../model/box-model.ts'
import type { Hygrometer } from '../reading/hygrometer.ts'
import type { SpoolWetness } from './wetness.ts'
import type { LoadingRange } from './freshness.ts'
import type { MonthlyProfile, RoomReading } from '../room/climate.ts'

/** All that is known of one box, from its first entry on: the estimator's whole input. Plain data, fit for a message. */
export interface BoxFacts {
  readonly fromS: Seconds
  readonly nowS: Seconds
  readonly insideL: Litres
  /** At its law's own temperature. */
  readonly wall: { readonly conductanceLPerH: LitresPerHour; readonly law: ConductanceLaw }
  readonly leak: LeakFacts & { readonly name: string; readonly knowledge: Knowledge }
  /** Lids it had before it was mended, the earliest first. */
  readonly leaksBefore?: readonly (LeakFacts & { readonly untilS: Seconds })[]
  readonly openingsPerMonth: number
  readonly openings: readonly OpeningFacts[]
  readonly charges: readonly ChargeFacts[]
  readonly spools: readonly SpoolFacts[]
  readonly room: {
    readonly profile: MonthlyProfile
    readonly readings: readonly RoomReading[]
    readonly knowledge: Knowledge
  }
  readonly hygrometer: Hygrometer
  /** Displays that are not as the box's own is by its maker's word: checked ones, and those of other makes. */
  readonly displays?: readonly DisplayFacts[]
  readonly readings: readonly ReadingFacts[]
  /** The strictest target among the spools now inside; null where there is none. */
  readonly targetRhPercent: PercentRh | null
}

export interface LeakFacts {
  readonly lowLPerH: LitresPerHour
  readonly highLPerH: LitresPerHour
}

export interface OpeningFacts {
  readonly atS: Seconds
  readonly openSeconds: Seconds
}

export interface ChargeFacts extends Stay {
  readonly id: string
  readonly name: string
  readonly kind: DesiccantKind
  readonly dryMassG: Grams
  readonly massKnowledge: Knowledge
  readonly holder: HolderKind
  /** Loading when it went in: anything between these. */
  readonly freshness: LoadingRange
  /** Heatings up to now, wherever they were: what it can hold wears with each. */
  readonly cycles: { readonly usual: number; readonly overheated: number }
  /** Heatings while it was in the box: it came out, was heated and came back. */
  readonly heatings: readonly HeatingFacts[]
  /** Water found by weighing: gross less holder less dry beads, as their mass is told; σ is the scale's alone. */
  readonly weighings: readonly {
    readonly atS: Seconds
    readonly waterG: Grams
    readonly sigmaG: Grams
  }[]
  /** Loadings their colour stands for. */
  readonly looks: readonly {
    readonly atS: Seconds
    readonly loadingGPerG: GramsPerGram
    readonly sigmaGPerG: GramsPerGram
  }[]
}

export interface HeatingFacts {
  readonly atS: Seconds
  /** At the beads; null where nobody can say, as in a microwave: it leaves anything within a wide range. */
  readonly temperatureC: number | null
  /** Vapour pressure of the air the oven drew in; left out: the room's of the box, at that time. */
  readonly airVapourPressurePa?: Pascal
  /** Water the scale found afterwards, over the dry mass as told; it wins over the isotherm. */
  readonly leftWaterG?: Grams
}

export interface SpoolFacts extends Stay {
  readonly id: string
  readonly name: string
  readonly material: Material
  readonly filamentG: Grams
  readonly emptyG: Grams
  readonly cardboardG: Grams
  /** Left out: the usual 1.75. */
  readonly strandMm?: 1.75 | 2.85
  readonly size: SpoolSize
  readonly wetness: SpoolWetness
}

/** One display: what its readings, put right by its checks, may still be off by. */
export interface DisplayFacts {
  readonly id: string
  /** Of its constant error, one standard deviation. */
  readonly offsetSpreadRh: PercentRh
  /** Of what is new at each reading. */
  readonly newEachTimeRh: PercentRh
  /** Of the air, where it shows the least it can. */
  readonly floorPercentRh: PercentRh
}

export interface ReadingFacts {
  readonly atS: Seconds
  readonly temperatureC: number
  readonly relativeHumidityPercent: PercentRh
  readonly settled: boolean
  /** The display that showed it; left out: the one the box always had. */
  readonly displayId?: string
}
