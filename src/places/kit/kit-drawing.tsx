import { Fragment } from 'react'
import { HatchDefs } from '#draw/hatch.tsx'
import type { State } from '#journal/state.ts'
import type { ThingRef } from '#session/kit/as-wanted.ts'
import { usePreferences } from '#session/journal-context.tsx'
import { useRoving } from '#ui/roving.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { layOutRows, placeWidthPx, type PlacedItem } from './kit-layout.ts'
import { boxes, hanging, KIT_SCALE, spare, type DrawnThing } from './kit-things.tsx'
import pen from '#draw/pen.module.css'
import css from './kit.module.css'

const BAR_MM = 400

/** One wall, to one scale: what hangs from the rail, what stands on the spare board, the boxes. */
export function KitDrawing({
  state,
  nowMs,
  widthPx,
  open,
}: {
  readonly state: State
  readonly nowMs: number
  readonly widthPx: number
  readonly open: (thing: ThingRef) => void
}) {
  const { dark } = usePreferences()
  const measures = useMeasures()
  const roving = useRoving()
  const rail = layOutRows(hanging(state, nowMs, measures), widthPx, 0, true)
  const board = layOutRows(
    spare(state, measures),
    widthPx,
    rail.bottom + (rail.rows.length > 0 ? 6 : 0),
    false,
  )
  const shelf = layOutRows(boxes(state, nowMs, measures), widthPx, board.bottom + 6, false)
  const barPx = BAR_MM * KIT_SCALE
  const { ref, ...keys } = roving
  return (
    <svg
      className={pen.drawing}
      width={widthPx}
      height={shelf.bottom + 24}
      role="group"
      aria-label="Everything you own, drawn to one scale; arrow keys go from thing to thing"
      data-part="kit-drawing"
      ref={ref}
      {...keys}
    >
      <HatchDefs spools={[...state.spools.values()]} dark={dark} />
      {rail.rows.map(row => (
        <g key={row.y}>
          <rect x="0" y={row.y - 7} width={row.lengthPx} height="7" className={pen.board} />
          <path d={`M0 ${row.y - 7}H${row.lengthPx}`} className={pen.boardLine} />
          {row.items.map(placed => (
            <Thing key={placed.item.key} placed={placed} hangs open={open} />
          ))}
        </g>
      ))}
      {[...board.rows, ...shelf.rows].map(row => (
        <g key={row.y}>
          <rect x="0" y={row.y} width={row.lengthPx} height="9" className={pen.board} />
          <path d={`M0 ${row.y}H${row.lengthPx}`} className={pen.boardLine} />
          {row.items.map(placed => (
            <Thing key={placed.item.key} placed={placed} hangs={false} open={open} />
          ))}
        </g>
      ))}
      <g transform={`translate(${widthPx - barPx} ${shelf.bottom + 12})`}>
        <path
          className={pen.axis}
          d={`M0 0H${barPx}${[0, 1, 2, 3, 4].map(n => `M${(n * barPx) / 4} -4V0`).join('')}`}
        />
        <text x="-8" y="4" textAnchor="end" className={pen.inkSmall}>
          {measures.length.text(BAR_MM)}
        </text>
      </g>
    </svg>
  )
}

function Thing({
  placed: { item, x, y },
  hangs,
  open,
}: {
  readonly placed: PlacedItem<DrawnThing>
  readonly hangs: boolean
  readonly open: (thing: ThingRef) => void
}) {
  const wordsY = hangs ? y + item.heightPx + 20 : y + 29
  const width = placeWidthPx(item)
  const top = hangs ? y : y - item.heightPx
  return (
    <g
      className={css.thing}
      role="button"
      tabIndex={-1}
      data-roving
      data-thing={item.key}
      // what is read out begins as what is seen
      aria-label={[item.name, ...item.notes].join(' ')}
      onClick={() => open(item.thing)}
      onKeyDown={event => {
        if (event.key !== 'Enter' && event.key !== ' ') return
        event.preventDefault()
        open(item.thing)
      }}
    >
      <rect
        x={x - width / 2 + 4}
        y={top - 4}
        width={width - 8}
        height={wordsY - top + 4 + 18 * item.notes.length + 4}
        className={css.target}
      />
      {item.draw(x, y)}
      <text x={x} y={wordsY} textAnchor="middle" className={css.name}>
        {item.name}
      </text>
      {item.notes.map((note, i) => (
        <Fragment key={note}>
          {' '}
          <text
            x={x}
            y={wordsY + 18 * (i + 1)}
            textAnchor="middle"
            className={item.pencil || i > 0 ? css.pencilNote : css.note}
          >
            {note}
          </text>
        </Fragment>
      ))}
    </g>
  )
}
