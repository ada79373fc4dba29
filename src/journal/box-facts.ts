import { msFromSeconds, secondsFromMs } from '#units/time.ts'
import { CONTAINERS, insideVolumeL } from '#core/container/container.ts'
import { LIDS } from '#core/container/lid.ts'
import { wallAreaM2, wallConductanceLPerH, wallLaw } from '#core/container/wall.ts'
import type { BoxFacts, ChargeFacts, LeakFacts, SpoolFacts } from '#core/evidence/facts.ts'
import { truePercent } from '#core/reading/display-check.ts'
import { newEachTimeRh, OFFSET_SHARE } from '#core/reading/offset-share.ts'
import { spoolSizeOf } from '#core/filament/spool-class.ts'
import { baseShareOf } from './base-share.ts'
import type { BoxView } from './box-view.ts'
import { freshnessRange, type Freshness } from '#core/evidence/freshness.ts'
import type { Room } from '#records/kinds/room.ts'
import { wetnessTold, type RoomAir, type Wetness } from '#core/evidence/wetness.ts'
import { scaleSigmaG, weighedWaterG } from '#core/evidence/weighing.ts'
import type { BoxRecord, ChargeRecord, SpoolRecord, State, Stay } from './state.ts'
import { colourFacts, cyclesOf, heatingFacts } from './charge-facts.ts'
import { readingsOf } from './readings-of.ts'
import { displayErrorAt } from './true-readings.ts'
import { profileOf, roomAirAt } from './room-air.ts'
import { spoolLegs } from './spool-legs.ts'
import { spoolPast } from './spool-past.ts'
import { isDuring, stayIn } from './stays.ts'

const DAY_MS = 86_400_000
const isAfter = (outS: number | null, startsMs: number): boolean =>
  outS === null || outS > secondsFromMs(startsMs)
/** Older than this, what happened to a box no longer tells its beads and spools apart from any others. */
const WINDOW_MS = 400 * DAY_MS

/** All the estimator needs to know of a box, from the journal's state. */
export function boxFacts(state: State, view: BoxView, nowMs: number): BoxFacts | null {
  const { box } = view
  const room = state.rooms.get(box.roomId)
  if (!room) return null
  const container = CONTAINERS[box.container]
  const size = { widthMm: box.widthMm, depthMm: box.depthMm, heightMm: box.heightMm }
  const lidNow = box.lids.findLast(one => one.fromMs <= nowMs) ?? { ...box, fromMs: box.madeMs }
  const lid = LIDS[lidNow.lid]
  const wall = box.wall ?? container.wall
  const startsMs = Math.max(Math.min(box.madeMs, nowMs), nowMs - WINDOW_MS)
  const startAir = roomAirAt(state, room, startsMs)
  const charges = [...state.charges.values()]
    .flatMap(charge =>
      stayIn(charge.stays, box.boxId).map((_, index) =>
        chargeFacts(state, charge, index, box.boxId, room, startsMs, nowMs),
      ),
    )
    .filter(charge => charge.inS <= secondsFromMs(nowMs) && isAfter(charge.outS, startsMs))
    .sort((a, b) => a.inS - b.inS)
  const spools = [...state.spools.values()]
    .flatMap(spool => spoolFacts(state, spool, box, startsMs, startAir))
    .filter(spool => spool.inS <= secondsFromMs(nowMs) && isAfter(spool.outS, startsMs))
  const roomReadings = readingsOf(state, { in: 'room', roomId: box.roomId })
    .filter(reading => reading.atMs <= nowMs && reading.atMs >= nowMs - WINDOW_MS)
    .map(reading => ({
      atS: secondsFromMs(reading.atMs),
      temperatureC: reading.temperatureC,
      relativeHumidityPercent: reading.relativeHumidityPercent,
    }))
  return {
    fromS: secondsFromMs(startsMs),
    nowS: secondsFromMs(nowMs),
    insideL: insideVolumeL(container.section, size, baseShareOf(box)),
    wall: {
      conductanceLPerH: wallConductanceLPerH(
        wall,
        wallAreaM2(size, baseShareOf(box)),
        box.wallThicknessMm ?? container.wallThicknessMm,
      ),
      law: wallLaw(wall),
    },
    leak: {
      ...leakOf(lidNow),
      name: lid.name,
      knowledge: isProved(lidNow) ? 'measured' : box.lidKnown,
    },
    ...leaksBefore(box, startsMs, nowMs),
    openingsPerMonth: box.openingsPerMonth,
    openings: box.openings
      .filter(opening => opening.atMs <= nowMs && opening.atMs >= startsMs)
      .map(opening => ({ atS: secondsFromMs(opening.atMs), openSeconds: opening.openSeconds })),
    charges,
    spools,
    room: { profile: profileOf(room), readings: roomReadings, knowledge: room.climateKnown },
    hygrometer: view.hygrometer,
    ...displayFacts(state, view),
    readings: view.readings
      .filter(reading => reading.atMs >= startsMs - DAY_MS)
      .map(reading => ({
        atS: secondsFromMs(reading.atMs),
        temperatureC: reading.temperatureC,
        relativeHumidityPercent: reading.relativeHumidityPercent,
        settled: reading.settled && reading.atMs >= startsMs,
        displayId: reading.instrumentId,
      })),
    targetRhPercent: view.target?.rhPercent ?? null,
  }
}

