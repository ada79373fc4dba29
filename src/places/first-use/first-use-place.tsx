import { NativeSelect, TextInput } from '@mantine/core'
import { useState, type FormEvent } from 'react'
import { Link, useNavigate } from 'react-router'
import { MATERIALS } from '#core/filament/catalogue.ts'
import { MATERIAL_IDS, type MaterialId } from '#core/filament/material.ts'
import { inScale } from '#core/reading/scale-slip.ts'
import { inTenths } from '#draw/format.ts'
import { HUE_ORDER } from '#draw/palette.ts'
import { useJournalTools, usePreferences } from '../journal/journal-context.tsx'
import { useJournal, useWriteAct } from '../journal/queries.ts'
import { nextPlace } from '../shelf/layout.ts'
import {
  displayErrors,
  EMPTY_FORM,
  firstUseDrafts,
  insideErrors,
  LID_TIMES,
  outlineError,
  sizeOf,
  type FirstUseForm,
  type LidTime,
} from './first-use-form.ts'
import { OutlineChoice } from './outline-choice.tsx'

const CHIPS: readonly MaterialId[] = ['PLA', 'PETG', 'ABS', 'ASA', 'TPU', 'PC', 'PA6', 'PVA']
const MOST_OF_ONE = 12

/** Start with the display, not with a form: three screens, then the verdict. */
export default function FirstUsePlace() {
  const { maker, base } = useJournalTools()
  const { state } = useJournal()
  const { temperatureScale: scale } = usePreferences().preferences
  const navigate = useNavigate()
  const write = useWriteAct()
  const [step, setStep] = useState(0)
  const [form, setForm] = useState<FirstUseForm>(EMPTY_FORM)
  const [tried, setTried] = useState(false)
  const set = (part: Partial<FirstUseForm>) => setForm({ ...form, ...part })
  const display = displayErrors(form, scale)
  const outline = outlineError(form)
  const inside = insideErrors(form)
  const boxes = [...state.boxes.values()]

  const next = (event: FormEvent) => {
    event.preventDefault()
    const blocked = [display, outline, inside][step]
    setTried(blocked !== null)
    if (blocked !== null) return
    if (step < 2) return setStep(step + 1)
    const { boxId, drafts } = firstUseDrafts(form, {
      nowMs: maker.nowMs(),
      scale,
      newId: maker.newId,
      roomId: [...state.rooms.keys()][0] ?? null,
      instrumentId: [...state.instruments.values()].find(item => item.boxId === null)?.instrumentId ?? null,
      place: nextPlace(
        boxes.map(box => ({ ...box, id: box.boxId })),
        sizeOf(form).widthMm,
      ),
      name: `Box ${boxes.length + 1}`,
      colours: HUE_ORDER,
    })
    write.mutate(
      { what: `Box ${boxes.length + 1}: set up`, drafts },
      { onSuccess: () => void navigate(`${base}/box/${boxId}`) },
    )
  }

  return (
    <main className="page first-use" data-place="start">
      <form onSubmit={next} noValidate>
        <p className="where">
          {['first', 'second', 'last'][step]} of three
          {boxes.length > 0 && step === 0 && (
            <>
              {' · '}
              <Link to={base || '/'}>Back to the shelf</Link>
            </>
          )}
        </p>
        {step === 0 && <DisplayStep form={form} set={set} errors={tried ? display : null} scale={scale} />}
        {step === 1 && <OutlineStep form={form} set={set} error={tried ? outline : null} />}
        {step === 2 && <InsideStep form={form} set={set} errors={tried ? inside : null} />}
        {write.isError && (
          <p className="notice">
            The browser refused to keep it ({write.error.message}). Everything typed stays here: free some
            space and try again.
          </p>
        )}
        <div className="step-foot">
          {step > 0 && (
            <button type="button" className="worded" onClick={() => setStep(step - 1)}>
              Back
            </button>
          )}
          <button type="submit" className="filled" disabled={write.isPending}>
            {['Next: which outline', 'Next: what is inside', 'Judge it'][step]}
          </button>
        </div>
        {step === 0 && base === '' && boxes.length === 0 && (
          <p className="aside demo-link">
            Nothing at hand? <Link to="/demo">Look round the boathouse loft</Link>, a made-up shelf.
          </p>
        )}
      </form>
    </main>
  )
}

interface StepProps {
  readonly form: FirstUseForm
  readonly set: (part: Partial<FirstUseForm>) => void
}

