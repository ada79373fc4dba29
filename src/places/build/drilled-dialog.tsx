import { TextInput } from '@mantine/core'
import type { Hole } from '#core/build/holes.ts'
import type { PlanDrilled } from '#records/kinds/plan.ts'
import { useCheckedForm, type Checked } from '#ui/checked-form.ts'
import { Dialog } from '#ui/dialog.tsx'
import { FormFoot } from '#ui/form-foot.tsx'
import type { Measures } from '#ui/measures.ts'
import { useMeasures } from '#ui/use-measures.ts'
import hand from '#ui/hand.module.css'
import css from './build.module.css'

interface Typed {
  readonly down: string
  readonly edge: string
  readonly drill: string
}
/** So far off nobody drills: a slip of the pen. */
const SLIP_MM = 60

/** What was typed about a hole that was drilled; messages name the field and the remedy. */
export function checkDrilled(typed: Typed, hole: Hole, { mark }: Measures): Checked<Typed, PlanDrilled> {
  const errors: Partial<Record<keyof Typed, string>> = {}
  const near = (key: 'down' | 'edge', words: string, plannedMm: number): number => {
    const mm = mark.parse(typed[key])
    if (!Number.isFinite(mm)) errors[key] = `${words}: type a number, ${mark.text(plannedMm)} as drawn.`
    else if (Math.abs(mm - plannedMm) > SLIP_MM) {
      const inches = Math.abs(mm * 25.4 - plannedMm) < SLIP_MM / 4
      errors[key] =
        `${words}: ${mark.text(mm)} is far from ${mark.text(plannedMm)} as drawn; ${inches ? 'was it in inches? Type it in ' + mark.unit : 'measure it again'}.`
    }
    return mm
  }
  const downMm = near('down', 'Down from the rim', hole.place.downMm)
  const edgeMm = near('edge', `From the ${hole.place.edge}`, hole.place.edgeMm)
  const drillMm = mark.parse(typed.drill)
  if (!(drillMm >= 0.5 && drillMm <= 100))
    errors.drill = `Wide: type ${mark.text(0.5)} to ${mark.text(100)}; ${mark.text(hole.drillMm)} as drawn.`
  return Object.keys(errors).length > 0
    ? { ok: false, errors }
    : { ok: true, kept: { hole: hole.id, downMm, edgeMm, drillMm, mend: null } }
}

/** What came out: measured the way it was marked. */
export function DrilledDialog({
  hole,
  drilled,
  close,
  keep,
  forget,
}: {
  readonly hole: Hole
  readonly drilled: PlanDrilled | undefined
  readonly close: () => void
  readonly keep: (drilled: PlanDrilled) => void
  readonly forget: () => void
}) {
  const measures = useMeasures()
  const { mark } = measures
  const form = useCheckedForm<Typed, PlanDrilled>(
    {
      down: mark.field(drilled?.downMm ?? hole.place.downMm),
      edge: mark.field(drilled?.edgeMm ?? hole.place.edgeMm),
      drill: mark.field(drilled?.drillMm ?? hole.drillMm),
    },
    typed => checkDrilled(typed, hole, measures),
  )
  return (
    <Dialog onClose={close} title={`Hole ${hole.id}: what came out?`} size="md">
      <form onSubmit={form.onKeep(keep)} noValidate className={hand.form} data-part="drilled-form">
        <p className={hand.aside}>
          Measured the way it is marked: along the wall from its rim, and level from the {hole.place.edge}, to
          the middle of the hole. As drawn it stands here already.
        </p>
        <div className={css.three}>
          <TextInput
            label={`Down from the rim, ${mark.unit}`}
            inputMode="decimal"
            autoComplete="off"
            data-autofocus
            {...form.getInputProps('down')}
          />
          <TextInput
            label={`From the ${hole.place.edge}, ${mark.unit}`}
            inputMode="decimal"
            autoComplete="off"
            {...form.getInputProps('edge')}
          />
          <TextInput
            label={`Wide, ${mark.unit}`}
            inputMode="decimal"
            autoComplete="off"
            {...form.getInputProps('drill')}
          />
        </div>
        {drilled && (
          <p>
            <button type="button" className={hand.worded} onClick={forget}>
              It is not drilled yet
            </button>
          </p>
        )}
        <FormFoot write={{ isPending: false, error: null }} />
      </form>
    </Dialog>
  )
}
