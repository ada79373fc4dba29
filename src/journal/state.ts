import type { School } from '#core/spool/dry-these.ts'
import type { Material, MaterialId } from '#core/filament/material.ts'
import type { Draft } from '#records/act.ts'
import type { Overrides } from './materials.ts'
import type { Charge, Oven } from '#records/kinds/charge.ts'
import type { BeadColour } from '#core/evidence/colour.ts'
import type { Box, SealTestBegun, SealTestResult } from '#records/kinds/box.ts'
import type { DisplaysChecked, Instrument } from '#records/kinds/instrument.ts'
import type { Unread } from '#records/picklists.ts'
import type { OvenDaysTold, SeenPlan } from '#records/kinds/oven-plan.ts'
import type { Plan } from '#records/kinds/plan.ts'
import type { ReadingPayload } from '#records/kinds/reading.ts'
import type { Room } from '#records/kinds/room.ts'
import type { HeatMeasured } from '#core/renewal/heat-source.ts'
import type { DryingBegun } from '#records/kinds/drying.ts'
import type { HeatSourceMade } from '#records/kinds/heat-source.ts'
import type { SessionDone } from '#core/renewal/session.ts'
import type { SessionBegun } from '#records/kinds/session.ts'
import type { Scale } from '#records/kinds/scale.ts'
import type { Payload } from '#records/entry.ts'
import type { Spool, Whereabouts } from '#records/kinds/spool.ts'

/** A time something stood in a place: from, and until it left. */
export interface Stay {
  readonly boxId: string
  readonly fromMs: number
  untilMs: number | null
}

/** A time a spool was somewhere: in a box, on the printer, in the open, in a bag. */
export interface Sojourn {
  readonly where: Whereabouts
  readonly fromMs: number
  untilMs: number | null
}

/** `relativeHumidityPercent` is the air's: what was shown, put right by what is known of the display. */
export interface ReadingRecord extends ReadingPayload {
  readonly id: string
  readonly actId: string
  readonly atMs: number
  /** What the display showed, and how far it is off; left out where it was never checked, and is taken as it is. */
  readonly putRight?: PutRight
}
export interface PutRight {
  readonly shownRhPercent: number
  readonly offsetRh: number
  readonly perRh: number
}
/** Displays held in one air. */
export interface CheckRecord extends DisplaysChecked {
  readonly id: string
  readonly atMs: number
}
export interface BoxRecord extends Box {
  readonly madeMs: number
  /** Every lid it had, the earliest first; the last is the one it has. */
  readonly lids: readonly {
    readonly fromMs: number
    readonly lid: Box['lid']
    readonly lidKnown: Box['lidKnown']
    /** What a seal test of it found, and when; a later lid has its own. */
    readonly proved?: { readonly atMs: number; readonly result: SealTestResult }
  }[]
  /** A seal test that is under way. */
  readonly proving: { readonly atMs: number; readonly begun: SealTestBegun } | null
  readonly retiredMs: number | null
  /** When its display last could not be read, and why. */
  readonly unread: { readonly atMs: number; readonly why: Unread } | null
  readonly openings: { readonly atMs: number; readonly openSeconds: number }[]
}
/** What was thrown or given away stays, for the readings that name it. */
interface Retirable {
  readonly retiredMs: number | null
}
export interface RoomRecord extends Room, Retirable {}
export interface InstrumentRecord extends Instrument, Retirable {
  readonly madeMs: number
  /** When it last got a fresh cell; null: nobody said. */
  readonly cellMs: number | null
}
/** A box that is being planned; retired once it is built, or given up. */
export interface PlanRecord extends Plan, Retirable {
  readonly madeMs: number
}
export interface ScaleRecord extends Scale, Retirable {}
export interface HeatSourceRecord extends HeatSourceMade, Retirable {
  /** One for each setting, the last one found. */
  readonly measured: readonly (HeatMeasured & { readonly atMs: number })[]
}
/** Beads that are being heated, or were: what was planned, what is done of it, and what the scale said in between. */
export interface SessionRecord extends SessionBegun {
  readonly id: string
  readonly begunMs: number
  /** In order of time; each step once. */
  readonly done: readonly SessionDone[]
  readonly weighings: readonly {
    readonly chargeId: string
    readonly batch: number
    readonly atMs: number
    readonly grossG: number
    readonly tareG: number
  }[]
  readonly ended: { readonly atMs: number; readonly how: 'done' | 'stopped' } | null
  /** Every act that is part of it, the earliest first: what taking it back takes back. */
  readonly actIds: readonly string[]
}
/** A plan as it was seen at a time. */
export interface PlanSeen extends SeenPlan {
  readonly atMs: number
}
/** What a person said of days at the oven, and wished of the plan. */
export interface OvenPlanTold {
  readonly days: OvenDaysTold
  /** By the day, YYYY-MM-DD. */
  readonly dayWishes: ReadonlyMap<string, 'pinned' | 'struck'>
  readonly boxWishes: ReadonlyMap<string, { readonly day?: string | null; readonly sure?: number | null }>
  /** The plan last seen, and when. */
  readonly seen: PlanSeen | null
  /** All that were seen, in order of time. */
  readonly plansSeen: readonly PlanSeen[]
}
export interface ChargeRecord extends Charge {
  readonly madeMs: number
  readonly stays: Stay[]
  readonly heatings: {
    readonly id: string
    readonly atMs: number
    readonly temperatureC: number | null
    readonly hours: number
    readonly oven: Oven
    readonly roomId: string | null
    readonly heatSourceId: string | null
  }[]
  readonly looks: { readonly id: string; readonly atMs: number; readonly colour: BeadColour }[]
  readonly retiredMs: number | null
  readonly weighings: {
    readonly id: string
    readonly atMs: number
    readonly grossG: number
    readonly tareG: number
    readonly scaleErrorG: number
  }[]
}
export interface SpoolRecord extends Spool {
  readonly madeMs: number
  /** Everywhere it has been, in order of time. */
  readonly whereabouts: Sojourn[]
  readonly stays: Stay[]
  readonly dryings: SpoolDrying[]
  /** What is known of its filament over time, in order: told, found by weighing, taken off by a print. */
  readonly amounts: SpoolAmount[]
  /** Checks of bad prints, and test pieces, in order of time. */
  readonly checks: SpoolCheck[]
  readonly pieces: TestPiece[]
}
export interface SpoolCheck extends Omit<Payload<'spool.checked'>, 'spoolId'> {
  readonly id: string
  readonly atMs: number
}
export interface TestPiece extends Omit<Payload<'spool.piece'>, 'spoolId'> {
  readonly id: string
  readonly atMs: number
}
/** A closed chamber as it was warmed. */
export interface Warming extends Payload<'chamber.warmed'> {
  readonly id: string
  readonly atMs: number
}
export interface SpoolDrying extends Omit<Payload<'spool.dried'>, 'spoolId'> {
  readonly id: string
  /** When it came out. */
  readonly atMs: number
}
/** A spool being dried, or that was. */
export interface DryingRunRecord extends DryingBegun {
  readonly begunMs: number
  readonly weights: { readonly id: string; readonly atMs: number; readonly grossG: number }[]
  /** In order of time; null: no heat. */
  readonly heats: { readonly atMs: number; readonly temperatureC: number | null }[]
  readonly endedMs: number | null
  readonly actIds: string[]
}
export interface SpoolAmount {
  readonly id: string
  readonly atMs: number
  readonly is: 'told' | 'weighed' | 'printed'
  readonly grams: number
}

