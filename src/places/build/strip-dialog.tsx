import { TextInput } from '@mantine/core'
import type { Plan } from '#records/kinds/plan.ts'
import { useCheckedForm, type Checked } from '#ui/checked-form.ts'
import { parseDecimal } from '#ui/decimal.ts'
import { Dialog } from '#ui/dialog.tsx'
import { FormFoot } from '#ui/form-foot.tsx'
import type { Measures } from '#ui/measures.ts'
import { useMeasures } from '#ui/use-measures.ts'
import hand from '#ui/hand.module.css'

interface Typed {
  readonly clips: string
  readonly height: string
}

/** What was typed about strip and clips; messages name the field and the remedy. */
export function checkStrip(typed: Typed, { mark }: Measures): Checked<Typed, Plan['strip']> {
  const errors: Partial<Record<keyof Typed, string>> = {}
  const clips = parseDecimal(typed.clips)
  if (!(Number.isInteger(clips) && clips >= 1 && clips <= 60))
    errors.clips =
      clips === 0
        ? 'Clips: with none nothing presses the strip; type 1 or more, a strap round it counts as two.'
        : 'Clips: type a whole number from 1 to 60.'
  const heightMm = mark.parse(typed.height)
  if (!(heightMm >= 1 && heightMm <= 30))
    errors.height = `Height of the strip: type ${mark.text(1)} to ${mark.text(30)}.`
  return Object.keys(errors).length > 0 ? { ok: false, errors } : { ok: true, kept: { clips, heightMm } }
}

/** How the lid is held down on its strip. */
export function StripDialog({
  strip,
  close,
  keep,
}: {
  readonly strip: Plan['strip']
  readonly close: () => void
  readonly keep: (strip: Plan['strip']) => void
}) {
  const measures = useMeasures()
  const { mark } = measures
  const form = useCheckedForm<Typed, Plan['strip']>(
    { clips: String(strip.clips), height: mark.field(strip.heightMm) },
    typed => checkStrip(typed, measures),
  )
  return (
    <Dialog onClose={close} title="Strip and clips" size="sm">
      <form onSubmit={form.onKeep(keep)} noValidate className={hand.form} data-part="strip-form">
        <TextInput
          label="Clips all round"
          inputMode="numeric"
          data-autofocus
          {...form.getInputProps('clips')}
        />
        <TextInput
          label={`Height of the strip, ${mark.unit}`}
          inputMode="decimal"
          {...form.getInputProps('height')}
        />
        <FormFoot write={{ isPending: false, error: null }} />
      </form>
    </Dialog>
  )
}
