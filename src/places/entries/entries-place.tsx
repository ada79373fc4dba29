import { isAbout } from './about-box.ts'
import { NativeSelect } from '@mantine/core'
import { useDeferredValue, useMemo, useState } from 'react'
import { useSearchParams } from 'react-router'
import { ENTRY_KINDS, type Entry } from '#records/entry.ts'
import { takenBack, timesPutRight } from '#journal/history.ts'
import { rootOf, type Placed } from '#journal/in-force.ts'
import { clockText, dayText, isoDay } from '#ui/dates.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useUndo } from '#session/writing.ts'
import { inShelfOrder } from '#journal/shelf-order.ts'
import { Contradictions } from './contradictions.tsx'
import { EditEntry } from './edit-entry.tsx'
import { entryWords } from '#ui/entry-words.ts'
import { kindWords } from '#ui/kind-words.ts'
import hand from '#ui/hand.module.css'
import css from './entries.module.css'

const PAGE = 60

/** Everything entered, newest first: each can be put right, taken back, and brought again. */
export default function EntriesPlace() {
  const journal = useJournal()
  const { maker } = useJournalTools()
  const [search, setSearch] = useSearchParams()
  const [editing, setEditing] = useState<Entry | null>(null)
  const [count, setCount] = useState(PAGE)
  const boxId = search.get('box') ?? ''
  const kind = search.get('kind') ?? ''
  const { state, placed, kept, nowMs } = journal
  const boxes = inShelfOrder(state)
  const about = useMemo(() => isAbout(state, boxId), [state, boxId])
  const shown = useDeferredValue(
    useMemo(
      () => placed.filter(item => about(item) && (kind === '' || item.entry.kind === kind)).reverse(),
      [placed, about, kind],
    ),
  )
  const right = useMemo(() => timesPutRight(kept), [kept])
  const change = (key: string, value: string) => {
    const next = new URLSearchParams(search)
    if (value === '') next.delete(key)
    else next.set(key, value)
    setSearch(next, { replace: true })
    setCount(PAGE)
  }
  const days = byDay(shown.slice(0, count), maker.zone)
  const kinds = [...new Set(placed.map(item => item.entry.kind))].sort()
  return (
    <main className={hand.page} data-place="entries">
      <h1 className={hand.answer}>
        {shown.length === 0
          ? 'Nothing is entered here.'
          : `${shown.length.toLocaleString('en-GB')} entr${shown.length === 1 ? 'y' : 'ies'}, each can be put right`}
      </h1>
      <p className={hand.behind}>
        Nothing is ever overwritten: a correction stands in for what it corrects, and both stay readable.
      </p>
      <Contradictions onEdit={setEditing} />
      <div className={css.entryFilters}>
        <NativeSelect
          label="Box"
          data={[{ value: '', label: 'all' }, ...boxes.map(box => ({ value: box.boxId, label: box.name }))]}
          value={boxId}
          onChange={event => change('box', event.currentTarget.value)}
        />
        <NativeSelect
          label="What"
          data={[
            { value: '', label: 'everything' },
            ...kinds.map(item => ({ value: item, label: kindWords(item) })),
          ]}
          value={Object.hasOwn(ENTRY_KINDS, kind) ? kind : ''}
          onChange={event => change('kind', event.currentTarget.value)}
        />
      </div>
      {days.map(([day, items]) => (
        <section key={day} className={css.entryDay}>
          <h2 className={hand.section}>{dayText(items[0]!.atMs, nowMs, maker.zone)}</h2>
          <ul>
            {items.map(item => (
              <EntryRow
                key={item.entry.id}
                item={item}
                times={right.get(rootOf(item.entry)) ?? 0}
                onEdit={setEditing}
              />
            ))}
          </ul>
        </section>
      ))}
      {shown.length > count && (
        <button type="button" className={hand.worded} onClick={() => setCount(count + PAGE)}>
          Show earlier
        </button>
      )}
      <TakenBackList />
      {editing && <EditEntry entry={editing} close={() => setEditing(null)} />}
    </main>
  )
}

function EntryRow({
  item: { entry, atMs },
  times,
  onEdit,
}: {
  readonly item: Placed
  readonly times: number
  readonly onEdit: (entry: Entry) => void
}) {
  const { state } = useJournal()
  const { maker } = useJournalTools()
  const measures = useMeasures()
  const { withdraw, isPending } = useUndo()
  const words = entryWords(entry, state, measures)
  return (
    <li className={css.entryRow} data-part="entry-row" data-entry={entry.id}>
      <span className={css.entryTime}>{clockText(atMs, maker.zone)}</span>
      <span className={css.entryAbout}>{words.about}</span>
      <span className={css.entrySays}>
        {words.says}
        {times > 0 && <span className={hand.aside}> put right{times > 1 ? ` ${times} times` : ''}</span>}
      </span>
      <span className={css.entryActs}>
        <button type="button" className={hand.worded} onClick={() => onEdit(entry)}>
          Put right
        </button>
        <button
          type="button"
          className={hand.worded}
          disabled={isPending}
          onClick={() => void withdraw({ id: rootOf(entry), what: `${words.about}: ${words.says}` })}
        >
          Take back
        </button>
      </span>
    </li>
  )
}

/** What was taken back lately, and the way to bring it again. */
function TakenBackList() {
  const { kept } = useJournal()
  const { withdraw, isPending } = useUndo()
  const list = useMemo(() => takenBack(kept), [kept])
  if (list.length === 0) return null
  return (
    <details className={css.takenBack}>
      <summary>Taken back: {list.length}</summary>
      <ul>
        {list.slice(0, PAGE).map(({ what, withdrawal }) => (
          <li key={withdrawal.id} className={css.entryRow} data-part="entry-row">
            <span className={`${css.entrySays} ${css.withdrawn}`}>{what}</span>
            <span className={css.entryActs}>
              <button
                type="button"
                className={hand.worded}
                disabled={isPending}
                onClick={() => void withdraw({ id: withdrawal.id, what: withdrawal.what })}
              >
                Bring it again
              </button>
            </span>
          </li>
        ))}
      </ul>
    </details>
  )
}

function byDay(items: readonly Placed[], zone: string): [string, Placed[]][] {
  const days = new Map<string, Placed[]>()
  for (const item of items) {
    const day = isoDay(item.atMs, zone)
    const list = days.get(day)
    if (list) list.push(item)
    else days.set(day, [item])
  }
  return [...days]
}
