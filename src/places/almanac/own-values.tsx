import { Dialog } from '#ui/dialog.tsx'
import { TextInput } from '@mantine/core'
import { MATERIALS } from '#core/filament/catalogue.ts'
import type { MaterialId } from '#core/filament/material.ts'
import type { Draft } from '#records/act.ts'
import { MATERIAL_VALUE_NAMES, MATERIAL_VALUES, type MaterialValue } from '#records/kinds/value.ts'
import { parseDecimal } from '#ui/decimal.ts'
import { useCheckedForm, type Checked } from '#ui/checked-form.ts'
import { FormFoot } from '#ui/form-foot.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import hand from '#ui/hand.module.css'

type Texts = Record<MaterialValue, string>

/** A person's own values for one material; an empty field takes the catalogue's again. Kept as entries, so they undo. */
export function OwnValues({ id, close }: { readonly id: MaterialId; readonly close: () => void }) {
  const { state } = useJournal()
  const write = useWriteAct()
  const own = state.overrides.get(id) ?? {}
  const form = useCheckedForm(
    Object.fromEntries(MATERIAL_VALUE_NAMES.map(name => [name, String(own[name] ?? '')])) as Texts,
    texts => checkValues(id, texts),
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
            label={`${MATERIAL_VALUES[name].name}, ${MATERIAL_VALUES[name].unit}`}
            inputMode="decimal"
            placeholder={String(MATERIALS[id][name] ?? 'none')}
            {...form.getInputProps(name)}
          />
        ))}
        <FormFoot write={write} />
      </form>
    </Dialog>
  )
}

/** Each value within what can be, and the two limits and the two moistures in their order. */
export function checkValues(
  id: MaterialId,
  texts: Texts,
): Checked<Texts, Readonly<Record<MaterialValue, number | null>>> {
  const errors: Partial<Record<MaterialValue, string>> = {}
  const values = {} as Record<MaterialValue, number | null>
  for (const name of MATERIAL_VALUE_NAMES) {
    const text = texts[name].trim()
    const { min, max, unit } = MATERIAL_VALUES[name]
    values[name] = text === '' ? null : parseDecimal(text)
    const value = values[name]
    if (value !== null && !(value >= min && value <= max))
      errors[name] = `Type ${min} to ${max} ${unit}, or leave it empty for the almanac's.`
  }
  const of = (name: MaterialValue) => values[name] ?? MATERIALS[id][name]
  const [half, full] = [of('moistureAt50Percent'), of('saturatedMoisturePercent')]
  if (half !== null && full !== null && full <= half)
    errors.saturatedMoisturePercent ??= `Saturated it holds more than at 50 %: type more than ${half}.`
  const [clean, trouble] = [of('cleanBelowPercent'), of('troubleAbovePercent')]
  if (clean !== null && trouble !== null && trouble < clean)
    errors.troubleAbovePercent ??= `Trouble begins above clean: type ${clean} or more.`
  return Object.keys(errors).length === 0 ? { ok: true, kept: values } : { ok: false, errors }
}
