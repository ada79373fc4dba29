import { greatest } from '#units/extremes.ts'
import { useEffect, useState } from 'react'
import { scaleStepG } from '#journal/scales.ts'
import { stepMs, type HeatedCharge, type SessionAt } from '#session/heating.ts'
import { dryingOf, hotWeights } from '#session/left-by-heat.ts'
import { stepDrafts } from '#session/heating-drafts.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { clockText } from '#ui/dates.ts'
import { ChoiceRow } from '#ui/choice-row.tsx'
import { inTenths, THIN } from '#ui/format.ts'
import { Refused } from '#ui/refused.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { degreesText } from '#ui/heat-text.ts'
import { DryingChart } from './drying-chart.tsx'
import { listOf } from './plain-step.tsx'
import { readGross } from './read-gross.ts'
import { useBell } from '#ui/use-bell.ts'
import { WeightKeys } from './weight-keys.tsx'
import hand from '#ui/hand.module.css'
import css from './heating.module.css'

const MINUTE_MS = 60_000

/** While it is hot: how long yet, what the scale says, and whether it still falls. */
export function HotStep({ at, nowMs }: { readonly at: SessionAt; readonly nowMs: number }) {
  const { state } = useJournal()
  const { maker } = useJournalTools()
  const measures = useMeasures()
  const { weight, water } = measures
  const write = useWriteAct()
  const { session, todo, batches } = at
  const batch = batches[todo!.batch]!
  const inMs = batch.inMs!
  const hot = at.charges.filter(one => one.batch === todo!.batch)
  const [chosenId, setChosen] = useState(hot[0]?.charge.chargeId ?? '')
  const chosen = hot.find(one => one.charge.chargeId === chosenId) ?? hot[0]!
  const stepG = scaleStepG(state)
  const dryings = new Map(hot.map(one => [one.charge.chargeId, dryingOf(state, at, one, inMs, stepG)]))
  const all = [...dryings.values()].filter(one => one !== null)
  const endMinutes =
    all.length === 0
      ? null
      : {
          low: greatest(all.map(one => one.doneAtMinutes.low)),
          middle: greatest(all.map(one => one.doneAtMinutes.middle)),
          high: greatest(all.map(one => one.doneAtMinutes.high)),
        }
  const isDone = all.length > 0 && all.every(one => one.isDone)
  const dueMs = inMs + (endMinutes?.middle ?? batch.minutes) * MINUTE_MS
  const names = listOf(hot.map(one => one.boxName ?? one.charge.name))
  useBell(dueMs, nowMs, `${names}: look at the oven`)
  const leftMinutes = Math.ceil((dueMs - nowMs) / MINUTE_MS)
  useEffect(() => {
    const before = document.title
    document.title = leftMinutes > 0 ? `${leftMinutes} min · ${names}` : `Look: ${names}`
    return () => void (document.title = before)
  }, [leftMinutes, names])
  const one = dryings.get(chosen.charge.chargeId) ?? null
  const lastG =
    session.weighings.findLast(item => item.chargeId === chosen.charge.chargeId)?.grossG ?? chosen.inGrossG
  const at1 = (minutes: number) => clockText(inMs + minutes * MINUTE_MS, maker.zone)
  const out = () =>
    write.mutate({
      what: `${names}: out of the oven`,
      drafts: stepDrafts(at, { atMs: stepMs(at, maker.nowMs()), weight: null, scaleErrorG: stepG }),
    })
  return (
    <div className={css.step}>
      <h1 className={css.name}>{names}</h1>
      <p>
        {batches.length > 1 && `Batch ${todo!.batch + 1} of ${batches.length}: `}
        {hot.map(item => weight.text(item.charge.dryMassG)).join(' + ')}
        {session.dialC !== null && ` at ${degreesText(measures, session.dialC)}`}
      </p>
      <p className={css.timer} data-part="timer" role="timer" aria-live="off">
        {leftMinutes > 0 ? (
          <>
            <b>{leftMinutes}</b> min{' '}
            <span className={hand.aside}>
              until {clockText(dueMs, maker.zone)}
              {endMinutes && ` (${at1(endMinutes.low)}–${at1(endMinutes.high)})`}
            </span>
          </>
        ) : (
          <>
            <b>now</b> <span className={hand.aside}>time is up: the scale decides</span>
          </>
        )}
      </p>
      {hot.length > 1 && (
        <ChoiceRow
          legend="On the scale"
          options={hot.map(item => [item.charge.chargeId, item.boxName ?? item.charge.name] as const)}
          chosen={chosen.charge.chargeId}
          choose={setChosen}
        />
      )}
      {one ? (
        <>
          <DryingChart
            drying={one}
            startG={chosen.inGrossG! - chosen.inTareG - chosen.charge.dryMassG}
            weights={hotWeights(at, chosen, inMs)}
            minutesNow={(nowMs - inMs) / MINUTE_MS}
            timeAt={at1}
          />
          <p data-part="falls">
            {one.isDone ? (
              <b>Done: it loses less than {water.text(one.lessThanG)} in half an hour.</b>
            ) : one.losesGPerH === null ? (
              <>
                Done when half an hour takes out less than {water.text(one.lessThanG)}. Weigh it once it has
                been in for a while: quickly, and back in.
              </>
            ) : (
              <>
                <b>Still falling:</b> it loses {inTenths(Math.max(0, one.losesGPerH))}
                {THIN}g an hour; done below {water.text(one.lessThanG)} in half an hour.
              </>
            )}
          </p>
          <HotWeighing
            key={`${chosen.charge.chargeId} ${session.weighings.length}`}
            at={at}
            one={chosen}
            stepG={stepG}
            usualG={
              one
                ? chosen.inTareG + chosen.charge.dryMassG + one.waterAt((nowMs - inMs) / MINUTE_MS).middle
                : lastG
            }
          />
        </>
      ) : (
        <p className={hand.aside}>It was not weighed in: go by the minutes and the colour.</p>
      )}
      {write.error && <Refused error={write.error} remedy="press it again" />}
      <div className={css.buttons}>
        <span />
        <button
          type="button"
          className={isDone || leftMinutes <= 0 || all.length === 0 ? hand.filled : hand.worded}
          disabled={write.isPending}
          onClick={out}
        >
          It is done: out and covered
        </button>
      </div>
    </div>
  )
}

