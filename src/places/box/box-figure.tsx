import { CONTAINERS } from '#core/container/container.ts'
import { LIDS } from '#core/container/lid.ts'
import { enteredAnswer, shareAnswer } from '#core/answers/answers.ts'
import { volumeAnswer } from '#core/answers/box-answers.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import { baseShareOf } from '#journal/base-share.ts'
import type { BoxView } from '#journal/box-view.ts'
import { BoxDrawing } from '#draw/box-drawing.tsx'
import { BeadsFigure, kindsText } from '#ui/beads-figure.tsx'
import { Figure, FigureInk } from '#ui/figure.tsx'
import { HatchDefs } from '#draw/hatch.tsx'
import { inHundredths, THIN } from '#ui/format.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { usePreferences } from '#session/journal-context.tsx'
import { vesselOf } from '#draw/vessel-of.ts'
import hand from '#ui/hand.module.css'
import pen from '#draw/pen.module.css'
import css from './box.module.css'

const MOST = { width: 348, height: 184 }

/** The box from its own millimetres, with its two measures; pencil until they are told. */
export function BoxFigure({
  view,
  report,
}: {
  readonly view: BoxView
  readonly report: BoxReport | undefined
}) {
  const { dark } = usePreferences()
  const measures = useMeasures()
  const { length } = measures
  const { box } = view
  const scale = Math.min(0.62, MOST.width / box.widthMm, MOST.height / box.heightMm)
  const [width, height] = [box.widthMm * scale, box.heightMm * scale]
  const x = Math.max(10, (MOST.width - width) / 2)
  const y = height + 32
  const container = CONTAINERS[box.container]
  const tick = box.sizeKnown === 'measured'
  const pencil = box.sizeKnown === 'assumed'
  const volume = volumeAnswer(
    { ...container, baseShare: baseShareOf(box) },
    box,
    box.sizeKnown === 'measured' ? 'computed' : box.sizeKnown,
  )
  const measure = (quantity: string, value: number) =>
    enteredAnswer(quantity, quantity, value, 'mm', box.sizeKnown)
  return (
    <section>
      <h2 className={hand.section}>The box</h2>
      <svg
        className={pen.drawing}
        width={MOST.width + 60}
        height={y + 30}
        // a narrow page takes all of it smaller: nothing is cut off
        viewBox={`0 0 ${MOST.width + 60} ${y + 30}`}
        style={{ maxWidth: '100%', height: 'auto' }}
        role="group"
        aria-label={`${box.name}, drawn to scale`}
        data-width-mm={box.widthMm}
        data-scale={scale}
      >
        <HatchDefs spools={view.spools} dark={dark} />
        <BoxDrawing
          box={{ ...box, sizePencil: pencil }}
          spools={view.spools}
          vessel={vesselOf(view, report)}
          scale={scale}
          x={x}
          y={y}
        />
        <path
          d={`M${x} ${y + 9}v8M${x + width} ${y + 9}v8M${x} ${y + 13}H${x + width}M${x + width + 16} ${y - height}h8M${x + width + 16} ${y}h8M${x + width + 20} ${y - height}V${y}`}
          className={pen.axis}
        />
        <FigureInk answer={measure('inside width', box.widthMm)}>
          <text
            x={x + width / 2}
            y={y + 18}
            textAnchor="middle"
            className={pencil ? `${pen.haloWide} ${pen.inkAside}` : pen.haloWide}
          >
            {length.text(box.widthMm)}
            {tick ? '  ' : ''}
          </text>
          {tick && <path d={`M${x + width / 2 + 29} ${y + 10}l2.2 2.4 4 -5.4`} className={pen.inkTick} />}
        </FigureInk>
        <FigureInk answer={measure('inside height', box.heightMm)}>
          <text
            x={x + width + 24}
            y={y - height / 2 + 5}
            className={pencil ? `${pen.haloWide} ${pen.inkAside}` : pen.haloWide}
          >
            {length.bare(box.heightMm)}
          </text>
          {tick && (
            <path d={`M${x + width + 52} ${y - height / 2 - 3}l2.2 2.4 4 -5.4`} className={pen.inkTick} />
          )}
        </FigureInk>
      </svg>
      <p className={css.caption}>
        <Figure answer={volume}>{measures.volume.text(volume.value)}</Figure> {container.name},{' '}
        <span className={box.lidKnown === 'assumed' ? hand.aside : undefined}>{LIDS[box.lid].name}</span>
        {report && (
          <>
            {' '}
            <Figure
              answer={shareAnswer(
                'what the lid lets in',
                'L/h',
                0.5,
                report.leakSharesLPerH,
                'a twentieth of the draws',
              )}
            >
              {inHundredths(report.leakLPerH.middle)}
              {THIN}L/h{' '}
              <span className={hand.pencil}>
                ({inHundredths(report.leakLPerH.low)}–{inHundredths(report.leakLPerH.high)})
              </span>
            </Figure>
          </>
        )}
        {view.charges.length > 0 && (
          <>
            {' · '}
            <BeadsFigure charges={view.charges} /> {kindsText(view.charges)}
          </>
        )}
      </p>
    </section>
  )
}
