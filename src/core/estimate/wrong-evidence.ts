import type { PercentRh, Seconds } from '#units/quantity.ts'
import type { Account } from './accounts.ts'
import type { BoxReport } from './report.ts'
import type { Wrong } from './wrong.ts'

/** A reading that speaks for one account against another: what was seen, and what each expected. */
export interface Evidence {
  readonly atS: Seconds
  readonly seenRhPercent: PercentRh
  readonly expectedRhPercent: PercentRh
  readonly otherRhPercent: PercentRh
}

/** Accounts that expect the same within this, % RH, are not told apart by a reading. */
const TELLS_RH = 2
const MOST = 2

/** The account a cause comes from: what happened without a word, or all as told. */
export const accountOf = (report: Pick<BoxReport, 'accounts'>, { cause, amiss }: Wrong): Account =>
  report.accounts.find(account => (amiss === null ? account.kind === 'as told' : account.kind === cause))!

/**
 * The readings that part two causes most: those nearer to the first and those nearer to the second, strongest first.
 * Readings of neighbouring days say the same thing once.
 */
export function evidenceBetween(
  report: Pick<BoxReport, 'accounts' | 'seen'>,
  one: Wrong,
  other: Wrong,
): { readonly forIt: Evidence[]; readonly against: Evidence[] } {
  const mine = accountOf(report, one).expectedRhPercent
  const theirs = accountOf(report, other).expectedRhPercent
  const all = report.seen.map(({ atS, rhPercent }, i) => ({
    atS,
    seenRhPercent: rhPercent,
    expectedRhPercent: mine[i]!,
    otherRhPercent: theirs[i]!,
    gain: Math.abs(rhPercent - theirs[i]!) - Math.abs(rhPercent - mine[i]!),
  }))
  const strongest = (sign: 1 | -1): Evidence[] => {
    const picked: typeof all = []
    for (const item of [...all].sort((a, b) => sign * (b.gain - a.gain))) {
      if (sign * item.gain < TELLS_RH || picked.length === MOST) break
      if (picked.every(({ atS }) => Math.abs(atS - item.atS) > NEIGHBOURS_S)) picked.push(item)
    }
    return picked
      .sort((a, b) => a.atS - b.atS)
      .map(({ atS, seenRhPercent, expectedRhPercent, otherRhPercent }) => ({
        atS,
        seenRhPercent,
        expectedRhPercent,
        otherRhPercent,
      }))
  }
  return { forIt: strongest(1), against: strongest(-1) }
}
const NEIGHBOURS_S = 3 * 86_400
