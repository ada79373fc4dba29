import { normalCdf } from '../normal.ts'
import { DEFAULT_SLIT_SHARE } from '../filament/winding.ts'
import type { BoxFacts, LeakFacts } from '../evidence/facts.ts'
import { DRY_MASS_SPREAD } from '../evidence/weighing.ts'
import { isPresent } from '../model/box-model.ts'
import { MODEL_SPREAD_RH } from './model-error.ts'
import { displaysOf } from './displays.ts'
import type { Amiss } from './amiss.ts'

/** What one draw takes for true of beads: those now inside, or those before them. */
export interface BeadValues {
  /** Dry mass against what was told or assumed, in standard deviations of how well that is known. */
  readonly massDeviations: number
  /** What they can hold, in standard deviations between makes. */
  readonly capacityDeviations: number
  readonly holderFactor: number
}

/** What one draw takes for true. */
export interface DrawValues {
  readonly leakLPerH: number
  /** Of the lids before this one, the earliest first. */
  readonly leaksBeforeLPerH: readonly number[]
  readonly beads: BeadValues
  readonly beadsBefore: BeadValues
  /** By charge, in the facts' order: where in its range of freshness it lay when it came in, 0…1. */
  readonly freshnessShares: readonly number[]
  /** Loading beyond the isotherm's that heating leaves. */
  readonly residueGPerG: number
  /** Where in its range of freshness a charge that is still to come lies, 0…1. */
  readonly laterShare: number
  readonly slitShare: number
  readonly roomFactor: number
  /** Of the weather to come against the room's usual year, on top of `roomFactor`. */
  readonly aheadFactor: number
  /** How far the air will once stand above what is reckoned, % RH: days and weeks that no usual year has. */
  readonly wanderRh: number
  /** Openings that nobody logs, against the habit told. */
  readonly habitFactor: number
  /** By display, in the order they were first read: its constant error, % RH, and what that grows by in a month. */
  readonly offsetsRh: readonly number[]
  readonly driftsRhPerMonth: readonly number[]
  /** By spool, in the facts' order: where between its driest and its dampest it was, 0…1. */
  readonly wetnessShares: readonly number[]
  /** What happened without a word; null: all is as told. */
  readonly amiss: Amiss | null
}

/** One thing not known for certain, as a standard normal variable z. */
export interface Unknown {
  readonly id: string
  /** Its kind: every spool has a wetness of its own, and one answer tells of all. */
  readonly kind: string
  /** As a cause: "the width comes mostly from …". */
  readonly cause: string
  /** The one thing a person could tell to settle it; null where nobody can. */
  readonly asks: string | null
  /** z turned into what it stands for, and put where it belongs. */
  readonly put: (into: Draft, z: number) => void
}

type Draft = {
  -readonly [K in keyof DrawValues]: DrawValues[K] extends readonly number[]
    ? number[]
    : DrawValues[K] extends BeadValues
      ? { -readonly [B in keyof BeadValues]: BeadValues[B] }
      : DrawValues[K]
}

/** A kind of unknown: which of it a box has, and what a standard normal variable makes of each. */
interface UnknownKind {
  readonly id: string
  /** One id for each that the box has; [''] for one that has no kin. */
  readonly applies: (facts: BoxFacts) => readonly string[]
  readonly cause: string
  readonly asks: (facts: BoxFacts) => string | null
  /** What z = 0 and ± 1 stand for: the prior. */
  readonly toValue: (facts: BoxFacts, of: string) => (into: Draft, z: number) => void
}

const LEAST_RESIDUE_G_PER_G = 0.002
const MOST_RESIDUE_G_PER_G = 0.02
const HOLDER_SPREAD = 0.35
/** Puts 0.03–0.15 at two standard deviations about the default. */
const SLIT_SPREAD = 0.4
/** How far the room's humidity may be from its usual year, and from its own readings: a share, one deviation. */
const ROOM_SPREAD = { untold: 0.07, read: 0.05 }
/** Weather of a season against its usual one. */
const AHEAD_SPREAD = 0.04
/** The highest of a wandering error over some months, in its standard deviations. */
const WANDER_MIDDLE = 0.6
const WANDER_SPREAD = 0.5
const HABIT_SPREAD = 0.2
/** A display drifts little, and now and then a lot: about 1 % RH a month at two standard deviations. */
const driftPerMonth = (z: number): number => 0.12 * z * Math.exp(0.25 * z * z)
/** Spools and charges beyond these share one unknown: each for itself would only make the answer slow. */
const MOST_SPOOLS = 6
const MOST_CHARGES = 4

