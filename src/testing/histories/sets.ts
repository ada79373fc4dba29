import { seededRandom } from '#core/estimate/random.ts'
import { makeHistory, type History, type HistoryWish } from './history.ts'
import type { Pace } from './looks.ts'
import { between, pick } from './setting.ts'
import type { Twist } from './twist.ts'

export const WRONGS = [
  'isotherm',
  'openings',
  'renewal',
  'drift',
  'leak twice',
  'leak five times',
  'damp told dry',
  'room warmer',
  'display changed',
] as const
export type Wrong = (typeof WRONGS)[number]

export const CASE_CAUSES = ['spent', 'leak', 'damp', 'display', 'opened'] as const
export type CaseCause = (typeof CASE_CAUSES)[number]

/** Seeds of what is measured, and those for whoever tunes the estimator. */
export const MEASURED = { truly: 1000, wrongly: 20_000, causes: 60_000, years: 80_000 }
export const DEVELOPED = { truly: 500_000, wrongly: 600_000, causes: 700_000, years: 900_000 }
const PACES: readonly Pace[] = ['under ten', 'ten and more', 'thirty and more', 'hourly']

/** Told truly: the paces in turn. */
export const toldTruly = (index: number, seeds = MEASURED): History =>
  makeHistory({ seed: seeds.truly + index, pace: PACES[index % PACES.length]! })

function twistOf(wrong: Wrong, index: number, seed: number): Twist {
  const random = seededRandom(seed * 31 + 7)
  const sign = index % 2 === 0 ? 1 : -1
  const atShare = between(random, 0.3, 0.8)
  switch (wrong) {
    case 'isotherm':
      return { capacityFactor: 1 + 0.15 * sign }
    case 'openings':
      return { openingsPerMonth: 20 }
    case 'renewal':
      return { renewedAtShare: atShare }
    case 'drift':
      return { driftRhPercentPerMonth: sign }
    case 'leak twice':
      return { slip: { atShare, factor: 2 } }
    case 'leak five times':
      return { slip: { atShare, factor: 5 } }
    case 'damp told dry':
      return { spoolsRhPercent: between(random, 55, 75) }
    case 'room warmer':
      return { roomWarmerK: 5 }
    case 'display changed':
      return { shifted: { atShare, rhPercent: sign * between(random, 3, 5) } }
  }
}

/** Told wrongly in one way: under ten, ten and more, thirty and more readings in turn. */
export function toldWrongly(wrong: Wrong, index: number, seeds = MEASURED): History {
  const seed = seeds.wrongly + 1000 * WRONGS.indexOf(wrong) + index
  return makeHistory({ seed, pace: PACES[index % 3]!, twist: twistOf(wrong, index, seed) })
}

/** What a display errs by, as three standard deviations: a case is clear where its cause shows more than that. */
const CLEAR_RH = 7.5
const CLEAR_READINGS = 10
const OVER_BY_RH = 2

/** Clear cases of one cause, read about daily, by rejection: the display stands over the target, and the cause shows. */
export function* clearCases(cause: CaseCause, seeds = MEASURED): Generator<History> {
  for (let index = 0; ; index++) {
    const seed = seeds.causes + 10_000 * CASE_CAUSES.indexOf(cause) + index
    const random = seededRandom(seed * 31 + 11)
    const atShare = between(random, 0.35, 0.6)
    const wish = { seed, pace: 'daily' as const, ...wishOf(cause) }
    const twist = causeTwist(cause, atShare, random)
    const history = makeHistory({ ...wish, twist })
    if (isClear(cause, history, () => makeHistory({ ...wish, twist: untwisted(twist) }), wish)) yield history
  }
}

const wishOf = (cause: CaseCause) => {
  if (cause === 'damp') return { dryMassG: [25, 70] as const }
  if (cause === 'opened') return { dryMassG: [25, 150] as const }
  return cause === 'spent' ? { standsFor: [0.9, 2] as const } : {}
}

function causeTwist(cause: CaseCause, atShare: number, random: ReturnType<typeof seededRandom>): Twist {
  switch (cause) {
    case 'spent':
      return {}
    case 'leak':
      return { slip: { atShare, factor: between(random, 5, 25) } }
    case 'damp':
      return { arrival: { atShare, spools: pick(random, [1, 2, 3]), rhPercent: between(random, 60, 85) } }
    case 'display':
      return { shifted: { atShare, rhPercent: between(random, 8, 15) } }
    case 'opened':
      return { ajar: { atShare, hours: between(random, 12, 96) } }
  }
}

/** The same box with the same people, and nothing amiss. */
const untwisted = ({ arrival }: Twist): Twist => (arrival ? { arrival: { ...arrival, rhPercent: 20 } } : {})

function isClear(
  cause: CaseCause,
  { facts, trueRhPercent }: History,
  twin: () => History,
  wish: HistoryWish,
): boolean {
  const shown = facts.readings.map(reading => reading.relativeHumidityPercent)
  const target = facts.targetRhPercent!
  if (shown.length < 2 * CLEAR_READINGS || shown.at(-1)! < target + OVER_BY_RH) return false
  const lately = (values: readonly number[]) =>
    values.slice(-CLEAR_READINGS).reduce((sum, value) => sum + value, 0) / CLEAR_READINGS
  if (cause === 'spent') {
    const settled = trueRhPercent[Math.floor(0.15 * trueRhPercent.length)]!
    const isRisen = lately(trueRhPercent) - settled >= CLEAR_RH
    if (!isRisen || trueRhPercent.at(-1)! < target) return false
    // fresh beads, put in three days before, would have brought it under its target
    const days = (facts.nowS - facts.fromS) / 86_400
    const renewed = makeHistory({ ...wish, twist: { renewedAtShare: 1 - 3 / days } })
    return renewed.trueRhPercent.at(-1)! < target
  }
  const other = twin()
  if (cause === 'display') return other.trueRhPercent.at(-1)! < target
  // without its cause the box would be well
  return (
    other.trueRhPercent.at(-1)! < target &&
    lately(trueRhPercent) - lately(other.trueRhPercent) >= CLEAR_RH &&
    trueRhPercent.at(-1)! > target
  )
}
