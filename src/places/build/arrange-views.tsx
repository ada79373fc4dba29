import type { ReactNode } from 'react'
import { hangs, type Arrangement, type Asked } from '#core/build/arrangement.ts'
import { enteredAnswer, differenceAnswer } from '#core/answers/answers.ts'
import type { Clearance } from '#core/build/clearances.ts'
import type { Vector } from '#core/build/inside.ts'
import { HatchDefs } from '#draw/hatch.tsx'
import { PlanView, type DrawnOutlet, type Part, type ViewName } from '#draw/plan-view.tsx'
import type { PlanSpool } from '#journal/plan-wish.ts'
import { usePreferences } from '#session/journal-context.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { Dimension } from './dimension.tsx'
import { Hand } from './hold-part.tsx'
import { Loupe } from './loupe.tsx'
import hand from '#ui/hand.module.css'
import pen from '#draw/pen.module.css'
import css from './build.module.css'

const BOARD = 8
const ABOVE = 58
const BELOW = 34
const LEFT = 74
const RIGHT = 22
const GAP = 8

/** Front, side and top to one scale, with the lengths that decide; everything in them can be moved. */
export function ArrangeViews({
  asked,
  arrangement,
  spools,
  outlets,
  pencil,
  widthPx,
  short,
  worst,
  onStep,
}: {
  readonly asked: Asked
  readonly arrangement: Arrangement
  readonly spools: readonly PlanSpool[]
  readonly outlets: readonly DrawnOutlet[]
  readonly pencil: boolean
  readonly widthPx: number
  /** Spools that are short of room. */
  readonly short: ReadonlySet<string>
  /** The shortage that is worst. */
  readonly worst: Clearance | undefined
  readonly onStep: (part: Part, by: Vector) => void
}) {
  const { dark } = usePreferences()
  const { length } = useMeasures()
  const { inside } = asked
  const [rimLength, rimDepth] = inside.rimMm
  const narrow = widthPx < 700
  const frames = narrow ? 1 : 3
  const across = narrow ? rimLength : 2 * rimLength + rimDepth
  const scale = Math.min(1, (widthPx - frames * (LEFT + RIGHT + GAP)) / across)
  const known = pencil ? 'assumed' : 'measured'
  const entered = (name: string, mm: number) => enteredAnswer(name, 'inside', mm, 'mm', known)
  const nameOf = (part: Part) =>
    part.what === 'spool'
      ? (spools.find(spool => spool.id === part.id)?.name ?? 'a spool')
      : part.what === 'rod'
        ? 'the rod'
        : part.what === 'outlet'
          ? `outlet ${part.index + 1}`
          : part.name
  /** Puts a hand on what may be moved: all but what is solid in the container itself. */
  const holdIn =
    (view: ViewName) =>
    (part: Part, drawing: ReactNode): ReactNode => {
      if (part.what === 'block' && part.name !== 'beads' && part.name !== 'display') return drawing
      return (
        <Hand part={part} view={view} scale={scale} label={nameOf(part)} onStep={onStep}>
          <g className={part.what === 'spool' && short.has(part.id) ? css.isShort : undefined}>{drawing}</g>
        </Hand>
      )
    }
  const frame = (view: ViewName) => {
    const wide = (view === 'side' ? rimDepth : rimLength) * scale
    const high = (view === 'top' ? rimDepth : inside.heightMm) * scale
    const width = wide + LEFT + RIGHT
    const height = high + (view === 'top' ? 24 : ABOVE + BELOW)
    const x = LEFT + wide / 2
    const y = view === 'top' ? 12 + high / 2 : ABOVE + high
    const [rim, base] = view === 'side' ? [rimDepth, inside.baseMm[1]] : [rimLength, inside.baseMm[0]]
    const what = view === 'side' ? 'depth' : 'length'
    const floor = ABOVE + high
    const rod = hangs(arrangement.kind) ? arrangement.lines[0] : undefined
    const shows = view === 'front' ? arrangement.axis !== 1 : arrangement.axis === 1
    return (
      <figure className={css.view} key={view}>
        <figcaption className={hand.section}>
          {{ front: 'Front', side: 'From the right', top: 'From above' }[view]}
        </figcaption>
        <svg
          className={pen.drawing}
          width={width}
          height={height}
          viewBox={`0 0 ${width} ${height}`}
          role="group"
          aria-label={`The box ${view === 'side' ? 'from the right' : view === 'top' ? 'from above' : 'from the front'}`}
        >
          <HatchDefs spools={spools} dark={dark} />
          {view !== 'top' && (
            <>
              <rect x={LEFT - 30} y={floor} width={wide + 60} height={BOARD} className={pen.board} />
              <path d={`M${LEFT - 30} ${floor}h${wide + 60}`} className={pen.boardLine} />
            </>
          )}
          <PlanView
            asked={asked}
            arrangement={arrangement}
            spools={spools}
            scale={scale}
            x={x}
            y={y}
            pencil={pencil}
            view={view}
            outlets={outlets}
            hold={holdIn(view)}
          />
          {view !== 'top' && (
            <>
              <Dimension
                from={[x - (rim / 2) * scale, 22]}
                to={[x + (rim / 2) * scale, 22]}
                text={`${length.text(rim)} at the rim`}
                answer={entered(`${what} at the rim`, rim)}
                pencil={pencil}
              />
              <Dimension
                from={[x - (base / 2) * scale, floor + 24]}
                to={[x + (base / 2) * scale, floor + 24]}
                text={`${length.text(base)} at the base`}
                answer={entered(`${what} at the base`, base)}
                pencil={pencil}
              />
            </>
          )}
          {view === 'front' && (
            <Dimension
              from={[18, ABOVE]}
              to={[18, floor]}
              text={length.bare(inside.heightMm)}
              answer={entered('height to the lid', inside.heightMm)}
              pencil={pencil}
            />
          )}
          {rod && shows && view !== 'top' && (
            <Dimension
              from={[52, ABOVE]}
              to={[52, floor - rod.at[2] * scale]}
              text={length.bare(inside.heightMm - rod.at[2])}
              answer={differenceAnswer(
                'rod below the rim',
                'mm',
                ['height to the lid', inside.heightMm],
                ['rod over the floor', rod.at[2]],
              )}
              deciding
            />
          )}
        </svg>
      </figure>
    )
  }
  return (
    <div className={css.views}>
      {frame('front')}
      {frame('side')}
      {frame('top')}
      {worst && (
        <Loupe
          clearance={worst}
          arrangement={arrangement}
          spools={spools}
          asked={asked}
          scale={scale}
          pencil={pencil}
        />
      )}
    </div>
  )
}
