import type { ContainerKind } from '#core/container/container.ts'
import type { LidKind } from '#core/container/lid.ts'
import type { HolderKind } from '#core/container/holder.ts'
import type { MaterialId } from '#core/filament/material.ts'
import type { MonthlyProfile } from '#core/room/climate.ts'
import type { Draft } from '#records/act.ts'
import type { Indicator } from '#records/kinds/charge.ts'
import type { Freshness } from '#core/evidence/freshness.ts'
import type { Wetness } from '#core/evidence/wetness.ts'

/** Unheated, under a tin roof, over water. */
export const LOFT_CLIMATE: MonthlyProfile = {
  temperatureC: [4.5, 4.5, 6, 9, 13, 16, 18.5, 18, 14.5, 11, 7.5, 5.5],
  relativeHumidityPercent: [79, 77, 73, 69, 67, 68, 70, 73, 77, 80, 82, 81],
}

export interface LoftSpool {
  readonly name: string
  readonly material: MaterialId
  readonly colour: string
  readonly filamentG: number
  readonly wetness: Wetness
  readonly cardboardG?: number
  readonly inDaysAgo?: number
}

/** Where the truth of a box differs from the middle of what is told; wetness by what was told of the spools. */
export interface LoftTruth {
  readonly leakLPerH?: number
  readonly wetnessShares?: Readonly<Record<string, number>>
  /** Of its first beads. */
  readonly freshnessShare?: number
  readonly massDeviations?: number
  /** Its seal slipped so many days ago, and nobody saw it. */
  readonly slip?: { readonly daysAgo: number; readonly factor: number }
}

export interface LoftBox {
  readonly id: string
  readonly name: string
  readonly container: ContainerKind
  /** Measured inside, at the rim; left out where nobody did. */
  readonly sizeMm?: readonly [number, number, number]
  readonly lid: LidKind
  readonly openingsPerMonth: number
  readonly board: number
  readonly leftMm: number
  readonly sinceDays: number
  readonly beadsG: number
  readonly beadsKnown?: 'assumed'
  readonly desiccant?: 'silica-unknown'
  readonly holder: HolderKind
  readonly freshness: Freshness
  readonly indicator?: Indicator
  readonly spools: readonly LoftSpool[]
  /** What is really so; the journal does not know it. */
  readonly truth: LoftTruth
  readonly events?: readonly {
    readonly daysAgo: number
    readonly what: string
    readonly drafts: (box: LoftBox) => Draft[]
  }[]
  readonly unreadDays?: number
  readonly neverRead?: boolean
  readonly readNow?: boolean
}

const heated = (
  daysAgo: number,
  temperatureC: number,
  hours: number,
): NonNullable<LoftBox['events']>[number] => ({
  daysAgo,
  what: `beads heated, ${temperatureC} °C`,
  drafts: box => [
    {
      kind: 'charge.heated',
      payload: { chargeId: `${box.id}-beads`, temperatureC, hours, oven: 'electric', roomId: null },
    },
  ],
})
/** A packet of molecular sieve beside the beads. */
const sieveIn = (daysAgo: number): NonNullable<LoftBox['events']>[number] => ({
  daysAgo,
  what: 'a packet of sieve put in',
  drafts: box => [
    {
      kind: 'charge.made',
      payload: {
        chargeId: `${box.id}-sieve`,
        name: 'Sieve packet',
        desiccant: 'sieve-4a',
        dryMassG: 45,
        massKnown: 'told',
        holder: 'packet',
        freshness: 'new',
        freshnessKnown: 'told',
        indicator: 'none',
        boxId: box.id,
      },
    },
  ],
})
const opened = (daysAgo: number): NonNullable<LoftBox['events']>[number] => ({
  daysAgo,
  what: 'lid opened',
  drafts: box => [{ kind: 'box.opened', payload: { boxId: box.id, openSeconds: 45 } }],
})
const spool = (
  name: string,
  material: MaterialId,
  colour: string,
  filamentG: number,
  wetness: Wetness = 'sealed bag',
  more: Partial<LoftSpool> = {},
): LoftSpool => ({ name, material, colour, filamentG, wetness, ...more })

