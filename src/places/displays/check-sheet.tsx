import { NativeSelect, TextInput } from '@mantine/core'
import { useState } from 'react'
import { waitHours } from '#core/reading/display-check.ts'
import { inScale } from '#core/reading/scale-slip.ts'
import { cautionsAt } from '#core/renewal/cautions.ts'
import type { InstrumentRecord, State } from '#journal/state.ts'
import { useJournalTools, usePreferences } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { nearTemperatures } from '#session/expectation.ts'
import { useWriteAct } from '#session/writing.ts'
import { Cautions } from '#ui/cautions.tsx'
import { useCheckedForm } from '#ui/checked-form.ts'
import { leftWords, offWords } from '#ui/display-words.ts'
import { FormFoot } from '#ui/form-foot.tsx'
import { inTenths } from '#ui/format.ts'
import { WhenField } from '#ui/when-field.tsx'
import {
  checkOfDisplays,
  errorsWith,
  howTo,
  type Air,
  type CheckToKeep,
  type CheckTyped,
} from './check-form.ts'
import hand from '#ui/hand.module.css'
import ruled from '#ui/ruled.module.css'
import css from './displays.module.css'
import { AIRS, airName } from './air-names.ts'

/** Several displays in one air: what it is, how to do it, what each shows, and what that would tell. */
export function CheckForm({ displays }: { readonly displays: readonly InstrumentRecord[] }) {
  const { state } = useJournal()
  const { maker } = useJournalTools()
  const { temperatureScale: scale } = usePreferences().preferences
  const write = useWriteAct()
  const [openedMs] = useState(() => maker.nowMs())
  const near = roomC(state, openedMs)
  const form = useCheckedForm<CheckTyped, CheckToKeep>(
    {
      air: 'bag',
      temperature: near === null ? '' : inTenths(inScale(near, scale)),
      waited: String(waitHours('bag')),
      when: openedMs,
      shown: {},
    },
    typed => checkOfDisplays(typed, scale, state),
  )
  const { values } = form
  const checked = checkOfDisplays(values, scale, state)
  const wait = waitHours(values.air)
  const waited = Number(values.waited.replace(',', '.'))
  const keep = ({ atMs, payload }: CheckToKeep) =>
    write.mutate({
      what: `Displays checked in ${airName(payload.air)}`,
      drafts: [{ kind: 'instrument.checked', atMs, payload }],
    })
  return (
    <form
      onSubmit={form.onKeep(keep)}
      noValidate
      className={`${hand.form} ${css.check}`}
      aria-labelledby="a-check"
      data-part="check-form"
    >
      <h2 id="a-check">A check</h2>
      <NativeSelect
        label="In what air"
        data={AIRS}
        value={values.air}
        onChange={event => {
          const air = event.currentTarget.value as Air
          form.setFieldValue('air', air)
          form.setFieldValue('waited', String(waitHours(air)))
        }}
      />
      <ol className={ruled.steps}>
        {howTo(values.air).map(step => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      <Cautions list={cautionsAt({ step: 'check displays', air: values.air })} />
      <div className={ruled.pair}>
        <TextInput
          label="Waited, hours"
          inputMode="decimal"
          autoComplete="off"
          {...form.getInputProps('waited')}
        />
        <TextInput
          label={`Temperature, °${scale}`}
          inputMode="decimal"
          autoComplete="off"
          {...form.getInputProps('temperature')}
        />
      </div>
      {waited < wait && (
        <p className={hand.aside} data-part="too-short">
          That is less than {wait === 1 ? 'an hour' : `${wait} hours`}: they have not come to the new air yet,
          and the check tells less.
        </p>
      )}
      <fieldset className={css.shown}>
        <legend>What each shows, % (blank: not in there)</legend>
        {displays.map(one => (
          <TextInput
            key={one.instrumentId}
            label={one.name}
            inputMode="decimal"
            autoComplete="off"
            value={values.shown[one.instrumentId] ?? ''}
            onChange={event =>
              form.setFieldValue('shown', { ...values.shown, [one.instrumentId]: event.currentTarget.value })
            }
          />
        ))}
        {form.errors['shown'] && (
          <p role="alert" className={css.error}>
            {form.errors['shown']}
          </p>
        )}
      </fieldset>
      <WhenField latestMs={openedMs} {...form.valueOf('when')} />
      {checked.ok && (
        <p data-part="would-be" aria-live="polite">
          {errorsWith(state, checked.kept)
            .map(({ instrument, error }) => `${instrument.name} ${offWords(error)} (${leftWords(error)})`)
            .join('; ')}
          .
        </p>
      )}
      <FormFoot write={write} />
    </form>
  )
}

/** The room's last temperature, of any room: where a bag or a jar would stand. */
function roomC(state: State, nowMs: number): number | null {
  const [room] = state.rooms.keys()
  return room === undefined ? null : (nearTemperatures(state, { in: 'room', id: room }, nowMs + 1)[0] ?? null)
}
