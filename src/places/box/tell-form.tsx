import { Dialog } from '#ui/dialog.tsx'
import { NativeSelect, TextInput } from '@mantine/core'
import * as v from 'valibot'
import { LIDS, type LidKind } from '#core/container/lid.ts'
import type { Draft } from '#records/act.ts'
import type { BoxView } from '#journal/box-view.ts'
import { beadsField, bounds } from '#records/fields.ts'
import { FRESHNESS } from '#records/kinds/charge.ts'
import type { Freshness } from '#core/evidence/freshness.ts'
import { WETNESS } from '#records/kinds/spool.ts'
import type { Wetness } from '#core/evidence/wetness.ts'
import { typedField, useSchemaForm } from '#ui/checked-form.ts'
import { FormFoot } from '#ui/form-foot.tsx'
import { useWriteAct } from '#session/writing.ts'
import LogReading from '#dialogs/log-reading/log-reading.tsx'
import { within } from '#ui/measures.ts'
import { useMeasures } from '#ui/use-measures.ts'
import hand from '#ui/hand.module.css'

export const FRESHNESS_WORDS: Readonly<Record<Freshness, string>> = {
  new: 'new from the tin',
  heated: 'heated lately',
  'colour changed': 'their colour has changed',
  'in the air': 'long in the air',
  unknown: 'don’t know',
}
export const WETNESS_WORDS: Readonly<Record<Wetness, string>> = {
  'dried today': 'dried the day they went in',
  'sealed bag': 'from a sealed bag',
  'weeks in the room': 'opened, weeks in the room',
  unknown: 'don’t know',
}

/** The charge whose mass or freshness nobody told. */
const untold = (view: BoxView, unknown: 'mass' | 'freshness') =>
  view.charges.find(charge => (unknown === 'mass' ? charge.massKnown : charge.freshnessKnown) === 'assumed')

/** Facts that are still assumed, so that telling them changes something. */
export function tellable(view: BoxView, unknown: string, roomIsRead: boolean): boolean {
  if (unknown === 'leak') return view.box.lidKnown === 'assumed'
  if (unknown === 'mass' || unknown === 'freshness') return untold(view, unknown) !== undefined
  if (unknown === 'room') return !roomIsRead
  return unknown === 'wet' && view.spools.some(spool => spool.wetnessKnown === 'assumed')
}

interface Props {
  readonly view: BoxView
  readonly unknown: string
  readonly close: () => void
}

/** Asks for one fact, in plain answers. */
export const TellForm = (props: Props) =>
  props.unknown === 'room' ? (
    <LogReading close={props.close} place={`room:${props.view.box.roomId}`} />
  ) : (
    <TellFact {...props} />
  )

function TellFact({ view, unknown, close }: Props) {
  const write = useWriteAct()
  const { weight } = useMeasures()
  const isMass = unknown === 'mass'
  const choices: Record<string, string> =
    unknown === 'leak'
      ? Object.fromEntries(
          Object.values(LIDS)
            .filter(lid => lid.kind !== 'unknown')
            .map(lid => [lid.kind, lid.name]),
        )
      : unknown === 'freshness'
        ? pick(FRESHNESS_WORDS, FRESHNESS)
        : pick(WETNESS_WORDS, WETNESS)
  const form = useSchemaForm(
    { told: isMass ? '' : Object.keys(choices)[0]! },
    v.object({
      told: isMass
        ? typedField(
            beadsField,
            `Beads weigh from ${within(weight, bounds.beadsG)}: type what the packet says, or weigh them.`,
            weight.parse,
          )
        : typedField(v.picklist(Object.keys(choices)), 'Pick one of the list.'),
    }),
  )
  const submit = form.onKeep(({ told }) =>
    write.mutate(
      { what: `${view.box.name}: told`, drafts: draftsFor(view, unknown, told) },
      { onSuccess: close },
    ),
  )
  return (
    <Dialog
      onClose={close}
      title={
        isMass
          ? 'How many beads?'
          : unknown === 'leak'
            ? 'Which lid?'
            : unknown === 'freshness'
              ? 'How fresh were they?'
              : 'How dry were they?'
      }
    >
      <form onSubmit={submit} noValidate className={hand.form}>
        {isMass ? (
          <TextInput
            label={`Beads, ${weight.unit}`}
            description={`${untold(view, 'mass')?.name ?? 'The beads'}; packets times what is printed on them, or ${weight.text(180)} a mug of 250 mL`}
            inputMode="decimal"
            data-autofocus
            {...form.getInputProps('told')}
          />
        ) : (
          <NativeSelect
            label={view.box.name}
            data={Object.entries(choices).map(([key, label]) => ({ value: key, label }))}
            {...form.getInputProps('told')}
            data-autofocus
          />
        )}
        <FormFoot write={write} />
      </form>
    </Dialog>
  )
}

const pick = (words: Readonly<Record<string, string>>, keys: readonly string[]): Record<string, string> =>
  Object.fromEntries(keys.filter(key => key !== 'unknown').map(key => [key, words[key]!]))

function draftsFor(view: BoxView, unknown: string, told: string | number): Draft[] {
  const chargeId =
    (unknown === 'mass' || unknown === 'freshness' ? untold(view, unknown)?.chargeId : undefined) ?? ''
  if (unknown === 'mass')
    return [{ kind: 'charge.changed', payload: { chargeId, dryMassG: Number(told), massKnown: 'told' } }]
  if (unknown === 'leak')
    return [
      { kind: 'box.changed', payload: { boxId: view.box.boxId, lid: told as LidKind, lidKnown: 'told' } },
    ]
  if (unknown === 'freshness')
    return [
      {
        kind: 'charge.changed',
        payload: { chargeId, freshness: told as Freshness, freshnessKnown: 'told' },
      },
    ]
  return view.spools
    .filter(spool => spool.wetnessKnown === 'assumed')
    .map(spool => ({
      kind: 'spool.changed',
      payload: { spoolId: spool.spoolId, wetness: told as Wetness, wetnessKnown: 'told' },
    }))
}
