import { greatest } from '#units/extremes.ts'
import type { BoxView } from '#journal/box-view.ts'
import { BoxDrawing } from '#draw/box-drawing.tsx'
import { StateMark, type MarkWord } from '#draw/state-mark.tsx'
import { BOARD_END_MM } from '#draw/shelf-layout.ts'
import pen from '#draw/pen.module.css'
import css from './round.module.css'

export interface ProgressBox {
  readonly view: BoxView
  readonly state: 'done' | 'here' | 'to come'
  readonly word: MarkWord | null
}

const BOARD_GAP = 14
const LID_MM = 40
const MOST_SCALE = 0.22

/** The shelf itself as progress: taken in ink with its mark, here heavy, still to come in pencil. */
export function RoundProgress({
  boxes,
  width,
  onGo,
}: {
  readonly boxes: readonly ProgressBox[]
  readonly width: number
  readonly onGo: (boxId: string) => void
}) {
  const lengthMm = Math.max(
    greatest(boxes.map(({ view }) => view.box.leftMm + view.box.widthMm + BOARD_END_MM)),
    1,
  )
  const scale = Math.min(MOST_SCALE, width / lengthMm)
  const rows = boardRows(boxes, scale)
  return (
    <svg
      className={`${pen.drawing} ${css.roundProgress}`}
      width={width}
      height={(rows.at(-1)?.line ?? 0) + BOARD_GAP}
      role="group"
      aria-label="Boxes taken and still to come"
    >
      {rows.map(({ board, here, line, endMm }) => {
        return (
          <g key={board}>
            <rect x="0" y={line} width={endMm * scale} height="3.5" className={pen.board} />
            <path d={`M0 ${line}H${endMm * scale}`} className={pen.boardLine} />
            {here.map(({ view: { box }, state, word }) => {
              const x = box.leftMm * scale
              const middle = x + (box.widthMm * scale) / 2
              return (
                <g
                  key={box.boxId}
                  className={state === 'here' ? `${css.progressBox} ${css.here}` : css.progressBox}
                  data-step={box.boxId}
                  data-state={state}
                  role="button"
                  tabIndex={-1}
                  aria-label={`${box.name}: ${state === 'done' ? `taken, ${word ?? 'no target'}` : state}`}
                  onClick={() => onGo(box.boxId)}
                >
                  <BoxDrawing
                    box={{ ...box, sizePencil: state === 'to come' }}
                    spools={[]}
                    vessel={null}
                    scale={scale}
                    x={x}
                    y={line}
                  />
                  {state === 'done' && word && (
                    <g transform={`translate(${middle - 8.5} ${line - (box.heightMm * scale) / 2 - 7})`}>
                      <StateMark word={word} />
                    </g>
                  )}
                  {state === 'here' && (
                    <path
                      d={`M${middle - 5} ${line - (box.heightMm * scale) / 2 - 4}h10l-5 8z`}
                      className={css.progressHere}
                    />
                  )}
                </g>
              )
            })}
          </g>
        )
      })}
    </svg>
  )
}

/** Boards from the top down, each with the line it stands on. */
function boardRows(boxes: readonly ProgressBox[], scale: number) {
  const boards = [...new Set(boxes.map(({ view }) => view.box.board))].sort((a, b) => a - b)
  const rows: { board: number; here: ProgressBox[]; line: number; endMm: number }[] = []
  for (const board of boards) {
    const here = boxes.filter(({ view }) => view.box.board === board)
    const above = rows.at(-1)
    rows.push({
      board,
      here,
      line:
        (above ? above.line + BOARD_GAP : 0) +
        greatest(here.map(({ view }) => view.box.heightMm + LID_MM)) * scale,
      endMm: greatest(here.map(({ view }) => view.box.leftMm + view.box.widthMm)) + BOARD_END_MM,
    })
  }
  return rows
}
