import { NativeSelect, TextInput } from '@mantine/core'
import { useState } from 'react'
import { hasDial } from '#core/renewal/heat-source.ts'
import type { HeatSourceRecord } from '#journal/state.ts'
import type { HeatSourceMeasured } from '#records/kinds/heat-source.ts'
import { useWriteAct } from '#session/writing.ts'
import { useCheckedForm } from '#ui/checked-form.ts'
import { FormFoot } from '#ui/form-foot.tsx'
import { inWhole } from '#ui/format.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { checkMeasure, otherScale, type MeasureTyped } from './measure-form.ts'
import hand from '#ui/hand.module.css'
import ruled from '#ui/ruled.module.css'
import css from './heat.module.css'

/** One setting, measured where the beads will lie. */
export function MeasureForm({ sources }: { readonly sources: readonly HeatSourceRecord[] }) {
  const measures = useMeasures()
  const { temperature } = measures
  const write = useWriteAct()
  const [meant, setMeant] = useState(false)
  const measurable = sources.filter(one => one.kind !== 'microwave')
  const first = measurable.find(one => one.measured.length === 0) ?? measurable[0]
  const form = useCheckedForm<MeasureTyped, HeatSourceMeasured>(
    { sourceId: first?.heatSourceId ?? '', dial: '', advertised: '', measured: '', swing: '' },
    typed => checkMeasure(typed, measurable, measures),
  )
  const { values } = form
  const checked = checkMeasure(values, measurable, measures)
  const other = checked.ok ? otherScale(checked.kept, measures) : null
  const source = measurable.find(one => one.heatSourceId === values.sourceId)
  const keep = (measured: HeatSourceMeasured) => {
    // asked once; a second press means it
    if (other !== null && !meant) return setMeant(true)
    write.mutate({
      what: `${source?.name ?? 'Oven'}: measured ${temperature.text(measured.measuredC)}`,
      drafts: [{ kind: 'heatSource.measured', payload: measured }],
    })
  }
  if (measurable.length === 0) return null
  const field = { inputMode: 'decimal', autoComplete: 'off' } as const
  return (
    <form
      onSubmit={form.onKeep(keep)}
      noValidate
      className={`${hand.form} ${css.measure}`}
      aria-labelledby="a-measurement"
      data-part="measure-form"
    >
      <h2 id="a-measurement">Measure it</h2>
      <NativeSelect
        label="Which"
        data={measurable.map(one => ({ value: one.heatSourceId, label: one.name }))}
        {...form.getInputProps('sourceId')}
      />
      <ol className={ruled.steps}>
        <li>A thermometer that stands the heat, on the tray, where the beads will lie; empty otherwise.</li>
        <li>
          Half an hour at one setting. Then watch it for ten minutes: the most, the least, and their middle.
        </li>
      </ol>
      <div className={ruled.pair}>
        {(source === undefined || hasDial(source.kind)) && (
          <TextInput label={`Set to, ${temperature.unit}`} {...field} {...form.getInputProps('dial')} />
        )}
        <TextInput
          label={`Maker says, ${temperature.unit}, if so`}
          {...field}
          {...form.getInputProps('advertised')}
        />
        <TextInput label={`Measured, ${temperature.unit}`} {...field} {...form.getInputProps('measured')} />
        <TextInput label="Swings by, ±" {...field} {...form.getInputProps('swing')} />
      </div>
      {other !== null && (
        <div className={hand.question} role="status" data-part="question">
          <p>
            Set to {values.dial} and measured {values.measured} are far apart. Is the dial in °F?
          </p>
          <button
            type="button"
            className={hand.worded}
            onClick={() => form.setFieldValue('dial', inWhole(other))}
          >
            {values.dial} °F, that is {temperature.text(Math.round(other))}
          </button>
        </div>
      )}
      <FormFoot write={write} />
    </form>
  )
}
