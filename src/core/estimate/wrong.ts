import type { Account } from './accounts.ts'
import type { Amiss } from './amiss.ts'
import type { BoxReport } from './report.ts'

/** What can be wrong with a box that is not as it should be. */
export type WrongCause = 'spent' | 'leak' | 'damp' | 'display' | 'opened' | 'too few beads'

export interface Wrong {
  readonly cause: WrongCause
  /** Of all accounts of what was seen, those with this cause, 0…1. */
  readonly share: number
  /** What happened without a word, and when; null where all is as told. */
  readonly amiss: Amiss | null
}

/** What can be told apart from the first two of the list at the least trouble. */
export type WrongTest = 'weigh the beads' | 'read again' | 'bag' | 'gasket' | 'weigh the spool'

/** Above this share a cause is said by name; below it the test comes first. */
export const SURE_OF_A_CAUSE = 0.5
const CANT_REACH = 0.8
/** Beads this near to what the target lets them hold have done their work. */
const NEARLY_FULL = 0.8

/**
 * What is wrong, the likeliest first: accounts other than what was told, and, where the display stands at the target or
 * over it, what the account as told makes of that.
 * @param isOff the display stands at the target or over it
 * @returns nothing while the box holds its target and all may be as told
 */
export function findWrong(
  report: Pick<BoxReport, 'accounts' | 'floor' | 'held' | 'streams' | 'targetRhPercent'>,
  isOff: boolean,
): Wrong[] {
  const { accounts, targetRhPercent } = report
  if (targetRhPercent === null) return []
  const others = accounts.flatMap(account => {
    const cause = causeOf(account)
    return cause ? [{ cause, share: account.share, amiss: account.amiss }] : []
  })
  if (!isOff && !others.some(one => one.share >= SURE_OF_A_CAUSE)) return []
  const told = accounts.find(account => account.kind === 'as told')
  const all = [
    ...others,
    ...(told && isOff ? [{ cause: asTold(report), share: told.share, amiss: null }] : []),
  ]
  return all.sort((a, b) => b.share - a.share)
}

function causeOf({ kind }: Account): WrongCause | null {
  return kind === 'as told' || kind === 'renewed' ? null : kind
}

function asTold({ floor, held, streams }: Pick<BoxReport, 'floor' | 'held' | 'streams'>): WrongCause {
  if (floor && floor.probabilityAboveTarget > CANT_REACH) return 'too few beads'
  const isFull = held?.notchG != null && held.waterG > NEARLY_FULL * held.notchG
  const inflow = (by: readonly string[]) =>
    streams.reduce(
      (sum, stream) => (by.includes(stream.way.by) ? sum + Math.max(0, stream.mgPerDay) : sum),
      0,
    )
  const spools = inflow(['spool', 'board'])
  return !isFull && spools > inflow(['lid', 'wall', 'openings', 'outlet']) ? 'damp' : 'spent'
}

/** The cheapest thing to do that tells the first cause from the second; null where it would change nothing. */
export function testBetween(first: WrongCause, second: WrongCause): WrongTest | null {
  const isOneOf = (...causes: readonly WrongCause[]) => causes.includes(first) || causes.includes(second)
  const areOf = (a: WrongCause, b: WrongCause) =>
    (first === a && second === b) || (first === b && second === a)
  if (isOneOf('display')) return 'bag'
  // both are put right by fresh beads
  if (areOf('spent', 'opened')) return null
  if (areOf('leak', 'opened')) return 'read again'
  if (areOf('leak', 'too few beads')) return 'gasket'
  if (isOneOf('damp')) return isOneOf('spent', 'too few beads') ? 'weigh the beads' : 'weigh the spool'
  return 'weigh the beads'
}

/** Whether fresh beads alone put it right. */
export const freshBeadsHelp = (cause: WrongCause): boolean => cause === 'spent' || cause === 'opened'
