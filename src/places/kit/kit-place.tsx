import { useElementSize, useHotkeys } from '@mantine/hooks'
import { useRef, useState } from 'react'
import { Link } from 'react-router'
import { inShelfOrder } from '#journal/shelf-order.ts'
import { instrumentsOf } from '#journal/instruments.ts'
import { displayErrorAt } from '#journal/true-readings.ts'
import { heatSourcesOf } from '#journal/heat-sources.ts'
import type { State } from '#journal/state.ts'
import { asWanted, type ThingRef } from '#session/kit/as-wanted.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { QuickAdd } from '#dialogs/kit/quick-add.tsx'
import { later } from '#ui/later.tsx'
import type { Measures } from '#ui/measures.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { KitDrawing } from './kit-drawing.tsx'
import hand from '#ui/hand.module.css'
import css from './kit.module.css'

const ChangeThing = later(() => import('#dialogs/kit/change-thing.tsx'))
const PasteDialog = later(() => import('#dialogs/kit/paste-dialog.tsx'))

/** What do I own, and is it true? */
export default function KitPlace() {
  const { state, nowMs } = useJournal()
  const { base } = useJournalTools()
  const measures = useMeasures()
  const { ref, width } = useElementSize()
  const line = useRef<HTMLDivElement>(null)
  const [open, setOpen] = useState<ThingRef | null>(null)
  const [pasting, setPasting] = useState(false)
  /** The quick field begins anew with this in it. */
  const [start, setStart] = useState({ text: '', turn: 0 })
  useHotkeys([['a', () => line.current?.querySelector('input')?.focus()]])
  const { spools, owned } = countsOf(state)
  const retired = retiredOf(state)
  const unchecked = instrumentsOf(state).filter(
    one => displayErrorAt(state)(one.instrumentId, nowMs) === null,
  ).length
  return (
    <main className={hand.page} data-place="kit">
      <h1 className={hand.answer}>{answerOf(state, measures)}</h1>
      <p className={hand.behind}>
        Say what you own in one line; it is drawn below, and takes part at once.
        {unchecked > 0 && (
          <>
            {' '}
            {unchecked === 1 ? 'One display was' : `${inWords(unchecked)} displays were`} never checked:{' '}
            <Link to={`${base}/kit/displays`}>an hour in one bag tells</Link>.
          </>
        )}
      </p>
      <div ref={line} className={css.line}>
        <QuickAdd key={start.turn} start={start.text} autoFocus={start.turn > 0} />
      </div>
      <div ref={ref} className={css.wall}>
        {width > 0 && owned > 0 && <KitDrawing state={state} nowMs={nowMs} widthPx={width} open={setOpen} />}
        {owned === 0 && (
          <p className={`${hand.aside} ${css.empty}`}>
            Nothing is here yet. Begin with a box, or <Link to={`${base}/start`}>let Veld ask you</Link>.
          </p>
        )}
      </div>
      <div className={hand.pageFoot}>
        <button type="button" className={hand.worded} onClick={() => setPasting(true)}>
          Paste a list
        </button>
        {[...state.rooms.values()]
          .filter(room => room.retiredMs === null)
          .map(room => (
            <button
              key={room.roomId}
              type="button"
              className={hand.worded}
              onClick={() => setOpen({ kind: 'room', id: room.roomId })}
            >
              Room: {room.name}
            </button>
          ))}
        {instrumentsOf(state).length > 0 && (
          <Link to={`${base}/kit/displays`}>How true the displays are</Link>
        )}
        {heatSourcesOf(state).length > 0 && <Link to={`${base}/kit/heat`}>How hot the ovens are</Link>}
        <InBoxes state={state} open={setOpen} count={spools} />
        {retired.length > 0 && (
          <details>
            <summary className={hand.aside}>Gone, {retired.length}</summary>
            <ul>
              {retired.map(({ key, name }) => (
                <li key={key}>{name}</li>
              ))}
            </ul>
            <Link to={`${base}/entries`}>Put one back, by what was entered</Link>
          </details>
        )}
      </div>
      {open && asWanted(state, open) && (
        <ChangeThing
          thing={open}
          close={() => setOpen(null)}
          again={sentence => {
            setOpen(null)
            setStart(current => ({ text: sentence, turn: current.turn + 1 }))
          }}
        />
      )}
      {pasting && <PasteDialog close={() => setPasting(false)} />}
    </main>
  )
}

