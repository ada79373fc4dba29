import type { DrilledHole, DrillRemedy } from '#core/build/as-drilled.ts'
import { LEVEL_WITHIN_MM } from '#core/build/rod.ts'
import type { PlanSpool } from '#journal/plan-wish.ts'
import type { PlanDrilled } from '#records/kinds/plan.ts'
import type { Measures } from '#ui/measures.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { drillRemedyWords } from './drill-words.ts'
import hand from '#ui/hand.module.css'
import css from './drill.module.css'

/** What it would be if nothing were done. */
export function leftAsItIs(
  one: DrilledHole,
  remedies: readonly DrillRemedy[],
  spools: readonly PlanSpool[],
  measures: Measures,
): string {
  const leave = remedies.find(remedy => remedy.kind === 'leave')
  if (!leave) return ''
  const { leaves } = drillRemedyWords(leave, one, spools, measures)
  return leave.works
    ? `Left as it is it is ${leaves}.`
    : `Left as it is: ${leaves}; more than ${measures.mark.text(LEVEL_WITHIN_MM)} end to end, and spools walk.`
}

/** What could be done about a hole that came out wrong, each with what it leaves. */
export function WrongHole({
  one,
  remedies,
  spools,
  onMend,
  onFollow,
}: {
  readonly one: DrilledHole
  readonly remedies: readonly DrillRemedy[]
  readonly spools: readonly PlanSpool[]
  readonly onMend: (mend: NonNullable<PlanDrilled['mend']>) => void
  readonly onFollow: () => void
}) {
  const measures = useMeasures()
  const { id } = one.hole
  const isOutlet = one.hole.for.what === 'outlet'
  const ways = remedies.flatMap(({ kind, ...remedy }) =>
    kind === 'leave'
      ? []
      : [
          {
            kind,
            ...drillRemedyWords({ kind, ...remedy }, one, spools, measures),
            works: remedy.works,
          },
        ],
  )
  return (
    <ul className={css.remedies} data-part="drill-remedies" aria-label={`What to do about hole ${id}`}>
      {isOutlet ? (
        <li>
          <strong>{id}</strong>
          <button type="button" className={hand.worded} onClick={onFollow}>
            It stays where it came out
          </button>
          <button type="button" className={hand.worded} onClick={() => onMend('plug')}>
            Plug it and drill it anew
          </button>
        </li>
      ) : (
        ways.map(way => (
          <li key={way.kind}>
            <button
              type="button"
              className={hand.worded}
              disabled={!way.works}
              onClick={() => (way.kind === 'match' ? onFollow() : onMend(way.kind))}
            >
              {way.does}
            </button>
            <span className={way.works ? hand.aside : css.wrong}>{way.leaves}</span>
          </li>
        ))
      )}
    </ul>
  )
}
