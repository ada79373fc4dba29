import { greatest } from '#units/extremes.ts'
import { useMemo } from 'react'
import { Link, useParams } from 'react-router'
import { dayEnergyAnswer, presentAnswer } from '#core/answers/plan-answers.ts'
import { endWeightAnswer } from '#core/answers/heat-answers.ts'
import { cautionsAt, type Caution } from '#core/renewal/cautions.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { daySheets, type DaySheet } from '#session/oven-plan/day-sheets.ts'
import type { PlanQuestion } from '#session/oven-plan/plan-question.ts'
import { useOvenPlan } from '#session/oven-plan/use-oven-plan.ts'
import { Cautions } from '#ui/cautions.tsx'
import { dayOf } from '#ui/dates.ts'
import { Figure } from '#ui/figure.tsx'
import { inTenths, THIN } from '#ui/format.ts'
import { degreesText, minutesText } from '#ui/heat-text.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { BatchDrawing } from './batch-drawing.tsx'
import { BeginDay } from './begin-day.tsx'
import { DaysForCalendar } from './days-for-calendar.tsx'
import { clockOf, DayLine } from './day-line.tsx'
import { chargesOf, comesFrom, lyingIn } from './lying.ts'
import { numberWord } from '#ui/number-words.ts'
import { boxesWords, capital, longDateOfDay } from '#ui/plan-words.ts'
import hand from '#ui/hand.module.css'
import ruled from '#ui/ruled.module.css'
import css from './plan.module.css'

/** The sheet for one day: what to have ready, which box in which order, how long, what to weigh, where it goes back. */
export function DayPage() {
  const { id: iso } = useParams()
  const { nowMs } = useJournal()
  const { base, maker } = useJournalTools()
  const { question, plan, done, count } = useOvenPlan(dayOf(nowMs, maker.zone))
  const sheets = useMemo(() => (question && plan ? daySheets(question, plan) : []), [question, plan])
  const sheet = sheets.find(one => one.iso === iso)
  if (!question || !plan)
    return (
      <main className={hand.page} data-place="renew">
        <h1 className={hand.answer} aria-live="polite">
          Reckoning …
        </h1>
        <p className={hand.behind}>
          {done} of {count} done.
        </p>
      </main>
    )
  if (!sheet)
    return (
      <main className={hand.page} data-place="renew">
        <h1 className={hand.answer}>No oven is wanted on that day.</h1>
        <p className={hand.behind}>
          The plan has changed, or the day is past. <Link to={`${base}/renew`}>To the plan</Link>
        </p>
      </main>
    )
  return <Sheet question={question} sheets={sheets} sheet={sheet} />
}

