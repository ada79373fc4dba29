import { NativeSelect, TextInput } from '@mantine/core'
import { useState } from 'react'
import type { Draft } from '#records/act.ts'
import type { SpoolRecord } from '#journal/state.ts'
import { scaleStepG } from '#journal/scales.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { useCheckedForm } from '#ui/checked-form.ts'
import { ChoiceRow } from '#ui/choice-row.tsx'
import { Dialog } from '#ui/dialog.tsx'
import { FormFoot } from '#ui/form-foot.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { WhenField } from '#ui/when-field.tsx'
import { AIR_CHOICES, checkTelling, type TellTyped, type Telling } from './tell-form.ts'
import hand from '#ui/hand.module.css'

const WHAT = [
  ['printed', 'something was printed'],
  ['weighed', 'it was weighed'],
  ['dried', 'it was dried'],
] as const
/** What happened to a spool, told afterwards. */
export default function TellDialog({
  spool,
  start,
  like = null,
  close,
}: {
  readonly spool: SpoolRecord
  readonly start: Telling
  /** How it was dried, where that was asked about just now. */
  readonly like?: {
    readonly temperatureC: number
    readonly hours: number | null
    readonly air: TellTyped['air']
  } | null
  readonly close: () => void
}) {
  const { state } = useJournal()
  const { maker } = useJournalTools()
  const measures = useMeasures()
  const write = useWriteAct()
  const [nowMs] = useState(() => maker.nowMs())
  const scaleErrorG = scaleStepG(state)
  const material = state.materials[spool.material]
  const form = useCheckedForm<TellTyped, Draft>(
    {
      what: start,
      grams: '',
      gross: '',
      temperature: like ? measures.temperature.field(like.temperatureC) : '',
      hours: like?.hours ? String(like.hours) : '',
      air: like?.air ?? 'vented',
      when: nowMs,
    },
    typed => checkTelling(typed, spool, measures, { nowMs: maker.nowMs(), scaleErrorG }),
  )
  const { what, temperature } = form.values
  const heatC = measures.temperature.parse(temperature)
  const keep = (draft: Draft) =>
    write.mutate({ what: `${spool.name}: ${what}`, drafts: [draft] }, { onSuccess: close })
  const field = { inputMode: 'decimal', autoComplete: 'off' } as const
  return (
    <Dialog onClose={close} title={spool.name}>
      <form onSubmit={form.onKeep(keep)} noValidate className={hand.form} data-part="tell-form">
        <ChoiceRow
          legend="What happened"
          options={WHAT}
          chosen={what}
          choose={value => form.setFieldValue('what', value)}
        />
        {what === 'printed' && (
          <TextInput
            label={`Printed, ${measures.weight.unit}, with what was pulled off`}
            {...field}
            {...form.getInputProps('grams')}
          />
        )}
        {what === 'weighed' && (
          <TextInput
            label={`Spool and all, ${measures.weight.unit}`}
            description={`The empty spool is taken as ${measures.weight.text(spool.emptyG)}.`}
            {...field}
            {...form.getInputProps('gross')}
          />
        )}
        {what === 'dried' && (
          <>
            <div className={hand.pair}>
              <TextInput
                label={`Heat at the spool, ${measures.temperature.unit}`}
                {...field}
                {...form.getInputProps('temperature')}
              />
              <TextInput label="For, hours" {...field} {...form.getInputProps('hours')} />
            </div>
            <NativeSelect label="Its air" data={AIR_CHOICES} {...form.getInputProps('air')} />
            <p className={hand.aside} aria-live="polite">
              {heatC > material.neverAboveC
                ? `${spool.material} softens above ${measures.temperature.text(material.neverAboveC)}: its maker’s word comes first.`
                : `Its outer turns, its core and what the air let go of are reckoned from this.`}
            </p>
          </>
        )}
        <WhenField
          {...form.valueOf('when')}
          label={what === 'dried' ? 'Taken out' : 'When'}
          latestMs={nowMs}
        />
        <FormFoot write={write} />
      </form>
    </Dialog>
  )
}