/** Displays it was read with that are not as its own is by its maker's word: by a check, or of another make. */
function displayFacts(state: State, { hygrometer, readings }: BoxView): Pick<BoxFacts, 'displays'> {
  const lastMs = new Map(readings.map(reading => [reading.instrumentId, reading.atMs]))
  const displays = [...lastMs].flatMap(([id, atMs]) => {
    const instrument = state.instruments.get(id)
    if (!instrument) return []
    const { accuracyPercentRh, floorPercentRh } = instrument
    const error = displayErrorAt(state)(id, atMs)
    const isAsItsOwn =
      accuracyPercentRh === hygrometer.accuracyPercentRh && floorPercentRh === hygrometer.floorPercentRh
    if (!error && isAsItsOwn) return []
    return [
      {
        id,
        offsetSpreadRh: error?.sigmaRh ?? OFFSET_SHARE * (accuracyPercentRh / 2),
        newEachTimeRh: newEachTimeRh(accuracyPercentRh),
        floorPercentRh: error ? truePercent(floorPercentRh, error) : floorPercentRh,
      },
    ]
  })
  return displays.length === 0 ? {} : { displays }
}

type Lid = BoxRecord['lids'][number]
const isProved = (lid: Pick<Lid, 'proved'>): boolean => lid.proved !== undefined
/** From one end of 10–90 % to the other is widened to what nearly all would lie in. */
const WIDER = 1.5
const LEAST_LEAK_L_PER_H = 0.003
/** What a lid lets through: as its seal test found, else as its kind does. */
function leakOf({ lid, proved }: Pick<Lid, 'lid' | 'proved'>): LeakFacts {
  if (!proved) {
    const { lowLPerH, highLPerH } = LIDS[lid]
    return { lowLPerH, highLPerH }
  }
  const { lowLPerH, middleLPerH, highLPerH } = proved.result
  const low = Math.max(LEAST_LEAK_L_PER_H, middleLPerH - WIDER * (middleLPerH - lowLPerH))
  return { lowLPerH: low, highLPerH: Math.max(1.1 * low, middleLPerH + WIDER * (highLPerH - middleLPerH)) }
}

/** Lids it had within the time looked at, before the one it has now. */
function leaksBefore({ lids }: BoxRecord, startsMs: number, nowMs: number): Pick<BoxFacts, 'leaksBefore'> {
  const before = lids.slice(0, -1).flatMap((one, i) => {
    const untilMs = lids[i + 1]!.fromMs
    const { lowLPerH, highLPerH } = leakOf(one)
    return untilMs > startsMs && untilMs <= nowMs
      ? [{ lowLPerH, highLPerH, untilS: secondsFromMs(untilMs) }]
      : []
  })
  return before.length === 0 ? {} : { leaksBefore: before }
}

