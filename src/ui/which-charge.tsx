import { Dialog } from '#ui/dialog.tsx'
import type { ChargeRecord } from '#journal/state.ts'
import { useMeasures } from './use-measures.ts'
import hand from './hand.module.css'

/** Asks which of several charges is meant. */
export function WhichCharge({
  charges,
  what,
  choose,
  close,
}: {
  readonly charges: readonly ChargeRecord[]
  readonly what: string
  readonly choose: (charge: ChargeRecord) => void
  readonly close: () => void
}) {
  const { weight } = useMeasures()
  return (
    <Dialog onClose={close} title={what}>
      <ul>
        {charges.map(charge => (
          <li key={charge.chargeId}>
            <button type="button" className={hand.worded} onClick={() => choose(charge)}>
              {charge.name}, {weight.text(charge.dryMassG)}
            </button>
          </li>
        ))}
      </ul>
    </Dialog>
  )
}
