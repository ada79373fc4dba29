import { Modal } from '@mantine/core'
import type { ChargeRecord } from '#journal/state.ts'
import { useMeasures } from './use-measures.ts'

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
    <Modal opened onClose={close} title={what}>
      <ul className="which-charge">
        {charges.map(charge => (
          <li key={charge.chargeId}>
            <button type="button" className="worded" onClick={() => choose(charge)}>
              {charge.name}, {weight.text(charge.dryMassG)}
            </button>
          </li>
        ))}
      </ul>
    </Modal>
  )
}
