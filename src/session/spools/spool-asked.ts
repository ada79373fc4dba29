import type { BoxReport } from '#core/estimate/report.ts'
import type { SpoolFacts } from '#core/evidence/facts.ts'
import { spoolStart } from '#core/evidence/spool-start.ts'
import { wetnessTold } from '#core/evidence/wetness.ts'
import { spoolSizeOf } from '#core/filament/spool-class.ts'
import { dryerRhPercent } from '#core/spool/drying-air.ts'
import type { AirPoint, Leg, SpoolLifeFacts } from '#core/spool/life.ts'
import type { Ranged } from '#core/spool/telling.ts'
import type { SpoolAsked, StandingAir } from '#core/spool/spool-report.ts'
import { readingsOf } from '#journal/readings-of.ts'
import { roomAirOrUsual } from '#journal/room-air-or-usual.ts'
import { roomsOf } from '#journal/rooms.ts'
import { spoolLegs, type SpoolLeg } from '#journal/spool-legs.ts'
import type { RoomRecord, SpoolRecord, State } from '#journal/state.ts'
import { msFromSeconds, secondsFromMs } from '#units/time.ts'

const DAY_MS = 86_400_000
/** Older than this, what happened to a spool no longer tells: it has come to where its air would have it. */
const WINDOW_MS = 400 * DAY_MS
/** A room's air is looked up this often. */
const EVERY_MS = 4 * DAY_MS
/** How far a room's air, or a box's by its display alone, may lie from what is said of it, % RH. */
const AIR_ERROR = 5
const DRIEST_BOX_PERCENT = 5

type Past = BoxReport['past']
/** What its estimator says of a box's air so far; undefined where it says nothing. */
export type PastOf = (boxId: string) => Past | undefined

/** Boxes a spool has been in, within the time that tells. */
export const boxesOfSpool = (spool: SpoolRecord, nowMs: number): string[] => [
  ...new Set(
    spoolLegs(spool, lifeFromMs(spool, nowMs), nowMs).flatMap(leg => (leg.is === 'box' ? [leg.boxId] : [])),
  ),
]

const lifeFromMs = (spool: SpoolRecord, nowMs: number): number =>
  Math.min(Math.max(spool.madeMs, nowMs - WINDOW_MS), nowMs)

/** The room a spool's open days are taken to be in: that of its last box, else the first there is. */
export function roomOfSpool(state: State, spool: SpoolRecord): RoomRecord | undefined {
  const boxId = spool.stays.at(-1)?.boxId
  const ofBox = boxId === undefined ? undefined : state.boxes.get(boxId)?.roomId
  return (ofBox === undefined ? undefined : state.rooms.get(ofBox)) ?? roomsOf(state)[0]
}

/** All that is known of a spool's life, and the air it stands in; null where there is nothing on it. */
export function spoolAsked(
  state: State,
  spool: SpoolRecord,
  nowMs: number,
  pastOf: PastOf,
): SpoolAsked | null {
  if (spool.where.at === 'used up') return null
  const fromMs = lifeFromMs(spool, nowMs)
  const room = roomOfSpool(state, spool)
  const amounts = amountsOf(spool, fromMs, nowMs)
  if (!(amounts.filamentG > 0)) return null
  const legs = spoolLegs(spool, fromMs, nowMs)
  const material = state.materials[spool.material]
  const size = spoolSizeOf({ ...spool, filamentG: amounts.filamentG })
  const facts: SpoolFacts = {
    id: spool.spoolId,
    name: spool.name,
    material,
    filamentG: amounts.filamentG,
    emptyG: spool.emptyG,
    cardboardG: spool.cardboardG,
    size,
    wetness: {
      told: wetnessTold(spool.wetness, roomAirOrUsual(state, room, spool.madeMs)),
      group: '',
      past: [],
    },
    inS: 0,
    outS: null,
  }
  const nowS = secondsFromMs(nowMs)
  const life: SpoolLifeFacts = {
    spool: { id: spool.spoolId, material, size, diameterMm: spool.strandMm ?? 1.75, flanges: 'closed' },
    filamentG: amounts.filamentG,
    cardboardG: spool.cardboardG,
    start: spoolStart(facts),
    fromS: secondsFromMs(fromMs),
    legs:
      legs.length > 0
        ? legs.map(leg => coreLeg(state, leg, room, pastOf))
        : [{ untilS: nowS, air: null, temperatureC: roomAirOrUsual(state, room, nowMs).temperatureC }],
    prints: amounts.prints,
  }
  const roomAir = roomAirOrUsual(state, room, nowMs)
  const open: StandingAir = {
    temperatureC: roomAir.temperatureC,
    rhPercent: roomAir.relativeHumidityPercent,
  }
  return { life, here: hereOf(spool, life, open), room: open }
}

function hereOf({ where }: SpoolRecord, { legs }: SpoolLifeFacts, open: StandingAir): StandingAir | null {
  if (where.at === 'bag') return null
  if (where.at !== 'box') return open
  const last = legs.at(-1)!.air?.at(-1)
  return last ? { temperatureC: last.temperatureC, rhPercent: last.rhPercent.middle } : open
}

/**
 * Filament at the start, and what came off since: by prints, and by what was weighed or told to be left. Where more was
 * found than was thought, there was more all along.
 */
