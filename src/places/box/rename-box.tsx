import { Modal, TextInput } from '@mantine/core'
import * as v from 'valibot'
import { nameField } from '#records/fields.ts'
import type { BoxRecord } from '#journal/state.ts'
import { useWriteAct } from '#session/writing.ts'
import { typedField, useSchemaForm } from '#ui/checked-form.ts'
import { FormFoot } from '#ui/form-foot.tsx'
import hand from '#ui/hand.module.css'

const NAMED = v.object({
  name: typedField(nameField, 'A name has from 1 to 60 letters: type one that fits on its label.'),
})

/** A box's own name, as it stands on its slip. */
export function RenameBox({ box, close }: { readonly box: BoxRecord; readonly close: () => void }) {
  const write = useWriteAct()
  const form = useSchemaForm({ name: box.name }, NAMED)
  const submit = form.onKeep(({ name }) =>
    write.mutate(
      {
        what: `${box.name}: named ${name}`,
        drafts: [{ kind: 'box.changed', payload: { boxId: box.boxId, name } }],
      },
      { onSuccess: close },
    ),
  )
  return (
    <Modal
      opened
      onClose={close}
      title="Name of the box"
      centered
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      <form onSubmit={submit} noValidate className={hand.form}>
        <TextInput label="Name" data-autofocus {...form.getInputProps('name')} />
        <FormFoot write={write} />
      </form>
    </Modal>
  )
}