function Sheet({
  question,
  sheets,
  sheet,
}: {
  readonly question: PlanQuestion
  readonly sheets: readonly DaySheet[]
  readonly sheet: DaySheet
}) {
  const { base, maker } = useJournalTools()
  const measures = useMeasures()
  const { choice, dialC, air } = question
  const { time, batches, round } = sheet
  const day = sheets.indexOf(sheet)
  const date = longDateOfDay(question, sheet.day, maker.zone)
  const nameOf = (boxId: string) => question.boxes.find(box => box.boxId === boxId)?.name ?? 'a box'
  const charges = chargesOf(question)
  const chargeName = (id: string) => charges.find(one => one.chargeId === id)?.name ?? 'beads'
  const goesTo = (id: string) => {
    const back = round.back.find(one => one.chargeId === id)
    return back ? nameOf(back.boxId) : 'a sealed jar, to lie ready'
  }
  return (
    <main className={`${hand.page} ${css.paper}`} data-place="renew" data-sheet={sheet.iso}>
      <div className={css.head}>
        <div>
          <h1 className={hand.answer}>
            {date}: {boxesWords(sheet.boxIds.length)},{' '}
            {batches.length === 0
              ? 'no heat'
              : batches.length === 1
                ? 'one batch'
                : `${numberWord(batches.length)} batches`}
            .
          </h1>
          <p className={hand.behind}>
            {clockOf(0)}–{clockOf(time.minutes)};{' '}
            <Figure answer={presentAnswer(time)}>{minutesText(time.presentMinutes)}</Figure> there
            {time.aloneMinutes > 0 && `, ${minutesText(time.aloneMinutes)} cooling alone`}
            {batches.length > 0 && (
              <>
                . {choice.name}
                {dialC !== null && ` at ${degreesText(measures, dialC)}`},{' '}
                <Figure answer={dayEnergyAnswer(choice.source, air.roomC, sheet)} after=".">
                  {inTenths(sheet.kWh)}
                  {THIN}kWh
                </Figure>
              </>
            )}
          </p>
        </div>
        <BeginDay question={question} sheet={sheet} />
      </div>
      <p className={`${css.ways} ${css.screenOnly}`}>
        <Link to={`${base}/renew`} className={hand.worded}>
          The plan
        </Link>
        <button type="button" className={hand.worded} onClick={() => window.print()}>
          Print it
        </button>
        <DaysForCalendar question={question} sheets={sheets} />
      </p>
      <div className={css.daySheet}>
        <div>
          {round.swaps.length > 0 && (
            <section aria-labelledby="swaps">
              <h2 id="swaps">Spares first</h2>
              <table className={ruled.table} data-part="swaps">
                <thead>
                  <tr>
                    <th>Box</th>
                    <th>Comes out</th>
                    <th>Goes in at once</th>
                  </tr>
                </thead>
                <tbody>
                  {round.swaps.map(({ boxId, outId, inId }) => (
                    <tr key={outId}>
                      <th scope="row">{nameOf(boxId)}</th>
                      <td>
                        <Narrow>out: </Narrow>
                        {chargeName(outId)}, to be heated
                      </td>
                      <td>
                        <Narrow>in at once: </Narrow>
                        {chargeName(inId)}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </section>
          )}
          {batches.map((batch, i) => (
            <section key={batch.chargeIds.join()} aria-labelledby={`batch-${i}`}>
              <h2 id={`batch-${i}`}>
                <span className={css.batchTime}>
                  {clockOf(time.hot[i]!.from)}–{clockOf(time.hot[i]!.to)}
                </span>{' '}
                Batch {i + 1}: {measures.weight.text(batch.grams)}, {minutesText(batch.minutes)}
              </h2>
              <div className={css.batchRow}>
                <table className={ruled.table} data-part="batch">
                  <thead>
                    <tr>
                      <th>Out of</th>
                      <th>Beads</th>
                      <th>Done at</th>
                      <th>Then into</th>
                    </tr>
                  </thead>
                  <tbody>
                    {batch.chargeIds.map(id => (
                      <tr key={id}>
                        <th scope="row">{comesFrom(question, sheets, day, id) ?? chargeName(id)}</th>
                        <td>
                          {measures.weight.text(charges.find(one => one.chargeId === id)!.dryMassG)} dry
                        </td>
                        <td>
                          <Narrow>done at </Narrow>
                          <EndWeight question={question} id={id} />
                        </td>
                        <td>
                          <Narrow>then into </Narrow>
                          {goesTo(id)}
                        </td>
                      </tr>
                    ))}
                  </tbody>
                </table>
                <BatchDrawing
                  lying={lyingIn(question, sheets, day, i)}
                  source={choice.source}
                  name={choice.name}
                />
              </div>
            </section>
          ))}
          {round.waiting.length > 0 && (
            <p>
              Stays damp until a later day, closed and marked: {round.waiting.map(chargeName).join(', ')}.
            </p>
          )}
        </div>
        <div>
          <section aria-labelledby="ready">
            <h2 id="ready">Have ready</h2>
            <ul className={css.ready}>
              {readyList(question, sheet).map(one => (
                <li key={one}>{one}</li>
              ))}
            </ul>
          </section>
          <section aria-labelledby="hours">
            <h2 id="hours">The hours</h2>
            <DayLine time={time} widthPx={300} />
          </section>
          <Cautions list={cautionsOf(question, sheet)} />
        </div>
      </div>
    </main>
  )
}

/** On the phone a table has no heads: its cells say what they are. */
const Narrow = ({ children }: { readonly children: string }) => (
  <span className={css.narrowWord}>{children}</span>
)

/** The weight at which it is done, the holder in it where its weight is told. */
function EndWeight({ question, id }: { readonly question: PlanQuestion; readonly id: string }) {
  const { weight } = useMeasures()
  const plan = question.plans.get(id)
  const toHeat =
    question.boxes.flatMap(box => box.charges).find(one => one.charge.chargeId === id)?.toHeat ??
    question.spares.find(one => one.charge.chargeId === id)?.toHeat
  if (!plan || !toHeat) return null
  const { low, high } = plan.endWeightG
  return (
    <>
      <Figure answer={endWeightAnswer({ charge: toHeat }, plan)}>
        {weight.text(Math.round(low))} to {weight.text(Math.round(high))}
      </Figure>
      <small>{toHeat.tareG === null ? 'the beads alone' : 'in their holder'}</small>
    </>
  )
}

/** What to take and lay out, for these beads in this source. */
export function readyList({ choice }: PlanQuestion, { batches, round, boxIds }: DaySheet): string[] {
  const dishes = Math.max(greatest(batches.map(batch => batch.chargeIds.length)), 0)
  return [
    ...(batches.length > 0
      ? [
          `${choice.name}, its trays empty and clean`,
          `${capital(numberWord(dishes))} metal or glass ${dishes === 1 ? 'dish' : 'dishes'}, and as many covers`,
          'A scale that shows a gram, or a tenth',
          'Gloves for the trays, and a board that stands heat',
          'A mark for each dish: which box it came out of',
        ]
      : []),
    ...(round.swaps.length > 0
      ? [
          `${capital(numberWord(round.swaps.length))} ${round.swaps.length === 1 ? 'spare' : 'spares'}, still sealed`,
        ]
      : []),
    `The displays of ${boxesWords(boxIds.length)} taken out before anything is hot`,
  ]
}

/** Of all the beads of the day; each caution once. */
function cautionsOf({ choice, temperatureC, ...question }: PlanQuestion, { batches }: DaySheet): Caution[] {
  const ids = batches.flatMap(batch => batch.chargeIds)
  const all = chargesOf(question)
    .filter(charge => ids.includes(charge.chargeId))
    .flatMap(charge =>
      cautionsAt({
        step: 'heat the beads',
        indicator: charge.indicator,
        oven: choice.source.kind,
        desiccant: charge.desiccant,
        holder: charge.holder,
        temperatureC: temperatureC ?? Number.NaN,
      }),
    )
  return all.filter((one, i) => all.findIndex(other => other.id === one.id) === i)
}