function amountsOf(spool: SpoolRecord, fromMs: number, nowMs: number) {
  let filamentG = 0
  let nowG = 0
  const prints: { atS: number; grams: number }[] = []
  for (const { atMs, is, grams } of [...spool.amounts].sort((a, b) => a.atMs - b.atMs)) {
    if (atMs > nowMs) break
    const takenG = is === 'printed' ? Math.min(grams, nowG) : nowG - grams
    if (nowG === 0 && is !== 'printed') {
      filamentG += grams
      nowG = grams
      continue
    }
    nowG -= takenG
    if (takenG < 0) filamentG -= takenG
    else if (atMs <= fromMs) filamentG -= takenG
    else if (takenG > 0) prints.push({ atS: secondsFromMs(atMs), grams: takenG })
  }
  return { filamentG, prints }
}

function coreLeg(state: State, leg: SpoolLeg, ownRoom: RoomRecord | undefined, pastOf: PastOf): Leg {
  const untilS = secondsFromMs(leg.untilMs)
  const box = leg.is === 'box' ? state.boxes.get(leg.boxId) : undefined
  const told = leg.is === 'heat' ? leg.drying.roomId : (box?.roomId ?? null)
  const room = (told === null ? undefined : state.rooms.get(told)) ?? ownRoom
  const roomAt = (atMs: number) => roomAirOrUsual(state, room, atMs)
  const { temperatureC } = roomAt((leg.fromMs + leg.untilMs) / 2)
  switch (leg.is) {
    case 'bag':
    case 'used up':
      return { untilS, air: null, temperatureC }
    case 'heat': {
      const { drying } = leg
      const rhPercent = dryerRhPercent(drying.air, roomAt(leg.fromMs), drying.temperatureC)
      const atS = secondsFromMs(leg.fromMs)
      return {
        untilS,
        temperatureC: drying.temperatureC,
        air: rhPercent && [{ atS, temperatureC: drying.temperatureC, rhPercent }],
      }
    }
    case 'box': {
      const past = pastOf(leg.boxId)
      const points = past ? pointsOfPast(past, leg) : pointsOfReadings(state, leg, roomAt)
      return {
        untilS,
        temperatureC,
        air: points.map(point => ({ ...point, temperatureC: roomAt(msFromSeconds(point.atS)).temperatureC })),
      }
    }
    case 'open':
    case 'printer':
      return {
        untilS,
        temperatureC,
        air: timesIn(leg).map(atMs => {
          const air = roomAt(atMs)
          return {
            atS: secondsFromMs(atMs),
            temperatureC: air.temperatureC,
            rhPercent: about(air.relativeHumidityPercent),
          }
        }),
      }
  }
}

type RhPoint = Pick<AirPoint, 'atS' | 'rhPercent'>
const about = (rh: number): Ranged => ({
  low: Math.max(rh - AIR_ERROR, 0),
  middle: rh,
  high: Math.min(rh + AIR_ERROR, 100),
})

function timesIn({ fromMs, untilMs }: SpoolLeg): number[] {
  const count = Math.max(1, Math.ceil((untilMs - fromMs) / EVERY_MS))
  return Array.from({ length: count + 1 }, (_, i) => fromMs + ((untilMs - fromMs) * i) / count)
}

/** The box's air as it was reckoned to have been, from one end of the leg to the other. */
function pointsOfPast({ atS, low, middle, high }: Past, { fromMs, untilMs }: SpoolLeg): RhPoint[] {
  const [fromS, untilS] = [secondsFromMs(fromMs), secondsFromMs(untilMs)]
  const at = (s: number): RhPoint => {
    const after = atS.findIndex(one => one >= s)
    const next = after < 0 ? atS.length - 1 : after
    const before = Math.max(0, after < 0 ? next : next - 1)
    const span = atS[next]! - atS[before]!
    const share = span > 0 ? (s - atS[before]!) / span : 0
    const between = (of: readonly number[]) => of[before]! + (of[next]! - of[before]!) * Math.max(0, share)
    return { atS: s, rhPercent: { low: between(low), middle: between(middle), high: between(high) } }
  }
  const inside = atS.filter(one => one > fromS && one < untilS)
  return [fromS, ...inside, untilS].map(at)
}

/** By its display alone; a box nobody read may have been anything between dry beads and the room. */
function pointsOfReadings(
  state: State,
  leg: Extract<SpoolLeg, { is: 'box' }>,
  roomAt: (atMs: number) => { readonly relativeHumidityPercent: number },
): RhPoint[] {
  const read = readingsOf(state, { in: 'box', boxId: leg.boxId }).filter(
    ({ atMs }) => atMs >= leg.fromMs && atMs <= leg.untilMs,
  )
  if (read.length > 0)
    return read.map(one => ({
      atS: secondsFromMs(one.atMs),
      rhPercent: about(one.relativeHumidityPercent),
    }))
  const high = roomAt((leg.fromMs + leg.untilMs) / 2).relativeHumidityPercent
  const low = Math.min(DRIEST_BOX_PERCENT, high)
  return [{ atS: secondsFromMs(leg.fromMs), rhPercent: { low, middle: (low + high) / 2, high } }]
}
