import type { BoxReport } from '#core/estimate/report.ts'
import { readingAnswer, targetAnswer } from '#core/answers/answers.ts'
import type { BoxJudgement } from '#core/verdict/box.ts'
import type { BoxView } from '#journal/box-view.ts'
import { shortDayText } from '#ui/dates.ts'
import { FigureInk } from '#ui/figure.tsx'
import { THIN, asTyped, shortName, readText } from '#ui/format.ts'
import { judgementWords } from '#ui/judgement-words.ts'
import { markColour, StateMark, type MarkWord } from '#draw/state-mark.tsx'
import { InkLink } from '#ui/ink-link.tsx'
import { SLIP } from '#draw/shelf-layout.ts'
import pen from '#draw/pen.module.css'
import css from './shelf.module.css'
import hand from '#ui/hand.module.css'

interface Props {
  readonly view: BoxView
  readonly report: BoxReport | undefined
  readonly judgement: BoxJudgement
  readonly nowMs: number
  readonly zone: string
  readonly x: number
  readonly y: number
}

/** Letters a slip has room for; the whole name is its link's. */
const MOST_LETTERS = 17

/** The shelf-edge label: name, reading of target, and the judgement with its date. */
export function BoxSlip({ view, report, judgement, nowMs, zone, x, y }: Props) {
  const { box, last, target } = view
  const pencil = last === null
  const word: MarkWord = markWord(judgement, last?.word ?? 'not known')
  const c = 7
  // three digits push what follows along
  const letters = last ? readText(last).length : 2
  const wide = 7 * Math.max(0, letters - 2)
  const { width, height } = SLIP
  return (
    <g
      transform={`translate(${x} ${y})`}
      className={pencil ? pen.pencilLines : undefined}
      data-slip={box.boxId}
    >
      <path d="M12 -4V0M158 -4V0" className={pen.slipPins} />
      <path
        className={pen.slipPaper}
        d={`M0 0H${width}V${height - c}L${width - c} ${height}H${c}L0 ${height - c}Z`}
      />
      <InkLink to={`/box/${box.boxId}`} label={`${box.name}: open the box`}>
        <text x="9" y="18" className={css.slipName} data-part="slip-name">
          {shortName(box.name, MOST_LETTERS)}
        </text>
      </InkLink>
      <g transform="translate(9 30)">
        <StateMarkInk word={word} />
        {last && target ? (
          <>
            <FigureInk
              answer={readingAnswer(
                'reading',
                last,
                `taken ${shortDayText(last.atMs, nowMs, zone)}, ±${view.hygrometer.accuracyPercentRh} %`,
              )}
            >
              <text x="21" y="5" className={hand.strong}>
                {readText(last)}
                {THIN}%
              </text>
              <path
                className={pen.inkTick}
                d={`M${23 + 8 * readText(last).length + 13} -2.4l1.7 1.8 3 -4.1`}
              />
            </FigureInk>
            <FigureInk
              answer={targetAnswer(
                target.all.map(item => ({ name: item.spool.name, rhPercent: item.rhPercent })),
              )}
            >
              <text x={60 + wide} y="5">
                of {asTyped(target.rhPercent)}
              </text>
            </FigureInk>
            <text
              x={97 + wide}
              y="5"
              className={pen.inkWord}
              style={{ fill: markColour(word === "can't reach" ? (last.word ?? 'not known') : word) }}
            >
              {judgement.word === 'settling' ? 'before' : last.word}
            </text>
          </>
        ) : (
          <>
            <text x="21" y="5" className={pen.inkAside}>
              {target ? 'no reading' : 'no spool, no target'}
            </text>
            {target && (
              <FigureInk
                answer={targetAnswer(
                  target.all.map(item => ({ name: item.spool.name, rhPercent: item.rhPercent })),
                )}
              >
                <text x="90" y="5" className={pen.inkAside}>
                  of {asTyped(target.rhPercent)}
                </text>
              </FigureInk>
            )}
          </>
        )}
      </g>
      <JudgementInk {...{ view, report, judgement, nowMs, zone }} />
    </g>
  )
}

/** A reading from before the renewal is no word on what is in it now. */
const markWord = (judgement: BoxJudgement, last: MarkWord): MarkWord =>
  judgement.word === "can't reach" ? "can't reach" : judgement.word === 'settling' ? 'too early' : last

const StateMarkInk = ({ word }: { readonly word: MarkWord }) => (
  <g transform="translate(0 -7)">
    <StateMark word={word} />
  </g>
)

function JudgementInk({ view, report, judgement, nowMs, zone }: Omit<Props, 'x' | 'y'>) {
  const words = judgementWords(judgement, report, nowMs, zone, true)
  if (!words) return null
  const { lead, figure, tail } = words
  const text = (
    <text
      x="9"
      y="52"
      className={
        (figure === null && judgement.word !== 'amiss') || view.known.word === 'reckoned'
          ? pen.inkAside
          : undefined
      }
    >
      {lead}
      {figure?.text}
      {tail}
    </text>
  )
  return figure ? <FigureInk answer={figure.answer}>{text}</FigureInk> : text
}
