import { enteredAnswer, differenceAnswer } from '#core/answers/answers.ts'
import { downAnswer, drillAnswer, edgeAnswer } from '#core/answers/drill-answers.ts'
import type { DrilledHole } from '#core/build/as-drilled.ts'
import { fittingOf } from '#core/build/fittings.ts'
import type { DrillFacts, Hole } from '#core/build/holes.ts'
import type { PlanSpool } from '#journal/plan-wish.ts'
import { Figure } from '#ui/figure.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { offWords, purposeWords } from './drill-words.ts'
import hand from '#ui/hand.module.css'
import css from './drill.module.css'

/** Every hole: where it is marked, its drill, and what came out. */
export function HoleTable({
  facts,
  holes,
  drilled,
  spools,
  onEnter,
}: {
  readonly facts: DrillFacts
  readonly holes: readonly Hole[]
  readonly drilled: readonly DrilledHole[]
  readonly spools: readonly PlanSpool[]
  readonly onEnter: (hole: Hole) => void
}) {
  const { mark } = useMeasures()
  return (
    <table className={css.holes} data-part="hole-table">
      <thead>
        <tr>
          <th>Hole</th>
          <th className={css.wideOnly}>for</th>
          <th className={css.number}>drill</th>
          <th className={css.number}>from rim</th>
          <th>from an edge, at that height</th>
          <th>as drilled</th>
        </tr>
      </thead>
      <tbody>
        {holes.map(hole => {
          const done = drilled.find(one => one.hole.id === hole.id)
          const purpose = hole.for
          const name =
            purpose.what === 'rod'
              ? 'rod and half a millimetre'
              : fittingOf(facts.outlets[purpose.index]!.fitting, facts.ownFittings).name
          return (
            <tr key={hole.id} data-row={hole.id}>
              <th scope="row">{hole.id}</th>
              <td className={css.wideOnly}>{purposeWords(hole, facts, spools)}</td>
              <td className={css.number}>
                <Figure answer={drillAnswer(hole, name)}>{mark.bare(hole.drillMm)}</Figure>
              </td>
              <td className={`${css.number} ${css.planned}`}>
                <Figure answer={downAnswer(hole, facts)}>{mark.bare(hole.place.downMm)}</Figure>
              </td>
              <td className={css.planned}>
                <Figure answer={edgeAnswer(hole, facts)}>{mark.bare(hole.place.edgeMm)}</Figure>{' '}
                <span className={css.edge}>{hole.place.edge}</span>
              </td>
              <td>
                {done ? (
                  <CameOut done={done} />
                ) : (
                  <span className={`${hand.aside} ${css.wideOnly}`}>to drill</span>
                )}{' '}
                <button type="button" className={hand.worded} onClick={() => onEnter(hole)}>
                  {done ? 'Change' : 'Enter'}
                  <span className={css.spoken}> hole {hole.id}</span>
                </button>
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}

/** What came out, and how far off it is. */
function CameOut({ done }: { readonly done: DrilledHole }) {
  const measures = useMeasures()
  const { mark } = measures
  const { hole, drilled } = done
  const isOff = done.verdict === 'off'
  return (
    <span className={isOff ? css.wrong : undefined}>
      <Figure answer={cameOut(hole, 'from the rim', drilled.downMm)}>{mark.bare(drilled.downMm)}</Figure> ·{' '}
      <Figure answer={cameOut(hole, 'from its edge', drilled.edgeMm)}>{mark.bare(drilled.edgeMm)}</Figure>
      {drilled.mend === 'shim' && ', shimmed'}
      {drilled.mend === 'plug' && ', plugged: to drill anew'}
      {drilled.mend === null && done.offMm > 0.05 && (
        <>
          {isOff ? ', ' : ', off by '}
          <Figure answer={offAnswer(done)}>{isOff ? offWords(done, measures) : mark.bare(done.offMm)}</Figure>
        </>
      )}
    </span>
  )
}

const cameOut = (hole: Hole, where: string, mm: number) =>
  enteredAnswer(`hole ${hole.id} ${where}, as drilled`, 'measured on the box', mm, 'mm', 'measured')
const offAnswer = ({ hole, drilled, lowMm, awayMm, offMm }: DrilledHole) => {
  const down = Math.abs(lowMm) >= Math.abs(awayMm)
  const [is, planned] = down ? [drilled.downMm, hole.place.downMm] : [drilled.edgeMm, hole.place.edgeMm]
  const quantity = `hole ${hole.id}, off by`
  const where = down ? 'from the rim' : `from the ${hole.place.edge}`
  return is >= planned
    ? differenceAnswer(
        quantity,
        'mm',
        [`${where}, as drilled`, planned + offMm],
        [`${where}, as drawn`, planned],
      )
    : differenceAnswer(quantity, 'mm', [`${where}, as drawn`, planned], [`${where}, as drilled`, is])
}