export const BOXES: readonly LoftBox[] = [
  {
    id: 'cox',
    name: 'Cox',
    container: 'jar',
    sizeMm: [104, 228, 270],
    lid: 'clips',
    openingsPerMonth: 3,
    board: 0,
    leftMm: 92,
    sinceDays: 148,
    beadsG: 44,
    holder: 'packet',
    freshness: 'new',
    spools: [spool('PLA ochre', 'PLA', 'ochre', 840)],
    truth: { leakLPerH: 0.16 },
    events: [heated(44, 110, 2)],
  },
  {
    id: 'stroke',
    name: 'Stroke',
    container: 'clip-long',
    sizeMm: [398, 210, 246],
    lid: 'clips',
    openingsPerMonth: 6,
    board: 0,
    leftMm: 452,
    sinceDays: 150,
    beadsG: 118,
    holder: 'canister',
    freshness: 'heated',
    spools: [
      spool('PETG teal', 'PETG', 'teal', 930),
      spool('ASA bone', 'ASA', 'bone', 710),
      spool('ASA ember', 'ASA', 'ember', 520),
      spool('ASA moss', 'ASA', 'moss', 880),
    ],
    truth: { leakLPerH: 0.21, wetnessShares: { 'sealed bag': 0.68 } },
  },
  {
    id: 'launch',
    name: 'Launch',
    container: 'tote',
    sizeMm: [548, 282, 316],
    lid: 'foam',
    openingsPerMonth: 4,
    board: 0,
    leftMm: 974,
    sinceDays: 150,
    beadsG: 240,
    holder: 'basket',
    freshness: 'heated',
    spools: [
      spool('PLA berry', 'PLA', 'berry', 610),
      spool('PLA ochre', 'PLA', 'ochre', 980),
      spool('PLA slate', 'PLA', 'slate', 330),
      spool('PLA moss', 'PLA', 'moss', 760),
      spool('ASA hull', 'ASA', 'ink', 950, 'weeks in the room', { cardboardG: 215, inDaysAgo: 45 }),
      spool('ASA rope', 'ASA', 'bone', 900, 'weeks in the room', { cardboardG: 215, inDaysAgo: 45 }),
    ],
    truth: { leakLPerH: 0.45, wetnessShares: { 'sealed bag': 0.48, 'weeks in the room, later': 0.6 } },
    events: [heated(61, 115, 2), opened(45), heated(30, 115, 2)],
  },
  {
    id: 'skeg',
    name: 'Skeg',
    container: 'printed',
    sizeMm: [252, 104, 296],
    lid: 'clips-port',
    openingsPerMonth: 2,
    board: 0,
    leftMm: 1660,
    sinceDays: 96,
    beadsG: 120,
    holder: 'basket',
    freshness: 'new',
    spools: [spool('PA6-CF slate', 'PA6-CF', 'slate', 640, 'dried today')],
    truth: { leakLPerH: 0.13, freshnessShare: 0.05 },
    events: [heated(33, 118, 3)],
  },
  {
    id: 'thole',
    name: 'Thole',
    container: 'clip-square',
    lid: 'clips',
    openingsPerMonth: 1,
    board: 0,
    leftMm: 2086,
    sinceDays: 131,
    beadsG: 120,
    beadsKnown: 'assumed',
    desiccant: 'silica-unknown',
    holder: 'packet',
    freshness: 'new',
    spools: [spool('TPU rope', 'TPU', 'rose', 480, 'dried today')],
    truth: { leakLPerH: 0.09, massDeviations: 0.25 },
    unreadDays: 37,
  },
  {
    id: 'rigger',
    name: 'Rigger',
    container: 'clip-long',
    sizeMm: [430, 240, 300],
    lid: 'unknown',
    openingsPerMonth: 4,
    board: 1,
    leftMm: 40,
    sinceDays: 140,
    beadsG: 160,
    holder: 'canister',
    freshness: 'heated',
    spools: [
      spool('PLA ember', 'PLA', 'ember', 900),
      spool('PLA bone', 'PLA', 'bone', 640),
      spool('PLA teal', 'PLA', 'teal', 820),
      spool('PLA rose', 'PLA', 'rose', 930),
    ],
    truth: { leakLPerH: 0.35, slip: { daysAgo: 60, factor: 6 } },
    events: [heated(82, 110, 2)],
  },
  {
    id: 'ferry',
    name: 'Ferry',
    container: 'pail',
    lid: 'foam',
    openingsPerMonth: 3,
    board: 1,
    leftMm: 626,
    sinceDays: 117,
    beadsG: 150,
    holder: 'basket',
    freshness: 'new',
    spools: [spool('ABS amber', 'ABS', 'ochre', 780), spool('ABS mist', 'ABS', 'mist', 930)],
    truth: { leakLPerH: 0.35 },
    events: [heated(30, 115, 2), sieveIn(29), opened(0.08)],
    readNow: true,
  },
  {
    id: 'bilge',
    name: 'Bilge',
    container: 'clip-long',
    sizeMm: [352, 214, 232],
    lid: 'snap',
    openingsPerMonth: 4,
    board: 1,
    leftMm: 1062,
    sinceDays: 89,
    beadsG: 140,
    holder: 'basket',
    freshness: 'heated',
    spools: [
      spool('PVA fog', 'PVA', 'mist', 450, 'dried today'),
      spool('PVA bone', 'PVA', 'bone', 490, 'dried today'),
    ],
    truth: { leakLPerH: 4.6 },
    events: [heated(12, 110, 2)],
  },
  {
    id: 'oarlock',
    name: 'Oarlock',
    container: 'clip-square',
    lid: 'unknown',
    openingsPerMonth: 4,
    board: 1,
    leftMm: 1580,
    sinceDays: 9,
    beadsG: 40,
    beadsKnown: 'assumed',
    desiccant: 'silica-unknown',
    holder: 'packet',
    freshness: 'unknown',
    spools: [spool('TPU berry', 'TPU', 'berry', 700, 'unknown')],
    truth: {},
    neverRead: true,
  },
]
