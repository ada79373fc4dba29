import { Dialog } from '#ui/dialog.tsx'
import { NativeSelect, TextInput } from '@mantine/core'
import { useState } from 'react'
import type { Entry } from '#records/entry.ts'
import { wordingsOf } from '#journal/history.ts'
import { rootOf } from '#journal/in-force.ts'
import { clockText, dayText } from '#ui/dates.ts'
import { useCheckedForm } from '#ui/checked-form.ts'
import { FormFoot } from '#ui/form-foot.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { timeError, WhenField } from '#ui/when-field.tsx'
import { fieldsOf } from './entry-fields.ts'
import { entryWords } from '#ui/entry-words.ts'
import { measureOf, OF_ALL, putRight, textsOf } from './put-right.ts'
import hand from '#ui/hand.module.css'
import css from './entries.module.css'

/** Puts an entry right: a new wording that stands in for it. What was said before stays readable below. */
export function EditEntry({ entry, close }: { readonly entry: Entry; readonly close: () => void }) {
  const { state, kept } = useJournal()
  const { maker } = useJournalTools()
  const measures = useMeasures()
  const write = useWriteAct()
  const fields = fieldsOf(entry, state)
  const [nowMs] = useState(() => maker.nowMs())
  const words = entryWords(entry, state, measures)
  const form = useCheckedForm(
    { texts: textsOf(entry, fields, measures), when: Date.parse(entry.at) },
    ({ texts, when }) => {
      const early = timeError(when, maker.nowMs())
      if (early) return { ok: false, errors: { when: early } }
      const checked = putRight(entry, fields, texts, when, measures)
      return checked.ok ? checked : { ok: false, errors: inTexts(checked.errors) }
    },
  )
  const submit = form.onKeep(draft =>
    write.mutate({ what: `Put right: ${words.about}, ${words.says}`, drafts: [draft] }, { onSuccess: close }),
  )
  const wordings = wordingsOf(kept, rootOf(entry))
  return (
    <Dialog onClose={close} title={`Put right: ${words.about}`}>
      <form onSubmit={submit} noValidate className={hand.form}>
        {fields.map((field, i) => {
          const measure = measureOf(field, measures)
          const path = `texts.${field.key}`
          const value = form.values.texts[field.key] ?? ''
          if (typeof field.as === 'object') {
            const data = field.as.choices.map(([key, label]) => ({ value: key, label }))
            const known = data.some(option => option.value === value)
            return (
              <NativeSelect
                key={field.key}
                label={field.label}
                data={known ? data : [{ value, label: 'as it is' }, ...data]}
                {...form.getInputProps(path)}
              />
            )
          }
          return (
            <TextInput
              key={field.key}
              label={measure?.unit ? `${field.label}, ${measure.unit}` : field.label}
              {...(measure ? { inputMode: 'decimal' as const } : {})}
              autoComplete="off"
              data-autofocus={i === 0 ? true : undefined}
              {...form.getInputProps(path)}
            />
          )
        })}
        <WhenField latestMs={nowMs} {...form.valueOf('when')} />
        {form.errors[`texts.${OF_ALL}`] && (
          <p className={hand.notice} role="alert">
            {form.errors[`texts.${OF_ALL}`]}
          </p>
        )}
        <FormFoot write={write} />
        {wordings.length > 1 && (
          <section aria-label="What it said before">
            <h2 className={hand.section}>What it said before</h2>
            <ol className={css.wordings}>
              {wordings.map((wording, i) => {
                const ms = Date.parse(wording.writtenAt)
                return (
                  <li key={wording.entry.id} className={wording.withdrawn ? css.withdrawn : undefined}>
                    <span className={hand.aside}>
                      {i === 0 ? 'first written' : 'put right'} {dayText(ms, nowMs, maker.zone)},{' '}
                      {clockText(ms, maker.zone)}
                    </span>{' '}
                    {entryWords(wording.entry, state, measures).says}
                    {wording.withdrawn && ' (taken back)'}
                  </li>
                )
              })}
            </ol>
          </section>
        )}
      </form>
    </Dialog>
  )
}

/** A message at a field of the entry, as the form knows its path. */
const inTexts = (errors: Readonly<Record<string, string | undefined>>) =>
  Object.fromEntries(Object.entries(errors).map(([key, message]) => [`texts.${key}`, message])) as Record<
    string,
    string
  >
