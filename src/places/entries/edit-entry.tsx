import { Modal, NativeSelect, TextInput } from '@mantine/core'
import { useState, type FormEvent } from 'react'
import type { Entry } from '#records/entry.ts'
import { wordingsOf } from '#journal/history.ts'
import { rootOf } from '#journal/in-force.ts'
import { clockText, dayText } from '#ui/dates.ts'
import { FormFoot } from '#ui/form-foot.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { timeError, WhenField } from '#ui/when-field.tsx'
import { fieldsOf } from './entry-fields.ts'
import { entryWords } from './entry-words.ts'
import { measureOf, putRight, textsOf } from './put-right.ts'
import hand from '#ui/hand.module.css'
import css from './entries.module.css'

/** Puts an entry right: a new wording that stands in for it. What was said before stays readable below. */
export function EditEntry({ entry, close }: { readonly entry: Entry; readonly close: () => void }) {
  const { state, kept } = useJournal()
  const { maker } = useJournalTools()
  const measures = useMeasures()
  const write = useWriteAct()
  const fields = fieldsOf(entry, state)
  const [texts, setTexts] = useState(() => textsOf(entry, fields, measures))
  const [atMs, setAtMs] = useState(Date.parse(entry.at))
  const [nowMs] = useState(() => maker.nowMs())
  const [error, setError] = useState<{ field: string; message: string } | null>(null)
  const words = entryWords(entry, state, measures)
  const errorAt = (field: string) => (error?.field === field ? error.message : undefined)
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const when = timeError(atMs, maker.nowMs())
    if (when) return setError({ field: 'when', message: when })
    const checked = putRight(entry, fields, texts, atMs, measures)
    setError(checked.ok ? null : checked)
    if (checked.ok)
      write.mutate(
        { what: `Put right: ${words.about}, ${words.says}`, drafts: [checked.draft] },
        { onSuccess: close },
      )
  }
  const wordings = wordingsOf(kept, rootOf(entry))
  return (
    <Modal
      opened
      onClose={close}
      title={`Put right: ${words.about}`}
      centered
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      <form onSubmit={submit} noValidate className={hand.form}>
        {fields.map((field, i) => {
          const measure = measureOf(field, measures)
          const value = texts[field.key] ?? ''
          const set = (text: string) => {
            setTexts({ ...texts, [field.key]: text })
            setError(null)
          }
          if (typeof field.as === 'object') {
            const data = field.as.choices.map(([key, label]) => ({ value: key, label }))
            const known = data.some(option => option.value === value)
            return (
              <NativeSelect
                key={field.key}
                label={field.label}
                data={known ? data : [{ value, label: 'as it is' }, ...data]}
                value={value}
                error={errorAt(field.key)}
                onChange={event => set(event.currentTarget.value)}
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
              value={value}
              error={errorAt(field.key)}
              onChange={event => set(event.currentTarget.value)}
            />
          )
        })}
        <WhenField atMs={atMs} onChange={setAtMs} latestMs={nowMs} error={errorAt('when')} />
        {error?.field === '' && (
          <p className={hand.notice} role="alert">
            {error.message}
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
    </Modal>
  )
}
