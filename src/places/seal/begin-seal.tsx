import { TextInput } from '@mantine/core'
import { useState } from 'react'
import { Link } from 'react-router'
import {
  FALL_FROM_PERCENT,
  RISE_FROM_PERCENT,
  sealTestPlans,
  type SealMethod,
  type SealSetting,
  type SealTestPlan,
} from '#core/build/seal-test.ts'
import { LIDS } from '#core/container/lid.ts'
import { cautionsAt } from '#core/renewal/cautions.ts'
import type { BoxView } from '#journal/box-view.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useWriteAct } from '#session/writing.ts'
import { Cautions } from '#ui/cautions.tsx'
import { useCheckedForm } from '#ui/checked-form.ts'
import { parseDecimal } from '#ui/decimal.ts'
import { Dialog } from '#ui/dialog.tsx'
import { FormFoot } from '#ui/form-foot.tsx'
import { inWhole, THIN } from '#ui/format.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { ADVERBS, howTo, lengthWords, NAMES } from './seal-methods.ts'
import hand from '#ui/hand.module.css'
import css from './seal.module.css'

/** Three tests, what each needs here, and which one to take. */
export function BeginSeal({ view, setting }: { readonly view: BoxView; readonly setting: SealSetting }) {
  const { base } = useJournalTools()
  const [method, setMethod] = useState<SealMethod | null>(null)
  const { box, charges, spools } = view
  const plans = sealTestPlans(setting, box.lid)
  const refusal = refusalOf(charges.length)
  const allowed = plans.filter(plan => refusal(plan.method) === null)
  const best = allowed.find(plan => plan.hours !== null)
  const { room } = setting
  return (
    <main className={hand.page} data-place="seal">
      <div className={hand.answerRow}>
        <div>
          <p className={hand.where}>
            <Link to={`${base}/box/${box.boxId}`}>{box.name}</Link>
          </p>
          <h1 className={hand.answer}>
            {best
              ? `${ADVERBS[best.method]} for ${lengthWords(best.hours!)}`
              : 'No test here tells its lid from its neighbours within four weeks'}
          </h1>
          <p className={hand.behind}>
            {best
              ? `In that time it tells ${LIDS[box.lid].name} from the lids beside it ${inWhole(10 * best.right - 0.5)} times in ten, with the room at ${inWhole(room.relativeHumidityPercent)}${THIN}% and the scale of ${setting.scaleStepG}${THIN}g.`
              : `A finer scale does: Kit knows one of ${setting.scaleStepG}${THIN}g. A test still gives an upper bound.`}
          </p>
        </div>
        <div className={hand.acts}>
          {(best ?? allowed[0]) && (
            <button
              type="button"
              className={hand.filled}
              onClick={() => setMethod((best ?? allowed[0])!.method)}
            >
              Begin: {NAMES[(best ?? allowed[0])!.method].toLowerCase()}
            </button>
          )}
        </div>
      </div>
      <ol className={css.methods}>
        {plans.map(plan => (
          <MethodRow
            key={plan.method}
            plan={plan}
            refused={refusal(plan.method)}
            isBest={plan === best}
            begin={() => setMethod(plan.method)}
          />
        ))}
      </ol>
      {(spools.length > 0 || charges.length > 0) && (
        <p>
          In it now: {[...spools, ...charges].map(thing => thing.name).join(', ')}. Move them out first, and
          say so on the box’s page: what they hold hides a leak.
        </p>
      )}
      <Cautions
        list={cautionsAt({ step: 'weigh the beads', indicator: 'unknown', desiccant: 'silica-unknown' })}
      />
      {method && <Begin method={method} view={view} close={() => setMethod(null)} />}
    </main>
  )
}

/** Beads buffer thousands of litres of air: a display beside them shows no leak. */
const refusalOf =
  (charges: number) =>
  (method: SealMethod): string | null =>
    method !== 'weighed' && charges > 0
      ? 'Not while beads are inside: they take up what leaks in, and the display shows nothing. Take them out first.'
      : null

