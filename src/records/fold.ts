import type { Act } from './act.ts'
import type { Entry, Payload } from './entry.ts'
import type { Instrument } from './kinds/instrument.ts'
import type { Room } from './kinds/room.ts'
import type {
  BoxRecord,
  ChargeRecord,
  Contradicted,
  ReadingRecord,
  SpoolRecord,
  State,
  Stay,
} from './state.ts'

interface Building {
  rooms: Map<string, Room>
  boxes: Map<string, BoxRecord>
  charges: Map<string, ChargeRecord>
  spools: Map<string, SpoolRecord>
  instruments: Map<string, Instrument>
  readings: ReadingRecord[]
  contradictions: Contradicted[]
}

interface Placed {
  readonly entry: Entry
  readonly actId: string
  readonly writtenAt: string
  readonly order: number
  /** When it happened, by its own word; a correction may move it. */
  readonly atMs: number
}

/**
 * The whole journal folded into what is. Total: an entry applies or lands in `contradictions` with a reason and its
 * repairs; nothing throws, nothing is dropped. The order the acts come in does not matter.
 */
export function fold(acts: readonly Act[]): State {
  const state: Building = {
    rooms: new Map(),
    boxes: new Map(),
    charges: new Map(),
    spools: new Map(),
    instruments: new Map(),
    readings: [],
    contradictions: [],
  }
  for (const placed of inForce(acts)) {
    const problem = apply(state, placed)
    if (problem) state.contradictions.push({ entryId: placed.entry.id, ...problem })
  }
  state.readings.sort((a, b) => a.atMs - b.atMs || (a.id < b.id ? -1 : 1))
  return state
}

/** The acts in order of writing, the withdrawn ones and the withdrawals left out; a withdrawal can be withdrawn. */
export function standingActs(acts: readonly Act[]): Act[] {
  const ordered = [...acts].sort((a, b) => compare(a.writtenAt, b.writtenAt) || compare(a.id, b.id))
  const withdrawn = new Set<string>()
  // the latest first: only a withdrawal that itself stands takes anything back
  for (const act of [...ordered].reverse())
    if (act.withdraws !== undefined && !withdrawn.has(act.id)) withdrawn.add(act.withdraws)
  return ordered.filter(act => !withdrawn.has(act.id) && act.withdraws === undefined)
}

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0)

/** Entries that stand, corrections in place of what they correct, in order of when they happened. */
function inForce(acts: readonly Act[]): Placed[] {
  const all: Placed[] = standingActs(acts).flatMap(act =>
    act.entries.map((entry, order) => ({
      entry,
      actId: act.id,
      writtenAt: act.writtenAt,
      order,
      atMs: Date.parse(entry.at),
    })),
  )
  // the latest written correction wins: it is written last into the map
  const corrected = new Map<string, string>()
  for (const { entry } of all) if (entry.corrects !== undefined) corrected.set(entry.corrects, entry.id)
  return all
    .filter(
      ({ entry }) =>
        !corrected.has(entry.id) &&
        (entry.corrects === undefined || corrected.get(entry.corrects) === entry.id),
    )
    .sort(
      (a, b) =>
        a.atMs - b.atMs ||
        compare(a.writtenAt, b.writtenAt) ||
        a.order - b.order ||
        compare(a.entry.id, b.entry.id),
    )
}

type Problem = { reason: string; repairs: string[] }
const REMOVE = 'withdraw this entry'
const unknown = (what: string): Problem => ({
  reason: `It names a ${what} that had not been entered by then.`,
  repairs: [`enter the ${what} with an earlier date`, REMOVE],
})
const twice = (what: string): Problem => ({
  reason: `This ${what} was already entered.`,
  repairs: [REMOVE, `withdraw the other entry of the ${what}`],
})

