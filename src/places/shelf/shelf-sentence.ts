import { msFromSeconds } from '#units/time.ts'
import type { BoxJudgement } from '#core/verdict/box.ts'
import { againText, dayText, isoDay } from '#draw/dates.ts'

export interface SentenceBox {
  readonly name: string
  readonly judgement: BoxJudgement
  readonly lookAgainMs: number | null
  readonly reckoning: boolean
  readonly targetRhPercent: number | null
}

const and = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`

/** The shelf's answer in one sentence, and one more with what lies behind it. */
export function shelfSentence(
  boxes: readonly SentenceBox[],
  nowMs: number,
  zone: string,
): { answer: string; behind: string } {
  if (boxes.some(box => box.reckoning))
    return { answer: 'Reckoning …', behind: 'Each box is run through its whole history some hundred times.' }
  const isToday = (seconds: number) => isoDay(msFromSeconds(seconds), zone) === isoDay(nowMs, zone)
  const day = (seconds: number) => dayText(msFromSeconds(seconds), nowMs, zone)
  const over = boxes.filter(box => box.judgement.word === 'over since')
  const due = boxes
    .flatMap(box =>
      box.judgement.word === 'renew by' ? [{ name: box.name, dateS: box.judgement.dateS }] : [],
    )
    .sort((a, b) => a.dateS - b.dateS)
  const good = boxes
    .flatMap(box => (box.judgement.word === 'good until' ? [box.judgement.dateS] : []))
    .sort((a, b) => a - b)
  const next = good[0] === undefined ? '' : ` Then nothing before ${day(good[0])}.`
  const parts: string[] = []
  if (over.length > 0) parts.push(`Renew ${and(over.map(box => box.name))} now`)
  const first = due[0]
  if (first) {
    const names = and(due.map(item => item.name))
    parts.push(
      `${over.length > 0 ? '' : 'Renew '}${names} ${isToday(first.dateS) ? 'today' : `by ${day(first.dateS)}`}`,
    )
  }
  const answer =
    parts.length > 0
      ? `${parts.join(', ')}.${next}`
      : good[0] === undefined
        ? 'Nothing to renew.'
        : `Nothing to do before ${day(good[0])}.`
  return { answer, behind: behind(boxes, nowMs, zone) }
}

function behind(boxes: readonly SentenceBox[], nowMs: number, zone: string): string {
  const lines: string[] = []
  const early = boxes.filter(box => box.lookAgainMs !== null && box.lookAgainMs > nowMs)
  if (early[0])
    lines.push(
      `${and(early.map(box => box.name))} ${early.length > 1 ? 'want' : 'wants'} a second look ${againText(early[0].lookAgainMs!, nowMs, zone)}.`,
    )
  for (const box of boxes) {
    if (box.judgement.word === "can't reach")
      lines.push(`${box.name} can’t reach ${box.targetRhPercent} %: ${box.judgement.wouldDo} would do.`)
    if (box.judgement.word === 'not known') lines.push(`${box.name}: ${box.judgement.todo}.`)
  }
  return lines.slice(0, 3).join(' ')
}
