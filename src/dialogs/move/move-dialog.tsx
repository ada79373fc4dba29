import { Modal, NativeSelect } from '@mantine/core'
import { useState, type FormEvent, type KeyboardEvent } from 'react'
import { cautionsAt } from '#core/renewal/cautions.ts'
import { Cautions } from '#ui/cautions.tsx'
import { FormFoot } from '#ui/form-foot.tsx'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { timeError, WhenField } from '#ui/when-field.tsx'
import { moveDrafts, moveWords, type Weight } from '#session/move-drafts.ts'
import {
  boxOf,
  idOf,
  movables,
  nameOf,
  placesToGo,
  whereText,
  type Movable,
  type PlaceKey,
} from '#session/places-to-go.ts'
import { WeightFields, type WeightText } from '#ui/weight-fields.tsx'
import { readWeight } from '#ui/read-weight.ts'
import { useMeasures } from '#ui/use-measures.ts'
import hand from '#ui/hand.module.css'
import css from './move.module.css'

interface Props {
  readonly close: () => void
  /** Only what is in this box. */
  readonly boxId?: string
  /** What is to be moved, where that is already known. */
  readonly thingId?: string
  readonly to?: PlaceKey
}

/** Moves a spool or a charge, or swaps it for another: M, then the place's key. */
export default function MoveDialog({ close, boxId, thingId, to: startTo }: Props) {
  const { state } = useJournal()
  const { maker } = useJournalTools()
  const measures = useMeasures()
  const write = useWriteAct()
  const all = movables(state)
  const choices = all.filter(thing => boxId === undefined || boxOf(thing) === boxId)
  const [id, setId] = useState(thingId ?? (choices[0] ? idOf(choices[0]) : ''))
  const [to, setTo] = useState<PlaceKey | null>(startTo ?? null)
  const [insteadId, setInsteadId] = useState('')
  const [out, setOut] = useState<WeightText>({ gross: '', tare: '' })
  const [into, setInto] = useState<WeightText>({ gross: '', tare: '' })
  const [nowMs] = useState(() => maker.nowMs())
  const [atMs, setAtMs] = useState(nowMs)
  const [error, setError] = useState<{ field: 'to' | 'out' | 'into' | 'when'; text: string } | null>(null)
  const thing = all.find(item => idOf(item) === id)
  if (!thing)
    return (
      <Modal opened onClose={close} title="Move" centered closeButtonProps={{ 'aria-label': 'Close' }}>
        <p>There is nothing to move here: no spool and no beads.</p>
      </Modal>
    )
  const places = placesToGo(state, thing)
  const from = boxOf(thing)
  const others = all.filter(item => item.kind === thing.kind && idOf(item) !== id && boxOf(item) !== from)
  const instead = others.find(item => idOf(item) === insteadId) ?? null
  const place = places.find(item => item.key === to)

  const submit = (event: FormEvent) => {
    event.preventDefault()
    if (!place) return setError({ field: 'to', text: 'Pick where it goes: press its key, or touch it.' })
    const when = timeError(atMs, maker.nowMs(), madeMsOf(thing))
    if (when) return setError({ field: 'when', text: when })
    const weights: Weight[] = []
    for (const [field, item, text] of [
      ['out', thing, out],
      ['into', instead, into],
    ] as const) {
      if (!item || text.gross.trim() === '') continue
      const read = readWeight(item, text, measures.weight)
      if (!read.ok) return setError({ field, text: read.message })
      weights.push(read.weight)
    }
    setError(null)
    const move = { thing, to: place.key, instead, weights, atMs }
    write.mutate({ what: moveWords(move, place.name), drafts: moveDrafts(move) }, { onSuccess: close })
  }
  const onKey = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return
    const hit = places.find(item => item.hotkey === event.key)
    if (!hit) return
    event.preventDefault()
    setTo(hit.key)
    setError(null)
  }
  return (
    <Modal
      opened
      onClose={close}
      title="Move or swap"
      size="lg"
      centered
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      <form onSubmit={submit} onKeyDown={onKey} noValidate className={hand.form} data-part="move-form">
        <NativeSelect
          label="What"
          data={
            choices.length > 0 && choices.some(item => idOf(item) === id)
              ? options(choices, state)
              : options(all, state)
          }
          value={id}
          onChange={event => {
            setId(event.currentTarget.value)
            setTo(null)
            setInsteadId('')
          }}
        />
        <fieldset className={css.places} data-part="places">
          <legend>Where to</legend>
          {places.map((item, i) => (
            <label key={item.key} className={css.placeWord} data-part="place-word">
              <input
                type="radio"
                name="where to"
                className={hand.visuallyHidden}
                checked={to === item.key}
                data-autofocus={i === 0 ? true : undefined}
                onChange={() => {
                  setTo(item.key)
                  setError(null)
                }}
              />
              <span>
                {item.name} {item.hotkey && <kbd className={hand.wideOnly}>{item.hotkey}</kbd>}
              </span>
            </label>
          ))}
        </fieldset>
        {error?.field === 'to' && (
          <p className={hand.notice} role="alert">
            {error.text}
          </p>
        )}
        {from !== null && others.length > 0 && (
          <NativeSelect
            label={`In its place, into ${state.boxes.get(from)?.name ?? 'the box'}`}
            data={[{ value: '', label: 'nothing' }, ...options(others, state)]}
            value={insteadId}
            onChange={event => setInsteadId(event.currentTarget.value)}
          />
        )}
        <details
          className={hand.moreFields}
          data-part="more-fields"
          open={error?.field === 'out' || error?.field === 'into' || undefined}
        >
          <summary>Weights and time, if you know them</summary>
          <WeightFields
            thing={thing}
            text={out}
            onChange={setOut}
            error={error?.field === 'out' ? error.text : undefined}
          />
          {instead && (
            <WeightFields
              thing={instead}
              text={into}
              onChange={setInto}
              error={error?.field === 'into' ? error.text : undefined}
            />
          )}
          <WhenField
            atMs={atMs}
            onChange={setAtMs}
            latestMs={nowMs}
            error={error?.field === 'when' ? error.text : undefined}
          />
        </details>
        {thing.kind === 'charge' && (
          <Cautions list={cautionsAt({ step: 'replace the beads', indicator: thing.charge.indicator })} />
        )}
        <FormFoot write={write} />
      </form>
    </Modal>
  )
}

const madeMsOf = (thing: Movable): number =>
  thing.kind === 'spool' ? thing.spool.madeMs : thing.charge.madeMs

const options = (things: readonly Movable[], state: Parameters<typeof whereText>[0]) =>
  things.map(thing => ({ value: idOf(thing), label: `${nameOf(thing)}, ${whereText(state, thing)}` }))

const isTyping = (target: EventTarget): boolean =>
  target instanceof HTMLSelectElement ||
  (target instanceof HTMLInputElement && target.type !== 'radio') ||
  target instanceof HTMLTextAreaElement
