import { TextInput } from '@mantine/core'
import type { LabelFormat } from '#core/label/label-sheet.ts'
import { usePreferences } from '#session/journal-context.tsx'
import { LABEL_FIELDS, type LabelChoice } from '#store/preferences.ts'
import { ChoiceRow } from '#ui/choice-row.tsx'
import { parseDecimal } from '#ui/decimal.ts'
import css from './labels.module.css'

export const formatOf = (choice: LabelChoice): LabelFormat =>
  choice.is === 'A6'
    ? { is: 'A6' }
    : choice.is === 'roll'
      ? { is: 'roll', widthMm: choice.rollWidthMm, lengthMm: choice.rollLengthMm }
      : { is: 'stickers', grid: choice }

type Field = keyof typeof LABEL_FIELDS
const WORDS: Readonly<Record<Field, string>> = {
  columns: 'Columns',
  rows: 'Rows',
  sideMm: 'Left and right edge, mm',
  topMm: 'Upper and lower edge, mm',
  acrossMm: 'Between columns, mm',
  downMm: 'Between rows, mm',
  rollWidthMm: 'Width of the roll, mm',
  rollLengthMm: 'Length of a label, mm',
}
const OF: Readonly<Record<LabelChoice['is'], readonly Field[]>> = {
  A6: [],
  stickers: ['columns', 'rows', 'sideMm', 'topMm', 'acrossMm', 'downMm'],
  roll: ['rollWidthMm', 'rollLengthMm'],
}

/** What the labels are printed on, kept on this device. */
export function SheetFields({
  typed,
  setTyped,
}: {
  /** What stands in the fields and does not hold yet. */
  readonly typed: Partial<Record<Field, string>>
  readonly setTyped: (typed: Partial<Record<Field, string>>) => void
}) {
  const { preferences, change } = usePreferences()
  const { labels } = preferences
  const type = (field: Field, text: string) => {
    const value = parseDecimal(text)
    if (wrongIn(field, value) === null) {
      const { [field]: _, ...others } = typed
      setTyped(others)
      change({ labels: { ...labels, [field]: value } })
    } else setTyped({ ...typed, [field]: text })
  }
  return (
    <>
      <ChoiceRow
        legend="Printed on"
        options={[
          ['stickers', 'A4 stickers'],
          ['roll', 'a roll'],
          ['A6', 'A6'],
        ]}
        chosen={labels.is}
        choose={is => change({ labels: { ...labels, is } })}
      />
      <div className={css.fields}>
        {OF[labels.is].map(field => (
          <TextInput
            key={field}
            label={WORDS[field]}
            inputMode="decimal"
            autoComplete="off"
            value={typed[field] ?? String(labels[field])}
            error={typed[field] === undefined ? null : wrongIn(field, parseDecimal(typed[field]))}
            onChange={event => type(field, event.currentTarget.value)}
          />
        ))}
      </div>
    </>
  )
}

function wrongIn(field: Field, value: number): string | null {
  const { min, max, whole } = LABEL_FIELDS[field]
  if (value >= min && value <= max && (!whole || Number.isInteger(value))) return null
  return `Type ${whole ? 'a whole number, ' : ''}${min} to ${max}.`
}
