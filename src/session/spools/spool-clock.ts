import type { SpoolReport } from '#core/spool/spool-report.ts'
import { spoolWord, type SpoolWord } from '#core/verdict/spool.ts'
import type { SpoolRecord, State } from '#journal/state.ts'
import { msFromSeconds } from '#units/time.ts'
import { openRun } from '#journal/spool-runs.ts'
import type { KnownSpool } from './use-spool-reports.ts'

/** What a spool's next print may count on, where the spool is now. */
export type SpoolClock =
  | { readonly is: 'reckoning' | 'empty' | 'failed' }
  /** Past its limit: since when, and when this air will have dried it; null: never. */
  | { readonly is: 'past'; readonly sinceMs: number | null; readonly driesMs: number | null }
  /** Until then; the late end may lie beyond what was looked at. */
  | {
      readonly is: 'until'
      /** The hour it was reckoned for. */
      readonly fromMs: number
      readonly earlyMs: number
      readonly usualMs: number | null
      readonly lateMs: number | null
    }
  /** In the dryer: its run says when. */
  | { readonly is: 'drying' }
  /** It never comes to its limit here, or has none. */
  | { readonly is: 'no limit' }
  | { readonly is: 'sealed' }

export interface ClockedSpool {
  readonly spool: SpoolRecord
  readonly report: SpoolReport | null
  readonly clock: SpoolClock
  /** Of the next print, and of the whole spool; null while it is not known. */
  readonly nextWord: SpoolWord | null
  readonly meanWord: SpoolWord | null
  /** How long it keeps was only assumed: from a wetness nobody told. */
  readonly isAssumed: boolean
}

export function clockedSpool(
  { spool, report, error }: KnownSpool,
  state: Pick<State, 'materials' | 'dryingRuns'>,
): ClockedSpool {
  const material = state.materials[spool.material]
  return {
    spool,
    report: report ?? null,
    clock: error
      ? { is: 'failed' }
      : report && openRun(state, spool.spoolId)
        ? { is: 'drying' }
        : clockOf(spool, report),
    nextWord: report ? spoolWord(material, report.next.middle) : null,
    meanWord: report ? spoolWord(material, report.mean.middle) : null,
    isAssumed: spool.wetnessKnown === 'assumed' || spool.wetness === 'unknown',
  }
}

function clockOf(spool: SpoolRecord, report: SpoolReport | null | undefined): SpoolClock {
  if (report === undefined) return { is: 'reckoning' }
  if (report === null) return { is: 'empty' }
  const { course, here, limitPercent, next } = report
  if (limitPercent === null) return { is: spool.where.at === 'bag' ? 'sealed' : 'no limit' }
  const nowMs = msFromSeconds(course.atS.at(-1)!)
  const after = (seconds: number) => nowMs + msFromSeconds(seconds)
  if (next.middle > limitPercent) {
    const last = course.next.findLastIndex(one => one.middle <= limitPercent)
    return {
      is: 'past',
      sinceMs: last < 0 ? null : msFromSeconds(course.atS[last + 1]!),
      driesMs: here?.usual == null ? null : after(here.usual),
    }
  }
  if (here === null) return { is: 'sealed' }
  if (here.early === null) return { is: 'no limit' }
  return {
    is: 'until',
    fromMs: nowMs,
    earlyMs: after(here.early),
    usualMs: here.usual === null ? null : after(here.usual),
    lateMs: here.late === null ? null : after(here.late),
  }
}

/** What needs one first: past its limit, then by how soon it may come to it, then what keeps. */
export const byNeed = (a: ClockedSpool, b: ClockedSpool): number =>
  rank(a) - rank(b) || when(a) - when(b) || a.spool.name.localeCompare(b.spool.name)

const RANK: Readonly<Record<SpoolClock['is'], number>> = {
  past: 0,
  failed: 1,
  drying: 2,
  until: 3,
  'no limit': 4,
  sealed: 5,
  reckoning: 6,
  empty: 7,
}
const rank = ({ clock }: ClockedSpool): number => RANK[clock.is]
const when = ({ clock }: ClockedSpool): number =>
  clock.is === 'until' ? (clock.usualMs ?? clock.earlyMs * 2) : 0
