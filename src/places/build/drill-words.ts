import type { DrilledHole, DrillRemedy } from '#core/build/as-drilled.ts'
import { fittingOf } from '#core/build/fittings.ts'
import type { DrillFacts, Hole, HoleTrouble } from '#core/build/holes.ts'
import type { PlanSpool } from '#journal/plan-wish.ts'
import type { Measures } from '#ui/measures.ts'
import { countWord } from './plan-words.ts'
import { shortWords } from './remedy-words.ts'

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)

/** What a hole is for, as the table says it. */
export function purposeWords(hole: Hole, facts: DrillFacts, spools: readonly PlanSpool[]): string {
  const purpose = hole.for
  if (purpose.what === 'rod')
    return `rod, ${hole.place.wall === 'wall' ? 'through the wall' : hole.place.wall}`
  const outlet = facts.outlets[purpose.index]
  if (outlet && fittingOf(outlet.fitting, facts.ownFittings).id === 'round-display') return 'display'
  const spool = spools.find(one => one.id === purpose.spoolId)
  const what = spool ? `tube, ${spool.name}` : 'tube'
  return outlet?.capped ? `${what}; capped` : what
}

/** "3.0 mm low", "2.1 mm too far from its edge". */
export function offWords({ lowMm, awayMm }: DrilledHole, { mark }: Measures): string {
  const down = Math.abs(lowMm) >= Math.abs(awayMm)
  const by = mark.text(Math.abs(down ? lowMm : awayMm))
  return down
    ? `${by} ${lowMm > 0 ? 'low' : 'high'}`
    : `${by} too ${awayMm > 0 ? 'far from' : 'near'} its edge`
}

/** The answer at the top of the sheet. */
export function sheetWords(
  holes: readonly Hole[],
  drilled: readonly DrilledHole[],
  worst: DrilledHole | undefined,
  measures: Measures,
): string {
  if (holes.length === 0) return 'Nothing is to be drilled'
  const count = `${capital(countWord(holes.length))} ${holes.length === 1 ? 'hole' : 'holes'}`
  const done =
    drilled.length === 0
      ? 'none drilled yet'
      : drilled.length === holes.length
        ? 'all drilled'
        : `${countWord(drilled.length)} drilled`
  return worst ? `${count}, ${done}; ${worst.hole.id} is ${offWords(worst, measures)}` : `${count}, ${done}`
}

/** What one remedy is, and what it leaves. */
export function drillRemedyWords(
  remedy: DrillRemedy,
  off: DrilledHole,
  spools: readonly PlanSpool[],
  measures: Measures,
): { readonly does: string; readonly leaves: string } {
  const { mark } = measures
  const low = off.lowMm > 0
  const by = mark.text(Math.abs(off.lowMm))
  const isAcross = Math.abs(off.awayMm) > 0.5
  const leaves = remedy.short
    ? shortWords(remedy.short, spools, measures)
    : remedy.outOfLevelMm > 0.05
      ? `${mark.text(remedy.outOfLevelMm)} out of level`
      : 'level, and everything keeps its room'
  switch (remedy.kind) {
    case 'shim': {
      const file =
        Math.abs(off.lowMm) > 0.25
          ? `file ${off.hole.id} ${by} ${low ? 'up' : 'down'}${low ? ` and set a ${by} shim under the rod` : ''}`
          : ''
      const across = isAcross
        ? `${file ? ', ' : ''}file it ${mark.text(Math.abs(off.awayMm))} ${off.awayMm > 0 ? 'towards' : 'away from'} its edge and shim the other side`
        : ''
      return { does: capital(`${file}${across}`), leaves }
    }
    case 'match':
      return { does: 'Draw the whole rod to it', leaves }
    case 'plug':
      return remedy.works
        ? { does: 'Plug it and drill it anew', leaves }
        : { does: 'Plug it and drill it anew', leaves: 'the two holes would run into each other' }
    case 'leave':
      return { does: 'Leave it', leaves }
  }
}

/** What can't be drilled as it is planned, by how much, and what to do. */
export function troubleWords({ id, why, other, missingMm }: HoleTrouble, { mark }: Measures): string {
  const by = mark.text(Math.ceil(missingMm * 2) / 2)
  switch (why) {
    case 'off the wall':
      return `Hole ${id} runs off its wall: move it ${by} or more towards the middle.`
    case 'into the rim':
      return `Hole ${id} runs into the rim, where the lid seals: set it ${by} lower.`
    case 'into its neighbour':
      return `Holes ${other} and ${id} leave too little wall between them: move them ${by} further apart.`
  }
}