function apply(state: Building, { entry, actId, atMs }: Placed): Problem | null {
  switch (entry.kind) {
    case 'room.made':
      return make(state.rooms, entry.payload.roomId, entry.payload, 'room')
    case 'room.changed':
      return change(state.rooms, entry.payload.roomId, entry.payload, 'room')
    case 'box.made':
      if (!state.rooms.has(entry.payload.roomId)) return unknown('room')
      return make(state.boxes, entry.payload.boxId, { ...entry.payload, madeMs: atMs, openings: [] }, 'box')
    case 'box.changed':
    case 'box.moved':
      return change(state.boxes, entry.payload.boxId, entry.payload, 'box')
    case 'box.opened': {
      const box = state.boxes.get(entry.payload.boxId)
      if (!box) return unknown('box')
      box.openings.push({ atMs, openSeconds: entry.payload.openSeconds })
      return null
    }
    case 'charge.made': {
      const { boxId } = entry.payload
      if (boxId !== null && !state.boxes.has(boxId)) return unknown('box')
      return make(
        state.charges,
        entry.payload.chargeId,
        {
          ...entry.payload,
          madeMs: atMs,
          stays: boxId === null ? [] : [{ boxId, fromMs: atMs, untilMs: null }],
          heatings: [],
          weighings: [],
        },
        'charge',
      )
    }
    case 'charge.changed':
      return change(state.charges, entry.payload.chargeId, entry.payload, 'charge')
    case 'charge.moved':
      return moveCharge(state, entry.payload.chargeId, entry.payload.boxId, atMs)
    case 'charge.replaced': {
      const { boxId, outChargeId, inChargeId } = entry.payload
      if (!state.charges.has(inChargeId)) return unknown('charge')
      if (state.charges.get(outChargeId)?.boxId !== boxId)
        return {
          reason: 'The charge that came out was not in this box then.',
          repairs: ['enter its move into the box', REMOVE],
        }
      return moveCharge(state, outChargeId, null, atMs) ?? moveCharge(state, inChargeId, boxId, atMs)
    }
    case 'charge.weighed': {
      const charge = state.charges.get(entry.payload.chargeId)
      if (!charge) return unknown('charge')
      charge.weighings.push({
        id: entry.id,
        atMs,
        grossG: entry.payload.grossG,
        tareG: entry.payload.tareG,
        scaleErrorG: entry.payload.scaleErrorG,
      })
      return null
    }
    case 'charge.heated': {
      const charge = state.charges.get(entry.payload.chargeId)
      if (!charge) return unknown('charge')
      charge.heatings.push({ atMs, temperatureC: entry.payload.temperatureC, hours: entry.payload.hours })
      return null
    }
    case 'spool.made': {
      const { where } = entry.payload
      if (where.at === 'box' && !state.boxes.has(where.boxId)) return unknown('box')
      const stays: Stay[] = where.at === 'box' ? [{ boxId: where.boxId, fromMs: atMs, untilMs: null }] : []
      return make(state.spools, entry.payload.spoolId, { ...entry.payload, madeMs: atMs, stays }, 'spool')
    }
    case 'spool.changed':
      return change(state.spools, entry.payload.spoolId, entry.payload, 'spool')
    case 'spool.moved':
      return moveSpool(state, entry.payload, atMs)
    case 'instrument.made':
      return make(state.instruments, entry.payload.instrumentId, entry.payload, 'hygrometer')
    case 'instrument.changed':
    case 'instrument.moved':
      return change(state.instruments, entry.payload.instrumentId, entry.payload, 'hygrometer')
    case 'reading.taken': {
      const { place, instrumentId } = entry.payload
      if (!state.instruments.has(instrumentId)) return unknown('hygrometer')
      if (place.in === 'box' ? !state.boxes.has(place.boxId) : !state.rooms.has(place.roomId))
        return unknown(place.in)
      state.readings.push({ ...entry.payload, id: entry.id, actId, atMs })
      return null
    }
  }
}

function make<T>(map: Map<string, T>, id: string, value: T, what: string): Problem | null {
  if (map.has(id)) return twice(what)
  map.set(id, value)
  return null
}

function change<T extends object>(
  map: Map<string, T>,
  id: string,
  part: object,
  what: string,
): Problem | null {
  const before = map.get(id)
  if (!before) return unknown(what)
  map.set(id, { ...before, ...part })
  return null
}

/** Ends the stay that is open and begins the next; moves name only where to, so nothing can be in two places. */
function endStay(stays: Stay[], atMs: number): void {
  const last = stays.at(-1)
  if (last && last.untilMs === null) last.untilMs = atMs
}

function moveCharge(state: Building, chargeId: string, boxId: string | null, atMs: number): Problem | null {
  const charge = state.charges.get(chargeId)
  if (!charge) return unknown('charge')
  if (boxId !== null && !state.boxes.has(boxId)) return unknown('box')
  endStay(charge.stays, atMs)
  if (boxId !== null) charge.stays.push({ boxId, fromMs: atMs, untilMs: null })
  state.charges.set(chargeId, { ...charge, boxId })
  return null
}

function moveSpool(
  state: Building,
  { spoolId, where }: Payload<'spool.moved'>,
  atMs: number,
): Problem | null {
  const spool = state.spools.get(spoolId)
  if (!spool) return unknown('spool')
  if (where.at === 'box' && !state.boxes.has(where.boxId)) return unknown('box')
  endStay(spool.stays, atMs)
  if (where.at === 'box') spool.stays.push({ boxId: where.boxId, fromMs: atMs, untilMs: null })
  state.spools.set(spoolId, { ...spool, where })
  return null
}