function MethodRow({
  plan,
  refused,
  isBest,
  begin,
}: {
  readonly plan: SealTestPlan
  readonly refused: string | null
  readonly isBest: boolean
  readonly begin: () => void
}) {
  return (
    <li className={css.method} data-method={plan.method}>
      <h2 className={hand.section}>{NAMES[plan.method]}</h2>
      <p className={css.length}>
        {plan.hours === null
          ? `could not tell within four weeks: ${inWhole(10 * plan.right)} right of ten at best`
          : `${lengthWords(plan.hours)}${isBest ? ': the one to take' : ''}`}
      </p>
      <p>{howTo(plan.method)}</p>
      {refused ? (
        <p className={css.refused}>{refused}</p>
      ) : (
        <button type="button" className={hand.worded} onClick={begin}>
          Begin it
        </button>
      )}
    </li>
  )
}

interface Typed {
  readonly tray: string
  readonly control: string
  readonly display: string
}

/** What is read as it is shut. */
function Begin({
  method,
  view,
  close,
}: {
  readonly method: SealMethod
  readonly view: BoxView
  readonly close: () => void
}) {
  const write = useWriteAct()
  const { weight } = useMeasures()
  const isWeighed = method === 'weighed'
  const form = useCheckedForm<
    Typed,
    Pick<Typed, never> & { trayG: number | null; controlG: number | null; startPercent: number | null }
  >(
    {
      tray: '',
      control: '',
      display:
        method === 'rise' ? String(RISE_FROM_PERCENT) : method === 'fall' ? String(FALL_FROM_PERCENT) : '',
    },
    typed => {
      const errors: Partial<Record<keyof Typed, string>> = {}
      const grams = (key: 'tray' | 'control', words: string): number => {
        const value = weight.parse(typed[key])
        if (!(value >= 1 && value <= 10_000))
          errors[key] = `${words}: type what the scale shows, ${weight.text(1)} to ${weight.text(10_000)}.`
        return value
      }
      const trayG = isWeighed ? grams('tray', 'The tray that goes in') : null
      const controlG =
        isWeighed && typed.control.trim() !== '' ? grams('control', 'The tray in the open') : null
      const percent = parseDecimal(typed.display)
      if (!isWeighed && !(percent >= 0 && percent <= 100)) errors.display = 'The display: type 0 to 100.'
      return Object.keys(errors).length > 0
        ? { ok: false, errors }
        : { ok: true, kept: { trayG, controlG, startPercent: isWeighed ? null : percent } }
    },
  )
  const { box } = view
  return (
    <Dialog onClose={close} title={`${NAMES[method]}: as it is shut`} size="md">
      <form
        onSubmit={form.onKeep(kept =>
          write.mutate(
            {
              what: `${box.name}: seal test begun`,
              drafts: [{ kind: 'box.sealTestBegun', payload: { boxId: box.boxId, method, ...kept } }],
            },
            { onSuccess: close },
          ),
        )}
        noValidate
        className={hand.form}
        data-part="begin-seal"
      >
        <p className={hand.aside}>{howTo(method)}</p>
        {isWeighed ? (
          <>
            <TextInput
              label={`The tray that goes in, ${weight.unit}`}
              inputMode="decimal"
              autoComplete="off"
              data-autofocus
              {...form.getInputProps('tray')}
            />
            <TextInput
              label={`One like it in the open, ${weight.unit}`}
              description="Left out: the room’s air is doubted more."
              inputMode="decimal"
              autoComplete="off"
              {...form.getInputProps('control')}
            />
          </>
        ) : (
          <TextInput
            label="The display, %"
            inputMode="decimal"
            autoComplete="off"
            data-autofocus
            {...form.getInputProps('display')}
          />
        )}
        <FormFoot write={write} />
      </form>
    </Dialog>
  )
}
