import type { BenchStep } from '#core/build/bench-steps.ts'
import type { DrilledHole } from '#core/build/as-drilled.ts'
import { threadLostMm } from '#core/build/fittings.ts'
import type { DrillFacts, Hole } from '#core/build/holes.ts'
import type { RodCut } from '#core/build/rod-cut.ts'
import { LEVEL_WITHIN_MM } from '#core/build/rod.ts'
import type { PlanSpool } from '#journal/plan-wish.ts'
import type { PlanRecord } from '#journal/state.ts'
import type { Measures } from '#ui/measures.ts'
import { THIN } from '#ui/format.ts'
import { purposeWords } from './drill-words.ts'

export interface BenchContext {
  readonly plan: PlanRecord
  readonly facts: DrillFacts
  readonly holes: readonly Hole[]
  readonly drilled: readonly DrilledHole[]
  readonly cuts: readonly RodCut[]
  readonly spools: readonly PlanSpool[]
  readonly measures: Measures
}

/** What a step is, and the line under it. */
export function stepWords(
  step: BenchStep,
  of: BenchContext,
): { readonly title: string; readonly note: string } {
  const { plan, facts, holes, drilled, cuts, spools, measures } = of
  const { mark, length, weight } = measures
  const hole = holes.find(one => one.id === step.hole)
  switch (step.what) {
    case 'measure':
      return {
        title: 'Measure inside, at rim and base',
        note: 'All is drawn from usual sizes until then: write them under Choose.',
      }
    case 'mark':
      return { title: 'Tape, then mark from the rim', note: 'Never from the floor: the walls lean.' }
    case 'drill':
      return {
        title: `Hole ${step.hole}, ${hole?.place.wall ?? 'wall'}: ${mark.text(hole?.drillMm ?? 0)}`,
        note: hole
          ? `For ${purposeWords(hole, facts, spools)}. Hold the drill level, not square to the wall.`
          : '',
      }
    case 'mend': {
      const done = drilled.find(one => one.hole.id === step.hole)
      return done?.drilled.mend === 'shim'
        ? {
            title: `File ${step.hole} to its mark, shim, wide washer`,
            note: 'A washer half as wide again as the slot covers it.',
          }
        : done?.drilled.mend === 'plug'
          ? { title: `Plug ${step.hole}, and drill it anew`, note: 'Let the plug set before you drill.' }
          : { title: `Hole ${step.hole} came out wrong`, note: 'The drill sheet says what can be done.' }
    }
    case 'deburr':
      return {
        title: 'Deburr both sides, wash, dry a day',
        note: 'Chips cut thread and seal; leave no damp inside.',
      }
    case 'cut':
      return {
        title: `Cut the rod to ${cuts.map(cut => length.text(cut.cutMm)).join(' and ')}`,
        note: 'Square ends; a file takes the edge off.',
      }
    case 'couple':
      return {
        title: 'Outlets in, hand-tight and half a turn',
        note: `More splits the wall. ${facts.outlets.some(one => one.capped) ? 'Cap those that stand idle.' : 'Cap each while nothing runs through.'}`,
      }
    case 'bracket':
      return {
        title: facts.arrangement?.kind === 'rollers' ? 'Set the rollers' : 'Screw the plate to its wall',
        note: 'A washer under each screw, inside and out.',
      }
    case 'seal':
      return { title: 'Seal every hole and screw', note: 'A ring of sealant under each washer and cap.' }
    case 'hang':
      return {
        title: 'Rod, collars, caps; check the level',
        note: `Within ${mark.text(LEVEL_WITHIN_MM)} end to end, or spools walk.`,
      }
    case 'strip':
      return {
        title: 'Foam strip, cut at the corners',
        note: 'No stretch: it shrinks back and leaves a gap.',
      }
    case 'display':
      return {
        title: 'Put the display in',
        note: 'Read it in the room first: then both are known to agree, or not.',
      }
    case 'load':
      return facts.outlets.length > 0
        ? {
            title: 'Thread, then lower each spool',
            note: `${length.text(threadLostMm(plan.tube))} of each goes to waste: the tube and a hand or two.`,
          }
        : { title: 'Put the spools in', note: 'Dry ones: damp spools give their water to the beads.' }
    case 'beads': {
      const { filling } = plan
      return {
        title: filling
          ? `Beads: ${filling.pieces === null ? weight.text(filling.grams) : `${filling.pieces} × ${weight.text(filling.grams / filling.pieces)}`}`
          : 'Beads in',
        note: 'Last of all: every minute open is water.',
      }
    }
    case 'close':
      return {
        title: 'Close it, and put it on the shelf',
        note: `What the first day looks like stands under Seal and fill; its seal is proved from its own page.${THIN}`,
      }
  }
}
