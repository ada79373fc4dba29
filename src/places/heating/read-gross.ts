import { LIGHTER_THAN_DRY, MOST_LOADING } from '#ui/read-weight.ts'
import type { Measure } from '#ui/measures.ts'

const MOST_G = 10_000

/** A weight at the oven, holder and all; the message names what is wrong and what to do. */
export function readGross(
  text: string,
  of: {
    readonly name: string
    readonly dryMassG: number
    /** Their number was told or weighed: lighter than dry is a mistake then, else only news. */
    readonly massIsKnown: boolean
    readonly tareG: number
    /** What it weighed before; null: it was not weighed. */
    readonly beforeG: number | null
    readonly scaleStepG: number
  },
  weight: Measure<number>,
): { readonly ok: true; readonly grossG: number } | { readonly ok: false; readonly message: string } {
  const grossG = weight.parse(text)
  const wrong = (message: string) => ({ ok: false, message }) as const
  if (!(grossG >= 1 && grossG <= MOST_G))
    return wrong(
      `${of.name} weighs from ${weight.field(1)} to ${weight.field(MOST_G)} ${weight.unit}: type what the scale shows.`,
    )
  if (of.beforeG !== null && grossG > of.beforeG + 2 * of.scaleStepG)
    return wrong(
      `${of.name} weighs more than before, ${weight.text(of.beforeG)}: heat takes water out, it puts none in. Same dish? Then put the first weight right among the entries.`,
    )
  if (of.massIsKnown && grossG - of.tareG < LIGHTER_THAN_DRY * of.dryMassG)
    return wrong(
      `${of.name}: less its dish that is under the ${weight.text(of.dryMassG)} of dry beads that were told. Is the dish’s weight right?`,
    )
  if (of.beforeG === null && grossG - of.tareG > (1 + MOST_LOADING) * of.dryMassG)
    return wrong(
      `${of.name}: less its dish that is more than ${weight.text(of.dryMassG)} of beads can hold. Type the dish’s weight, or weigh the beads alone.`,
    )
  return { ok: true, grossG }
}
