import type { State } from '#journal/state.ts'
import type { Move, Weight } from '#session/move-drafts.ts'
import {
  idOf,
  movables,
  placesToGo,
  type Movable,
  type PlaceKey,
  type PlaceToGo,
} from '#session/places-to-go.ts'
import type { Checked } from '#ui/checked-form.ts'
import type { Measure } from '#ui/measures.ts'
import { readWeight, type WeightText } from '#ui/read-weight.ts'
import { timeError } from '#ui/when-field.tsx'

export interface MoveForm {
  readonly id: string
  readonly to: PlaceKey | null
  /** What goes in for it; empty: nothing. */
  readonly insteadId: string
  readonly out: WeightText
  readonly into: WeightText
  readonly when: number
}

/** A move, with the place it goes to. */
export type MoveToKeep = Move & { readonly place: PlaceToGo }

/** A move as it will be written; messages stand at their field. */
export function checkMove(
  form: MoveForm,
  state: State,
  unit: Measure<number>,
  nowMs: number,
): Checked<MoveForm, MoveToKeep> {
  const all = movables(state)
  const thing = all.find(item => idOf(item) === form.id)!
  const instead = all.find(item => idOf(item) === form.insteadId) ?? null
  const place = placesToGo(state, thing).find(item => item.key === form.to)
  const refused = (errors: Partial<Record<keyof MoveForm, string>>) => ({ ok: false, errors }) as const
  if (!place) return refused({ to: 'Pick where it goes: press its key, or touch it.' })
  const when = timeError(form.when, nowMs, madeMsOf(thing))
  if (when) return refused({ when })
  const weights: Weight[] = []
  for (const [field, item] of [
    ['out', thing],
    ['into', instead],
  ] as const) {
    if (!item || form[field].gross.trim() === '') continue
    const read = readWeight(item, form[field], unit)
    if (!read.ok) return refused({ [field]: read.message })
    weights.push(read.weight)
  }
  const kept = { thing, to: place.key, place, instead, weights, atMs: form.when }
  return { ok: true, kept }
}

const madeMsOf = (thing: Movable): number =>
  thing.kind === 'spool' ? thing.spool.madeMs : thing.charge.madeMs
