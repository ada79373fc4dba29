import { enteredAnswer, heldAnswer } from '#core/answers/answers.ts'
import { waterUntilTrayFullG } from '#core/desiccant/calcium-chloride.ts'
import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import type { BoxView } from '#journal/box-view.ts'
import { Figure } from '#ui/figure.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import hand from '#ui/hand.module.css'

/** A tray nobody told of is taken to hold this many times the room of its dry crystals; common practice. */
const TRAYS_PER_CRYSTALS = 2

/** A crystal pack goes on until its brine spills: how much it holds, and how much it may. */
export function FullLine({
  view,
  report,
}: {
  readonly view: BoxView
  readonly report: BoxReport | undefined
}) {
  const { water } = useMeasures()
  return view.charges
    .filter(charge => charge.desiccant === 'calcium-chloride')
    .map(charge => {
      const now = report?.charges.find(({ ids }) => ids.includes(charge.chargeId))
      const { bulkDensityGPerMl } = DESICCANTS[charge.desiccant]
      const isTold = charge.fillLineG != null
      const fullG =
        charge.fillLineG ??
        waterUntilTrayFullG(charge.dryMassG, (TRAYS_PER_CRYSTALS * charge.dryMassG) / bulkDensityGPerMl)
      return (
        <p key={charge.chargeId} data-part="full-line">
          {charge.name}
          {now ? (
            <>
              {' '}
              holds <Figure answer={heldAnswer(now)}>{water.text(now.waterG)}</Figure> of
            </>
          ) : (
            ' is full at'
          )}{' '}
          <Figure
            answer={enteredAnswer(
              'water until it is full',
              'fill line of the pack',
              fullG,
              'g',
              isTold ? 'told' : 'assumed',
            )}
          >
            {isTold ? '' : '≈ '}
            {water.text(fullG)}
          </Figure>{' '}
          {now ? 'before it is full. ' : 'of water. '}
          <span className={hand.aside}>
            Keep it level, in a catch tray: its brine is corrosive. Full, it is replaced.
          </span>
        </p>
      )
    })
}
