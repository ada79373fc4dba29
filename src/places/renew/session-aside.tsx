import { Fragment } from 'react'
import { Link } from 'react-router'
import { totalAnswer } from '#core/answers/answers.ts'
import { dayEnergyAnswer, presentAnswer } from '#core/answers/plan-answers.ts'
import { moneyAnswer } from '#core/answers/heat-answers.ts'
import type { OvenSession } from '#core/renewal/oven-days.ts'
import type { DaySheet } from '#session/oven-plan/day-sheets.ts'
import type { PlanQuestion } from '#session/oven-plan/plan-question.ts'
import { useJournalTools, usePreferences } from '#session/journal-context.tsx'
import { Figure } from '#ui/figure.tsx'
import { inTenths, inWhole, THIN } from '#ui/format.ts'
import { degreesText, minutesText } from '#ui/heat-text.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { BatchDrawing } from './batch-drawing.tsx'
import { clockOf, DayLine } from './day-line.tsx'
import { lyingIn } from './lying.ts'
import { numberWord } from '#ui/number-words.ts'
import { boxesWords, capital, longDateOfDay } from '#ui/plan-words.ts'
import { SpareThreads } from './spare-threads.tsx'
import { whyWords } from './why-words.ts'
import css from './plan.module.css'
import hand from '#ui/hand.module.css'

const WIDTH = 326
const MOST_BATCHES = 2

/** One day of the plan: its batches, its hours, its reason, and what happens if nobody is there. */
export function SessionAside({
  question,
  sessions,
  sheets,
  sheet,
  widthPx,
  onWish,
}: {
  readonly question: PlanQuestion
  readonly sessions: readonly OvenSession[]
  readonly sheets: readonly DaySheet[]
  readonly sheet: DaySheet
  readonly widthPx: number
  readonly onWish: (wish: 'pinned' | 'struck' | null) => void
}) {
  const { maker, base } = useJournalTools()
  const measures = useMeasures()
  const { currency } = usePreferences().preferences
  const { zone } = maker
  const { choice, dialC, air } = question
  const width = Math.min(WIDTH, widthPx)
  const { why, skipped } = whyWords(question, sessions, sheet, zone)
  const { time, batches } = sheet
  const hasSwaps = sheets.some(one => one.round.swaps.length > 0)
  const date = longDateOfDay(question, sheet.day, zone)
  const isPinned = question.days[sheet.at]!.wish === 'pinned'
  const from = sheets.indexOf(sheet)
  return (
    <div className={css.aside} data-part="day" data-day={sheet.iso}>
      <section aria-label={`The day: ${date}`}>
        <h2>
          {date}: {boxesWords(sheet.boxIds.length)},{' '}
          {batches.length === 1 ? 'one batch' : `${numberWord(batches.length)} batches`}
        </h2>
        <div className={css.batches}>
          {batches.slice(0, MOST_BATCHES).map((batch, i) => (
            <div key={batch.chargeIds.join()}>
              <p className={css.batchTime}>
                {clockOf(time.hot[i]!.from)}–{clockOf(time.hot[i]!.to)}
              </p>
              <BatchDrawing
                lying={lyingIn(question, sheets, from, i)}
                source={choice.source}
                name={choice.name}
              />
            </div>
          ))}
        </div>
        {batches.length > 0 && (
          <p className={hand.pencil}>
            {batches.slice(0, MOST_BATCHES).map((batch, i) => (
              <Fragment key={batch.chargeIds.join()}>
                {batches.length > 1 && `${i + 1}: `}
                {lyingIn(question, sheets, from, i)
                  .map(one => `${one.label} ${measures.weight.text(one.grams)}`)
                  .join(', ')}
                .{' '}
              </Fragment>
            ))}
            {dialC !== null && `Dial at ${degreesText(measures, dialC)}. `}
            {batches.length > MOST_BATCHES &&
              `${capital(numberWord(batches.length - MOST_BATCHES))} more on the sheet.`}
          </p>
        )}
        <DayLine time={time} widthPx={width} />
        <p>
          <Figure answer={presentAnswer(time)} className={hand.strong}>
            {minutesText(time.presentMinutes)}
          </Figure>{' '}
          there, and by the oven while it is hot
          {time.aloneMinutes > 0 ? (
            <>
              ; <strong>{minutesText(time.aloneMinutes)}</strong> unattended, cooling under lids.
            </>
          ) : (
            '.'
          )}
        </p>
        {batches.length > 0 && (
          <p>
            <Figure answer={dayEnergyAnswer(choice.source, air.roomC, sheet)}>
              {inTenths(sheet.kWh)}
              {THIN}kWh
            </Figure>
            {choice.pricePerKwh !== null && (
              <>
                ,{' '}
                <Figure answer={moneyAnswer(sheet, choice.pricePerKwh, currency)}>
                  {new Intl.NumberFormat('en-GB', { style: 'currency', currency }).format(
                    sheet.kWh * choice.pricePerKwh,
                  )}
                </Figure>
              </>
            )}
            . Water out:{' '}
            <Figure
              answer={totalAnswer(
                'water out',
                'g',
                batches.flatMap(({ chargeIds }) =>
                  chargeIds.map(
                    id =>
                      [nameOfCharge(question, id), question.plans.get(id)?.waterOutG.middle ?? 0] as const,
                  ),
                ),
              )}
            >
              {inWhole(sheet.waterG)}
              {THIN}g
            </Figure>
            .
          </p>
        )}
        {sheet.isTooLong && (
          <p className={hand.notice} role="status">
            That is longer than the {minutesText(question.told.presentMinutes)} you have: begin earlier, or
            take a box to another day.
          </p>
        )}
        <p className={css.ways}>
          <Link to={`${base}/renew/day/${sheet.iso}`} className={hand.worded}>
            The sheet for that day
          </Link>
          <button type="button" className={hand.worded} onClick={() => onWish(isPinned ? null : 'pinned')}>
            {isPinned ? 'Let the day go' : 'Keep to this day'}
          </button>
          <button type="button" className={hand.worded} onClick={() => onWish('struck')}>
            Not on this day
          </button>
        </p>
      </section>
      {hasSwaps && (
        <section aria-label="Spares go round">
          <h2>Spares go round</h2>
          <SpareThreads question={question} sheets={sheets} widthPx={width} zone={zone} />
          <p className={hand.pencil}>
            A spare goes in at once; the beads that come out are heated later and wait in the jar.
          </p>
        </section>
      )}
      <section aria-label="Why this day">
        <h2>Why this day</h2>
        <p>{why.join(' ')}</p>
      </section>
      <section aria-label="If it is skipped">
        <h2>If it is skipped</h2>
        <p>{skipped.join(' ')}</p>
      </section>
    </div>
  )
}

function nameOfCharge({ boxes, spares }: PlanQuestion, id: string): string {
  const box = boxes.find(one => one.charges.some(({ charge }) => charge.chargeId === id))
  return box?.name ?? spares.find(one => one.charge.chargeId === id)?.charge.name ?? 'beads'
}
