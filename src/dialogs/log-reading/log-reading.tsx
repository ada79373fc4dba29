import { Dialog } from '#ui/dialog.tsx'
import { Checkbox, NativeSelect, TextInput } from '@mantine/core'
import { useMemo, useState } from 'react'
import { inScale } from '#core/reading/scale-slip.ts'
import type { Act } from '#records/act.ts'
import type { Unread } from '#records/picklists.ts'
import { boxView } from '#journal/box-view.ts'
import { instrumentFor, instrumentForRoom } from '#journal/instruments.ts'
import { roomsOf } from '#journal/rooms.ts'
import { inShelfOrder } from '#journal/shelf-order.ts'
import type { State } from '#journal/state.ts'
import { againText } from '#ui/dates.ts'
import { THIN, asTyped, inTenths, readText } from '#ui/format.ts'
import { StateMark } from '#draw/state-mark.tsx'
import { FormFoot } from '#ui/form-foot.tsx'
import { useJournalTools, usePreferences } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useUndo, useWriteAct } from '#session/writing.ts'
import { WhenField } from '#ui/when-field.tsx'
import { dropDraft, READING_LASTS_MS, readDraft, useDraft } from '#ui/draft.ts'
import { useCheckedForm } from '#ui/checked-form.ts'
import { expectationAt, nearTemperatures } from '#session/expectation.ts'
import { knownBox } from '#session/known-box.ts'
import { useReport } from '#session/reports.ts'
import { UnreadWords } from '#ui/unread-words.tsx'
import { SlipQuestion } from '#ui/slip-question.tsx'
import {
  checkReading,
  readingDraft,
  type FormContext,
  type ReadingForm,
  type ReadingToKeep,
} from './reading-form.ts'
import hand from '#ui/hand.module.css'
import css from './log-reading.module.css'

type Question = Extract<ReadingToKeep, { kind: 'question' | 'slip' }>

/** One reading, of a box or of the room. Stays open until it is kept; then says what it means, with its undo. */
export default function LogReading({
  close,
  place,
}: {
  readonly close: () => void
  readonly place?: string
}) {
  const journal = useJournal()
  const { maker, base } = useJournalTools()
  const { temperatureScale: scale } = usePreferences().preferences
  const write = useWriteAct()
  const { state } = journal
  const places = [
    ...inShelfOrder(state).map(box => ({ value: `box:${box.boxId}`, label: box.name })),
    ...roomsOf(state).map(room => ({ value: `room:${room.roomId}`, label: `Room: ${room.name}` })),
  ]
  const [openedMs] = useState(() => maker.nowMs())
  const [question, setQuestion] = useState<Question | null>(null)
  const [kept, setKept] = useState<Act | null>(null)
  /** What was typed when a slip was asked about: pressed again unchanged, it is meant. */
  const [asked, setAsked] = useState<string | null>(null)
  const [where, setWhere] = useState(place ?? places[0]?.value ?? '')
  const known = useMemo(
    () => (where.startsWith('box:') ? knownBox(journal, where.slice(4)) : null),
    [journal, where],
  )
  const { data: report } = useReport(where.slice(4), known?.facts)
  const contextOf = (typed: ReadingForm): FormContext => {
    const [kind, id] = typed.place.split(/:(.*)/s)
    const instrument = kind === 'box' ? instrumentFor(state, id!) : instrumentForRoom(state)
    return {
      nowMs: maker.nowMs(),
      scale,
      instrumentId: instrument?.instrumentId ?? '',
      sinceMs: kind === 'box' ? (state.boxes.get(id!)?.madeMs ?? 0) : 0,
      nearC: nearestTemperatures(state, typed.place, maker.nowMs()),
      expected: expectationAt(
        state,
        { in: kind === 'box' ? 'box' : 'room', id: id! },
        {
          atMs: maker.nowMs(),
          report: typed.place === where ? report : undefined,
          nearC: nearestTemperatures(state, typed.place, maker.nowMs()),
          instrument,
        },
      ),
      meant: asked === keyOf(typed),
    }
  }
  const draftKey = `${base} reading ${place ?? ''}`
  const [draft] = useState(() =>
    readDraft(draftKey, readingDraft, { nowMs: openedMs, mostAgeMs: READING_LASTS_MS }),
  )
  const form = useCheckedForm<ReadingForm, ReadingToKeep>(
    {
      place: place ?? places[0]!.value,
      humidity: '',
      temperature: '',
      ...draft,
      when: openedMs,
      justOpened: false,
      meantC: null,
    },
    typed => checkReading(typed, contextOf(typed)),
    // an answer is about what was typed then
    () => setQuestion(null),
  )
  const { humidity, temperature } = form.values
  const isKept = kept !== null
  useDraft(
    draftKey,
    useMemo(
      () => (isKept || (humidity === '' && temperature === '') ? null : { humidity, temperature }),
      [isKept, humidity, temperature],
    ),
    maker.nowMs,
  )
  const leave = () => {
    dropDraft(draftKey)
    close()
  }
  const near = nearestTemperatures(state, form.values.place, openedMs)
  const keptNow = (act: Act) => {
    dropDraft(draftKey)
    setKept(act)
  }
  const take = (reading: ReadingToKeep) => {
    setQuestion(reading.kind === 'ready' ? null : reading)
    setAsked(reading.kind === 'slip' ? keyOf(form.values) : null)
    if (reading.kind !== 'ready') return
    const label = places.find(item => item.value === form.values.place)?.label ?? ''
    write.mutate({ what: `${label}: read`, drafts: reading.drafts }, { onSuccess: keptNow })
  }
  const sayUnread = (why: Unread) => {
    const [, boxId] = form.values.place.split(/:(.*)/s)
    const label = places.find(item => item.value === form.values.place)?.label ?? ''
    write.mutate(
      {
        what: `${label}: its display ${why}`,
        drafts: [{ kind: 'box.unread', atMs: maker.nowMs(), payload: { boxId: boxId!, why } }],
      },
      { onSuccess: keptNow },
    )
  }
  const answer = (meantC: number) => {
    const checked = checkReading({ ...form.values, meantC }, contextOf(form.values))
    if (checked.ok) take(checked.kept)
    else form.setErrors(checked.errors)
  }

  const answerSlip = (changed: Partial<ReadingForm>) => {
    const typed = { ...form.values, ...changed }
    form.setValues(changed)
    const checked = checkReading(typed, { ...contextOf(typed), meant: true })
    if (checked.ok) take(checked.kept)
    else form.setErrors(checked.errors)
  }

  return (
    <Dialog onClose={leave} title={kept ? 'Kept' : 'Log a reading'}>
      {kept ? (
        <Kept act={kept} close={close} />
      ) : (
        <form onSubmit={form.onKeep(take)} noValidate className={hand.form}>
          <NativeSelect
            label="Where"
            data={places}
            value={form.values.place}
            onChange={event => {
              form.setFieldValue('place', event.currentTarget.value)
              setWhere(event.currentTarget.value)
            }}
          />
          <TextInput
            data-autofocus
            label="Relative humidity, %"
            inputMode="decimal"
            autoComplete="off"
            {...form.getInputProps('humidity')}
          />
          <TextInput
            label={`Temperature, °${scale}`}
            inputMode="decimal"
            autoComplete="off"
            placeholder={near[0] === undefined ? undefined : `${inTenths(inScale(near[0], scale))} last time`}
            {...form.getInputProps('temperature')}
          />
          <WhenField latestMs={openedMs} {...form.valueOf('when')} />
          {form.values.place.startsWith('box:') && (
            <Checkbox
              label="The lid was off just before"
              {...form.getInputProps('justOpened', { type: 'checkbox' })}
            />
          )}
          {question?.kind === 'slip' && (
            <SlipQuestion
              slip={question.slip}
              form={{ humidity: form.values.humidity, temperature: form.values.temperature }}
              scale={scale}
              onAnswer={changed => answerSlip(changed)}
              onOpened={() => answerSlip({ justOpened: true })}
            />
          )}
          {question?.kind === 'question' && (
            <div className={hand.question} data-part="question" role="alert">
              <p>
                {inTenths(question.typed)} °{scale} is far from where this stood last
                {near[0] === undefined ? '' : ` (${inTenths(inScale(near[0], scale))} °${scale})`}. Which was
                meant?
              </p>
              <button type="button" className={hand.worded} onClick={() => answer(question.otherwiseC)}>
                {inTenths(question.typed)} °{scale === 'C' ? 'F' : 'C'}, that is{' '}
                {inTenths(inScale(question.otherwiseC, scale))} °{scale}
              </button>
              <button type="button" className={hand.worded} onClick={() => answer(question.asTypedC)}>
                Really {inTenths(question.typed)} °{scale}
              </button>
            </div>
          )}
          {form.values.place.startsWith('box:') && (
            <p className={css.unread}>
              <UnreadWords onSay={sayUnread} />
            </p>
          )}
          <FormFoot write={write} />
        </form>
      )}
    </Dialog>
  )
}

