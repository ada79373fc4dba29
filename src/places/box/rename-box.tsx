import { Modal, TextInput } from '@mantine/core'
import { useState, type FormEvent } from 'react'
import * as v from 'valibot'
import { nameField } from '#records/fields.ts'
import type { BoxRecord } from '#journal/state.ts'
import { useWriteAct } from '#session/writing.ts'
import { FormFoot } from '#ui/form-foot.tsx'
import hand from '#ui/hand.module.css'

/** A box's own name, as it stands on its slip. */
export function RenameBox({ box, close }: { readonly box: BoxRecord; readonly close: () => void }) {
  const write = useWriteAct()
  const [name, setName] = useState(box.name)
  const [error, setError] = useState<string | null>(null)
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const parsed = v.safeParse(nameField, name)
    if (!parsed.success) return setError('A name has from 1 to 60 letters: type one that fits on its label.')
    write.mutate(
      {
        what: `${box.name}: named ${parsed.output}`,
        drafts: [{ kind: 'box.changed', payload: { boxId: box.boxId, name: parsed.output } }],
      },
      { onSuccess: close },
    )
  }
  return (
    <Modal
      opened
      onClose={close}
      title="Name of the box"
      centered
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      <form onSubmit={submit} noValidate className={hand.form}>
        <TextInput
          label="Name"
          data-autofocus
          value={name}
          error={error}
          onChange={event => setName(event.currentTarget.value)}
        />
        <FormFoot write={write} />
      </form>
    </Modal>
  )
}
