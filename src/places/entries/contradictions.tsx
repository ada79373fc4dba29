import type { Entry } from '#records/entry.ts'
import { rootOf, type Placed } from '#journal/in-force.ts'
import type { Contradicted, Repair } from '#journal/state.ts'
import { dayText, clockText } from '#ui/dates.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useUndo, useWriteAct } from '#session/writing.ts'
import { entryWords } from '#ui/entry-words.ts'
import { kindWords } from '#ui/kind-words.ts'
import { Refused } from '#ui/refused.tsx'
import css from './entries.module.css'
import hand from '#ui/hand.module.css'

/** Two things that can't both be true, side by side, each with what would put it right. */
export function Contradictions({ onEdit }: { readonly onEdit: (entry: Entry) => void }) {
  const { state, placed } = useJournal()
  if (state.contradictions.length === 0) return null
  const byId = new Map(placed.map(item => [item.entry.id, item]))
  return (
    <section className={css.contradictions} aria-labelledby="cant-both">
      <h2 id="cant-both" className={hand.section}>
        Two things that can’t both be true
      </h2>
      <ul>
        {state.contradictions.slice(0, MOST_SHOWN).map(item => (
          <Pair key={item.entryId} item={item} byId={byId} onEdit={onEdit} />
        ))}
      </ul>
      {state.contradictions.length > MOST_SHOWN && (
        <p className={hand.aside}>
          And {state.contradictions.length - MOST_SHOWN} more; often one repair settles many.
        </p>
      )}
    </section>
  )
}

const MOST_SHOWN = 12

function Pair({
  item,
  byId,
  onEdit,
}: {
  readonly item: Contradicted
  readonly byId: ReadonlyMap<string, Placed>
  readonly onEdit: (entry: Entry) => void
}) {
  const write = useWriteAct()
  const { withdraw, isPending } = useUndo()
  const first = byId.get(item.entryId)
  if (!first) return null
  const other = item.otherId === null ? undefined : byId.get(item.otherId)
  const repair = (step: Repair) => {
    const target = step.do === 'enter' ? undefined : byId.get(step.entryId)?.entry
    if (step.do === 'enter') write.mutate({ what: step.says, drafts: [step.draft] })
    else if (!target) return
    else if (step.do === 'edit') onEdit(target)
    else if (step.do === 'withdraw') void withdraw({ id: rootOf(target), what: step.says })
    else
      write.mutate({
        what: step.says,
        drafts: [
          // the payload is as it was; only the time moves
          { kind: target.kind, payload: target.payload, atMs: step.atMs, corrects: rootOf(target) } as never,
        ],
      })
  }
  return (
    <li className={css.contradiction} data-part="contradiction">
      <div className={css.two}>
        <One placed={first} />
        <span aria-hidden="true">
          <svg width="30" height="16">
            <path d="M3 8H27M10 2 20 14M20 2 10 14" className={css.againstMark} />
          </svg>
        </span>
        {other ? <One placed={other} /> : <p className={hand.aside}>it is not in this journal</p>}
      </div>
      <p className={hand.behind}>{item.reason} The first is left out until one of these is chosen:</p>
      <p className={css.repairs}>
        {item.repairs.map(step => (
          <button
            key={step.says}
            type="button"
            className={hand.worded}
            disabled={isPending || write.isPending}
            onClick={() => repair(step)}
          >
            {step.says}
          </button>
        ))}
      </p>
      {write.error && <Refused error={write.error} remedy="press again" />}
    </li>
  )
}

function One({ placed: { entry, atMs } }: { readonly placed: Placed }) {
  const { state, nowMs } = useJournal()
  const { maker } = useJournalTools()
  const measures = useMeasures()
  const words = entryWords(entry, state, measures)
  return (
    <div>
      <p className={css.oneAbout}>{words.about}</p>
      <p>{words.says}</p>
      <p className={hand.aside}>
        {kindWords(entry.kind)}, {dayText(atMs, nowMs, maker.zone)}, {clockText(atMs, maker.zone)}
      </p>
    </div>
  )
}