/** One stay of a charge in a box. What it brought from before is only as well known as its last heating. */
function chargeFacts(
  state: State,
  charge: ChargeRecord,
  index: number,
  boxId: string,
  room: Room,
  startsMs: number,
  nowMs: number,
): ChargeFacts {
  const stay = stayIn(charge.stays, boxId)[index]!
  const order = charge.stays.indexOf(stay)
  const endedBefore = charge.stays[order - 1]?.untilMs ?? null
  const heatedBefore = charge.heatings.some(
    heating => heating.atMs <= stay.fromMs && (endedBefore === null || heating.atMs >= endedBefore),
  )
  // what stood in the box before the run began is known by its last word only if that was lately
  const cutOff = stay.fromMs < startsMs
  const freshness: Freshness = cutOff
    ? 'unknown'
    : heatedBefore
      ? 'heated'
      : order === 0
        ? charge.freshness
        : 'unknown'
  return {
    id: charge.chargeId,
    name: charge.name,
    kind: charge.desiccant,
    dryMassG: charge.dryMassG,
    massKnowledge: charge.massKnown,
    holder: charge.holder,
    freshness: freshnessRange(freshness, charge.desiccant, roomAirAt(state, room, stay.fromMs)),
    inS: secondsFromMs(Math.max(stay.fromMs, startsMs)),
    outS: stay.untilMs === null ? null : secondsFromMs(stay.untilMs),
    cycles: cyclesOf(charge, nowMs),
    heatings: charge.heatings
      .filter(heating => heating.atMs > Math.max(stay.fromMs, startsMs) && isDuring(stay, heating.atMs))
      .map(heating => heatingFacts(state, charge, heating)),
    weighings: charge.weighings
      .filter(weighing => isDuring(stay, weighing.atMs) && weighing.atMs >= startsMs)
      .map(weighing => ({
        atS: secondsFromMs(weighing.atMs),
        waterG: weighedWaterG(charge.dryMassG, weighing),
        sigmaG: scaleSigmaG(weighing),
      })),
    // the last look only: the same beads seen week after week are not so many witnesses
    looks: colourFacts(charge)
      .filter(look => isDuring(stay, msFromSeconds(look.atS)) && msFromSeconds(look.atS) >= startsMs)
      .slice(-1),
  }
}

function spoolFacts(
  state: State,
  spool: SpoolRecord,
  box: BoxView['box'],
  startsMs: number,
  startAir: RoomAir,
): SpoolFacts[] {
  const material = state.materials[spool.material]
  return stayIn(spool.stays, box.boxId)
    .flatMap(stay => outOfDryers(spool, stay))
    .map(stay => {
      const inMs = Math.max(stay.fromMs, startsMs)
      // what stood in the box long before the run began is anything between dry and the room
      const cutOff = stay.fromMs < startsMs - DAY_MS
      const wetness: Wetness = cutOff ? 'unknown' : spool.wetness
      const past = cutOff ? [] : spoolPast(state, spool, spool.madeMs, stay.fromMs, box.roomId)
      const room = state.rooms.get(box.roomId)
      const toldAir = room ? roomAirAt(state, room, spool.madeMs) : startAir
      return {
        id: spool.spoolId,
        name: spool.name,
        material,
        filamentG: spool.filamentG,
        emptyG: spool.emptyG,
        cardboardG: spool.cardboardG,
        ...(spool.strandMm ? { strandMm: spool.strandMm } : {}),
        size: spoolSizeOf(spool),
        wetness: {
          told: wetnessTold(wetness, cutOff ? startAir : toldAir),
          group: `${wetness}${inMs === startsMs ? '' : ', later'}`,
          past,
        },
        inS: secondsFromMs(inMs),
        outS: stay.untilMs === null ? null : secondsFromMs(stay.untilMs),
      }
    })
}

/** A stay without the hours it was in a dryer, whether or not anybody said that it came out for it. */
function outOfDryers(spool: SpoolRecord, stay: Stay): Stay[] {
  const legs = spoolLegs(spool, stay.fromMs, stay.untilMs ?? Infinity)
  return legs
    .filter(leg => leg.is === 'box')
    .map(({ fromMs, untilMs }) => ({ ...stay, fromMs, untilMs: untilMs === Infinity ? null : untilMs }))
}
