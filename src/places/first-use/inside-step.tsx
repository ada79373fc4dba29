import { NativeSelect, TextInput } from '@mantine/core'
import { MATERIAL_IDS, type MaterialId } from '#core/filament/material.ts'
import { useJournal } from '#session/journal-query.ts'
import type { StepProps } from './step-props.ts'
import hand from '#ui/hand.module.css'
import css from './first-use.module.css'

const CHIPS: readonly MaterialId[] = ['PLA', 'PETG', 'ABS', 'ASA', 'TPU', 'PC', 'PA6', 'PVA']
const MOST_OF_ONE = 12

/** Last screen: which spools, and how many beads if that is known. */
export function InsideStep({ form, set, errors }: StepProps) {
  const { materials } = useJournal().state
  const others = MATERIAL_IDS.filter(id => !CHIPS.includes(id))
  const shown = [...CHIPS, ...others.filter(id => (form.counts[id] ?? 0) > 0)]
  const count = (id: MaterialId, n: number) =>
    set({ counts: { ...form.counts, [id]: Math.min(MOST_OF_ONE, Math.max(0, n)) } })
  return (
    <>
      <h1 className={hand.answer}>What is inside?</h1>
      <p className={hand.behind}>Tap a material once for each spool.</p>
      <ul className={css.chips} data-part="chips">
        {shown.map(id => {
          const n = form.counts[id] ?? 0
          return (
            <li key={id} className={n > 0 ? `${css.chip} ${css.chipChosen}` : css.chip} data-part="chip">
              <button
                type="button"
                onClick={() => count(id, n + 1)}
                aria-label={`${id}${n > 0 ? ` × ${n}` : ''}: one more`}
              >
                {id}
                {n > 0 && <span> × {n}</span>}
              </button>
              {n > 0 && (
                <button
                  type="button"
                  className={css.chipLess}
                  aria-label={`${id}: one less`}
                  onClick={() => count(id, n - 1)}
                >
                  −
                </button>
              )}
              <span className={`${hand.aside} ${hand.small}`}>
                keep below {materials[id].targetRhPercent} %
              </span>
            </li>
          )
        })}
      </ul>
      <div className={css.displayFields}>
        <NativeSelect
          label="Another material"
          value=""
          data={[{ value: '', label: 'choose …' }, ...others.map(id => ({ value: id, label: id }))]}
          onChange={event =>
            event.currentTarget.value !== '' && count(event.currentTarget.value as MaterialId, 1)
          }
        />
        <TextInput
          label={`Beads in it, ${form.units.weight.unit}`}
          inputMode="decimal"
          placeholder="don’t know"
          value={form.beads}
          error={errors['beads']}
          onChange={event => set({ beads: event.currentTarget.value })}
        />
      </div>
      {errors['counts'] && (
        <p className={hand.notice} role="alert">
          {errors['counts']}
        </p>
      )}
      <p className={hand.aside}>Everything else is assumed, drawn in pencil, and counted in the range.</p>
    </>
  )
}
