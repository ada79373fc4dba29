import { TextInput } from '@mantine/core'
import * as v from 'valibot'
import { useNavigate } from 'react-router'
import type { Draft } from '#records/act.ts'
import { finite } from '#records/fields.ts'
import type { SpoolRecord } from '#journal/state.ts'
import { scaleStepG } from '#journal/scales.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { useCheckedForm, type Checked } from '#ui/checked-form.ts'
import { Dialog } from '#ui/dialog.tsx'
import { FormFoot } from '#ui/form-foot.tsx'
import { askToNotify } from '#ui/use-bell.ts'
import { useMeasures } from '#ui/use-measures.ts'
import hand from '#ui/hand.module.css'

type Begun = Extract<Draft, { kind: 'drying.begun' }>['payload']
interface Typed {
  readonly gross: string
}

/** The spool goes in: its weight, if there is a scale, and the clock runs. */
export default function BeginRun({
  spool,
  like,
  close,
}: {
  readonly spool: SpoolRecord
  readonly like: Omit<Begun, 'runId' | 'spoolId' | 'grossG' | 'scaleErrorG' | 'roomId'>
  readonly close: () => void
}) {
  const { state } = useJournal()
  const { maker, base } = useJournalTools()
  const { weight } = useMeasures()
  const navigate = useNavigate()
  const write = useWriteAct()
  const form = useCheckedForm<Typed, number | null>(
    { gross: '' },
    ({ gross }): Checked<Typed, number | null> => {
      if (gross.trim() === '') return { ok: true, kept: null }
      const grossG = weight.parse(gross)
      return v.is(finite(1, 15_000), grossG) && grossG >= spool.emptyG
        ? { ok: true, kept: grossG }
        : {
            ok: false,
            errors: {
              gross: `Spool and all is a weight above its empty ${weight.text(spool.emptyG)}, or blank: what the scale shows.`,
            },
          }
    },
  )
  const begin = (grossG: number | null) => {
    void askToNotify()
    write.mutate(
      {
        what: `${spool.name}: into the dryer`,
        drafts: [
          {
            kind: 'drying.begun',
            payload: {
              ...like,
              runId: maker.newId(),
              spoolId: spool.spoolId,
              roomId: null,
              grossG,
              scaleErrorG: scaleStepG(state),
            },
          },
        ],
      },
      { onSuccess: () => void navigate(`${base}/spools/${spool.spoolId}/run`) },
    )
  }
  return (
    <Dialog onClose={close} title={`${spool.name} goes in`}>
      <form onSubmit={form.onKeep(begin)} noValidate className={hand.form} data-part="begin-run">
        <TextInput
          label={`Spool and all, ${weight.unit}`}
          description="Weighed now, the scale can follow it. Blank: it was not weighed."
          inputMode="decimal"
          autoComplete="off"
          {...form.getInputProps('gross')}
        />
        <FormFoot write={write} />
      </form>
    </Dialog>
  )
}
