import { useElementSize, useHotkeys } from '@mantine/hooks'
import { useQueries } from '@tanstack/react-query'
import { lazy, Suspense, useMemo, useState } from 'react'
import { Link, Navigate, useNavigate, useSearchParams } from 'react-router'
import { profileOf } from '#journal/room-air.ts'
import { later } from '#ui/later.tsx'
import { judge } from '#session/judgement.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { knownBox, type KnownBox } from '#session/known-box.ts'
import { reportQuery } from '#session/reports.ts'
import { DrawnLegend } from './drawn-legend.tsx'
import { layOutShelf } from '#draw/shelf-layout.ts'
import { Elsewhere } from './elsewhere.tsx'
import { ShelfFoot } from './shelf-foot.tsx'
import { ShelfDrawing, type ShelfItem } from './shelf-drawing.tsx'
import { Said } from './said.tsx'
import { shelfSentence, type Piece } from './shelf-sentence.ts'
import hand from '#ui/hand.module.css'
import type { PlanSpoken } from './plan-spoken.ts'
import css from './shelf.module.css'

const PulledShelf = lazy(() => import('./pulled-shelf.tsx'))
const YearAhead = lazy(() => import('./year-ahead.tsx'))
const LogReading = later(() => import('#dialogs/log-reading/log-reading.tsx'))
const MoveDialog = later(() => import('#dialogs/move/move-dialog.tsx'))

/** Which box needs me, and when? */
export default function ShelfPlace() {
  const journal = useJournal()
  const tools = useJournalTools()
  const { ref, width } = useElementSize()
  const [logging, setLogging] = useState(false)
  const [spoken, setSpoken] = useState<PlanSpoken | null>(null)
  /** What is to be moved; empty where that is still to be chosen. */
  const [search, setSearch] = useSearchParams()
  const [chosen, setAsking] = useState<string | null>(null)
  // asked for by name, from elsewhere
  const asking = chosen ?? (search.get('do') === 'move' ? '' : null)
  const closeMove = () => {
    setAsking(null)
    if (search.has('do')) setSearch({}, { replace: true })
  }
  const navigate = useNavigate()
  const walk = () => void navigate(`${tools.base}/round`)
  useHotkeys([
    ['l', () => setLogging(true)],
    ['r', walk],
    ['m', () => setAsking('')],
  ])
  const known = useMemo(
    () =>
      [...journal.state.boxes.values()]
        .filter(box => box.retiredMs === null)
        .map(box => knownBox(journal, box.boxId))
        .filter((item): item is KnownBox => item !== null),
    [journal],
  )
  const reports = useQueries({
    queries: known.map(({ view, facts }) => reportQuery(tools, view.box.boxId, facts)),
  })
  if (known.length === 0) return <Navigate to={`${tools.base}/start`} replace />

  const { nowMs } = journal
  const { zone } = tools.maker
  const items: ShelfItem[] = known.map(({ view }, i) => ({
    view,
    report: reports[i]!.data,
    judgement: judge(view, reports[i]!.data, nowMs),
  }))
  const sentence = shelfSentence(
    items.map((item, i) => ({
      name: item.view.box.name,
      judgement: item.judgement,
      lookAgainMs: item.view.last?.settled === false ? item.view.last.lookAgainMs : null,
      reckoning: reports[i]!.isLoading,
      lastReadMs: item.view.last?.atMs ?? null,
    })),
    nowMs,
    zone,
    spoken,
  )
  const said = (piece: Piece, i: number) => <Said key={i} piece={piece} items={items} />
  const done = reports.filter(report => !report.isLoading).length
  const failed = reports.find(report => report.isError)
  const room = journal.state.rooms.get(items[0]!.view.box.roomId)!
  const layout =
    width > 0
      ? layOutShelf(
          known.map(({ view: { box } }) => ({ ...box, id: box.boxId })),
          width,
        )
      : null
  const lastBoard = layout?.boards.at(-1)
  const legendBeside = width > 700 && lastBoard !== undefined && lastBoard.lengthPx < width - 190
  return (
    <main className={hand.page} data-place="shelf">
      <div className={hand.answerRow}>
        <div>
          <h1 className={hand.answer} aria-live="polite">
            {sentence.answer.map(said)}
          </h1>
          <p className={hand.behind}>
            {done < reports.length && `${done} of ${reports.length} boxes done. `}
            {sentence.behind.map(said)}
          </p>
        </div>
        <div className={hand.acts}>
          <Link to={`${tools.base}/start`} className={hand.worded}>
            Add a box
          </Link>
          <button type="button" className={hand.worded} onClick={() => setLogging(true)}>
            Log one reading
          </button>
          <button type="button" className={hand.filled} onClick={walk}>
            Walk the shelf <kbd>R</kbd>
          </button>
        </div>
      </div>
      {failed && (
        <p className={hand.notice} role="status">
          A box could not be reckoned: {failed.error.message} Its readings are kept; reload to try again.
        </p>
      )}
      {journal.damaged.length > 0 && (
        <p className={hand.notice} role="status">
          {journal.damaged.length === 1
            ? 'One record could not be read. It is'
            : `${journal.damaged.length} records could not be read. They are`}{' '}
          left where {journal.damaged.length === 1 ? 'it is' : 'they are'}; everything else is shown.{' '}
          <Link to={`${tools.base}/files`}>Take {journal.damaged.length === 1 ? 'it' : 'them'} out</Link>
        </p>
      )}
      {journal.state.contradictions.length > 0 && (
        <p className={hand.notice} role="status">
          {journal.state.contradictions.length === 1
            ? 'One entry can’t be true together with another; it is kept, and left out. '
            : `${journal.state.contradictions.length} entries can’t be true together with others; they are kept, and left out. `}
          <Link to={`${tools.base}/entries`}>Put them right</Link>
        </p>
      )}
      <div ref={ref} className={css.shelfWrap}>
        {width > 0 && (
          <>
            <Suspense fallback={<ShelfDrawing items={items} widthPx={width} nowMs={nowMs} zone={zone} />}>
              <PulledShelf items={items} widthPx={width} nowMs={nowMs} zone={zone} onAsk={setAsking} />
            </Suspense>
            {legendBeside && (
              <div className={css.legendBeside} style={{ top: lastBoard.y - 112 }}>
                <DrawnLegend scale={layout!.scale} />
              </div>
            )}
            <Suspense fallback={<p className={hand.aside}>The year ahead …</p>}>
              <YearAhead
                items={items}
                room={{ profile: profileOf(room), knowledge: room.climateKnown }}
                widthPx={width}
                nowMs={nowMs}
                zone={zone}
                isQuiet={done === reports.length}
                onPlan={setSpoken}
              />
            </Suspense>
            {!legendBeside && layout && <DrawnLegend scale={layout.scale} />}
          </>
        )}
      </div>
      <Elsewhere onAsk={setAsking} />
      <ShelfFoot />
      {logging && <LogReading close={() => setLogging(false)} />}
      {asking !== null && <MoveDialog close={closeMove} {...(asking === '' ? {} : { thingId: asking })} />}
    </main>
  )
}
