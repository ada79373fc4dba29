import { scaleStepG } from '#journal/scales.ts'
import { Dialog } from '#ui/dialog.tsx'
import { NativeSelect } from '@mantine/core'
import { useState, type KeyboardEvent } from 'react'
import { cautionsAt } from '#core/renewal/cautions.ts'
import { Cautions } from '#ui/cautions.tsx'
import { useCheckedForm } from '#ui/checked-form.ts'
import { FormFoot } from '#ui/form-foot.tsx'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { WhenField } from '#ui/when-field.tsx'
import { crowdedText } from '#draw/crowded.ts'
import { moveDrafts, moveWords } from '#session/move-drafts.ts'
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
import { WeightFields } from '#ui/weight-fields.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { NOT_WEIGHED } from '#ui/read-weight.ts'
import { checkMove, type MoveForm, type MoveToKeep } from './move-form.ts'
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
  const [nowMs] = useState(() => maker.nowMs())
  const form = useCheckedForm<MoveForm, MoveToKeep>(
    {
      id: thingId ?? (choices[0] ? idOf(choices[0]) : ''),
      to: startTo ?? null,
      insteadId: '',
      out: NOT_WEIGHED,
      into: NOT_WEIGHED,
      when: nowMs,
    },
    typed => checkMove(typed, state, measures.weight, maker.nowMs()),
  )
  const { id, to, insteadId } = form.values
  const thing = all.find(item => idOf(item) === id)
  if (!thing)
    return (
      <Dialog onClose={close} title="Move">
        <p>There is nothing to move here: no spool and no beads.</p>
      </Dialog>
    )
  const places = placesToGo(state, thing)
  const from = boxOf(thing)
  const others = all.filter(item => item.kind === thing.kind && idOf(item) !== id && boxOf(item) !== from)
  const instead = others.find(item => idOf(item) === insteadId) ?? null
  const crowded =
    thing.kind === 'spool' && to?.startsWith('box:')
      ? crowdedText(state, to.slice(4), { count: 1, ...thing.spool })
      : null
  const submit = form.onKeep(({ place, ...move }) =>
    write.mutate(
      { what: moveWords(move, place.name), drafts: moveDrafts(move, scaleStepG(state)) },
      { onSuccess: close },
    ),
  )
  const onKey = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return
    const hit = places.find(item => item.hotkey === event.key)
    if (!hit) return
    event.preventDefault()
    form.setFieldValue('to', hit.key)
  }
  return (
    <Dialog onClose={close} title="Move or swap" size="lg">
      <form onSubmit={submit} onKeyDown={onKey} noValidate className={hand.form} data-part="move-form">
        <NativeSelect
          label="What"
          data={
            choices.length > 0 && choices.some(item => idOf(item) === id)
              ? options(choices, state)
              : options(all, state)
          }
          value={id}
          onChange={event => form.setValues({ id: event.currentTarget.value, to: null, insteadId: '' })}
        />
        <fieldset className={css.places} data-part="places">
          <legend>Where to</legend>
          {places.map((item, i) => (
            <label key={item.key} className={hand.choiceWord} data-part="place-word">
              <input
                type="radio"
                name="where to"
                className={hand.visuallyHidden}
                checked={to === item.key}
                data-autofocus={i === 0 ? true : undefined}
                onChange={() => form.setFieldValue('to', item.key)}
              />
              <span>
                {item.name} {item.hotkey && <kbd className={hand.wideOnly}>{item.hotkey}</kbd>}
              </span>
            </label>
          ))}
        </fieldset>
        {form.errors['to'] && (
          <p className={hand.notice} role="alert">
            {form.errors['to']}
          </p>
        )}
        {crowded && (
          <p className={hand.notice} role="status" data-part="crowded">
            {crowded} Whether they go in otherwise is for you to see.
          </p>
        )}
        {from !== null && others.length > 0 && (
          <NativeSelect
            label={`In its place, into ${state.boxes.get(from)?.name ?? 'the box'}`}
            data={[{ value: '', label: 'nothing' }, ...options(others, state)]}
            {...form.getInputProps('insteadId')}
          />
        )}
        <details
          className={hand.moreFields}
          data-part="more-fields"
          open={Boolean(form.errors['out'] ?? form.errors['into']) || undefined}
        >
          <summary>Weights and time, if you know them</summary>
          <WeightFields thing={thing} {...form.valueOf('out')} />
          {instead && <WeightFields thing={instead} {...form.valueOf('into')} />}
          <WhenField latestMs={nowMs} {...form.valueOf('when')} />
        </details>
        {thing.kind === 'charge' && (
          <Cautions
            list={cautionsAt({
              step: 'replace the beads',
              indicator: thing.charge.indicator,
              desiccant: thing.charge.desiccant,
            })}
          />
        )}
        <FormFoot write={write} />
      </form>
    </Dialog>
  )
}

const options = (things: readonly Movable[], state: Parameters<typeof whereText>[0]) =>
  things.map(thing => ({ value: idOf(thing), label: `${nameOf(thing)}, ${whereText(state, thing)}` }))

const isTyping = (target: EventTarget): boolean =>
  target instanceof HTMLSelectElement ||
  (target instanceof HTMLInputElement && target.type !== 'radio') ||
  target instanceof HTMLTextAreaElement
