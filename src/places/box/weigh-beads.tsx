import { Modal, TextInput } from '@mantine/core'
import { useState, type FormEvent } from 'react'
import * as v from 'valibot'
import type { ChargeRecord } from '#records/state.ts'
import { ENTRY_KINDS } from '#records/entry.ts'
import { parseDecimal } from '../log-reading/decimal.ts'
import { FormFoot } from '../journal/form-foot.tsx'
import { useWriteAct } from '../journal/queries.ts'

/** A weighing of the charge: sees what a display at its floor cannot. */
export function WeighBeads({ charge, close }: { readonly charge: ChargeRecord; readonly close: () => void }) {
  const write = useWriteAct()
  const [gross, setGross] = useState('')
  const [tare, setTare] = useState('0')
  const [errors, setErrors] = useState<{ gross?: string; tare?: string }>({})
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const payload = {
      chargeId: charge.chargeId,
      grossG: parseDecimal(gross),
      tareG: parseDecimal(tare),
      scaleErrorG: 1,
    }
    const next: typeof errors = {}
    if (!v.is(ENTRY_KINDS['charge.weighed'], { ...payload, tareG: 0 }))
      next.gross = 'The weight is a number from 1 to 10 000 g: type what the scale shows.'
    if (!v.is(ENTRY_KINDS['charge.weighed'], { ...payload, grossG: 1 }))
      next.tare = 'The empty holder weighs from 0 to 5000 g: type 0 if the beads were weighed alone.'
    const netG = payload.grossG - payload.tareG
    if (!next.gross && !next.tare && netG < charge.dryMassG * 0.97)
      next.gross = `Less than the ${Math.round(charge.dryMassG)} g of dry beads that were told: check the holder’s weight, or how many beads there are.`
    if (!next.gross && !next.tare && netG > charge.dryMassG * 1.6)
      next.gross = 'More water than beads can hold: check the holder’s weight, or how many beads there are.'
    setErrors(next)
    if (Object.keys(next).length === 0)
      write.mutate(
        { what: `${charge.name}: weighed`, drafts: [{ kind: 'charge.weighed', payload }] },
        { onSuccess: close },
      )
  }
  return (
    <Modal
      opened
      onClose={close}
      title="Weigh the beads"
      centered
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      <form onSubmit={submit} noValidate className="form">
        <TextInput
          label="Beads with their holder, g"
          inputMode="decimal"
          data-autofocus
          value={gross}
          error={errors.gross}
          onChange={event => setGross(event.currentTarget.value)}
        />
        <TextInput
          label="Empty holder, g"
          inputMode="decimal"
          value={tare}
          error={errors.tare}
          onChange={event => setTare(event.currentTarget.value)}
        />
        <p className="aside">
          Beads are not food: keep them from children and pets. A scale to 1 g is taken.
        </p>
        <FormFoot write={write} />
      </form>
    </Modal>
  )
}
