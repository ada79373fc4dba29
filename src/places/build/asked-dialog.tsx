import { Checkbox, TextInput } from '@mantine/core'
import { ARRANGEMENT_KINDS, hangs, type ArrangementKind, type Clearances } from '#core/build/arrangement.ts'
import type { PlanSpool } from '#journal/plan-wish.ts'
import type { PlanRecord } from '#journal/state.ts'
import type { Plan } from '#records/kinds/plan.ts'
import { useCheckedForm, type Checked } from '#ui/checked-form.ts'
import { parseDecimal } from '#ui/decimal.ts'
import { Dialog } from '#ui/dialog.tsx'
import { FormFoot } from '#ui/form-foot.tsx'
import type { Measures } from '#ui/measures.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { WAY_WORDS } from './plan-words.ts'
import hand from '#ui/hand.module.css'
import css from './build.module.css'

const CLEARANCES: readonly (readonly [keyof Clearances, string])[] = [
  ['lidMm', 'Under the lid'],
  ['floorMm', 'Over the floor'],
  ['betweenMm', 'Between spools'],
  ['endsMm', 'Flange to wall'],
  ['sidesMm', 'Rim to wall'],
]
const MOST_ROOM_MM = 100
interface Typed extends Readonly<Record<keyof Clearances, string>> {
  readonly name: string
  readonly ways: readonly ArrangementKind[]
  readonly rod: string
  readonly outlets: string
  readonly openings: string
}
type Part = Pick<Plan, 'name' | 'ways' | 'clearances' | 'rodDiameterMm' | 'outlets' | 'openingsPerMonth'>

/** What was typed about a plan; messages name the field and the remedy. */
export function checkAsked(
  typed: Typed,
  spools: readonly PlanSpool[],
  { length }: Measures,
): Checked<Typed, Part> {
  const errors: Partial<Record<keyof Typed, string>> = {}
  const clearances = Object.fromEntries(
    CLEARANCES.map(([key, words]) => {
      const mm = length.parse(typed[key])
      if (!(mm >= 0 && mm <= MOST_ROOM_MM))
        errors[key] = `${words}: no room is less than none; type 0 to ${length.text(MOST_ROOM_MM)}.`
      return [key, mm]
    }),
  ) as unknown as Part['clearances']
  const rodDiameterMm = length.parse(typed.rod)
  const hung = typed.ways.some(hangs)
  const narrow = [...spools].sort((a, b) => a.boreMm - b.boreMm)[0]
  if (!(rodDiameterMm >= 2 && rodDiameterMm <= 60))
    errors.rod = `Rod: type ${length.text(2)} to ${length.text(60)}.`
  else if (hung && narrow && rodDiameterMm > narrow.boreMm)
    errors.rod = `Rod: it does not go through ${narrow.name}, whose bore is ${length.text(narrow.boreMm)}; take a thinner one.`
  const outlets = parseDecimal(typed.outlets)
  if (!Number.isInteger(outlets) || outlets < 0 || outlets > 12)
    errors.outlets = 'Tubes out: type a whole number from 0 to 12.'
  const openingsPerMonth = parseDecimal(typed.openings)
  if (!(openingsPerMonth >= 0 && openingsPerMonth <= 300))
    errors.openings = 'Opened: type how many times a month, 0 to 300; about once a week is 4.'
  if (typed.ways.length === 0) errors.ways = 'How they may stand: pick one way at least.'
  const name = typed.name.trim()
  if (name.length < 1 || name.length > 60) errors.name = 'Name: type 1 to 60 letters.'
  return Object.keys(errors).length > 0
    ? { ok: false, errors }
    : {
        ok: true,
        kept: { name, ways: [...typed.ways], clearances, rodDiameterMm, outlets, openingsPerMonth },
      }
}

/** Rooms, ways of standing, tubes and openings: what every candidate is held to. */
export function AskedDialog({
  plan,
  spools,
  close,
  keep,
}: {
  readonly plan: PlanRecord
  readonly spools: readonly PlanSpool[]
  readonly close: () => void
  readonly keep: (part: Part) => void
}) {
  const measures = useMeasures()
  const { length } = measures
  const { clearances } = plan
  const form = useCheckedForm<Typed, Part>(
    {
      ...(Object.fromEntries(CLEARANCES.map(([key]) => [key, length.field(clearances[key])])) as Record<
        keyof Clearances,
        string
      >),
      name: plan.name,
      ways: plan.ways,
      rod: length.field(plan.rodDiameterMm),
      outlets: String(plan.outlets),
      openings: String(plan.openingsPerMonth),
    },
    typed => checkAsked(typed, spools, measures),
  )
  const { ways } = form.values
  return (
    <Dialog onClose={close} title="What is asked" size="lg">
      <form onSubmit={form.onKeep(keep)} noValidate className={hand.form} data-part="asked-form">
        <TextInput label="Name of the plan" autoComplete="off" {...form.getInputProps('name')} />
        <fieldset className={css.mine}>
          <legend>How they may stand</legend>
          {ARRANGEMENT_KINDS.map(kind => (
            <Checkbox
              key={kind}
              label={WAY_WORDS[kind]}
              checked={ways.includes(kind)}
              onChange={event =>
                form.setFieldValue(
                  'ways',
                  ARRANGEMENT_KINDS.filter(one =>
                    one === kind ? event.currentTarget.checked : ways.includes(one),
                  ),
                )
              }
            />
          ))}
        </fieldset>
        {form.errors['ways'] && (
          <p className={hand.notice} role="alert">
            {form.errors['ways']}
          </p>
        )}
        <div className={css.three}>
          {CLEARANCES.map(([key, words]) => (
            <TextInput
              key={key}
              label={`${words}, ${length.unit}`}
              inputMode="decimal"
              autoComplete="off"
              {...form.getInputProps(key)}
            />
          ))}
          <TextInput label={`Rod, ${length.unit} thick`} inputMode="decimal" {...form.getInputProps('rod')} />
          <TextInput label="Tubes out" inputMode="numeric" {...form.getInputProps('outlets')} />
          <TextInput label="Opened, times a month" inputMode="decimal" {...form.getInputProps('openings')} />
        </div>
        <FormFoot write={{ isPending: false, error: null }} />
      </form>
    </Dialog>
  )
}
