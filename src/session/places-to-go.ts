import type { Whereabouts } from '#records/kinds/spool.ts'
import type { ChargeRecord, SpoolRecord, State } from '#journal/state.ts'
import { inShelfOrder } from '#journal/shelf-order.ts'

/** Something that can be moved. */
export type Movable =
  | { readonly kind: 'spool'; readonly spool: SpoolRecord }
  | { readonly kind: 'charge'; readonly charge: ChargeRecord }

/** A place to move to, as one string: a box by its id, or a place that is none. */
export type PlaceKey = `box:${string}` | 'printer' | 'open' | 'bag' | 'used up' | 'put away' | 'retired'

export interface PlaceToGo {
  readonly key: PlaceKey
  readonly name: string
  /** The key pressed for it. */
  readonly hotkey: string
}

export const idOf = (thing: Movable): string =>
  thing.kind === 'spool' ? thing.spool.spoolId : thing.charge.chargeId
export const nameOf = (thing: Movable): string =>
  thing.kind === 'spool' ? thing.spool.name : thing.charge.name
/** The box it is in; null where it is in none. */
export const boxOf = (thing: Movable): string | null =>
  thing.kind === 'charge'
    ? thing.charge.boxId
    : thing.spool.where.at === 'box'
      ? thing.spool.where.boxId
      : null

export function movables(state: State): Movable[] {
  return [
    ...[...state.spools.values()]
      .filter(spool => spool.where.at !== 'used up')
      .map((spool): Movable => ({ kind: 'spool', spool })),
    ...[...state.charges.values()]
      .filter(charge => charge.retiredMs === null)
      .map((charge): Movable => ({ kind: 'charge', charge })),
  ]
}

/** Where it is now, in words. */
export function whereText(state: State, thing: Movable): string {
  const boxId = boxOf(thing)
  if (boxId !== null) return state.boxes.get(boxId)?.name ?? 'a box'
  if (thing.kind === 'charge') return 'put away'
  return { printer: 'on the printer', open: 'in the open', bag: 'in a bag', 'used up': 'used up', box: '' }[
    thing.spool.where.at
  ]
}

const KEYS = '123456789acdefghijklmnqrstuvwxyz'

/** Every place it could go from where it is: boxes in shelf order, then the rest. */
export function placesToGo(state: State, thing: Movable): PlaceToGo[] {
  const from = boxOf(thing)
  // a box keeps its key wherever the thing is: the second on the shelf is always 2
  const boxes = inShelfOrder(state)
    .map((box, i): PlaceToGo => ({ key: `box:${box.boxId}`, name: box.name, hotkey: KEYS[i] ?? '' }))
    .filter(({ key }) => key !== `box:${from}`)
  const others: PlaceToGo[] =
    thing.kind === 'spool'
      ? [
          { key: 'printer', name: 'the printer', hotkey: 'p' },
          { key: 'open', name: 'the open room', hotkey: 'o' },
          { key: 'bag', name: 'a bag of its own', hotkey: 'b' },
          { key: 'used up', name: 'used up', hotkey: '0' },
        ]
      : [
          { key: 'put away', name: 'put away, sealed', hotkey: 'o' },
          { key: 'retired', name: 'worn out, thrown away', hotkey: '0' },
        ]
  const now = thing.kind === 'spool' ? thing.spool.where.at : from === null ? 'put away' : ''
  return [...boxes, ...others.filter(place => place.key !== now)]
}

export const whereabouts = (key: PlaceKey): Whereabouts =>
  key.startsWith('box:')
    ? { at: 'box', boxId: key.slice(4) }
    : { at: key as Exclude<Whereabouts['at'], 'box'> }
