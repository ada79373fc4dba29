import type { Act } from '#records/act.ts'
import { boxEntries, retireRoom } from './fold-box.ts'
import { chargeEntries } from './fold-charge.ts'
import { dryingEntries } from './fold-drying.ts'
import { spoolEntries } from './fold-spool.ts'
import { sessionEntries } from './fold-session.ts'
import { ovenPlanEntries } from './fold-oven-plan.ts'
import { Contradicting } from './contradicting.ts'
import { correctionRings, inForce, type Placed } from './in-force.ts'
import type { Building, Problem } from './building.ts'
import { materialsWith } from './materials.ts'
import type { State } from './state.ts'
import { trueReadings } from './true-readings.ts'

/**
 * The whole journal folded into what is. Total: an entry applies or lands in `contradictions` with a reason and its
 * repairs; nothing throws, nothing is dropped. The order the acts come in does not matter.
 */
export const fold = (acts: readonly Act[]): State => foldPlaced(inForce(acts))

/** @param placed entries that stand, in order of when they happened */
export function foldPlaced(placed: readonly Placed[]): State {
  const state: Building = {
    rooms: new Map(),
    boxes: new Map(),
    charges: new Map(),
    spools: new Map(),
    dryingRuns: new Map(),
    instruments: new Map(),
    scales: new Map(),
    heatSources: new Map(),
    sessions: new Map(),
    plans: new Map(),
    ovenPlan: { days: {}, dayWishes: new Map(), boxWishes: new Map(), seen: null, plansSeen: [] },
    checks: [],
    warmings: [],
    readings: [],
    overrides: new Map(),
    schools: new Map(),
    contradictions: [],
    says: new Contradicting(placed),
  }
  for (const item of placed) {
    const problem = apply(state, item)
    if (problem) state.contradictions.push({ entryId: item.entry.id, ...problem })
  }
  for (const id of correctionRings(placed)) {
    const entry = placed.find(item => item.entry.id === id)!.entry
    state.contradictions.push({
      entryId: id,
      otherId: entry.corrects!,
      reason: 'Each of these says it puts the other right: both stand as they are.',
      repairs: [],
    })
  }
  state.readings.sort((a, b) => a.atMs - b.atMs || (a.id < b.id ? -1 : 1))
  const { says: _, ...rest } = state
  return { ...rest, readings: trueReadings(rest), materials: materialsWith(rest.overrides) }
}

