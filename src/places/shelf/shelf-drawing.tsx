import { memo } from 'react'
import type { BoxReport } from '#core/estimate/report.ts'
import type { BoxJudgement } from '#core/verdict/box.ts'
import type { BoxView } from '#journal/box-view.ts'
import { BoxDrawing } from '#draw/box-drawing.tsx'
import { HatchDefs } from '#draw/hatch.tsx'
import { NO_HANDS, type Hands } from './hands.tsx'
import { judge } from '#session/judgement.ts'
import { InkLink } from '#ui/ink-link.tsx'
import { useRoving } from '#ui/roving.ts'
import { usePreferences } from '#session/journal-context.tsx'
import { BoxSlip } from './box-slip.tsx'
import { layOutShelf, SLIP } from '#draw/shelf-layout.ts'
import { vesselOf } from '#draw/vessel-of.ts'
import pen from '#draw/pen.module.css'

export interface ShelfItem {
  readonly view: BoxView
  readonly report: BoxReport | undefined
  readonly judgement: BoxJudgement
}

/** All boxes to one scale on their boards, each with its shelf-edge label. */
export function ShelfDrawing({
  items,
  widthPx,
  nowMs,
  zone,
  hands = NO_HANDS,
}: {
  readonly items: readonly ShelfItem[]
  readonly widthPx: number
  readonly nowMs: number
  readonly zone: string
  /** What can be pulled and let go over; without, nothing can be. */
  readonly hands?: Hands
}) {
  const { dark } = usePreferences()
  // five things a box can be opened by: one stop for Tab, arrows between them
  const { ref, ...keys } = useRoving('a, [role="button"]')
  const boxes = items.map(({ view: { box } }) => ({
    id: box.boxId,
    board: box.board,
    leftMm: box.leftMm,
    widthMm: box.widthMm,
    heightMm: box.heightMm,
  }))
  const layout = layOutShelf(boxes, widthPx)
  const byId = new Map(items.map(item => [item.view.box.boxId, item]))
  return (
    <svg
      className={pen.drawing}
      width={widthPx}
      height={layout.heightPx}
      role="group"
      aria-label="The shelf, drawn to one scale"
      data-scale={layout.scale}
      ref={ref}
      {...keys}
    >
      <HatchDefs spools={items.flatMap(item => item.view.spools)} dark={dark} />
      {layout.boards.map(board => (
        <g key={board.y}>
          <rect x="0" y={board.y} width={board.lengthPx} height="9" className={pen.board} />
          <path d={`M0 ${board.y}H${board.lengthPx}`} className={pen.boardLine} />
          {board.boxes.map(placed => {
            const { view, report } = byId.get(placed.id)!
            return (
              <ShelfBox
                key={placed.id}
                view={view}
                report={report}
                nowMs={nowMs}
                zone={zone}
                scale={layout.scale}
                x={placed.x}
                slipX={placed.slipX}
                boardY={board.y}
                hands={hands}
              />
            )
          })}
        </g>
      ))}
    </svg>
  )
}

/** One box on its board with its label. Drawn again only when something of its own changes: a shelf may hold sixty. */
const ShelfBox = memo(function ShelfBox({
  view,
  report,
  nowMs,
  zone,
  scale,
  x,
  slipX,
  boardY,
  hands,
}: {
  readonly hands: Hands
  readonly view: BoxView
  readonly report: BoxReport | undefined
  readonly nowMs: number
  readonly zone: string
  readonly scale: number
  readonly x: number
  readonly slipX: number
  readonly boardY: number
}) {
  const { box, spools } = view
  return (
    <hands.Box boxId={box.boxId} widthMm={box.widthMm}>
      <InkLink to={`/box/${box.boxId}`} label={`${box.name}, drawn to scale`}>
        <BoxDrawing
          box={{ ...box, sizePencil: box.sizeKnown === 'assumed' }}
          spools={spools}
          vessel={vesselOf(view, report)}
          scale={scale}
          x={x}
          y={boardY}
          holdSpool={hands.spool}
          holdCharge={hands.charge}
        />
      </InkLink>
      <BoxSlip
        view={view}
        report={report}
        judgement={judge(view, report, nowMs)}
        nowMs={nowMs}
        zone={zone}
        x={slipX}
        y={boardY + SLIP.below}
      />
    </hands.Box>
  )
})