/** One thing that would put two contradicting entries right; `says` names the truth it stands for. */
export type Repair =
  | { readonly do: 'withdraw'; readonly entryId: string; readonly says: string }
  | { readonly do: 'redate'; readonly entryId: string; readonly atMs: number; readonly says: string }
  | { readonly do: 'edit'; readonly entryId: string; readonly says: string }
  | { readonly do: 'enter'; readonly draft: Draft; readonly says: string }

/** An entry that can't be true together with another. */
export interface Contradicted {
  readonly entryId: string
  /** The other of the two; null where what it names is not there at all. */
  readonly otherId: string | null
  readonly reason: string
  readonly repairs: readonly Repair[]
}

/** All that the journal says, folded. */
export interface State {
  readonly rooms: ReadonlyMap<string, RoomRecord>
  readonly boxes: ReadonlyMap<string, BoxRecord>
  readonly charges: ReadonlyMap<string, ChargeRecord>
  readonly spools: ReadonlyMap<string, SpoolRecord>
  readonly dryingRuns: ReadonlyMap<string, DryingRunRecord>
  readonly instruments: ReadonlyMap<string, InstrumentRecord>
  readonly scales: ReadonlyMap<string, ScaleRecord>
  readonly heatSources: ReadonlyMap<string, HeatSourceRecord>
  readonly sessions: ReadonlyMap<string, SessionRecord>
  readonly plans: ReadonlyMap<string, PlanRecord>
  readonly ovenPlan: OvenPlanTold
  /** In order of time. */
  readonly checks: readonly CheckRecord[]
  /** In order of time. */
  readonly readings: readonly ReadingRecord[]
  /** What a person knows better than the catalogue, and the catalogue with it. */
  readonly overrides: Overrides
  /** Chambers warmed with a spool or empty, in order of time. */
  readonly warmings: readonly Warming[]
  /** How hot to dry, by material or by the id of a spool. */
  readonly schools: ReadonlyMap<string, School>
  readonly materials: Readonly<Record<MaterialId, Material>>
  readonly contradictions: readonly Contradicted[]
}
