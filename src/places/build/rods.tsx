import { cutAnswer, sagAnswer } from '#core/answers/drill-answers.ts'
import { BUSHING_OVER_MM } from '#core/build/rod-cut.ts'
import type { RodCut } from '#core/build/rod-cut.ts'
import { MOST_SAG_MM, ROD_MATERIALS, type Rod } from '#core/build/rod.ts'
import type { PlanSpool } from '#journal/plan-wish.ts'
import { Figure } from '#ui/figure.tsx'
import { inTenths, THIN } from '#ui/format.ts'
import { useMeasures } from '#ui/use-measures.ts'
import hand from '#ui/hand.module.css'
import css from './drill.module.css'
import pen from '#draw/pen.module.css'

const G_PER_LB = 453.592_37
/** A load as one says it. */
const heavy = (weightG: number, unit: string): string =>
  unit === 'g' ? `${inTenths(weightG / 1000)}${THIN}kg` : `${inTenths(weightG / G_PER_LB)}${THIN}lb`

/** Each rod to the scale of the walls: what it is cut to, how it sags, what goes on it. */
export function Rods({
  cuts,
  rod,
  spools,
  scale,
}: {
  readonly cuts: readonly RodCut[]
  readonly rod: Rod
  readonly spools: readonly PlanSpool[]
  readonly scale: number
}) {
  const { length, mark, weight } = useMeasures()
  return (
    <>
      {cuts.map(cut => {
        const wide = cut.cutMm * scale
        const cap = cut.capMm * scale
        const wall = cut.throughWallMm * scale
        const on = cut.loads.map(load => spools.find(spool => spool.id === load.spoolId)!)
        const shims = on.filter(spool => spool.boreMm - rod.diameterMm > BUSHING_OVER_MM)
        const weightG = cut.loads.reduce((sum, load) => sum + load.weightG, 0)
        return (
          <section key={cut.line} data-part="rod">
            <h2 className={hand.section}>{cuts.length > 1 ? `Rod ${cut.line + 1}` : 'The rod'}</h2>
            <svg
              className={`${pen.drawing} ${css.rodDrawing}`}
              width={wide + 4}
              height={40}
              viewBox={`0 0 ${wide + 4} 40`}
              aria-hidden="true"
            >
              <rect
                x="2"
                y="14"
                width={wide}
                height={Math.max(4, rod.diameterMm * scale)}
                className={pen.flange}
              />
              <rect x={2 + cap} y="6" width={Math.max(1.5, wall)} height="28" className={css.wallCut} />
              {cut.walls === 2 && (
                <rect
                  x={2 + wide - cap - wall}
                  y="6"
                  width={Math.max(1.5, wall)}
                  height="28"
                  className={css.wallCut}
                />
              )}
            </svg>
            <p>
              {ROD_MATERIALS[rod.material].name}, {mark.text(rod.diameterMm)}
              {rod.boreMm > 0 ? `, a tube of ${mark.text(rod.boreMm)} bore` : ''}; cut{' '}
              <Figure answer={cutAnswer(cut)} className={hand.strong}>
                {length.text(cut.cutMm)}
              </Figure>
              ; sags{' '}
              <Figure
                answer={sagAnswer(cut, rod)}
                className={cut.sagMm > MOST_SAG_MM ? css.wrong : undefined}
              >
                {cut.sagMm < 0.1 ? 'less than 0.1' : mark.bare(cut.sagMm)} mm
              </Figure>{' '}
              under {heavy(weightG, weight.unit)}.
              {cut.sagMm > MOST_SAG_MM &&
                ' Spools run together in the middle: take a thicker rod, or a stiffer stuff.'}
            </p>
            <p className={hand.aside}>
              {on.length > 0 && `${on.length + 1} stop collars keep the spools apart. `}
              {shims.length > 0 &&
                `A bushing each brings ${shims.map(spool => `${spool.name} (bore ${length.bare(spool.boreMm)})`).join(', ')} to the rod, or it hangs. `}
              Keep {length.text(cut.drawOutMm)} free {cut.walls === 2 ? 'at one side' : 'before it'} to draw
              it out.
            </p>
          </section>
        )
      })}
    </>
  )
}
