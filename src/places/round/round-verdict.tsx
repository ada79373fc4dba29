import { useMemo } from 'react'
import type { BoxReport } from '#core/estimate/report.ts'
import type { TemperatureScale } from '#core/reading/scale-slip.ts'
import type { Expectation } from '#core/reading/slips.ts'
import { celsiusFromFahrenheit } from '#units/temperature.ts'
import { CONTAINERS } from '#core/container/container.ts'
import { boxView } from '#journal/box-view.ts'
import { instrumentFor } from '#journal/instruments.ts'
import { againText } from '#ui/dates.ts'
import { Approx } from '#ui/figure.tsx'
import { inWhole, THIN } from '#ui/format.ts'
import { markColour, StateMark } from '#draw/state-mark.tsx'
import { AnswerLine } from '#ui/answer-line.tsx'
import { judge } from '#session/judgement.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { knownBox } from '#session/known-box.ts'
import { useReport } from '#session/reports.ts'
import { parseDecimal } from '#ui/decimal.ts'
import type { RoundForm } from './round-form.ts'
import type { RoundStep } from './round-steps.ts'
import { stateWith } from './would-be.ts'
import css from './round.module.css'
import hand from '#ui/hand.module.css'

interface Props {
  readonly step: RoundStep
  readonly form: RoundForm
  readonly scale: TemperatureScale
  readonly readAtMs: number
  /** The reckoning before this reading. */
  readonly before: BoxReport | undefined
  readonly expected: Expectation
  readonly replaces: string | null
  /** While the hand still moves: shown, not read aloud. */
  readonly quiet: boolean
}

/** What the reading would mean: its word at once, its date as soon as it is reckoned. */
export function RoundVerdict(props: Props) {
  const { step, form, expected } = props
  const journal = useJournal()
  const rh = parseDecimal(form.humidity)
  const box = step.in === 'box' ? journal.state.boxes.get(step.id) : undefined
  const spools = box ? (boxView(journal.state, box.boxId, journal.nowMs)?.spools.length ?? 0) : 0
  return (
    <div className={css.roundVerdict}>
      <div className={css.roundName}>
        <h1>{step.name}</h1>
        <span className={hand.aside}>
          {box
            ? `${CONTAINERS[box.container].name}, ${spools === 1 ? 'one spool' : `${spools} spools`}`
            : 'the air outside the boxes'}
        </span>
      </div>
      <div className={css.roundSaid} aria-live={props.quiet ? 'off' : 'polite'}>
        {box ? (
          Number.isFinite(rh) && rh >= 0 && rh <= 100 ? (
            <BoxVerdict {...props} rh={rh} boxId={box.boxId} />
          ) : (
            <p className={`${css.roundWord} ${hand.pencil}`}>Type what the display shows</p>
          )
        ) : (
          <p className={`${css.roundWord} ${hand.pencil}`}>Read it outside the boxes first</p>
        )}
        <Expected expected={expected} rh={rh} />
      </div>
    </div>
  )
}

function BoxVerdict({
  step,
  form,
  scale,
  readAtMs,
  replaces,
  rh,
  boxId,
}: Props & { readonly rh: number; readonly boxId: string }) {
  const journal = useJournal()
  const { maker } = useJournalTools()
  const { water } = useMeasures()
  const typed = parseDecimal(form.temperature)
  const temperatureC = Number.isFinite(typed) ? (scale === 'C' ? typed : celsiusFromFahrenheit(typed)) : 20
  const wouldBe = useMemo(() => {
    const state = stateWith(
      journal.state,
      {
        id: 'as-typed',
        actId: 'as-typed',
        atMs: readAtMs,
        place: { in: 'box', boxId },
        instrumentId: instrumentFor(journal.state, boxId)?.instrumentId ?? '',
        relativeHumidityPercent: rh,
        temperatureC,
        temperatureKnown: 'measured',
      },
      form.opened,
      replaces,
    )
    return knownBox({ ...journal, state, nowMs: Math.max(journal.nowMs, readAtMs) }, boxId)!
  }, [journal, readAtMs, boxId, rh, temperatureC, form.opened, replaces])
  const { view, facts } = wouldBe
  const { data: report, isFetching } = useReport(step.id, facts, true)
  const reading = view.readings.find(item => item.id === 'as-typed') ?? view.last
  const nowMs = Math.max(journal.nowMs, readAtMs)
  const judgement = judge(view, report, nowMs)
  // as it is typed: the floor is the display's
  const atFloor = rh <= view.hygrometer.floorPercentRh
  const word = reading?.word
  const charge = report?.held
  return (
    <>
      <p className={css.roundWord} data-word={word ?? 'no target'}>
        {word && <StateMark word={word} />}
        <span style={{ color: word ? markColour(word) : undefined }}>
          {word ? `${word[0]!.toUpperCase()}${word.slice(1)}.` : 'No spool, so no target.'}
        </span>{' '}
        {reading?.lookAgainMs ? (
          <>Look again {againText(reading.lookAgainMs, nowMs, maker.zone)}</>
        ) : isFetching && !report ? (
          <span className={hand.pencil}>Reckoning …</span>
        ) : (
          word && (
            <AnswerLine view={view} report={report} judgement={judgement} nowMs={nowMs} zone={maker.zone} />
          )
        )}
      </p>
      <p className={css.roundHeld} data-part="round-held">
        {atFloor && (
          <>
            At or below {inWhole(view.hygrometer.floorPercentRh)}
            {THIN}%: this display shows no less.{' '}
          </>
        )}
        {charge && charge.notchG !== null && charge.notchG > 0 && (
          <>
            The beads hold {water.bare(charge.waterG)} of the {water.text(charge.notchG)} that keep{' '}
            {inWhole(view.target?.rhPercent ?? 0)}
            {THIN}%.
          </>
        )}
      </p>
    </>
  )
}

/** Of a display's error, what is new each time. */
const NEW_ERROR_SHARE = 0.6

function Expected({ expected, rh }: { readonly expected: Expectation; readonly rh: number }) {
  const range = expected.rhPercent
  if (!range)
    return <p className={hand.aside}>Nothing to expect yet: this will be its first reckoned reading.</p>
  const [low, high] = [Math.round(range.low), Math.round(range.high)]
  // what the display itself may be off, from one reading to the next
  const margin = NEW_ERROR_SHARE * expected.accuracyPercentRh
  return (
    <p className={hand.aside}>
      Expected <Approx />
      {inWhole(range.middle)} ({low === high ? low : `${low}–${high}`})
      {Number.isFinite(rh) &&
        (rh >= range.low - margin && rh <= range.high + margin
          ? ', so this is no surprise.'
          : ', so this is a surprise.')}
    </p>
  )
}
