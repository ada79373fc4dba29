import { Dialog } from '#ui/dialog.tsx'
import { TextInput } from '@mantine/core'
import * as v from 'valibot'
import { nameField } from '#records/fields.ts'
import { inShelfOrder } from '#journal/shelf-order.ts'
import { useJournal } from '#session/journal-query.ts'
import type { BoxRecord } from '#journal/state.ts'
import { useWriteAct } from '#session/writing.ts'
import { typedField, useSchemaForm } from '#ui/checked-form.ts'
import { FormFoot } from '#ui/form-foot.tsx'
import hand from '#ui/hand.module.css'

/** @param others names that other boxes have: two of one name can't be told apart, on the shelf or in an undo */
const named = (others: readonly string[]) =>
  v.object({
    name: v.pipe(
      typedField(nameField, 'A name has from 1 to 60 letters: type one that fits on its label.'),
      v.check(
        name => !others.includes(name.trim().toLowerCase()),
        'Another box has this name: type one that tells them apart.',
      ),
    ),
  })

/** A box's own name, as it stands on its slip. */
export function RenameBox({ box, close }: { readonly box: BoxRecord; readonly close: () => void }) {
  const write = useWriteAct()
  const { state } = useJournal()
  const others = inShelfOrder(state)
    .filter(({ boxId }) => boxId !== box.boxId)
    .map(({ name }) => name.toLowerCase())
  const form = useSchemaForm({ name: box.name }, named(others))
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
    <Dialog onClose={close} title="Name of the box">
      <form onSubmit={submit} noValidate className={hand.form}>
        <TextInput label="Name" data-autofocus {...form.getInputProps('name')} />
        <FormFoot write={write} />
      </form>
    </Dialog>
  )
}
