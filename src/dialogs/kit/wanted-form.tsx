import { NativeSelect, TextInput } from '@mantine/core'
import type { QuickContext, Wanted } from '#formats/quick/wanted.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { placeText } from './thing-words.ts'
import { WANTED_FIELDS, type WantedField } from './wanted-fields.ts'
import { measureOf, textOf, valueOf, type Fields } from './with-fields.ts'
import css from './kit-dialogs.module.css'

/** Every fact of a thing by hand: the same ones the sentence says. */
export function WantedForm({
  wanted,
  typed,
  errors,
  type,
  boxes,
  focus,
  without = [],
}: {
  readonly wanted: Wanted
  readonly typed: Fields
  readonly errors: Fields
  readonly type: (key: string, text: string) => void
  readonly boxes: QuickContext['boxes']
  /** The field to begin at. */
  readonly focus?: string | null
  readonly without?: readonly string[]
}) {
  const measures = useMeasures()
  return (
    <div className={css.fields} data-part="wanted-form">
      {WANTED_FIELDS[wanted.kind]
        .filter(field => !without.includes(field.key))
        .map(field => {
          const measure = measureOf(field, measures)
          const value = typed[field.key] ?? textOf(field, valueOf(wanted, field.key), measures)
          const shared = {
            label: measure?.unit ? `${field.label}, ${measure.unit}` : field.label,
            value,
            error: errors[field.key],
            onChange: (event: { currentTarget: { value: string } }) =>
              type(field.key, event.currentTarget.value),
            'data-field': field.key,
            ...(focus === field.key ? { 'data-autofocus': true, autoFocus: true } : {}),
          }
          const choices = choicesOf(field, wanted, boxes)
          return choices ? (
            <NativeSelect key={field.key} {...shared} data={choices} />
          ) : (
            <TextInput
              key={field.key}
              {...shared}
              autoComplete="off"
              {...(field.as === 'day' ? { type: 'date' as const } : {})}
              {...(measure ? { inputMode: 'decimal' as const } : {})}
            />
          )
        })}
    </div>
  )
}

function choicesOf(field: WantedField, wanted: Wanted, boxes: QuickContext['boxes']) {
  if (field.as === 'place') {
    const others = wanted.kind === 'spool' ? (['open', 'printer', 'bag'] as const) : (['away'] as const)
    return [
      ...others.map(place => ({ value: place as string, label: placeText(place, wanted.kind, boxes) })),
      ...boxes.map(box => ({ value: `box:${box.id}`, label: box.name })),
    ]
  }
  return typeof field.as === 'object' && 'choices' in field.as
    ? field.as.choices.map(([value, label]) => ({ value, label }))
    : null
}
