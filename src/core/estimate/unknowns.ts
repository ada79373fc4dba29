import { normalCdf } from '../normal.ts'
import { DEFAULT_SLIT_SHARE } from '../filament/winding.ts'
import type { BoxFacts, LeakFacts } from '../evidence/facts.ts'
import { DRY_MASS_SPREAD } from '../evidence/weighing.ts'

/** What one draw takes for true. */
export interface DrawValues {
  readonly leakLPerH: number
  /** Of the lids before this one, the earliest first. */
  readonly leaksBeforeLPerH: readonly number[]
  /** Dry mass against what was told or assumed, in standard deviations of how well that is known. */
  readonly massDeviations: number
  /** What its beads can hold, in standard deviations between makes. */
  readonly capacityDeviations: number
  /** Where in its range of freshness each charge lies that was there from the first, 0…1. */
  readonly freshnessShare: number
  /** Loading beyond the isotherm's that heating leaves. */
  readonly residueGPerG: number
  /** Where in its range of freshness every later charge lies, 0…1. */
  readonly laterShare: number
  readonly holderFactor: number
  readonly slitShare: number
  readonly roomFactor: number
  readonly offsetRhPercent: number
  /** By wetness group: where between its driest and its dampest each spool of it was, 0…1. */
  readonly wetnessShare: Readonly<Record<string, number>>
}

/** One thing not known for certain, as a standard normal variable z. */
export interface Unknown {
  readonly id: string
  /** As a cause: "the width comes mostly from …". */
  readonly name: string
  /** The one thing a person could tell to settle it; null where nobody can. */
  readonly ask: string | null
}

/** Share of an instrument's error that stays the same from reading to reading; the rest is new each time. */
export const OFFSET_SHARE = 0.8
const LEAST_RESIDUE_G_PER_G = 0.002
const MOST_RESIDUE_G_PER_G = 0.02
const HOLDER_SPREAD = 0.35
/** Puts 0.03–0.15 at two standard deviations about the default. */
const SLIT_SPREAD = 0.4

/** The unknowns of a box, in the order of its draw vectors. */
export function unknownsOf(facts: BoxFacts): Unknown[] {
  const list: Unknown[] = [
    { id: 'leak', name: 'how tight the lid is', ask: 'which lid it has' },
    { id: 'capacity', name: 'what the beads can hold', ask: null },
    { id: 'holder', name: 'how open the beads lie', ask: null },
    { id: 'room', name: "the room's air", ask: 'what the same display reads outside the box' },
    { id: 'offset', name: "the display's own error", ask: null },
  ]
  if (facts.charges.length > 0) {
    const isAssumed = facts.charges.some(charge => charge.massKnowledge === 'assumed')
    if (facts.charges.some(charge => DRY_MASS_SPREAD[charge.massKnowledge] > 0))
      list.push({
        id: 'mass',
        name: 'how many beads there are',
        ask: isAssumed ? 'how many beads there are' : null,
      })
    list.push({ id: 'freshness', name: 'how fresh the beads were', ask: 'how fresh the beads were' })
    if (facts.charges.length > 1 || facts.charges.some(charge => charge.heatings.length > 0))
      list.push({ id: 'residue', name: 'what heating left in the beads', ask: null })
  }
  facts.leaksBefore?.forEach((_, i) =>
    list.push({ id: leakBefore(i), name: 'how tight the lid was before', ask: null }),
  )
  if (facts.spools.length > 0) {
    list.push({ id: 'slit', name: 'how tightly the spools are wound', ask: null })
    for (const group of wetnessGroups(facts))
      list.push({ id: `wet:${group}`, name: 'how damp the spools were', ask: 'how dry the spools were' })
  }
  return list
}

const leakBefore = (index: number) => `leak before:${index}`

export const wetnessGroups = (facts: BoxFacts): string[] => [
  ...new Set(facts.spools.map(spool => spool.wetness.group)),
]

/** Turns a draw vector into values. z is as long as the unknowns; any real number is allowed. */
export function drawValues(facts: BoxFacts, unknowns: readonly Unknown[], z: ArrayLike<number>): DrawValues {
  const at = (id: string): number => {
    const index = unknowns.findIndex(unknown => unknown.id === id)
    return index < 0 ? 0 : z[index]!
  }
  const between = (low: number, high: number, id: string) => low + (high - low) * normalCdf(at(id))
  const knownRoom = facts.room.readings.length > 0
  const wetnessShare: Record<string, number> = {}
  for (const group of wetnessGroups(facts)) wetnessShare[group] = normalCdf(at(`wet:${group}`))
  const leak = (range: LeakFacts, id: string) =>
    Math.exp(between(Math.log(range.lowLPerH), Math.log(range.highLPerH), id))
  return {
    leakLPerH: leak(facts.leak, 'leak'),
    leaksBeforeLPerH: (facts.leaksBefore ?? []).map((range, i) => leak(range, leakBefore(i))),
    massDeviations: at('mass'),
    capacityDeviations: at('capacity'),
    freshnessShare: normalCdf(at('freshness')),
    laterShare: normalCdf(at('residue')),
    residueGPerG: between(LEAST_RESIDUE_G_PER_G, MOST_RESIDUE_G_PER_G, 'residue'),
    holderFactor: Math.exp(HOLDER_SPREAD * at('holder')),
    slitShare: DEFAULT_SLIT_SHARE * Math.exp(SLIT_SPREAD * at('slit')),
    roomFactor: Math.exp((knownRoom ? 0.04 : 0.1) * at('room')),
    offsetRhPercent: OFFSET_SHARE * (facts.hygrometer.accuracyPercentRh / 2) * at('offset'),
    wetnessShare,
  }
}