const keyOf = ({ place, humidity, temperature, justOpened }: ReadingForm): string =>
  JSON.stringify([place, humidity, temperature, justOpened])

/** Where this place and its room last stood, the place itself first: what is typed is held against it. */
function nearestTemperatures(state: State, place: string, nowMs: number): number[] {
  const [kind, id] = place.split(/:(.*)/s)
  return nearTemperatures(state, { in: kind === 'box' ? 'box' : 'room', id: id! }, nowMs + 1).reverse()
}

/** What the reading says, at once, and the way back. */
function Kept({ act, close }: { readonly act: Act; readonly close: () => void }) {
  const { state, nowMs } = useJournal()
  const { maker } = useJournalTools()
  const { withdraw } = useUndo()
  const entry = act.entries.find(item => item.kind === 'reading.taken')
  const place = entry?.kind === 'reading.taken' ? entry.payload.place : null
  const view = place?.in === 'box' ? boxView(state, place.boxId, Math.max(nowMs, maker.nowMs())) : null
  const reading = view?.readings.find(item => item.id === entry?.id)
  return (
    <div className={css.kept} data-part="kept" role="status">
      {reading?.word && view?.target ? (
        <p className={css.keptWord} data-part="kept-word">
          <StateMark word={reading.word} /> {readText(reading)}
          {THIN}% of {asTyped(view.target.rhPercent)}: <strong>{reading.word}</strong>
          {reading.lookAgainMs !== null && (
            <>. Look again {againText(reading.lookAgainMs, maker.nowMs(), maker.zone)}.</>
          )}
        </p>
      ) : (
        <p>{entry ? 'The reading is kept.' : 'That it could not be read is kept.'}</p>
      )}
      <button
        type="button"
        className={hand.worded}
        onClick={() => void withdraw(act).then(done => done && close())}
      >
        Undo
      </button>
      <button type="button" className={hand.filled} data-autofocus onClick={close}>
        Done
      </button>
    </div>
  )
}
