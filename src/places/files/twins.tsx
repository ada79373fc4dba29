import { useState } from 'react'
import { freeName, joinDrafts, twinsOf } from '#journal/twins.ts'
import type { BoxRecord } from '#journal/state.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { ChoiceRow } from '#ui/choice-row.tsx'
import { dayText } from '#ui/dates.ts'
import { Refused } from '#ui/refused.tsx'
import css from './files.module.css'
import hand from '#ui/hand.module.css'

/** Boxes of one name, as bringing two devices together leaves them: made one, or named apart. */
export function TwinBoxes() {
  const { state } = useJournal()
  const pairs = twinsOf(state).flatMap(([first, ...others]) => others.map(other => [first, other] as const))
  if (pairs.length === 0) return null
  return (
    <section className={css.filePart} data-part="twins">
      <h2 className={hand.section}>Two boxes of one name</h2>
      {pairs.map(([first, other]) => (
        <OnePair key={other.boxId} first={first} other={other} />
      ))}
    </section>
  )
}

function OnePair({ first, other }: { readonly first: BoxRecord; readonly other: BoxRecord }) {
  const { state, placed, nowMs } = useJournal()
  const { maker } = useJournalTools()
  const write = useWriteAct()
  const [inside, setInside] = useState<'told twice' | 'others'>('told twice')
  const day = (box: BoxRecord) => dayText(box.madeMs, nowMs, maker.zone)
  const other2 = freeName(other.name, state)
  return (
    <div>
      <p>
        {first.name}: one set up {day(first)}, one {day(other)}. If it is one box, told on two devices, they
        can be made one: what was read and opened at the later one goes to the earlier; undo makes two of them
        again.
      </p>
      <ChoiceRow
        legend={`What lies in the later ${other.name}`}
        options={[
          ['told twice', 'the same beads and spools, told twice'],
          ['others', 'others: they go in too'],
        ]}
        chosen={inside}
        choose={setInside}
      />
      {write.isError && <Refused error={write.error} remedy="press again" />}
      <p className={css.lookedActs}>
        <button
          type="button"
          className={hand.filled}
          disabled={write.isPending}
          onClick={() =>
            write.mutate({
              what: `${other.name}: two told, made one`,
              drafts: joinDrafts(state, placed, {
                from: other.boxId,
                into: first.boxId,
                inside,
                atMs: maker.nowMs(),
              }),
            })
          }
        >
          Make one of them
        </button>
        <button
          type="button"
          className={hand.worded}
          disabled={write.isPending}
          onClick={() =>
            write.mutate({
              what: `${other.name}: named ${other2}`,
              drafts: [{ kind: 'box.changed', payload: { boxId: other.boxId, name: other2 } }],
            })
          }
        >
          They are two: name the later {other2}
        </button>
      </p>
    </div>
  )
}