function apply(state: Building, placed: Placed): Problem | null {
  const { entry, actId, atMs } = placed
  const { says } = state
  switch (entry.kind) {
    case 'room.made':
      return make(
        state,
        state.rooms,
        'room',
        entry.payload.roomId,
        { ...entry.payload, retiredMs: null },
        placed,
      )
    case 'room.changed':
      return change(state, state.rooms, 'room', entry.payload.roomId, entry.payload, placed)
    case 'box.made':
      if (!state.rooms.has(entry.payload.roomId)) return says.unknown('room', entry.payload.roomId, placed)
      return make(
        state,
        state.boxes,
        'box',
        entry.payload.boxId,
        {
          ...entry.payload,
          madeMs: atMs,
          openings: [],
          lids: [{ fromMs: atMs, lid: entry.payload.lid, lidKnown: entry.payload.lidKnown }],
          retiredMs: null,
          unread: null,
          proving: null,
        },
        placed,
      )
    case 'box.moved':
      return change(state, state.boxes, 'box', entry.payload.boxId, entry.payload, placed)
    case 'box.changed':
    case 'box.sealed':
    case 'box.unread':
    case 'box.sealTestBegun':
    case 'box.sealTested':
    case 'box.retired':
      return boxEntries(state, placed, entry)
    case 'room.retired':
      return retireRoom(state, placed, entry.payload.roomId)
    case 'instrument.retired':
      return change(
        state,
        state.instruments,
        'hygrometer',
        entry.payload.instrumentId,
        { boxId: null, retiredMs: atMs },
        placed,
      )
    case 'scale.made': {
      const made = { ...entry.payload, retiredMs: null }
      return make(state, state.scales, 'scale', made.scaleId, made, placed)
    }
    case 'scale.changed':
      return change(state, state.scales, 'scale', entry.payload.scaleId, entry.payload, placed)
    case 'scale.retired':
      return change(state, state.scales, 'scale', entry.payload.scaleId, { retiredMs: atMs }, placed)
    case 'heatSource.made': {
      const made = { ...entry.payload, measured: [], retiredMs: null }
      return make(state, state.heatSources, 'heat source', made.heatSourceId, made, placed)
    }
    case 'heatSource.changed':
      return change(
        state,
        state.heatSources,
        'heat source',
        entry.payload.heatSourceId,
        entry.payload,
        placed,
      )
    case 'heatSource.measured': {
      const { heatSourceId, ...found } = entry.payload
      const others = state.heatSources.get(heatSourceId)?.measured ?? []
      const measured = [...others.filter(one => one.dialC !== found.dialC), { ...found, atMs }]
      return change(state, state.heatSources, 'heat source', heatSourceId, { measured }, placed)
    }
    case 'heatSource.retired':
      return change(
        state,
        state.heatSources,
        'heat source',
        entry.payload.heatSourceId,
        { retiredMs: atMs },
        placed,
      )
    case 'session.begun':
    case 'session.stepped':
    case 'session.weighed':
    case 'session.ended':
      return sessionEntries(state, placed, entry)
    case 'ovenDays.told':
    case 'ovenDays.wished':
    case 'renewal.wished':
    case 'ovenPlan.seen':
      return ovenPlanEntries(state, placed, entry)
    case 'plan.made': {
      const made = { ...entry.payload, madeMs: atMs, retiredMs: null }
      return make(state, state.plans, 'plan', made.planId, made, placed)
    }
    case 'plan.changed':
      return change(state, state.plans, 'plan', entry.payload.planId, entry.payload, placed)
    case 'plan.retired':
      return change(state, state.plans, 'plan', entry.payload.planId, { retiredMs: atMs }, placed)
    case 'box.opened': {
      const box = state.boxes.get(entry.payload.boxId)
      if (!box) return says.unknown('box', entry.payload.boxId, placed)
      box.openings.push({ atMs, openSeconds: entry.payload.openSeconds })
      return null
    }
    case 'charge.made':
    case 'charge.changed':
    case 'charge.moved':
    case 'charge.replaced':
    case 'charge.weighed':
    case 'charge.heated':
    case 'charge.looked':
    case 'charge.retired':
      return chargeEntries(state, placed, entry)
    case 'spool.made':
    case 'spool.changed':
    case 'spool.moved':
    case 'spool.dried':
    case 'spool.weighed':
    case 'spool.printed':
    case 'spool.checked':
    case 'spool.piece':
      return spoolEntries(state, placed, entry)
    case 'chamber.warmed': {
      const { spoolId, heatSourceId } = entry.payload
      if (spoolId !== null && !state.spools.has(spoolId)) return says.unknown('spool', spoolId, placed)
      if (heatSourceId !== null && !state.heatSources.has(heatSourceId))
        return says.unknown('heat source', heatSourceId, placed)
      state.warmings.push({ ...entry.payload, id: entry.id, atMs })
      return null
    }
    case 'drying.begun':
    case 'drying.weighed':
    case 'drying.heat':
    case 'drying.ended':
      return dryingEntries(state, placed, entry)
    case 'instrument.made':
      return make(
        state,
        state.instruments,
        'hygrometer',
        entry.payload.instrumentId,
        { ...entry.payload, madeMs: atMs, cellMs: null, retiredMs: null },
        placed,
      )
    case 'instrument.checked': {
      const unknown = entry.payload.shown.find(one => !state.instruments.has(one.instrumentId))
      if (unknown) return says.unknown('hygrometer', unknown.instrumentId, placed)
      state.checks.push({ ...entry.payload, id: entry.id, atMs })
      return null
    }
    case 'instrument.cell':
      return change(
        state,
        state.instruments,
        'hygrometer',
        entry.payload.instrumentId,
        { cellMs: atMs },
        placed,
      )
    case 'instrument.changed':
    case 'instrument.moved':
      return change(state, state.instruments, 'hygrometer', entry.payload.instrumentId, entry.payload, placed)
    case 'value.overridden': {
      const { material, field, value } = entry.payload
      const { [field]: _, ...others } = state.overrides.get(material) ?? {}
      const next = value === null ? others : { ...others, [field]: value }
      if (Object.keys(next).length > 0) state.overrides.set(material, next)
      else state.overrides.delete(material)
      return null
    }
    case 'school.kept': {
      const { material, spoolId, school } = entry.payload
      if (spoolId !== null && !state.spools.has(spoolId)) return says.unknown('spool', spoolId, placed)
      if (school === null) state.schools.delete(spoolId ?? material)
      else state.schools.set(spoolId ?? material, school)
      return null
    }
    case 'reading.taken': {
      const { place, instrumentId } = entry.payload
      if (!state.instruments.has(instrumentId)) return says.unknown('hygrometer', instrumentId, placed)
      const known = place.in === 'box' ? state.boxes.has(place.boxId) : state.rooms.has(place.roomId)
      if (!known) return says.unknown(place.in, place.in === 'box' ? place.boxId : place.roomId, placed)
      state.readings.push({ ...entry.payload, id: entry.id, actId, atMs })
      return null
    }
  }
}

type Kind = Parameters<Contradicting['unknown']>[0]

function make<T>(
  state: Building,
  map: Map<string, T>,
  kind: Kind,
  id: string,
  value: T,
  placed: Placed,
): Problem | null {
  if (map.has(id)) return state.says.twice(kind, id, placed)
  map.set(id, value)
  return null
}

function change<T extends object>(
  state: Building,
  map: Map<string, T>,
  kind: Kind,
  id: string,
  part: object,
  placed: Placed,
): Problem | null {
  const before = map.get(id)
  if (!before) return state.says.unknown(kind, id, placed)
  map.set(id, { ...before, ...part })
  return null
}
