import type { Arrangement } from '#core/build/arrangement.ts'
import { missingMm, type Clearance } from '#core/build/clearances.ts'
import type { Remedy } from '#core/build/remedies.ts'
import type { PlanSpool } from '#journal/plan-wish.ts'
import type { Measures } from '#ui/measures.ts'
import { roomTo } from './plan-words.ts'

const named = (spools: readonly PlanSpool[], id: string | null): string =>
  spools.find(spool => spool.id === id)?.name ?? 'it'

/** "2 mm short under the lid for PETG kelp". */
export const shortWords = (shortage: Clearance, spools: readonly PlanSpool[], { length }: Measures): string =>
  shortage.isMm < 0
    ? `${named(spools, shortage.spoolId)} stands ${length.text(0 - shortage.isMm)} into ${into(shortage, spools)}`
    : `${length.text(missingMm(shortage))} short ${roomTo(shortage, spools)} for ${named(spools, shortage.spoolId)}`

const into = ({ to }: Clearance, spools: readonly PlanSpool[]): string =>
  to.what === 'spool' ? named(spools, to.id) : to.what === 'block' ? `the ${to.name}` : `the ${to.face}`

const ASKED_WORDS = {
  lidMm: 'under the lid',
  floorMm: 'underneath',
  betweenMm: 'between',
  endsMm: 'at the ends',
  sidesMm: 'to the sides',
} as const

/** A remedy as the button says it. */
export function remedyWords(
  remedy: Remedy,
  worst: Clearance,
  arrangement: Arrangement,
  spools: readonly PlanSpool[],
  { length }: Measures,
): string {
  const far = length.text(Math.abs(remedy.byMm))
  const forth = remedy.byMm > 0
  switch (remedy.kind) {
    case 'rod':
      return `${forth ? 'Raise' : 'Lower'} the rod ${far}`
    case 'along':
      return `Move ${named(spools, worst.spoolId)} ${far} ${arrangement.axis === 0 ? (forth ? 'right' : 'left') : forth ? 'back' : 'forward'}`
    case 'across':
      return `Move its line ${far} ${arrangement.axis === 0 ? (forth ? 'back' : 'forward') : forth ? 'right' : 'left'}`
    case 'arrange':
      return 'Let Veld arrange it'
    case 'leave out':
      return `Leave ${named(spools, remedy.spoolId)} out`
    case 'ask less':
      return `Ask ${length.text(remedy.byMm)} ${ASKED_WORDS[worst.asks!]}`
  }
}
