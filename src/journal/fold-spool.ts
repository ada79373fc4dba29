import type { Entry } from '#records/entry.ts'
import type { Whereabouts } from '#records/kinds/spool.ts'
import type { Building, Problem } from './building.ts'
import { endRunOf } from './fold-drying.ts'
import { noWayInto } from './fold-box.ts'
import type { Placed } from './in-force.ts'
import { endStay } from './stays.ts'
import type { SpoolRecord } from './state.ts'

type SpoolEntry = Extract<Entry, { kind: `spool.${string}` }>

/** Entries about a spool. */
export function spoolEntries(state: Building, placed: Placed, entry: SpoolEntry): Problem | null {
  const { says, spools } = state
  const { atMs } = placed
  if (entry.kind === 'spool.made') {
    const { where, spoolId, filamentG } = entry.payload
    const noWay = where.at === 'box' ? noWayInto(state, where.boxId, placed) : null
    if (noWay) return noWay
    if (spools.has(spoolId)) return says.twice('spool', spoolId, placed)
    spools.set(spoolId, {
      ...entry.payload,
      madeMs: atMs,
      stays: where.at === 'box' ? [{ boxId: where.boxId, fromMs: atMs, untilMs: null }] : [],
      whereabouts: [{ where, fromMs: atMs, untilMs: null }],
      dryings: [],
      checks: [],
      pieces: [],
      amounts: [{ id: entry.id, atMs, is: 'told', grams: filamentG }],
    })
    return null
  }
  const spool = spools.get(entry.payload.spoolId)
  if (!spool) return says.unknown('spool', entry.payload.spoolId, placed)
  return onSpool(state, placed, entry, spool)
}

function onSpool(
  state: Building,
  placed: Placed,
  entry: Exclude<SpoolEntry, { kind: 'spool.made' }>,
  spool: SpoolRecord,
): Problem | null {
  const { atMs } = placed
  const { spoolId } = spool
  switch (entry.kind) {
    case 'spool.changed': {
      const { filamentG } = entry.payload
      if (filamentG !== undefined) spool.amounts.push({ id: entry.id, atMs, is: 'told', grams: filamentG })
      state.spools.set(spoolId, { ...spool, ...entry.payload } as SpoolRecord)
      return null
    }
    case 'spool.moved':
      return move(state, placed, spool, entry.payload.where)
    case 'spool.dried': {
      const { spoolId: _, ...drying } = entry.payload
      if (drying.roomId !== null && !state.rooms.has(drying.roomId))
        return state.says.unknown('room', drying.roomId, placed)
      spool.dryings.push({ ...drying, id: entry.id, atMs })
      return null
    }
    case 'spool.weighed': {
      const grams = Math.max(0, entry.payload.grossG - spool.emptyG)
      spool.amounts.push({ id: entry.id, atMs, is: 'weighed', grams })
      state.spools.set(spoolId, { ...spool, filamentG: grams, filamentKnown: 'measured' })
      return null
    }
    case 'spool.checked': {
      const { spoolId: _, ...check } = entry.payload
      spool.checks.push({ ...check, id: entry.id, atMs })
      return null
    }
    case 'spool.piece': {
      const { spoolId: _, ...piece } = entry.payload
      spool.pieces.push({ ...piece, id: entry.id, atMs })
      return null
    }
    case 'spool.printed': {
      const { grams } = entry.payload
      spool.amounts.push({ id: entry.id, atMs, is: 'printed', grams })
      state.spools.set(spoolId, { ...spool, filamentG: Math.max(0, spool.filamentG - grams) })
      return null
    }
  }
}

function move(state: Building, placed: Placed, spool: SpoolRecord, where: Whereabouts): Problem | null {
  const { spoolId } = spool
  const noWay = where.at === 'box' ? noWayInto(state, where.boxId, placed) : null
  if (noWay) return noWay
  if (spool.where.at === 'used up') return state.says.ended('This spool was used up before.', spoolId, placed)
  endRunOf(state, spoolId, placed.entry.id, placed.atMs)
  endStay(spool.stays, placed.atMs)
  endStay(spool.whereabouts, placed.atMs)
  spool.whereabouts.push({ where, fromMs: placed.atMs, untilMs: null })
  if (where.at === 'box') spool.stays.push({ boxId: where.boxId, fromMs: placed.atMs, untilMs: null })
  state.spools.set(spoolId, { ...spool, where })
  state.says.remember(spoolId, placed)
  return null
}
