import { Dialog } from '#ui/dialog.tsx'
import { TextInput } from '@mantine/core'
import { MATERIALS } from '#core/filament/catalogue.ts'
import { materialValue } from '#journal/materials.ts'
import type { MaterialId } from '#core/filament/material.ts'
import type { Draft } from '#records/act.ts'
import { MATERIAL_VALUE_NAMES, MATERIAL_VALUES, type MaterialValue } from '#records/kinds/value.ts'
import { parseDecimal } from '#ui/decimal.ts'
import { useCheckedForm, type Checked } from '#ui/checked-form.ts'
import { FormFoot } from '#ui/form-foot.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import type { Measures } from '#ui/measures.ts'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import hand from '#ui/hand.module.css'

type Texts = Record<MaterialValue, string>

/** A person's own values for one material; an empty field takes the catalogue's again. Kept as entries, so they undo. */
export function OwnValues({ id, close }: { readonly id: MaterialId; readonly close: () => void }) {
  const { state } = useJournal()
  const write = useWriteAct()
  const measures = useMeasures()
  const own = state.overrides.get(id) ?? {}
  const shown = (name: MaterialValue, value: number | null | undefined) =>
    value === null || value === undefined ? '' : unitOf(name, measures).field(value)
  const form = useCheckedForm(
    Object.fromEntries(MATERIAL_VALUE_NAMES.map(name => [name, shown(name, own[name])])) as Texts,
    texts => checkValues(id, texts, measures),
  )
  const submit = form.onKeep(values => {
    const drafts = MATERIAL_VALUE_NAMES.flatMap((field): Draft[] => {
      const value = values[field]
      return value === (own[field] ?? null)
        ? []
        : [{ kind: 'value.overridden', payload: { material: id, field, value } }]
    })
    if (drafts.length === 0) return close()
    write.mutate({ what: `${id}: own values`, drafts }, { onSuccess: close })
  })
  return (
    <Dialog onClose={close} title={`${id}: your own values`}>
      <form onSubmit={submit} noValidate className={hand.form}>
        <p className={hand.aside}>
          From your maker’s data sheet, or your own weighing. An empty field goes by the almanac.
        </p>
        {MATERIAL_VALUE_NAMES.map(name => (
          <TextInput
            key={name}
            label={`${MATERIAL_VALUES[name].name}, ${unitOf(name, measures).unit}`}
            inputMode="decimal"
            placeholder={shown(name, materialValue(MATERIALS[id], name)) || 'none'}
            {...form.getInputProps(name)}
          />
        ))}
        <FormFoot write={write} />
      </form>
    </Dialog>
  )
}

const PLAIN = { field: String, parse: parseDecimal }
/** Temperatures go by the person's own scale. */
const unitOf = (name: MaterialValue, { temperature }: Pick<Measures, 'temperature'>) =>
  MATERIAL_VALUES[name].unit === '°C' ? temperature : { ...PLAIN, unit: MATERIAL_VALUES[name].unit }

/** Pairs of values of which the second may not be below the first, and what to type where it is. */
const IN_ORDER = [
  ['cleanBelowPercent', 'troubleAbovePercent', 'Trouble begins above clean'],
  ['dryFromC', 'dryToC', 'The hotter end comes second'],
  ['dryFromHours', 'dryToHours', 'The longer end comes second'],
  ['dryToC', 'neverAboveC', 'It is dried below what it stands'],
] as const

/** Each value within what can be, and those that belong together in their order. */
export function checkValues(
  id: MaterialId,
  texts: Texts,
  measures: Pick<Measures, 'temperature'>,
): Checked<Texts, Readonly<Record<MaterialValue, number | null>>> {
  const errors: Partial<Record<MaterialValue, string>> = {}
  const values = {} as Record<MaterialValue, number | null>
  for (const name of MATERIAL_VALUE_NAMES) {
    const text = texts[name].trim()
    const { min, max } = MATERIAL_VALUES[name]
    const unit = unitOf(name, measures)
    values[name] = text === '' ? null : unit.parse(text)
    const value = values[name]
    if (value !== null && !(value >= min && value <= max))
      errors[name] =
        `Type ${unit.field(min)} to ${unit.field(max)} ${unit.unit}, or leave it empty for the almanac's.`
  }
  const of = (name: MaterialValue) => values[name] ?? materialValue(MATERIALS[id], name)
  const [half, full] = [of('moistureAt50Percent'), of('saturatedMoisturePercent')]
  if (half !== null && full !== null && full <= half)
    errors.saturatedMoisturePercent ??= `Saturated it holds more than at 50 %: type more than ${half}.`
  for (const [first, second, words] of IN_ORDER) {
    const [low, high] = [of(first), of(second)]
    if (low !== null && high !== null && high < low)
      errors[second] ??= `${words}: type ${unitOf(second, measures).field(low)} or more.`
  }
  return Object.keys(errors).length === 0 ? { ok: true, kept: values } : { ok: false, errors }
}