const once = (applies: boolean): readonly string[] => (applies ? [''] : [])
const between = (low: number, high: number, z: number) => low + (high - low) * normalCdf(z)
const leakAt = (range: LeakFacts, z: number) =>
  Math.exp(between(Math.log(range.lowLPerH), Math.log(range.highLPerH), z))
const nothing = () => null
const hasCharges = (facts: BoxFacts) => facts.charges.length > 0
const hadOthers = (facts: BoxFacts) => facts.charges.some((_, i) => !isOfNow(facts, i))
const massIsOpen = (facts: BoxFacts) =>
  facts.charges.some(charge => DRY_MASS_SPREAD[charge.massKnowledge] > 0)

/** The beads now inside, in whatever stays they had here. */
export const isOfNow = (facts: BoxFacts, charge: number): boolean => {
  const { id } = facts.charges[charge]!
  return facts.charges.some(other => other.id === id && isPresent(other, facts.nowS))
}

/** All that can be unknown of a box, in the order of its draw vectors. */
const KINDS: readonly UnknownKind[] = [
  {
    id: 'leak',
    applies: () => once(true),
    cause: 'how tight the lid is',
    asks: () => 'which lid it has',
    toValue: facts => (into, z) => (into.leakLPerH = leakAt(facts.leak, z)),
  },
  {
    id: 'capacity',
    applies: facts => once(hasCharges(facts)),
    cause: 'what the beads can hold',
    asks: nothing,
    toValue: () => (into, z) => (into.beads.capacityDeviations = z),
  },
  {
    id: 'holder',
    applies: facts => once(hasCharges(facts)),
    cause: 'how open the beads lie',
    asks: nothing,
    toValue: () => (into, z) => (into.beads.holderFactor = Math.exp(HOLDER_SPREAD * z)),
  },
  {
    id: 'mass',
    applies: facts => once(massIsOpen(facts)),
    cause: 'how many beads there are',
    asks: facts =>
      facts.charges.some(charge => charge.massKnowledge === 'assumed') ? 'how many beads there are' : null,
    toValue: () => (into, z) => (into.beads.massDeviations = z),
  },
  {
    id: 'capacity before',
    applies: facts => once(hadOthers(facts)),
    cause: 'what the beads before could hold',
    asks: nothing,
    toValue: () => (into, z) => (into.beadsBefore.capacityDeviations = z),
  },
  {
    id: 'holder before',
    applies: facts => once(hadOthers(facts)),
    cause: 'how open the beads before lay',
    asks: nothing,
    toValue: () => (into, z) => (into.beadsBefore.holderFactor = Math.exp(HOLDER_SPREAD * z)),
  },
  {
    id: 'freshness',
    applies: facts => lastOf(facts.charges.length, MOST_CHARGES),
    cause: 'how fresh the beads were',
    asks: () => 'how fresh the beads were',
    toValue: (facts, of) => {
      const places = placesOf(of, facts.charges.length, MOST_CHARGES)
      return (into, z) => places.forEach(i => (into.freshnessShares[i] = normalCdf(z)))
    },
  },
  {
    id: 'residue',
    applies: facts =>
      once(facts.charges.length > 1 || facts.charges.some(charge => charge.heatings.length > 0)),
    cause: 'what heating left in the beads',
    asks: nothing,
    toValue: () => (into, z) => {
      into.residueGPerG = between(LEAST_RESIDUE_G_PER_G, MOST_RESIDUE_G_PER_G, z)
      into.laterShare = normalCdf(z)
    },
  },
  {
    id: 'leak before',
    applies: facts => (facts.leaksBefore ?? []).map((_, i) => String(i)),
    cause: 'how tight the lid was before',
    asks: nothing,
    toValue: (facts, of) => (into, z) =>
      (into.leaksBeforeLPerH[Number(of)] = leakAt(facts.leaksBefore![Number(of)]!, z)),
  },
  {
    id: 'slit',
    applies: facts => once(facts.spools.length > 0),
    cause: 'how tightly the spools are wound',
    asks: nothing,
    toValue: () => (into, z) => (into.slitShare = DEFAULT_SLIT_SHARE * Math.exp(SLIT_SPREAD * z)),
  },
  {
    id: 'wet',
    applies: facts => lastOf(facts.spools.length, MOST_SPOOLS),
    cause: 'how damp the spools were',
    asks: () => 'how dry the spools were',
    toValue: (facts, of) => {
      const places = placesOf(of, facts.spools.length, MOST_SPOOLS)
      return (into, z) => places.forEach(i => (into.wetnessShares[i] = normalCdf(z)))
    },
  },
  {
    id: 'room',
    applies: () => once(true),
    cause: "the room's air",
    asks: () => 'what the same display reads outside the box',
    toValue: facts => (into, z) =>
      (into.roomFactor = Math.exp(
        (facts.room.readings.length > 0 ? ROOM_SPREAD.read : ROOM_SPREAD.untold) * z,
      )),
  },
  {
    id: 'ahead',
    applies: () => once(true),
    cause: 'the weather to come',
    asks: nothing,
    toValue: () => (into, z) => (into.aheadFactor = Math.exp(AHEAD_SPREAD * z)),
  },
  {
    id: 'wander',
    applies: () => once(true),
    cause: 'the weather of single weeks',
    asks: nothing,
    toValue: () => (into, z) => (into.wanderRh = MODEL_SPREAD_RH * (WANDER_MIDDLE + WANDER_SPREAD * z)),
  },
  {
    id: 'habit',
    applies: facts => once(facts.openingsPerMonth > 0),
    cause: 'how often it is opened',
    asks: nothing,
    toValue: () => (into, z) => (into.habitFactor = Math.exp(HABIT_SPREAD * z)),
  },
  {
    id: 'offset',
    applies: facts => displaysOf(facts).map((_, i) => String(i)),
    cause: "the display's own error",
    asks: nothing,
    toValue: (facts, of) => (into, z) =>
      (into.offsetsRh[Number(of)] = displaysOf(facts)[Number(of)]!.offsetSpreadRh * z),
  },
  {
    id: 'drift',
    applies: facts => displaysOf(facts).flatMap((display, i) => (display.mayDrift ? [String(i)] : [])),
    cause: 'how the display drifts',
    asks: nothing,
    toValue: (_, of) => (into, z) => (into.driftsRhPerMonth[Number(of)] = driftPerMonth(z)),
  },
]

