import type { PercentRh, Seconds } from '#units/quantity.ts'
import { secondsFromDays } from '#units/time.ts'
import type { ReadingWord } from './reading.ts'

export type BoxJudgement =
  | { readonly word: 'good until'; readonly dateS: Seconds; readonly latestS: Seconds }
  | { readonly word: 'renew by'; readonly dateS: Seconds; readonly latestS: Seconds }
  /** Holds by its reading, and may yet be over: the chance of it. */
  | {
      readonly word: 'may be over'
      readonly chance: number
      readonly dateS: Seconds
      readonly latestS: Seconds
    }
  | { readonly word: 'over since'; readonly dateS: Seconds }
  /** Renewed since it was last read: what it reads then counts. */
  | { readonly word: 'settling'; readonly readS: Seconds }
  | { readonly word: "can't reach"; readonly floorRhPercent: PercentRh; readonly wouldDo: string }
  /** Something else than spent beads, by nearly all accounts of its readings: what, and since when. */
  | { readonly word: 'amiss'; readonly cause: AmissCause; readonly sinceS: Seconds | null }
  /** The range is too wide to act by: when a reading tells most. */
  | { readonly word: 'read again'; readonly readS: Seconds }
  | { readonly word: 'not known'; readonly todo: string }

/** What fresh beads would not put right. */
export type AmissCause = 'leak' | 'damp' | 'display'

/** Nearer than this, "good until" becomes "renew by". */
export const RENEW_WITHIN_S = secondsFromDays(14)
const SURE = 0.8

export interface BoxEvidence {
  readonly nowS: Seconds
  readonly targetRhPercent: PercentRh | null
  /** The last reading's word, or null if the box was never read. */
  readonly readingWord: ReadingWord | null
  /** When the readings' present run above the target began; null if the last reading is not over. */
  readonly overSinceS: Seconds | null
  /** When its charge was last heated, swapped or put in; null where that was before the last reading, or never. */
  readonly renewedS: Seconds | null
  /** How long after that a reading tells. */
  readonly settlesForS: Seconds
  readonly hasCharge: boolean
  readonly hasWeighing: boolean
  /** 10 % and 90 % dates at which the target is left; null while the forecast is not there. */
  readonly leaves: {
    readonly earlyS: Seconds
    readonly lateS: Seconds
    /** The date as likely before as after. */
    readonly middleS: Seconds
    /** Of the draws, how many have left the target by now. */
    readonly shareNow: number
  } | null
  /** What is wrong by nearly all accounts of the readings, where fresh beads would not help; else null. */
  readonly amiss: { readonly cause: AmissCause; readonly sinceS: Seconds | null } | null
  /** No account fits what was read and told. */
  readonly contradicted: boolean
  /** Its last reading is the first that stands over the target. */
  readonly isFirstOver: boolean
  /** Where the range of dates is too wide to act by: when to read it again; else null. */
  readonly readAgainS: Seconds | null
  /** The display stood at the target or over it when it was last read. */
  readonly atTarget: boolean
  readonly floor: {
    readonly rhPercent: PercentRh
    readonly probabilityAboveTarget: number
    readonly wouldDo: string
  } | null
}

const ODD_LAST = 'its last reading fits nothing before it: read it again'

/** One judgement of a box, from its evidence; the first that applies, the gravest first. */
export function judgeBox(evidence: BoxEvidence): BoxJudgement {
  if (evidence.targetRhPercent === null)
    return { word: 'not known', todo: 'put a spool in: it has no target yet' }
  if (!evidence.hasCharge) return { word: 'not known', todo: 'tell what desiccant is in it' }
  if (evidence.readingWord === null && !evidence.hasWeighing)
    return { word: 'not known', todo: 'read it once' }
  if (evidence.floor && evidence.floor.probabilityAboveTarget > SURE)
    return { word: "can't reach", floorRhPercent: evidence.floor.rhPercent, wouldDo: evidence.floor.wouldDo }
  const { renewedS } = evidence
  if (renewedS !== null) {
    const readS = renewedS + evidence.settlesForS
    // an old reading above the target says nothing of what is in it now
    if (evidence.nowS < readS || evidence.readingWord === 'over') return { word: 'settling', readS }
  }
  if (evidence.amiss) return { word: 'amiss', ...evidence.amiss }
  // one reading that fits nothing is read again before anything is done about it
  if (evidence.contradicted && evidence.isFirstOver) return { word: 'not known', todo: ODD_LAST }
  if (evidence.readingWord === 'over' && evidence.overSinceS !== null)
    return { word: 'over since', dateS: evidence.overSinceS }
  if (evidence.readingWord === 'blind' && !evidence.hasWeighing)
    return { word: 'not known', todo: 'weigh the beads' }
  if (evidence.leaves === null) return { word: 'not known', todo: 'wait: still reckoning' }
  if (evidence.contradicted) return { word: 'not known', todo: 'what was read and told does not fit' }
  if (evidence.readAgainS !== null && !evidence.atTarget)
    return { word: 'read again', readS: evidence.readAgainS }
  const { lateS, middleS, shareNow } = evidence.leaves
  // its own display says that the day has come
  const earlyS = evidence.atTarget ? evidence.nowS : evidence.leaves.earlyS
  // the display says it holds: a tail of the draws is a chance, not a date to renew by
  if (earlyS <= evidence.nowS && middleS > evidence.nowS && evidence.readingWord === 'holds')
    return { word: 'may be over', chance: shareNow, dateS: middleS, latestS: Math.max(lateS, middleS) }
  const dateS = Math.max(earlyS, evidence.nowS)
  const word = dateS <= evidence.nowS + RENEW_WITHIN_S ? 'renew by' : 'good until'
  return { word, dateS, latestS: Math.max(lateS, dateS) }
}