function HotWeighing({
  at,
  one,
  stepG,
  usualG,
}: {
  readonly at: SessionAt
  readonly one: HeatedCharge
  readonly stepG: number
  readonly usualG: number | null
}) {
  const { maker } = useJournalTools()
  const { weight } = useMeasures()
  const write = useWriteAct()
  const [text, setText] = useState(() =>
    usualG === null ? '' : weight.field(Math.round(usualG / stepG) * stepG),
  )
  const [error, setError] = useState<string | null>(null)
  const name = one.boxName ?? one.charge.name
  const keep = () => {
    const read = readGross(
      text,
      {
        name,
        dryMassG: one.charge.dryMassG,
        massIsKnown: one.charge.massKnown !== 'assumed',
        tareG: one.inTareG,
        beforeG: one.inGrossG,
        scaleStepG: stepG,
      },
      weight,
    )
    if (!read.ok) return setError(read.message)
    setError(null)
    write.mutate({
      what: `${name}: hot, ${weight.text(read.grossG)}`,
      drafts: [
        {
          kind: 'session.weighed',
          atMs: stepMs(at, maker.nowMs()),
          payload: {
            sessionId: at.session.sessionId,
            batch: one.batch,
            chargeId: one.charge.chargeId,
            grossG: read.grossG,
            tareG: one.inTareG,
          },
        },
      ],
    })
  }
  return (
    <form
      noValidate
      className={css.hotWeighing}
      onSubmit={event => {
        event.preventDefault()
        keep()
      }}
    >
      <WeightKeys label={`${name}, dish and all`} text={text} stepG={stepG} onText={setText} />
      {usualG !== null && <p className={hand.aside}>expected about {weight.text(usualG)} by now</p>}
      {error && (
        <p className={hand.notice} role="alert">
          {error}
        </p>
      )}
      {write.error && <Refused error={write.error} remedy="press it again" />}
      <button type="submit" className={hand.filled} disabled={write.isPending}>
        Write down {text} {weight.unit}
      </button>
    </form>
  )
}
