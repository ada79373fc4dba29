import { useElementSize } from '@mantine/hooks'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { SpoolRing } from '#draw/spool-ring.tsx'
import { HatchDefs } from '#draw/hatch.tsx'
import { useJournalTools, usePreferences } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { byNeed, clockedSpool, type ClockedSpool } from '#session/spools/spool-clock.ts'
import { useSpoolReports } from '#session/spools/use-spool-reports.ts'
import { ChoiceRow } from '#ui/choice-row.tsx'
import { later } from '#ui/later.tsx'
import { clockWords, placeWords, spoolsSentence, type Places } from '#ui/spool-words.ts'
import { SpoolsBoard } from './spools-board.tsx'
import hand from '#ui/hand.module.css'
import css from './spools.module.css'

const AddDialog = later(() => import('#dialogs/kit/add-dialog.tsx'))

const SORTS = [
  ['need', 'what needs one first'],
  ['material', 'by material'],
  ['place', 'by place'],
] as const
type Sort = (typeof SORTS)[number][0]
/** Narrower than this, spools stand in a list. */
const NARROW_PX = 640

/** Every spool there is, what needs one first. */
export function SpoolsPage() {
  const { state, nowMs } = useJournal()
  const { maker, base } = useJournalTools()
  const { ref, width } = useElementSize()
  const [sort, setSort] = useState<Sort>('need')
  const [sought, setSought] = useState('')
  const [isAdding, setAdding] = useState(false)
  const owned = useMemo(
    () => [...state.spools.values()].filter(spool => spool.where.at !== 'used up'),
    [state.spools],
  )
  const known = useSpoolReports(owned)
  const clocked = known.map(one => clockedSpool(one, state)).sort(byNeed)
  const { answer, behind } = spoolsSentence(clocked, nowMs, maker.zone)
  const found = inOrder(
    clocked.filter(one => isMeant(one, sought, state)),
    sort,
    state,
  )
  const reckoning = clocked.some(one => one.clock.is === 'reckoning')
  const [first] = clocked
  return (
    <main className={hand.page} data-place="spools" data-looking={reckoning || undefined}>
      <div className={hand.answerRow}>
        <div>
          <h1 className={hand.answer} aria-live="polite">
            {answer}
          </h1>
          <p className={hand.behind}>{behind}</p>
        </div>
        <div className={`${hand.acts} ${css.acts}`}>
          <button
            type="button"
            className={owned.length > 0 ? hand.worded : hand.filled}
            onClick={() => setAdding(true)}
          >
            Add one
          </button>
          {owned.length > 0 && (
            <Link to={`${base}/labels`} className={hand.worded}>
              Labels
            </Link>
          )}
          {first?.clock.is === 'past' && (
            <Link
              to={`${base}/spools/${first.spool.spoolId}/dry`}
              className={`${hand.filled} ${hand.filledLink}`}
            >
              Dry {first.spool.name}
            </Link>
          )}
        </div>
      </div>
      {owned.length > 0 && (
        <div className={css.listHead}>
          <ChoiceRow
            legend={`${owned.length} ${owned.length === 1 ? 'spool' : 'spools'}`}
            options={SORTS}
            chosen={sort}
            choose={setSort}
          />
          <label className={css.find}>
            <span>Find</span>
            <input
              type="search"
              value={sought}
              onChange={event => setSought(event.currentTarget.value)}
              placeholder="name, material, box, maker"
            />
          </label>
          <p className={`${hand.aside} ${hand.small} ${css.ringsSay}`}>
            Ring outside: the turns printed next. Round the hub: the whole spool.
          </p>
        </div>
      )}
      <div ref={ref}>
        {found.length === 0 && owned.length > 0 && (
          <p className={hand.behind}>No spool has “{sought}” in its name, material, place or maker.</p>
        )}
        {width > 0 && found.length > 0 && width >= NARROW_PX && (
          <SpoolsBoard
            spools={found}
            places={state}
            widthPx={width}
            nowMs={nowMs}
            isByNeed={sort === 'need'}
          />
        )}
        {width > 0 && found.length > 0 && width < NARROW_PX && <SpoolsList spools={found} />}
      </div>
      {isAdding && <AddDialog close={() => setAdding(false)} />}
    </main>
  )
}

/** On the phone a row each: its rings, its words. */
function SpoolsList({ spools }: { readonly spools: readonly ClockedSpool[] }) {
  const { state, nowMs } = useJournal()
  const { maker, base } = useJournalTools()
  const { dark } = usePreferences()
  return (
    <>
      <svg width="0" height="0" aria-hidden="true">
        <HatchDefs spools={spools.map(one => one.spool)} dark={dark} />
      </svg>
      <ul className={css.rows}>
        {spools.map(one => (
          <li key={one.spool.spoolId}>
            <Link to={`${base}/spools/${one.spool.spoolId}`} className={css.row}>
              <SpoolRing spool={one.spool} word={one.nextWord} meanWord={one.meanWord} />
              <span>
                <span className={css.rowName}>{one.spool.name}</span>{' '}
                <span className={hand.pencil}>{placeWords(one.spool, state)}</span>
                <br />
                {one.nextWord && (
                  <span className={one.nextWord === 'expect trouble' ? hand.trouble : undefined}>
                    {one.nextWord},{' '}
                  </span>
                )}
                {clockWords(one, nowMs, maker.zone)}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </>
  )
}

function isMeant({ spool }: ClockedSpool, sought: string, places: Places): boolean {
  const words = sought.trim().toLocaleLowerCase().split(/\s+/)
  const text = [spool.name, spool.material, placeWords(spool, places), spool.maker ?? '']
    .join(' ')
    .toLocaleLowerCase()
  return words.every(word => text.includes(word))
}

function inOrder(spools: readonly ClockedSpool[], sort: Sort, places: Places): ClockedSpool[] {
  // what they are sorted by comes first, what needs one first within it
  if (sort === 'need') return [...spools]
  const keyOf = (one: ClockedSpool) =>
    sort === 'material' ? one.spool.material : placeWords(one.spool, places)
  return [...spools].sort((a, b) => keyOf(a).localeCompare(keyOf(b)) || byNeed(a, b))
}
