import { NativeSelect, TextInput } from '@mantine/core'
import { HOLDERS, type HolderKind } from '#core/container/holder.ts'
import { DESICCANTS, type DesiccantKind } from '#core/desiccant/catalogue.ts'
import type { Plan, PlanFilling } from '#records/kinds/plan.ts'
import { useCheckedForm, type Checked } from '#ui/checked-form.ts'
import { parseDecimal } from '#ui/decimal.ts'
import { Dialog } from '#ui/dialog.tsx'
import { FormFoot } from '#ui/form-foot.tsx'
import type { Measures } from '#ui/measures.ts'
import { useMeasures } from '#ui/use-measures.ts'
import hand from '#ui/hand.module.css'
import css from './build.module.css'

const BY = { packets: 'packets or bags', mugs: 'mugs of 250 mL', grams: 'weighed' } as const
interface Typed {
  readonly desiccant: DesiccantKind
  readonly holder: HolderKind
  readonly by: keyof typeof BY
  readonly count: string
  readonly each: string
  readonly weeks: string
}
type Part = Pick<Plan, 'weeksWanted'> & { readonly filling: PlanFilling }
const MUG_ML = 250
const MOST_G = 5000

/** What was typed about the beads; messages name the field and the remedy. */
export function checkFilling(typed: Typed, { weight }: Measures): Checked<Typed, Part> {
  const errors: Partial<Record<keyof Typed, string>> = {}
  const count = parseDecimal(typed.count)
  const each = weight.parse(typed.each)
  const pieces = typed.by === 'packets' ? count : null
  if (typed.by === 'packets' && !(Number.isInteger(count) && count >= 1 && count <= 100))
    errors.count = 'Packets: type a whole number from 1 to 100; “It does without beads” leaves them out.'
  if (typed.by === 'mugs' && !(count > 0 && count <= 20)) errors.count = 'Mugs: type more than 0, up to 20.'
  if (typed.by !== 'mugs' && !(each > 0 && each <= MOST_G))
    errors.each = `${typed.by === 'packets' ? 'In each' : 'Beads'}: type more than 0, up to ${weight.text(MOST_G)}.`
  const grams =
    typed.by === 'mugs'
      ? count * MUG_ML * DESICCANTS[typed.desiccant].bulkDensityGPerMl
      : typed.by === 'packets'
        ? count * each
        : each
  if (Object.keys(errors).length === 0 && !(grams >= 1 && grams <= MOST_G))
    errors.count = `All together: 1 g to ${weight.text(MOST_G)}; that would be ${weight.text(grams)}.`
  const weeksWanted = parseDecimal(typed.weeks)
  if (!(weeksWanted >= 1 && weeksWanted <= 104)) errors.weeks = 'Weeks between renewals: type 1 to 104.'
  return Object.keys(errors).length > 0
    ? { ok: false, errors }
    : {
        ok: true,
        kept: { weeksWanted, filling: { desiccant: typed.desiccant, holder: typed.holder, grams, pieces } },
      }
}

/** What lies in it from the first day: packets, mugs or grams, and how long it is to hold. */
export function FillingDialog({
  filling,
  weeks,
  close,
  keep,
}: {
  readonly filling: PlanFilling
  readonly weeks: number
  readonly close: () => void
  readonly keep: (part: Part) => void
}) {
  const measures = useMeasures()
  const { weight } = measures
  const form = useCheckedForm<Typed, Part>(
    {
      desiccant: filling.desiccant,
      holder: filling.holder,
      by: filling.pieces === null ? 'grams' : 'packets',
      count: String(filling.pieces ?? 1),
      each: weight.field(filling.grams / (filling.pieces ?? 1)),
      weeks: String(weeks),
    },
    typed => checkFilling(typed, measures),
  )
  const { by } = form.values
  return (
    <Dialog onClose={close} title="What goes in to dry it" size="lg">
      <form onSubmit={form.onKeep(keep)} noValidate className={hand.form} data-part="filling-form">
        <NativeSelect
          label="Beads"
          data={Object.values(DESICCANTS).map(({ kind, name }) => ({ value: kind, label: name }))}
          {...form.getInputProps('desiccant')}
        />
        <NativeSelect
          label="They lie in"
          data={Object.entries(HOLDERS).map(([value, { name }]) => ({ value, label: name }))}
          {...form.getInputProps('holder')}
        />
        <div className={css.three}>
          <NativeSelect
            label="Told by"
            data={Object.entries(BY).map(([value, label]) => ({ value, label }))}
            {...form.getInputProps('by')}
          />
          {by !== 'grams' && (
            <TextInput
              label={by === 'packets' ? 'Packets' : 'Mugs'}
              inputMode="decimal"
              data-autofocus
              {...form.getInputProps('count')}
            />
          )}
          {by !== 'mugs' && (
            <TextInput
              label={`${by === 'packets' ? 'In each' : 'Beads'}, ${weight.unit}`}
              inputMode="decimal"
              {...form.getInputProps('each')}
            />
          )}
          <TextInput label="Weeks between renewals" inputMode="decimal" {...form.getInputProps('weeks')} />
        </div>
        <FormFoot write={{ isPending: false, error: null }} />
      </form>
    </Dialog>
  )
}
