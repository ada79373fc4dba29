import {
  dateAnswer,
  enteredAnswer,
  readAgainAnswer,
  settlesAtAnswer,
  sinceAnswer,
} from '#core/answers/answers.ts'
import { floorAnswer } from '#core/answers/box-answers.ts'
import type { Answer } from '#core/answer.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import type { AmissCause, BoxJudgement } from '#core/verdict/box.ts'
import { USUAL_HYGROMETER } from '#core/reading/hygrometer.ts'
import { msFromSeconds } from '#units/time.ts'
import { againText, dayText, isoDay, shortDayText } from './dates.ts'
import { inWhole, THIN } from './format.ts'

/** A judgement in words, the same on the page, the slip and the card: what leads, the figure with its reason, the rest. */
export interface JudgementWords {
  readonly lead: string
  readonly figure: { readonly answer: Answer; readonly text: string } | null
  readonly tail: string
}

const SETTLES_S = USUAL_HYGROMETER.settlesAfterChargeS

/** A chance as people say it: "one chance in ten". */
export const chanceWords = (chance: number): string =>
  `one chance in ${COUNTS[Math.max(2, Math.round(1 / Math.max(chance, 0.05)))] ?? 'twenty'}`
const COUNTS: Readonly<Record<number, string>> = {
  2: 'two',
  3: 'three',
  4: 'four',
  5: 'five',
  6: 'six',
  7: 'seven',
  8: 'eight',
  9: 'nine',
  10: 'ten',
}

const isToday = (seconds: number, nowMs: number, zone: string): boolean =>
  isoDay(msFromSeconds(seconds), zone) === isoDay(nowMs, zone)

/** A day as it stands in a sentence, or on a slip where there is less room. */
export const dayWord = (seconds: number, nowMs: number, zone: string, short = false): string =>
  isToday(seconds, nowMs, zone)
    ? 'today'
    : (short ? shortDayText : dayText)(msFromSeconds(seconds), nowMs, zone)

/** @returns null while there is no reckoning to say it by */
export function judgementWords(
  judgement: BoxJudgement,
  report: BoxReport | undefined,
  nowMs: number,
  zone: string,
  short = false,
): JudgementWords | null {
  switch (judgement.word) {
    case 'good until':
    case 'renew by': {
      const leaves = report?.leaves
      if (!leaves) return null
      const answer = dateAnswer(judgement.word, 0.1, leaves.sharesOfDates, report.draws)
      if (leaves.beyondHorizon.early)
        return { lead: 'good ', figure: { answer, text: 'for over a year' }, tail: '' }
      const text = dayWord(judgement.dateS, nowMs, zone, short)
      const lead = judgement.word === 'good until' ? 'good until ' : text === 'today' ? 'renew ' : 'renew by '
      return { lead, figure: { answer, text }, tail: '' }
    }
    case 'may be over': {
      const leaves = report?.leaves
      if (!leaves) return null
      return {
        lead: 'good until about ',
        figure: {
          answer: dateAnswer('as likely before as after', 0.5, leaves.sharesOfDates, report.draws),
          text: leaves.beyondHorizon.middle
            ? 'a year from now'
            : dayWord(judgement.dateS, nowMs, zone, short),
        },
        tail: short ? '' : `; ${chanceWords(judgement.chance)} that it is over now`,
      }
    }
    case 'settling': {
      const readMs = msFromSeconds(judgement.readS)
      const when =
        readMs <= nowMs
          ? 'now'
          : short
            ? shortDayText(readMs, nowMs, zone)
            : `on ${dayText(readMs, nowMs, zone)}`
      return {
        lead: short ? 'renewed: read it ' : 'renewed, settling: read it ',
        figure: {
          answer: settlesAtAnswer(judgement.readS - SETTLES_S, SETTLES_S / 3600),
          text: when,
        },
        tail: '',
      }
    }
    case 'over since':
      return {
        lead: 'over since ',
        figure: {
          answer: enteredAnswer(
            'over since',
            'first reading of this run above the target',
            judgement.dateS,
            'date',
            'measured',
          ),
          text: dayWord(judgement.dateS, nowMs, zone, short),
        },
        tail: '',
      }
    case "can't reach":
      return report?.floor
        ? {
            lead: 'can’t reach: ',
            figure: {
              answer: floorAnswer(report.floor),
              text: `${inWhole(report.floor.rhPercent)}${THIN}%`,
            },
            tail: ' at best',
          }
        : null
    case 'amiss': {
      const [what, act] = AMISS[judgement.cause]
      const { sinceS } = judgement
      if (short || sinceS === null) return { lead: short ? act : `${what}: ${act}`, figure: null, tail: '' }
      return {
        lead: `${what} since `,
        figure: { answer: sinceAnswer(sinceS), text: `about ${dayWord(sinceS, nowMs, zone)}` },
        tail: `: ${act}`,
      }
    }
    case 'read again': {
      const leaves = report?.leaves
      if (!leaves) return null
      return {
        lead: short ? 'read it ' : 'not known yet: read it again ',
        figure: {
          answer: readAgainAnswer(report.nowS, leaves.spread.middle, judgement.readS),
          text: (short ? shortDayText : againText)(msFromSeconds(judgement.readS), nowMs, zone),
        },
        tail: '',
      }
    }
    case 'not known': {
      const todo = short ? (SHORT_TODO[judgement.todo] ?? judgement.todo) : judgement.todo
      return judgement.todo.startsWith('wait') && !report
        ? { lead: 'reckoning …', figure: null, tail: '' }
        : { lead: `not known: ${todo}`, figure: null, tail: '' }
    }
  }
}

/** What is amiss, and the act that puts it right. */
export const AMISS: Readonly<Record<AmissCause, readonly [what: string, act: string]>> = {
  leak: ['its lid lets in more than it did', 'seal it'],
  damp: ['a spool came in damp', 'dry it'],
  display: ['its display shows something else than the air', 'check the display'],
}

/** What fits on a slip. */
const SHORT_TODO: Readonly<Record<string, string>> = {
  'weigh the beads': 'weigh beads',
  'put a spool in: it has no target yet': 'no spool',
  'tell what desiccant is in it': 'no beads',
  'what was read and told does not fit': 'does not fit',
  'its last reading fits nothing before it: read it again': 'read it again',
}
