import { carriedInstrument } from '#journal/instruments.ts'
import { inShelfOrder } from '#journal/shelf-order.ts'
import { useMemo, useRef, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { HUE_ORDER } from '#draw/palette.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { useJournalTools, usePreferences } from '#session/journal-context.tsx'
import { useCheckedForm } from '#ui/checked-form.ts'
import { isLoopback } from '#ui/only-here.tsx'
import { dayText } from '#ui/dates.ts'
import { dropDraft, readDraft, useDraft } from '#ui/draft.ts'
import { Refused } from '#ui/refused.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { nextPlace } from '#session/kit/next-place.ts'
import { DisplayStep } from './display-step.tsx'
import {
  askedOf,
  displayErrors,
  EMPTY_FORM,
  firstUseDrafts,
  formDraft,
  insideErrors,
  outlineErrors,
  sizeOf,
  type FirstUseForm,
} from './first-use-form.ts'
import { InsideStep } from './inside-step.tsx'
import { OutlineStep } from './outline-step.tsx'
import hand from '#ui/hand.module.css'
import css from './first-use.module.css'

/** A clock before this day, with an empty cell for one, was never set. */
const NO_VELD_BEFORE_MS = Date.UTC(2025, 0, 1)
/** The address the small server takes unless another program holds it. */
const USUAL_HOST = '127.0.0.1:4180'
const isElsewhere = isLoopback(window.location.hostname) && window.location.host !== USUAL_HOST

/** A half-told box is the same box the next day. */
const DRAFT_LASTS_MS = 86_400_000

/** Start with the display, not with a form: three screens, then the verdict. */
export default function FirstUsePlace() {
  const { maker, base } = useJournalTools()
  const { state } = useJournal()
  const { temperatureScale: scale } = usePreferences().preferences
  const navigate = useNavigate()
  const write = useWriteAct()
  const draftKey = `${base} first use`
  const [draft] = useState(() =>
    readDraft(draftKey, formDraft, { nowMs: maker.nowMs(), mostAgeMs: DRAFT_LASTS_MS }),
  )
  const [step, setStep] = useState<number>(draft?.step ?? 0)
  const asked = useRef('')
  const form = useCheckedForm<FirstUseForm, FirstUseForm>(
    { ...EMPTY_FORM, ...draft?.form, units: useMeasures() },
    typed => {
      const shown = { ...typed, asked: asked.current }
      const errors = [displayErrors(shown, scale), outlineErrors(typed), insideErrors(typed)][step]
      // asked once; the same two numbers again are meant
      if (step === 0) asked.current = askedOf(typed)
      return errors ? { ok: false, errors } : { ok: true, kept: typed }
    },
  )
  const typed = form.values
  useDraft(
    draftKey,
    useMemo(
      () => (typed.humidity === '' ? null : { step, form: { ...typed, units: undefined } }),
      [step, typed],
    ),
    maker.nowMs,
  )
  const shared = { form: form.values, errors: form.errors, set: form.setValues }
  const boxes = inShelfOrder(state)

  const next = form.onKeep(typed => {
    if (step < 2) return setStep(step + 1)
    // kept already, and on its way to the box's page: a second press is no second box
    if (write.isPending || write.isSuccess) return
    const { boxId, drafts } = firstUseDrafts(typed, {
      nowMs: maker.nowMs(),
      scale,
      newId: maker.newId,
      roomId: [...state.rooms.keys()][0] ?? null,
      instrumentId: carriedInstrument(state)?.instrumentId ?? null,
      place: nextPlace(
        boxes.map(box => ({ ...box, id: box.boxId })),
        sizeOf(typed).widthMm,
      ),
      name: `Box ${boxes.length + 1}`,
      colours: HUE_ORDER,
    })
    write.mutate(
      { what: `Box ${boxes.length + 1}: set up`, drafts },
      {
        onSuccess: () => {
          dropDraft(draftKey)
          void navigate(`${base}/box/${boxId}`)
        },
      },
    )
  })

  return (
    <main className={`${hand.page} ${css.firstUse}`} data-place="start">
      <form onSubmit={next} noValidate>
        <p className={hand.where}>
          {['first', 'second', 'last'][step]} of three
          {boxes.length > 0 && step === 0 && (
            <>
              {' · '}
              <Link to={base || '/'}>Back to the shelf</Link>
            </>
          )}
        </p>
        {maker.nowMs() < NO_VELD_BEFORE_MS && (
          <p className={hand.notice} role="alert">
            This device’s clock says {dayText(maker.nowMs(), 0, maker.zone)}: set it first. What is read is
            kept with its time.
          </p>
        )}
        {step === 0 && <DisplayStep {...shared} scale={scale} />}
        {step === 1 && <OutlineStep {...shared} />}
        {step === 2 && <InsideStep {...shared} />}
        {write.isError && <Refused error={write.error} remedy="press again" />}
        <div className={css.stepFoot}>
          {step > 0 && (
            <button type="button" className={hand.worded} onClick={() => setStep(step - 1)}>
              Back
            </button>
          )}
          <button type="submit" className={hand.filled} disabled={write.isPending || write.isSuccess}>
            {['Next: which outline', 'Next: what is inside', 'Judge it'][step]}
          </button>
        </div>
        {step === 0 && boxes.length === 0 && (
          <p className={hand.aside}>
            Many boxes at once? <Link to={`${base}/kit`}>Say them in the kit</Link>, a line each.
          </p>
        )}
        {step === 0 && base === '' && boxes.length === 0 && isElsewhere && (
          <p className={hand.aside}>
            This address, {window.location.host}, has a journal of its own. What you entered at another one is
            still there: open that one, or save a file there and <Link to="/files">bring it in here</Link>.
          </p>
        )}
        {step === 0 && base === '' && boxes.length === 0 && (
          <p className={hand.aside}>
            Nothing at hand? <Link to="/demo">Look round the boathouse loft</Link>, a made-up shelf.
          </p>
        )}
      </form>
    </main>
  )
}