function DisplayStep({
  form,
  set,
  errors,
  scale,
}: StepProps & { readonly errors: ReturnType<typeof displayErrors>; readonly scale: 'C' | 'F' }) {
  return (
    <>
      <h1 className="answer">What does the display show?</h1>
      <p className="behind">The little hygrometer in the box. One number is enough.</p>
      <div className="display-fields">
        <TextInput
          label="Relative humidity, %"
          inputMode="decimal"
          autoComplete="off"
          data-autofocus
          size="lg"
          value={form.humidity}
          error={errors?.humidity}
          onChange={event => set({ humidity: event.currentTarget.value })}
        />
        <TextInput
          label={`Temperature, °${scale}`}
          inputMode="decimal"
          autoComplete="off"
          size="lg"
          placeholder={`${inTenths(inScale(20, scale))}, assumed`}
          value={form.temperature}
          error={errors?.temperature}
          onChange={event => set({ temperature: event.currentTarget.value })}
        />
      </div>
      {errors?.slipC !== undefined && (
        <button
          type="button"
          className="worded"
          onClick={() => set({ temperature: inTenths(inScale(errors.slipC!, scale)) })}
        >
          It shows °{scale === 'C' ? 'F' : 'C'}: take {inTenths(inScale(errors.slipC, scale))} °{scale}
        </button>
      )}
    </>
  )
}

function OutlineStep({ form, set, error }: StepProps & { readonly error: string | null }) {
  const size = sizeOf(form)
  const { measured } = form
  const measure = (name: 'width' | 'depth' | 'height', label: string) =>
    measured && (
      <TextInput
        key={name}
        label={`Inside ${label}, mm`}
        inputMode="decimal"
        value={measured[name]}
        onChange={event => set({ measured: { ...measured, [name]: event.currentTarget.value } })}
      />
    )
  return (
    <>
      <h1 className="answer">Which outline is it?</h1>
      <p className="behind">One scale for all six; each holds the same spool.</p>
      <OutlineChoice chosen={form.container} choose={container => set({ container, measured: null })} />
      {measured ? (
        <div className="display-fields">
          {measure('width', 'width')}
          {measure('depth', 'depth')}
          {measure('height', 'height')}
        </div>
      ) : (
        <button
          type="button"
          className="worded"
          onClick={() =>
            set({
              measured: {
                width: String(size.widthMm),
                depth: String(size.depthMm),
                height: String(size.heightMm),
              },
            })
          }
        >
          Not quite: measure mine
        </button>
      )}
      {error && (
        <p className="notice" role="alert">
          {error}
        </p>
      )}
      <fieldset className="lid-times">
        <legend className="section">When was the lid last off?</legend>
        {(Object.keys(LID_TIMES) as LidTime[]).map(time => (
          <label key={time} className="choice">
            <input
              type="radio"
              name="lid"
              className="visually-hidden"
              checked={form.lidTime === time}
              onChange={() => set({ lidTime: time })}
            />
            <span>{time}</span>
          </label>
        ))}
      </fieldset>
      <p className="aside">
        Pencil sizes are ours until you measure. They only widen the answer; they never stop it.
      </p>
    </>
  )
}

function InsideStep({ form, set, errors }: StepProps & { readonly errors: ReturnType<typeof insideErrors> }) {
  const others = MATERIAL_IDS.filter(id => !CHIPS.includes(id))
  const shown = [...CHIPS, ...others.filter(id => (form.counts[id] ?? 0) > 0)]
  const count = (id: MaterialId, n: number) =>
    set({ counts: { ...form.counts, [id]: Math.min(MOST_OF_ONE, Math.max(0, n)) } })
  return (
    <>
      <h1 className="answer">What is inside?</h1>
      <p className="behind">Tap a material once for each spool.</p>
      <ul className="chips">
        {shown.map(id => {
          const n = form.counts[id] ?? 0
          return (
            <li key={id} className={n > 0 ? 'chip chosen' : 'chip'}>
              <button
                type="button"
                onClick={() => count(id, n + 1)}
                aria-label={`${id}${n > 0 ? ` × ${n}` : ''}: one more`}
              >
                {id}
                {n > 0 && <span className="chip-count"> × {n}</span>}
              </button>
              {n > 0 && (
                <button
                  type="button"
                  className="chip-less"
                  aria-label={`${id}: one less`}
                  onClick={() => count(id, n - 1)}
                >
                  −
                </button>
              )}
              <span className="aside small">keep below {MATERIALS[id].targetRhPercent} %</span>
            </li>
          )
        })}
      </ul>
      <div className="display-fields">
        <NativeSelect
          label="Another material"
          value=""
          data={[{ value: '', label: 'choose …' }, ...others.map(id => ({ value: id, label: id }))]}
          onChange={event =>
            event.currentTarget.value !== '' && count(event.currentTarget.value as MaterialId, 1)
          }
        />
        <TextInput
          label="Beads in it, g"
          inputMode="decimal"
          placeholder="don’t know"
          value={form.beads}
          error={errors?.beads}
          onChange={event => set({ beads: event.currentTarget.value })}
        />
      </div>
      {errors?.spools && (
        <p className="notice" role="alert">
          {errors.spools}
        </p>
      )}
      <p className="aside">Everything else is assumed, drawn in pencil, and counted in the range.</p>
    </>
  )
}
