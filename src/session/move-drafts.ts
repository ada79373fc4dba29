import type { Draft } from '#records/act.ts'
import { boxOf, idOf, nameOf, whereabouts, type Movable, type PlaceKey } from './places-to-go.ts'

/** A scale's word on something that goes out or comes in. */
export interface Weight {
  readonly thing: Movable
  readonly grossG: number
  /** Holder or empty spool. */
  readonly tareG: number
}

export interface Move {
  readonly thing: Movable
  readonly to: PlaceKey
  /** What takes its place in the box it leaves. */
  readonly instead: Movable | null
  readonly weights: readonly Weight[]
  readonly atMs: number
}

/** One act, however much of it there is: out, in, and what the scale said. @param scaleErrorG the scale's step */
export function moveDrafts({ thing, to, instead, weights, atMs }: Move, scaleErrorG: number): Draft[] {
  const from = boxOf(thing)
  // weighed where it was: before it goes out, after it came in
  const weighed = (item: Movable) =>
    weights
      .filter(weight => idOf(weight.thing) === idOf(item))
      .flatMap(weight => weighing(weight, atMs, scaleErrorG))
  const drafts: Draft[] = [...weighed(thing)]
  const boxId = to.startsWith('box:') ? to.slice(4) : null
  if (thing.kind === 'charge' && instead?.kind === 'charge' && from !== null) {
    drafts.push({
      kind: 'charge.replaced',
      atMs,
      payload: { boxId: from, outChargeId: thing.charge.chargeId, inChargeId: instead.charge.chargeId },
    })
    if (to !== 'put away') drafts.push(...chargeGoes(thing.charge.chargeId, to, boxId, atMs))
  } else {
    if (thing.kind === 'charge') drafts.push(...chargeGoes(thing.charge.chargeId, to, boxId, atMs))
    else
      drafts.push({
        kind: 'spool.moved',
        atMs,
        payload: { spoolId: thing.spool.spoolId, where: whereabouts(to) },
      })
    if (instead && from !== null) drafts.push(comesIn(instead, from, atMs))
  }
  if (instead) drafts.push(...weighed(instead))
  return drafts
}

const chargeGoes = (chargeId: string, to: PlaceKey, boxId: string | null, atMs: number): Draft[] =>
  to === 'retired'
    ? [{ kind: 'charge.retired', atMs, payload: { chargeId } }]
    : [{ kind: 'charge.moved', atMs, payload: { chargeId, boxId } }]

const comesIn = (thing: Movable, boxId: string, atMs: number): Draft =>
  thing.kind === 'charge'
    ? { kind: 'charge.moved', atMs, payload: { chargeId: thing.charge.chargeId, boxId } }
    : { kind: 'spool.moved', atMs, payload: { spoolId: thing.spool.spoolId, where: { at: 'box', boxId } } }

/** Beads are weighed with their water; of a spool the weight tells the filament that is left. */
const weighing = ({ thing, grossG, tareG }: Weight, atMs: number, scaleErrorG: number): Draft[] =>
  thing.kind === 'charge'
    ? [
        {
          kind: 'charge.weighed',
          atMs,
          payload: { chargeId: thing.charge.chargeId, grossG, tareG, scaleErrorG },
        },
      ]
    : [
        {
          kind: 'spool.changed',
          atMs,
          payload: { spoolId: thing.spool.spoolId, filamentG: grossG - tareG, filamentKnown: 'measured' },
        },
      ]

/** What the undo line says of it. */
export const moveWords = ({ thing, instead }: Move, placeName: string): string =>
  `${nameOf(thing)}: to ${placeName}${instead ? `, ${nameOf(instead)} in its place` : ''}`
