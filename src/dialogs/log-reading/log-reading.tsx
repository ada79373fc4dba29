import { Checkbox, Modal, NativeSelect, TextInput } from '@mantine/core'
import { useState } from 'react'
import { inScale } from '#core/reading/scale-slip.ts'
import type { Act } from '#records/act.ts'
import { boxView, instrumentFor } from '#journal/box-view.ts'
import type { State } from '#journal/state.ts'
import { againText } from '#ui/dates.ts'
import { inTenths, inWhole, THIN } from '#ui/format.ts'
import { StateMark } from '#draw/state-mark.tsx'
import { FormFoot } from '#ui/form-foot.tsx'
import { useJournalTools, usePreferences } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useUndo, useWriteAct } from '#session/writing.ts'
import { WhenField } from '#ui/when-field.tsx'
import { useCheckedForm } from '#ui/checked-form.ts'
import { checkReading, type ReadingForm, type ReadingToKeep } from './reading-form.ts'
import hand from '#ui/hand.module.css'
import css from './log-reading.module.css'

type Question = Extract<ReadingToKeep, { kind: 'question' }>

/** One reading, of a box or of the room. Stays open until it is kept; then says what it means, with its undo. */
export default function LogReading({
  close,
  place,
}: {
  readonly close: () => void
  readonly place?: string
}) {
  const journal = useJournal()
  const { maker } = useJournalTools()
  const { temperatureScale: scale } = usePreferences().preferences
  const write = useWriteAct()
  const { state } = journal
  const places = [
    ...[...state.boxes.values()]
      .sort((a, b) => a.board - b.board || a.leftMm - b.leftMm)
      .map(box => ({ value: `box:${box.boxId}`, label: box.name })),
    ...[...state.rooms.values()].map(room => ({ value: `room:${room.roomId}`, label: `Room: ${room.name}` })),
  ]
  const [openedMs] = useState(() => maker.nowMs())
  const [question, setQuestion] = useState<Question | null>(null)
  const [kept, setKept] = useState<Act | null>(null)
  const contextOf = (typed: ReadingForm) => {
    const [kind, id] = typed.place.split(/:(.*)/s)
    const instrument =
      kind === 'box'
        ? instrumentFor(state, id!)
        : ([...state.instruments.values()].find(item => item.boxId === null) ??
          [...state.instruments.values()][0])
    return {
      nowMs: maker.nowMs(),
      scale,
      instrumentId: instrument?.instrumentId ?? '',
      sinceMs: kind === 'box' ? (state.boxes.get(id!)?.madeMs ?? 0) : 0,
      nearC: nearestTemperatures(state, typed.place),
    }
  }
  const form = useCheckedForm<ReadingForm, ReadingToKeep>(
    {
      place: place ?? places[0]!.value,
      humidity: '',
      temperature: '',
      when: openedMs,
      justOpened: false,
      meantC: null,
    },
    typed => checkReading(typed, contextOf(typed)),
    // an answer is about what was typed then
    () => setQuestion(null),
  )
  const near = nearestTemperatures(state, form.values.place)
  const take = (reading: ReadingToKeep) => {
    setQuestion(reading.kind === 'question' ? reading : null)
    if (reading.kind !== 'ready') return
    const label = places.find(item => item.value === form.values.place)?.label ?? ''
    write.mutate({ what: `${label}: read`, drafts: reading.drafts }, { onSuccess: setKept })
  }
  const answer = (meantC: number) => {
    const checked = checkReading({ ...form.values, meantC }, contextOf(form.values))
    if (checked.ok) take(checked.kept)
    else form.setErrors(checked.errors)
  }

  return (
    <Modal
      opened
      onClose={close}
      title={kept ? 'Kept' : 'Log a reading'}
      centered
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      {kept ? (
        <Kept act={kept} close={close} />
      ) : (
        <form onSubmit={form.onKeep(take)} noValidate className={hand.form}>
          <NativeSelect label="Where" data={places} {...form.getInputProps('place')} />
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
          {question && (
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
          <FormFoot write={write} />
        </form>
      )}
    </Modal>
  )
}

function nearestTemperatures(state: State, place: string): number[] {
  const [kind, id] = place.split(/:(.*)/s)
  const box = kind === 'box' ? state.boxes.get(id!) : undefined
  const last = (match: (where: State['readings'][number]['place']) => boolean) =>
    state.readings.filter(reading => match(reading.place)).at(-1)?.temperatureC
  const own = last(where =>
    kind === 'box' ? where.in === 'box' && where.boxId === id : where.in === 'room' && where.roomId === id,
  )
  const room = last(where => where.in === 'room' && where.roomId === (box?.roomId ?? id))
  return [own, room].filter(value => value !== undefined)
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
          <StateMark word={reading.word} /> {inWhole(reading.relativeHumidityPercent)}
          {THIN}% of {view.target.rhPercent}: <strong>{reading.word}</strong>
          {reading.lookAgainMs !== null && (
            <>. Look again {againText(reading.lookAgainMs, maker.nowMs(), maker.zone)}.</>
          )}
        </p>
      ) : (
        <p>The reading is kept.</p>
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