/** Places of the last few of a list, each for itself, and one for all before them. */
const placeOf = (index: number, count: number, most: number): string =>
  index < count - most ? 'before' : String(index)
const lastOf = (count: number, most: number): readonly string[] => [
  ...new Set(Array.from({ length: count }, (_, i) => placeOf(i, count, most))),
]
const placesOf = (of: string, count: number, most: number): readonly number[] =>
  Array.from({ length: count }, (_, i) => i).filter(i => placeOf(i, count, most) === of)

/** The unknowns of a box, in the order of its draw vectors. */
export const unknownsOf = (facts: BoxFacts): Unknown[] =>
  KINDS.flatMap(kind =>
    kind.applies(facts).map(of => ({
      id: of === '' ? kind.id : `${kind.id}:${of}`,
      kind: kind.id,
      cause: kind.cause,
      asks: kind.asks(facts),
      put: kind.toValue(facts, of),
    })),
  )

const middling = (facts: BoxFacts): Draft => ({
  leakLPerH: 0,
  leaksBeforeLPerH: (facts.leaksBefore ?? []).map(() => 0),
  beads: { massDeviations: 0, capacityDeviations: 0, holderFactor: 1 },
  beadsBefore: { massDeviations: 0, capacityDeviations: 0, holderFactor: 1 },
  freshnessShares: facts.charges.map(() => 0.5),
  residueGPerG: between(LEAST_RESIDUE_G_PER_G, MOST_RESIDUE_G_PER_G, 0),
  laterShare: 0.5,
  slitShare: DEFAULT_SLIT_SHARE,
  roomFactor: 1,
  aheadFactor: 1,
  wanderRh: MODEL_SPREAD_RH * WANDER_MIDDLE,
  habitFactor: 1,
  offsetsRh: displaysOf(facts).map(() => 0),
  driftsRhPerMonth: displaysOf(facts).map(() => 0),
  wetnessShares: facts.spools.map(() => 0.5),
  amiss: null,
})

/** Turns a draw vector into values. z is as long as the unknowns, or longer; any real number is allowed. */
export function drawValues(facts: BoxFacts, unknowns: readonly Unknown[], z: ArrayLike<number>): DrawValues {
  const values = middling(facts)
  unknowns.forEach((unknown, k) => unknown.put(values, z[k]!))
  return values
}
