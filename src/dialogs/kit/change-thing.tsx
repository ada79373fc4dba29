import { Dialog } from '#ui/dialog.tsx'
import { useState } from 'react'
import { Link } from 'react-router'
import type { Wanted } from '#formats/quick/wanted.ts'
import { asWanted, type ThingRef } from '#session/kit/as-wanted.ts'
import { changeDrafts, type LidSince } from '#session/kit/change-drafts.ts'
import { insideOf, retireDrafts } from '#session/kit/retire-drafts.ts'
import { sameAgain } from '#session/kit/same-again.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { useCheckedForm } from '#ui/checked-form.ts'
import { ChoiceRow } from '#ui/choice-row.tsx'
import { FormFoot } from '#ui/form-foot.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { timeError, WhenField } from '#ui/when-field.tsx'
import { useQuickContext } from './use-quick.ts'
import { withFields, type Fields } from './with-fields.ts'
import { WantedForm } from './wanted-form.tsx'
import hand from '#ui/hand.module.css'
import css from './kit-dialogs.module.css'

const RETIRE_WORDS: Readonly<Record<Wanted['kind'], string>> = {
  spool: 'It is used up',
  charge: 'Worn out, thrown away',
  display: 'It is gone',
  box: 'This box is gone',
  room: 'This room is gone',
  scale: 'It is gone',
  'heat source': 'It is gone',
}
/** Asked when something begins, not each time it is looked at. */
const NOT_AGAIN = ['count', 'openedOn', 'driedOn']

interface Typed {
  readonly fields: Fields
  readonly lid: 'always' | 'since'
  readonly when: number
}

/** One thing owned: every fact of it, the same again, and its end. */
export default function ChangeThing({
  thing,
  close,
  again,
}: {
  readonly thing: ThingRef
  readonly close: () => void
  /** Opens the quick field with this written in it. */
  readonly again: (sentence: string) => void
}) {
  const { state } = useJournal()
  const { maker, base } = useJournalTools()
  const measures = useMeasures()
  const write = useWriteAct()
  const { context, today } = useQuickContext()
  const [nowMs] = useState(() => maker.nowMs())
  const [ending, setEnding] = useState(false)
  const before = asWanted(state, thing)!
  const form = useCheckedForm<Typed, { after: Wanted; lidSince: LidSince }>(
    { fields: {}, lid: 'always', when: nowMs },
    ({ fields, lid, when }) => {
      const changed = withFields(before, fields, measures, today, context.boxes)
      if (!changed.ok) return { ok: false, errors: inFields(changed.errors) }
      if (
        changed.wanted.kind === 'box' &&
        changed.wanted.name !== before.name &&
        context.boxes.some(
          ({ id, name }) => id !== thing.id && name.toLowerCase() === changed.wanted.name.toLowerCase(),
        )
      )
        return {
          ok: false,
          errors: inFields({ name: 'Another box has this name: type one that tells them apart.' }),
        }
      const wrong = lid === 'since' ? timeError(when, maker.nowMs()) : null
      if (wrong) return { ok: false, errors: { when: wrong } }
      return {
        ok: true,
        kept: { after: changed.wanted, lidSince: lid === 'since' ? { atMs: when } : 'always' },
      }
    },
  )
  const keep = form.onKeep(({ after, lidSince }) => {
    const drafts = changeDrafts(thing, before, after, maker.nowMs(), lidSince)
    if (drafts.length === 0) return close()
    write.mutate({ what: `${before.name}: changed`, drafts }, { onSuccess: close })
  })
  const retire = () =>
    write.mutate(
      { what: `${before.name}: gone for good`, drafts: retireDrafts(state, thing, maker.nowMs()) },
      { onSuccess: close },
    )
  const { fields } = form.values
  const lidChanged = before.kind === 'box' && fields['lid'] !== undefined && fields['lid'] !== before.lid
  const inside = thing.kind === 'box' ? insideOf(state, thing.id) : null
  const insideCount = inside ? inside.spools.length + inside.charges.length + inside.displays.length : 0
  const isLastRoom =
    thing.kind === 'room' &&
    [...state.boxes.values()].some(box => box.roomId === thing.id && box.retiredMs === null)
  return (
    <Dialog onClose={close} title={before.name} size={760}>
      <form onSubmit={keep} noValidate className={hand.form}>
        <WantedForm
          wanted={before}
          typed={fields}
          errors={errorsIn(form.errors)}
          type={(key, text) => form.setFieldValue('fields', { ...fields, [key]: text })}
          boxes={context.boxes}
          without={before.kind === 'spool' || before.kind === 'charge' ? [...NOT_AGAIN, 'place'] : NOT_AGAIN}
        />
        {lidChanged && (
          <>
            <ChoiceRow
              legend="Since when"
              options={[
                ['always', 'it was always so'],
                ['since', 'mended, from a day on'],
              ]}
              chosen={form.values.lid}
              choose={chosen => form.setFieldValue('lid', chosen)}
            />
            {form.values.lid === 'since' && <WhenField latestMs={nowMs} {...form.valueOf('when')} />}
          </>
        )}
        <FormFoot write={write} />
        <div className={css.ends}>
          {thing.kind === 'charge' && <Link to={`${base}/kit/beads/${thing.id}`}>Its life so far</Link>}
          {thing.kind !== 'room' && (
            <button
              type="button"
              className={hand.worded}
              onClick={() => again(sameAgain(before, context.boxes))}
            >
              {thing.kind === 'spool' ? 'Same again, another colour' : 'Same again'}
            </button>
          )}
          {isLastRoom ? (
            <span className={hand.aside}>Boxes stand in this room: it stays.</span>
          ) : ending ? (
            <span>
              {insideCount > 0 &&
                `${insideCount} ${insideCount === 1 ? 'thing comes' : 'things come'} out of it first: spools into the open room, the rest put away. `}
              <button type="button" className={hand.worded} onClick={retire}>
                Yes, {before.name} is gone
              </button>
            </span>
          ) : (
            <button type="button" className={hand.worded} onClick={() => setEnding(true)}>
              {RETIRE_WORDS[thing.kind]}
            </button>
          )}
        </div>
      </form>
    </Dialog>
  )
}

const PREFIX = 'fields.'
const inFields = (errors: Fields): Record<string, string> =>
  Object.fromEntries(Object.entries(errors).map(([key, message]) => [`${PREFIX}${key}`, message]))
const errorsIn = (errors: Readonly<Record<string, unknown>>): Fields =>
  Object.fromEntries(
    Object.entries(errors)
      .filter(([key]) => key.startsWith(PREFIX))
      .map(([key, message]) => [key.slice(PREFIX.length), String(message)]),
  )
