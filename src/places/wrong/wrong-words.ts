import type { Wrong, WrongCause, WrongTest } from '#core/estimate/wrong.ts'
import { dayWord } from '#ui/judgement-words.ts'
import { inWhole, THIN } from '#ui/format.ts'

export const CAUSE_NAMES: Readonly<Record<WrongCause, string>> = {
  spent: 'The beads are spent',
  leak: 'The lid leaks',
  damp: 'A damp spool',
  display: 'The display',
  opened: 'It was opened',
  'too few beads': 'Too few beads for this lid',
}

/** The act that puts a cause right, as a headline. */
export function actOn(cause: WrongCause, box: string, arrived: string | null): string {
  switch (cause) {
    case 'spent':
      return `Renew ${box}`
    case 'opened':
      return `Keep ${box} shut, and renew it`
    case 'leak':
      return `Seal ${box}`
    case 'damp':
      return `Dry ${arrived ?? `what came damp into ${box}`}`
    case 'display':
      return `Check the display of ${box}`
    case 'too few beads':
      return `Seal ${box}, or give its beads more room`
  }
}

/** What happened, how much of it and when: the likeliest draw's word. */
export function amountOf({ amiss }: Wrong, nowMs: number, zone: string): string {
  if (!amiss) return 'all as it was told'
  const since = `about ${dayWord(amiss.atS, nowMs, zone)}`
  switch (amiss.kind) {
    case 'leak':
      return `since ${since}, some ${inWhole(Math.max(2, amiss.factor))} times what it let in`
    case 'opened':
      return `${since}, and nobody logged it`
    case 'renewed':
      return `renewed ${since}, and nobody logged it`
    case 'damp':
      return `what came in ${since}: as damp as air of ${inWhole(amiss.rhPercent)}${THIN}%`
    case 'display':
      return amiss.rhPercent > 0
        ? `shows about ${inWhole(amiss.rhPercent)} more than the air since ${since}`
        : `shows about ${inWhole(-amiss.rhPercent)} less than the air since ${since}`
  }
}

/** The one test that parts two causes: what to do, and what each would show. */
export const TESTS: Readonly<Record<WrongTest, { readonly todo: string; readonly tells: string }>> = {
  'weigh the beads': {
    todo: 'Weigh the beads without their dish.',
    tells: 'Spent beads hold all they can; beads behind a leak or beside a damp spool may still have room.',
  },
  'read again': {
    todo: 'Keep it shut for three days, then read it.',
    tells: 'Behind a leak it goes on rising; after one opening it stands still or falls.',
  },
  bag: {
    todo: 'Put its display into one bag with another for an hour.',
    tells: 'Both read the same air: if this one stands apart, it is the display.',
  },
  gasket: {
    todo: 'Lift the lid and look along the gasket: grit, a hair, a fold.',
    tells: 'A lid that closes clean leaves the beads as the cause.',
  },
  'weigh the spool': {
    todo: 'Weigh the spool that came in, now and in three days.',
    tells: 'A damp one gives off grams; a dry one stays as it is.',
  },
}

/** What to do about it, step by step. */
export const STEPS: Readonly<Record<WrongCause, readonly string[]>> = {
  spent: [
    'Swap in fresh beads, or heat these.',
    'Read it a day later: it should stand well under its target.',
  ],
  leak: [
    'Lift the lid, wipe the gasket; look for grit, a fold, a strap that lets go.',
    'Shut it, strapped if it bulges, and read it after a day: it should fall.',
    'Renew the beads afterwards, not before: behind a leak they last days.',
  ],
  damp: [
    'Take the spool out and dry it, within what its filament and its spool stand.',
    'Weigh it before and after: the grams it loses were going into the beads.',
    'Put it back cool. The beads have taken some of it: see when they want renewing.',
  ],
  display: [
    'Take it out, and put it into one bag with another display for an hour.',
    'If it stands apart: a fresh cell first; keep coin cells from children, they are dangerous when swallowed.',
    'Until then no date stands on what it shows.',
  ],
  opened: [
    'See that the lid sits all round.',
    'Read it in three days: it should stand still.',
    'Renew the beads if it stays over its target.',
  ],
  'too few beads': [
    'A better seal does more than more beads.',
    'Beads in a wider, shallower dish take up faster.',
    'Or keep here what may stand damper.',
  ],
}
