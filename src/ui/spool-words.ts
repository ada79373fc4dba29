import type { ClockedSpool } from '#session/spools/spool-clock.ts'
import { openRun } from '#journal/spool-runs.ts'
import type { State } from '#journal/state.ts'
import { dayMonthText, dayText } from './dates.ts'
import { inWhole, THIN } from './format.ts'
import { numberWord } from './number-words.ts'
import { capital, listed } from './plan-words.ts'

export type Places = Pick<State, 'boxes' | 'dryingRuns'>
/** Where a spool is, in a word or two. */
export function placeWords({ where, spoolId }: ClockedSpool['spool'], state: Places): string {
  if (openRun(state, spoolId)) return 'in the dryer'
  if (where.at === 'box') return state.boxes.get(where.boxId)?.name ?? 'a box that is gone'
  return { printer: 'on the printer', open: 'in the open', bag: 'in its bag', 'used up': 'used up' }[where.at]
}

/** The same where there is room for a word. */
export const shortPlaceWords = (spool: ClockedSpool['spool'], state: Places): string =>
  spool.where.at === 'box' || openRun(state, spool.spoolId)
    ? placeWords(spool, state).replace(/^in the /, '')
    : { printer: 'printer', open: 'open', bag: 'its bag', 'used up': 'used up' }[spool.where.at]

/** Its name without the material it begins with: "PLA ochre" stands as PLA, ochre. */
export function nameBeside({ name, material }: ClockedSpool['spool']): string {
  const rest = name.startsWith(material) ? name.slice(material.length).trim() : name
  return rest === '' ? name : rest
}

/** How long it may be counted on where it is. */
export function clockWords({ clock }: ClockedSpool, nowMs: number, zone: string): string {
  switch (clock.is) {
    case 'reckoning':
      return 'reckoning …'
    case 'failed':
      return 'could not be reckoned'
    case 'empty':
      return 'nothing left on it'
    case 'drying':
      return 'in the dryer'
    case 'sealed':
      return 'keeps, sealed'
    case 'no limit':
      return 'prints at any time'
    case 'past': {
      const since = clock.sinceMs === null ? 'past it' : `past it since ${dayMonthText(clock.sinceMs, zone)}`
      return clock.driesMs === null
        ? `${since}, does not dry there`
        : `${since}, dry there by ${dayMonthText(clock.driesMs, zone)}`
    }
    case 'until': {
      const { fromMs, earlyMs, usualMs, lateMs } = clock
      if (usualMs !== null && usualMs - fromMs < SOON_MS) {
        const hours = (ms: number) => inWhole((ms - fromMs) / 3_600_000)
        return `prints for ${hours(usualMs)}${THIN}h (${hours(earlyMs)}–${lateMs === null ? 'any' : hours(lateMs)})`
      }
      const late = lateMs === null ? 'never' : dayMonthText(lateMs, zone)
      return usualMs === null
        ? `prints at least until ${dayText(earlyMs, nowMs, zone)}`
        : `prints until ${dayText(usualMs, nowMs, zone)} (${dayMonthText(earlyMs, zone)}–${late})`
    }
  }
}

/** Nearer than this, hours are said. */
const SOON_MS = 2 * 86_400_000
const MOST_NAMED = 3
const namesOf = (spools: readonly ClockedSpool[]): string =>
  spools.length > MOST_NAMED
    ? `${numberWord(spools.length)} spools`
    : listed(spools.map(one => one.spool.name))

/** The answer first: what is too damp to print, else what comes to it first. @param spools by need */
export function spoolsSentence(
  spools: readonly ClockedSpool[],
  nowMs: number,
  zone: string,
): { readonly answer: string; readonly behind: string } {
  if (spools.length === 0)
    return {
      answer: 'No spool yet.',
      behind: 'Put one into a box, or add one: its moisture is kept from then on.',
    }
  const reckoning = spools.filter(one => one.clock.is === 'reckoning').length
  if (reckoning === spools.length)
    return { answer: 'Reckoning …', behind: 'Each spool is taken through all it has been in.' }
  const past = spools.filter(one => one.clock.is === 'past')
  const until = spools.filter(one => one.clock.is === 'until')
  const [first] = until
  const next =
    first?.clock.is === 'until'
      ? `${first.spool.name} first: ${clockWords(first, nowMs, zone)}.`
      : 'Nothing comes to its limit where it stands.'
  const drying = spools.filter(one => one.clock.is === 'drying')
  const inDryer =
    drying.length === 0
      ? ''
      : ` ${listed(drying.map(one => one.spool.name))} ${drying.length > 1 ? 'are' : 'is'} in the dryer.`
  const more = reckoning > 0 ? ` ${reckoning} of ${spools.length} are reckoned still.${inDryer}` : inDryer
  if (past.length === 0)
    return {
      answer:
        drying.length === spools.length
          ? 'All are in the dryer.'
          : spools.length === 1
            ? 'It may print.'
            : drying.length > 0
              ? 'Everything else may print.'
              : 'Every spool may print.',
      behind: `${next}${more}`,
    }
  const others = spools.length - past.length - reckoning - drying.length
  return {
    answer: `Dry ${namesOf(past)} before ${past.length > 1 ? 'they print' : 'it prints'}${others > 0 ? '; everything else may print' : ''}.`,
    behind: `${capital(past.length > 1 ? 'their next prints stand' : 'its next print stands')} past what prints usually bear. ${next}${more}`,
  }
}
