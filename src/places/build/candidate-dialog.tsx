import { NativeSelect, TextInput } from '@mantine/core'
import { useState } from 'react'
import { CONTAINERS, CONTAINER_KINDS, type ContainerKind } from '#core/container/container.ts'
import { LIDS } from '#core/container/lid.ts'
import { outlineCandidate } from '#journal/plan-candidate.ts'
import { inShelfOrder } from '#journal/shelf-order.ts'
import type { PlanCandidate } from '#records/kinds/plan.ts'
import { WALL_LIST } from '#records/picklists.ts'
import { likeBox } from '#session/build/plan-drafts.ts'
import { usePreferences } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useCheckedForm } from '#ui/checked-form.ts'
import { Dialog } from '#ui/dialog.tsx'
import { FormFoot } from '#ui/form-foot.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import {
  candidateForm,
  checkCandidate,
  LENGTHS,
  LENGTH_WORDS,
  SOLIDS,
  type CandidateForm,
  type CandidateKept,
} from './candidate-form.ts'
import hand from '#ui/hand.module.css'
import css from './build.module.css'

/** A container that might do: from an outline, or like one of mine, with its own lengths. */
export function CandidateDialog({
  candidate: start,
  isNew,
  close,
  keep,
}: {
  readonly candidate: PlanCandidate
  readonly isNew: boolean
  readonly close: () => void
  readonly keep: (candidate: PlanCandidate) => void
}) {
  const { state } = useJournal()
  const measures = useMeasures()
  const { length, volume } = measures
  const { currency } = usePreferences().preferences
  const [before, setBefore] = useState(start)
  const [question, setQuestion] = useState<Extract<CandidateKept, { kind: 'question' }> | null>(null)
  const form = useCheckedForm<CandidateForm, CandidateKept>(
    candidateForm(start, measures),
    typed => checkCandidate(typed, before, measures, false),
    () => setQuestion(null),
  )
  const take = (kept: CandidateKept) => (kept.kind === 'ready' ? keep(kept.candidate) : setQuestion(kept))
  const begin = (from: string) => {
    const [kind, id] = from.split(/:(.*)/s)
    const box = kind === 'box' ? state.boxes.get(id!) : undefined
    const next = box ? likeBox(box) : outlineCandidate(id as ContainerKind)
    setBefore(next)
    form.setValues({ ...candidateForm(next, measures) })
  }
  /** An answer is checked as all else is, but for the question. */
  const answer = (changed: Partial<CandidateForm>) => {
    const typed = { ...form.values, ...changed }
    form.setValues(changed)
    const checked = checkCandidate(typed, before, measures, true)
    if (checked.ok) take(checked.kept)
    else {
      setQuestion(null)
      form.setErrors(checked.errors)
    }
  }
  const about = question?.question
  return (
    <Dialog onClose={close} title={isNew ? 'Another that might do' : start.name} size="lg">
      <form onSubmit={form.onKeep(take)} noValidate className={hand.form} data-part="candidate-form">
        <NativeSelect
          label="Begin with"
          data={[
            { value: '', label: isNew ? 'a square clip box' : 'as it stands' },
            ...CONTAINER_KINDS.map(kind => ({ value: `outline:${kind}`, label: CONTAINERS[kind].name })),
            ...inShelfOrder(state).map(box => ({ value: `box:${box.boxId}`, label: `one like ${box.name}` })),
          ]}
          onChange={event => event.currentTarget.value !== '' && begin(event.currentTarget.value)}
        />
        <TextInput label="Name" autoComplete="off" {...form.getInputProps('name')} />
        <div className={css.three}>
          {LENGTHS.map(key => (
            <TextInput
              key={key}
              label={`${LENGTH_WORDS[key]}, ${length.unit}`}
              inputMode="decimal"
              autoComplete="off"
              {...form.getInputProps(key)}
            />
          ))}
          <TextInput
            label={`Its label says, ${volume.unit}`}
            inputMode="decimal"
            autoComplete="off"
            {...form.getInputProps('litres')}
          />
        </div>
        <p className={hand.aside}>
          Inside measures. Two of length, depth and height told make it yours; until then it stands in pencil
          and may be 8 % off either way.
        </p>
        <div className={css.three}>
          <NativeSelect
            label="Lid"
            data={Object.values(LIDS).map(lid => ({ value: lid.kind, label: lid.name }))}
            {...form.getInputProps('lid')}
          />
          <NativeSelect label="Walls of" data={[...WALL_LIST]} {...form.getInputProps('wall')} />
          <TextInput
            label="Walls, mm thick"
            inputMode="decimal"
            autoComplete="off"
            {...form.getInputProps('wallThickness')}
          />
          <TextInput
            label={`One costs, ${currency}`}
            inputMode="decimal"
            autoComplete="off"
            {...form.getInputProps('price')}
          />
          <NativeSelect
            label="Solid inside"
            data={Object.entries(SOLIDS).map(([value, label]) => ({ value, label }))}
            {...form.getInputProps('solid')}
          />
        </div>
        {form.values.solid !== 'none' && (
          <div className={css.three}>
            <TextInput
              label={`Stands in by, ${length.unit}`}
              inputMode="decimal"
              {...form.getInputProps('solidIn')}
            />
            <TextInput
              label={`From this height, ${length.unit}`}
              inputMode="decimal"
              {...form.getInputProps('solidFrom')}
            />
            <TextInput
              label={`Up to, ${length.unit}`}
              inputMode="decimal"
              {...form.getInputProps('solidTo')}
            />
          </div>
        )}
        {about && (
          <div className={hand.question} data-part="size-question" role="alert">
            {about.kind === 'inches' ? (
              <>
                <p>
                  As millimetres it holds {volume.text(about.asMmL)}. Were inches meant? Then it holds{' '}
                  {volume.text(about.asInchesL)}.
                </p>
                <button
                  type="button"
                  className={hand.worded}
                  onClick={() =>
                    answer(
                      Object.fromEntries(
                        LENGTHS.map(key => [key, length.field(25.4 * question.candidate[key])]),
                      ),
                    )
                  }
                >
                  Inches: {about.asInches.map(mm => length.bare(mm)).join(' × ')} {length.unit}
                </button>
                <button type="button" className={hand.worded} onClick={() => setQuestion(null)}>
                  No: let me type them again
                </button>
              </>
            ) : (
              <>
                <p>
                  The lengths hold {volume.text(about.lengthsL)}, the label says {volume.text(about.toldL)}:
                  both can’t be inside measures. Which is right?
                </p>
                <button type="button" className={hand.worded} onClick={() => answer({ litres: '' })}>
                  The lengths: {volume.text(about.lengthsL)}
                </button>
                <button
                  type="button"
                  className={hand.worded}
                  onClick={() => answer({ heightMm: length.field(about.heightMm) })}
                >
                  The litres: then it is {length.text(about.heightMm)} high
                </button>
              </>
            )}
          </div>
        )}
        <FormFoot write={{ isPending: false, error: null }} />
      </form>
    </Dialog>
  )
}
