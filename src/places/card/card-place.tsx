import { useQuery } from '@tanstack/react-query'
import { Link, useParams } from 'react-router'
import { CONTAINERS } from '#core/container/container.ts'
import { LIDS } from '#core/container/lid.ts'
import { dayText, shortDayText } from '#ui/dates.ts'
import { afterWords, toldOf } from '#ui/first-day-words.ts'
import { instrumentFor } from '#journal/instruments.ts'
import { lastClosing } from '#session/closing.ts'
import { shownBy } from '#session/expectation.ts'
import { BoxDrawing } from '#draw/box-drawing.tsx'
import { HatchDefs } from '#draw/hatch.tsx'
import { THIN, asTyped, inWhole } from '#ui/format.ts'
import { beadsInG, kindsText } from '#ui/beads-figure.tsx'
import { AnswerLine } from '#ui/answer-line.tsx'
import { judge } from '#session/judgement.ts'
import { OnlyHere } from '#ui/only-here.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { knownBox, type KnownBox } from '#session/known-box.ts'
import { firstDayQuery, useReport } from '#session/reports.ts'
import { vesselOf } from '#draw/vessel-of.ts'
import { QrCode } from '#draw/qr-code.tsx'
import hand from '#ui/hand.module.css'
import css from './card.module.css'
import pen from '#draw/pen.module.css'

/** A card for the box itself, A6: what is in it, until when it holds, and a code that opens its page. */
export default function CardPlace() {
  const journal = useJournal()
  const { boxId = '' } = useParams()
  const { base } = useJournalTools()
  const known = knownBox(journal, boxId)
  if (!known)
    return (
      <main className={hand.page} data-place="card">
        <h1 className={hand.answer}>No such box</h1>
        <Link to={`${base}/`}>To the shelf</Link>
      </main>
    )
  return <Card known={known} />
}

const DRAWING = { width: 190, height: 150 }
const BOARD = 6
const LID = 16

function Card({ known: { view, facts } }: { readonly known: KnownBox }) {
  const journal = useJournal()
  const tools = useJournalTools()
  const { nowMs } = journal
  const { base, maker } = tools
  const { weight, volume } = useMeasures()
  const { data: report } = useReport(view.box.boxId, facts)
  const { box, spools, charges, target } = view
  const closing = lastClosing(journal, box.boxId)
  const { data: promise } = useQuery(firstDayQuery(tools, box.boxId, closing?.facts))
  const shown = shownBy(journal.state, instrumentFor(journal.state, box.boxId), nowMs)
  const scale = Math.min((DRAWING.width - 20) / box.widthMm, (DRAWING.height - LID - BOARD) / box.heightMm)
  const address = `${window.location.href.split('#')[0]!}#${base}/box/${box.boxId}`
  const line = DRAWING.height - BOARD
  return (
    <main className={`${hand.page} ${css.cardPlace}`} data-place="card">
      <div className={css.cardActs}>
        <Link to={`${base}/box/${box.boxId}`} className={hand.worded}>
          Back to {box.name}
        </Link>
        <button type="button" className={hand.filled} onClick={() => window.print()}>
          Print it, A6
        </button>
        <OnlyHere />
      </div>
      <div className={css.cardSheet} tabIndex={0}>
        <article className={css.card} data-part="card" aria-label={`Card of ${box.name}`}>
          <header>
            <h1>{box.name}</h1>
            {target && (
              <p>
                keep below {asTyped(target.rhPercent)}
                {THIN}% RH
              </p>
            )}
          </header>
          <div className={css.cardMiddle}>
            <svg className={pen.drawing} width={DRAWING.width} height={DRAWING.height} aria-hidden="true">
              <HatchDefs spools={spools} dark={false} />
              <rect x="0" y={line} width={DRAWING.width} height="4" className={pen.board} />
              <path d={`M0 ${line}H${DRAWING.width}`} className={pen.boardLine} />
              <BoxDrawing
                box={{ ...box, sizePencil: box.sizeKnown === 'assumed' }}
                spools={spools}
                vessel={vesselOf(view, report)}
                scale={scale}
                x={(DRAWING.width - box.widthMm * scale) / 2}
                y={line}
              />
            </svg>
            <QrCode text={address} label={`Opens the page of ${box.name}`} sizeMm={38} />
          </div>
          <ul className={css.cardContents}>
            {spools.map(spool => (
              <li key={spool.spoolId}>
                <strong>{spool.name}</strong> {spool.material}, {weight.text(spool.filamentG)} left, below{' '}
                {view.materials[spool.material].targetRhPercent}
                {THIN}%
              </li>
            ))}
            {spools.length === 0 && <li>no spools</li>}
            <li>
              {charges.length > 0
                ? `${weight.text(beadsInG(charges))} of ${kindsText(charges)}`
                : 'no beads told'}
              , {facts && volume.text(facts.insideL)} {CONTAINERS[box.container].name}, {LIDS[box.lid].name}
            </li>
          </ul>
          <footer>
            <p className={css.cardAnswer}>
              <AnswerLine
                view={view}
                report={report}
                judgement={judge(view, report, nowMs)}
                nowMs={nowMs}
                zone={maker.zone}
              />
            </p>
            {promise && (
              <p data-part="card-first-days">
                Closed {shortDayText(closing!.closedMs, nowMs, maker.zone)}, it should show{' '}
                {toldOf(promise, shown)
                  .map(
                    ({ hours, points }) =>
                      `${inWhole(points[0]!)}–${inWhole(points[18]!)} after ${afterWords(hours)}`,
                  )
                  .join(', ')}
                {THIN}%
              </p>
            )}
            <p>as of {dayText(nowMs, 0, maker.zone)}. Beads are not food.</p>
          </footer>
        </article>
      </div>
    </main>
  )
}