/** What is inside the boxes, by name: each opens as it does on the wall. */
function InBoxes({
  state,
  open,
  count,
}: {
  readonly state: State
  readonly open: (thing: ThingRef) => void
  readonly count: number
}) {
  const shelf = inShelfOrder(state)
  if (count === 0 && shelf.length === 0) return null
  return (
    <details data-part="in-boxes">
      <summary className={hand.aside}>What is in the boxes</summary>
      {shelf.map(box => (
        <p key={box.boxId}>
          <span className={hand.strong}>{box.name}: </span>
          {[
            ...[...state.charges.values()]
              .filter(charge => charge.boxId === box.boxId)
              .map(charge => ({
                thing: { kind: 'charge', id: charge.chargeId } as ThingRef,
                name: charge.name,
              })),
            ...[...state.spools.values()]
              .filter(({ where }) => where.at === 'box' && where.boxId === box.boxId)
              .map(spool => ({ thing: { kind: 'spool', id: spool.spoolId } as ThingRef, name: spool.name })),
          ].map(({ thing, name }) => (
            <span key={thing.id}>
              <button type="button" className={hand.worded} onClick={() => open(thing)}>
                {name}
              </button>{' '}
            </span>
          ))}
        </p>
      ))}
    </details>
  )
}

const inWords = (count: number): string =>
  ['No', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten'][count] ??
  String(count)

const countsOf = (state: State) => {
  const spools = [...state.spools.values()].filter(spool => spool.where.at !== 'used up')
  const charges = [...state.charges.values()].filter(charge => charge.retiredMs === null)
  const ready = charges.filter(charge => charge.boxId === null)
  return {
    spools: spools.length,
    inBoxes: spools.filter(spool => spool.where.at === 'box').length,
    readyG: ready.reduce((sum, charge) => sum + charge.dryMassG, 0),
    owned:
      spools.length +
      charges.length +
      state.instruments.size +
      state.scales.size +
      state.heatSources.size +
      inShelfOrder(state).length,
  }
}

function answerOf(state: State, { weight }: Measures): string {
  const { spools, inBoxes, readyG, owned } = countsOf(state)
  if (owned === 0) return 'What do you own?'
  const boxes = inShelfOrder(state).length
  const kept = `${spools === 1 ? 'One spool' : `${spools} spools`}, ${inBoxes === spools ? 'all' : inBoxes} in ${boxes === 1 ? 'one box' : `${boxes} boxes`}`
  return readyG > 0 ? `${kept}; ${weight.text(readyG)} of beads lie ready.` : `${kept}; no beads lie ready.`
}

const retiredOf = (state: State) => [
  ...[...state.boxes.values()]
    .filter(box => box.retiredMs !== null)
    .map(box => ({ key: box.boxId, name: box.name })),
  ...[...state.charges.values()]
    .filter(charge => charge.retiredMs !== null)
    .map(charge => ({ key: charge.chargeId, name: charge.name })),
  ...[...state.spools.values()]
    .filter(spool => spool.where.at === 'used up')
    .map(spool => ({ key: spool.spoolId, name: spool.name })),
  ...[...state.heatSources.values()]
    .filter(item => item.retiredMs !== null)
    .map(item => ({ key: item.heatSourceId, name: item.name })),
  ...[...state.instruments.values()]
    .filter(item => item.retiredMs !== null)
    .map(item => ({ key: item.instrumentId, name: item.name })),
]
