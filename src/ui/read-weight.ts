import * as v from 'valibot'
import { ENTRY_KINDS } from '#records/entry.ts'
import { bounds } from '#records/fields.ts'
import type { Measure } from './measures.ts'
import type { Weight } from '#session/move-drafts.ts'
import type { Movable } from '#session/places-to-go.ts'

export interface WeightText {
  readonly gross: string
  readonly tare: string
}

export const NOT_WEIGHED: WeightText = { gross: '', tare: '' }

/** Beads hold no more than this of their own dry weight; brine goes on taking up. */
export const MOST_LOADING = 0.6
const MOST_BRINE = 8
/** Lighter than dry by this much, and the scale or the word is wrong. */
export const LIGHTER_THAN_DRY = 0.97

/** What a scale showed, checked; the message names the field and the remedy. */
export function readWeight(
  thing: Movable,
  text: WeightText,
  unit: Measure<number>,
): { ok: true; weight: Weight } | { ok: false; message: string } {
  const grossG = unit.parse(text.gross)
  const usualTareG = thing.kind === 'spool' ? thing.spool.emptyG : (thing.charge.tareG ?? 0)
  const tareG = text.tare.trim() === '' ? usualTareG : unit.parse(text.tare)
  const of = thing.kind === 'spool' ? thing.spool.name : thing.charge.name
  if (!v.is(ENTRY_KINDS['charge.weighed'].entries.grossG, grossG))
    return {
      ok: false,
      message: `${of} weighs from ${unit.field(1)} to ${unit.field(10_000)} ${unit.unit}: type what the scale shows.`,
    }
  if (!v.is(ENTRY_KINDS['charge.weighed'].entries.tareG, tareG))
    return {
      ok: false,
      message: `What ${of} is in weighs from 0 to ${unit.field(5000)} ${unit.unit}: type 0 if it was weighed alone.`,
    }
  const netG = grossG - tareG
  if (thing.kind === 'spool') {
    const { min, max } = bounds.filamentG
    return netG >= min && netG <= max
      ? { ok: true, weight: { thing, grossG, tareG } }
      : {
          ok: false,
          message: `${of}: less the empty spool that leaves ${unit.text(netG)} of filament. Check both weights.`,
        }
  }
  const { dryMassG } = thing.charge
  if (netG < dryMassG * LIGHTER_THAN_DRY)
    return {
      ok: false,
      message: `${of}: less than the ${unit.text(dryMassG)} of dry beads that were told. Check the holder’s weight, or how many beads there are.`,
    }
  const most = thing.charge.desiccant === 'calcium-chloride' ? MOST_BRINE : MOST_LOADING
  if (netG > dryMassG * (1 + most))
    return {
      ok: false,
      message: `${of}: more water than beads can hold. Check the holder’s weight, or how many beads there are.`,
    }
  return { ok: true, weight: { thing, grossG, tareG } }
}
