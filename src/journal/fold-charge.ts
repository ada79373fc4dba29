import type { Building, Problem } from './building.ts'
import type { Entry } from '#records/entry.ts'
import { noWayInto } from './fold-box.ts'
import { endStay } from './stays.ts'
import type { Placed } from './in-force.ts'
import type { ChargeRecord } from './state.ts'

type ChargeEntry = Extract<Entry, { kind: `charge.${string}` }>

/** Beads a scale finds this much lighter than dry are not the beads that were told. */
const LIGHTER_THAN_DRY = 0.9

/** Entries about a charge of beads. */
export function chargeEntries(state: Building, placed: Placed, entry: ChargeEntry): Problem | null {
  const { says, charges } = state
  if (entry.kind === 'charge.made') {
    const { boxId, chargeId } = entry.payload
    const noWay = boxId === null ? null : noWayInto(state, boxId, placed)
    if (noWay) return noWay
    if (charges.has(chargeId)) return says.twice('charge', chargeId, placed)
    charges.set(chargeId, {
      ...entry.payload,
      madeMs: placed.atMs,
      stays: boxId === null ? [] : [{ boxId, fromMs: placed.atMs, untilMs: null }],
      heatings: [],
      weighings: [],
      looks: [],
      retiredMs: null,
    })
    return null
  }
  if (entry.kind === 'charge.replaced') {
    const { boxId, outChargeId, inChargeId } = entry.payload
    const incoming = charges.get(inChargeId)
    if (!incoming) return says.unknown('charge', inChargeId, placed)
    if (!charges.has(outChargeId)) return says.unknown('charge', outChargeId, placed)
    if (charges.get(outChargeId)!.boxId !== boxId) return says.elsewhere(outChargeId, boxId, placed)
    if (incoming.retiredMs !== null) return retired(state, inChargeId, placed)
    return move(state, outChargeId, null, placed) ?? move(state, inChargeId, boxId, placed)
  }
  const charge = charges.get(entry.payload.chargeId)
  if (!charge) return says.unknown('charge', entry.payload.chargeId, placed)
  if (charge.retiredMs !== null) return retired(state, charge.chargeId, placed)
  return onCharge(state, placed, entry, charge)
}

const retired = (state: Building, chargeId: string, placed: Placed): Problem =>
  state.says.ended('These beads were retired before.', chargeId, placed)

function onCharge(
  state: Building,
  placed: Placed,
  entry: Exclude<ChargeEntry, { kind: 'charge.made' | 'charge.replaced' }>,
  charge: ChargeRecord,
): Problem | null {
  const { atMs } = placed
  switch (entry.kind) {
    case 'charge.changed':
      state.charges.set(charge.chargeId, { ...charge, ...entry.payload } as ChargeRecord)
      return null
    case 'charge.moved':
      return move(state, charge.chargeId, entry.payload.boxId, placed)
    case 'charge.weighed': {
      const { grossG, tareG, scaleErrorG } = entry.payload
      // what was only assumed is put right by the scale, not the other way round
      if (
        charge.massKnown !== 'assumed' &&
        grossG - tareG < LIGHTER_THAN_DRY * charge.dryMassG - 2 * scaleErrorG
      )
        return state.says.tooLight(charge.chargeId, placed)
      charge.weighings.push({ id: entry.id, atMs, grossG, tareG, scaleErrorG })
      return null
    }
    case 'charge.heated': {
      const { temperatureC, hours, oven, roomId, heatSourceId = null } = entry.payload
      if (roomId !== null && !state.rooms.has(roomId)) return state.says.unknown('room', roomId, placed)
      charge.heatings.push({ id: entry.id, atMs, temperatureC, hours, oven, roomId, heatSourceId })
      return null
    }
    case 'charge.looked':
      charge.looks.push({ id: entry.id, atMs, colour: entry.payload.colour })
      return null
    case 'charge.retired':
      endStay(charge.stays, atMs)
      state.charges.set(charge.chargeId, { ...charge, boxId: null, retiredMs: atMs })
      state.says.remember(charge.chargeId, placed)
      return null
  }
}

function move(state: Building, chargeId: string, boxId: string | null, placed: Placed): Problem | null {
  const charge = state.charges.get(chargeId)!
  const noWay = boxId === null ? null : noWayInto(state, boxId, placed)
  if (noWay) return noWay
  endStay(charge.stays, placed.atMs)
  if (boxId !== null) charge.stays.push({ boxId, fromMs: placed.atMs, untilMs: null })
  state.charges.set(chargeId, { ...charge, boxId })
  state.says.remember(chargeId, placed)
  return null
}
