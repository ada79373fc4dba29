import type { Answer } from '#core/answer.ts'
import { streamAnswer } from '#core/answers/answers.ts'
import { CONTAINERS } from '#core/container/container.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import type { BoxView } from '#journal/box-view.ts'

export interface Flow {
  readonly name: string
  readonly because: string
  readonly answer: Answer
  readonly pencil: boolean
  /** mg a day, 10 and 90 % of all draws. */
  readonly range: { readonly low: number; readonly high: number }
}

/** Every way water comes in, largest first; a spool goes together with its board. */
export function flowsOf(view: BoxView, report: BoxReport): Flow[] {
  const spoolName = new Map(view.spools.map(spool => [spool.spoolId, spool]))
  const flows: Flow[] = []
  for (const stream of report.streams) {
    const { by: kind } = stream.way
    if (kind === 'charge') continue
    const spool = 'id' in stream.way ? spoolName.get(stream.way.id) : undefined
    const name =
      kind === 'spool'
        ? (spool?.name ?? 'spool')
        : kind === 'board'
          ? `${spool?.name ?? 'spool'}, card`
          : kind
    const because =
      kind === 'lid'
        ? view.box.lid === 'unknown'
          ? 'not told'
          : (LID_WORDS[view.box.lid] ?? '')
        : kind === 'openings'
          ? `${view.box.openingsPerMonth} a month`
          : kind === 'spool'
            ? 'damp'
            : kind === 'board'
              ? 'damp board'
              : CONTAINERS[view.box.container].wall
    flows.push({
      name,
      because,
      answer: streamAnswer(name, stream, 'computed'),
      range: stream.spread,
      pencil: kind === 'wall' || kind === 'openings' || (kind === 'lid' && view.box.lidKnown === 'assumed'),
    })
  }
  return flows.sort((a, b) => b.answer.value - a.answer.value)
}

const LID_WORDS: Readonly<Record<string, string>> = {
  clips: 'clips',
  'clips-port': 'clips, port',
  foam: 'foam strip',
  snap: 'snap lid',
  zip: 'zip',
  vented: 'vented',
}
