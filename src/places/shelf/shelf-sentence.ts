import { greatest } from '#units/extremes.ts'
import { msFromSeconds } from '#units/time.ts'
import type { Answer } from '#core/answer.ts'
import type { AmissCause, BoxJudgement } from '#core/verdict/box.ts'
import { chanceWords } from '#ui/judgement-words.ts'
import { lengthText, againText, dayText, isoDay } from '#ui/dates.ts'
import type { IsoDay } from '#units/calendar-day.ts'
import type { PlanSpoken } from './plan-spoken.ts'

export interface SentenceBox {
  readonly name: string
  readonly judgement: BoxJudgement
  readonly lookAgainMs: number | null
  readonly reckoning: boolean
  readonly lastReadMs?: number | null
}

/** A piece of the sentence: plain words, or a figure of one box. */
export type Piece =
  | string
  | {
      readonly text: string
      readonly box: string
      readonly figure: 'date' | 'look again' | 'settles' | 'read again'
    }
  | { readonly text: string; readonly answer: Answer }
  /** A day of the plan: what is to be done on it, and why on it, stands behind it. */
  | { readonly text: string; readonly dayOf: IsoDay }

const and = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`

/** The shelf's answer in one sentence, and one more with what lies behind it. */
export function shelfSentence(
  boxes: readonly SentenceBox[],
  nowMs: number,
  zone: string,
  planned: PlanSpoken | null = null,
): { answer: Piece[]; behind: Piece[] } {
  if (boxes.some(box => box.reckoning))
    return { answer: ['Reckoning …'], behind: ['Each box is run through its whole history many times over.'] }
  const dated = (word: 'renew by' | 'good until') =>
    boxes
      .flatMap(({ name, judgement }) => (judgement.word === word ? [{ name, dateS: judgement.dateS }] : []))
      .sort((a, b) => a.dateS - b.dateS)
  const figure = ({ name, dateS }: { name: string; dateS: number }, before: string): Piece => {
    const isToday = isoDay(msFromSeconds(dateS), zone) === isoDay(nowMs, zone)
    return {
      text: isToday ? 'today' : `${before}${dayText(msFromSeconds(dateS), nowMs, zone)}`,
      box: name,
      figure: 'date',
    }
  }
  const over = boxes.filter(box => box.judgement.word === 'over since')
  const due = dated('renew by')
  const next = dated('good until')[0]
  const answer: Piece[] = []
  if (planned) return { answer: plannedAnswer(boxes, planned), behind: behind(boxes, nowMs, zone) }
  if (over.length > 0) answer.push(`Renew ${and(over.map(box => box.name))} now`)
  if (due[0])
    answer.push(
      `${over.length > 0 ? ', ' : 'Renew '}${and(due.map(item => item.name))} `,
      figure(due[0], 'by '),
    )
  const amiss = amissActs(boxes)
  if (amiss.length > 0) answer.push(answer.length > 0 ? '. ' : '', amiss.join('. '))
  if (answer.length > 0) answer.push('.', ...(next ? [' Then nothing before ', figure(next, ''), '.'] : []))
  else if (next) answer.push('Nothing to do before ', figure(next, ''), '.')
  else answer.push('Nothing to renew.')
  return { answer, behind: behind(boxes, nowMs, zone) }
}

/** The next day at the oven is the answer, once it is planned; what is over, and what no beads would help, stand before it. */
function plannedAnswer(boxes: readonly SentenceBox[], { pieces, then }: PlanSpoken): Piece[] {
  const over = boxes.filter(box => box.judgement.word === 'over since').map(box => box.name)
  const first = [
    ...(over.length > 0 ? [`${and(over)} ${over.length > 1 ? 'are' : 'is'} over`] : []),
    ...amissActs(boxes),
  ]
  return [
    ...(first.length > 0 ? [`${first.join('. ')}. `] : []),
    ...pieces,
    ...(then === null ? ['.'] : ['. Then ', then, '.']),
  ]
}

function amissActs(boxes: readonly SentenceBox[]): string[] {
  return AMISS_ACTS.flatMap(([cause, act]) => {
    const names = boxes.flatMap(({ name, judgement }) =>
      judgement.word === 'amiss' && judgement.cause === cause ? [name] : [],
    )
    return names.length > 0 ? [act(names)] : []
  })
}

const AMISS_ACTS: readonly (readonly [AmissCause, (names: readonly string[]) => string])[] = [
  ['leak', names => `Seal ${and(names)}`],
  ['damp', names => `Dry what came damp into ${and(names)}`],
  ['display', names => `Check the display of ${and(names)}`],
]
const MOST_LINES = 3
/** Longer than this, a forecast goes on by itself. */
const LONG_UNREAD_MS = 45 * 86_400_000

function behind(boxes: readonly SentenceBox[], nowMs: number, zone: string): Piece[] {
  const lines: Piece[][] = []
  const early = boxes.filter(box => box.lookAgainMs !== null && box.lookAgainMs > nowMs)
  if (early[0])
    lines.push([
      `${and(early.map(box => box.name))} ${early.length > 1 ? 'want' : 'wants'} a second look `,
      { text: againText(early[0].lookAgainMs!, nowMs, zone), box: early[0].name, figure: 'look again' },
      '. ',
    ])
  const settling = boxes.filter(box => box.judgement.word === 'settling')
  const [first] = settling
  if (first?.judgement.word === 'settling') {
    const readMs = msFromSeconds(first.judgement.readS)
    lines.push([
      `${and(settling.map(box => box.name))} ${settling.length > 1 ? 'are' : 'is'} renewed and settling: read ${settling.length > 1 ? 'them' : 'it'} `,
      { text: readMs <= nowMs ? 'now' : againText(readMs, nowMs, zone), box: first.name, figure: 'settles' },
      '. ',
    ])
  }
  const again = boxes
    .flatMap(({ name, judgement }) =>
      judgement.word === 'read again' ? [{ name, readS: judgement.readS }] : [],
    )
    .sort((a, b) => a.readS - b.readS)
  if (again[0])
    lines.push([
      `How long ${and(again.map(item => item.name))} ${again.length > 1 ? 'last' : 'lasts'} is not known yet: read ${again.length > 1 ? 'them' : 'it'} `,
      {
        text: againText(msFromSeconds(again[0].readS), nowMs, zone),
        box: again[0].name,
        figure: 'read again',
      },
      '. ',
    ])
  const unread = boxes.filter(
    ({ lastReadMs, judgement }) =>
      lastReadMs != null && nowMs - lastReadMs > LONG_UNREAD_MS && judgement.word !== 'not known',
  )
  if (unread.length > 0)
    lines.push([
      `${and(unread.map(box => box.name))} ${unread.length > 1 ? 'have' : 'has'} not been read for ${lengthText(nowMs - greatest(unread.map(box => box.lastReadMs!)))}: a reading tells more than any reckoning. `,
    ])
  for (const { name, judgement } of boxes) {
    if (judgement.word === 'may be over')
      lines.push([`${name} holds, with ${chanceWords(judgement.chance)} that it is over: read it. `])
    if (judgement.word === "can't reach")
      lines.push([`${name} can’t reach its target: ${judgement.wouldDo} would do. `])
    if (judgement.word === 'not known') lines.push([`${name}: ${judgement.todo}. `])
  }
  return lines.slice(0, MOST_LINES).flat()
}
