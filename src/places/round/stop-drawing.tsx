import type { BoxReport } from '#core/estimate/report.ts'
import type { BoxView } from '#journal/box-view.ts'
import { BoxDrawing } from '#draw/box-drawing.tsx'
import { HatchDefs } from '#draw/hatch.tsx'
import { usePreferences } from '#session/journal-context.tsx'
import { vesselOf } from '#draw/vessel-of.ts'
import css from './round.module.css'
import pen from '#draw/pen.module.css'

const HEIGHT = 300
const LID = 24
const MOST_SCALE = 0.72

/** The box one stands before, as large as there is room for: so that it is the right one. */
export function StopDrawing({
  view,
  report,
}: {
  readonly view: BoxView | null
  readonly report: BoxReport | undefined
}) {
  const { dark } = usePreferences()
  if (!view) return <div className={css.roundDrawing} />
  const { box, spools } = view
  const scale = Math.min(MOST_SCALE, (HEIGHT - LID - 8) / box.heightMm, 500 / box.widthMm)
  const width = box.widthMm * scale + 40
  return (
    <svg className={`${pen.drawing} ${css.roundDrawing}`} width={width} height={HEIGHT} aria-hidden="true">
      <HatchDefs spools={spools} dark={dark} />
      <rect x="0" y={HEIGHT - 10} width={width} height="9" className={pen.board} />
      <path d={`M0 ${HEIGHT - 10}H${width}`} className={pen.boardLine} />
      <BoxDrawing
        box={{ ...box, sizePencil: box.sizeKnown === 'assumed' }}
        spools={spools}
        vessel={vesselOf(view, report)}
        scale={scale}
        x={20}
        y={HEIGHT - 10}
      />
    </svg>
  )
}
