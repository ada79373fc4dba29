import { useState } from 'react'
import { Link } from 'react-router'
import type { BenchStep } from '#core/build/bench-steps.ts'
import type { Hole } from '#core/build/holes.ts'
import { edgeAnswer, downAnswer, drillAnswer } from '#core/answers/drill-answers.ts'
import { fittingOf } from '#core/build/fittings.ts'
import { cautionsAt } from '#core/renewal/cautions.ts'
import { UnrolledWalls, unrolledSpan } from '#draw/unrolled-walls.tsx'
import type { PlanDrilled } from '#records/kinds/plan.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { Cautions } from '#ui/cautions.tsx'
import { Figure } from '#ui/figure.tsx'
import { stepWords, type BenchContext } from './bench-words.ts'
import { DrilledDialog } from './drilled-dialog.tsx'
import hand from '#ui/hand.module.css'
import css from './bench.module.css'

const PROGRESS_PX = 340

/** The step at hand: large enough to be read from the bench, done with a thumb. */
export function StepCard({
  step,
  next,
  of,
  onDone,
  onBack,
}: {
  readonly step: BenchStep
  readonly next: BenchStep | undefined
  readonly of: BenchContext
  /** @param came what came out at a hole; null where nothing was drilled */
  readonly onDone: (came: PlanDrilled | null) => void
  readonly onBack: (() => void) | null
}) {
  const { base } = useJournalTools()
  const { facts, holes, drilled, plan } = of
  const { title, note } = stepWords(step, of)
  const hole = step.what === 'drill' ? holes.find(one => one.id === step.hole) : undefined
  const [elsewhere, setElsewhere] = useState(false)
  const span = unrolledSpan(facts, holes)
  const scale = PROGRESS_PX / (span.to[0] - span.from[0])
  const asDrawn = (of: Hole): PlanDrilled => ({
    hole: of.id,
    downMm: Math.round(of.place.downMm * 10) / 10,
    edgeMm: Math.round(of.place.edgeMm * 10) / 10,
    drillMm: of.drillMm,
    mend: null,
  })
  const told = hole && plan.drilled.find(one => one.hole === hole.id)
  return (
    <section className={css.card} data-part="step" data-step={step.id} aria-live="polite">
      {holes.length > 0 && (
        <UnrolledWalls
          facts={facts}
          holes={holes}
          drilled={drilled}
          next={hole?.id ?? null}
          scale={scale}
          figures={false}
        />
      )}
      <h2 className={css.stepTitle}>{title}</h2>
      <p>{note}</p>
      {step.what === 'mend' && (
        <p>
          <Link to={`${base}/build/${plan.planId}/drill`}>To the drill sheet</Link>
        </p>
      )}
      {hole && (
        <dl className={css.figures}>
          <div>
            <dd>
              <Figure answer={downAnswer(hole, facts)} className={css.large}>
                {of.measures.mark.bare(hole.place.downMm)}
              </Figure>{' '}
              {of.measures.mark.unit}
            </dd>
            <dt>down the wall from the rim</dt>
          </div>
          <div>
            <dd>
              <Figure answer={edgeAnswer(hole, facts)} className={css.large}>
                {of.measures.mark.bare(hole.place.edgeMm)}
              </Figure>{' '}
              {of.measures.mark.unit}
            </dd>
            <dt>in from the {hole.place.edge}</dt>
          </div>
          <div>
            <dd>
              <Figure
                answer={drillAnswer(
                  hole,
                  hole.for.what === 'rod'
                    ? 'rod and half a millimetre'
                    : fittingOf(facts.outlets[hole.for.index]!.fitting, facts.ownFittings).name,
                )}
                className={css.drill}
              >
                {of.measures.mark.bare(hole.drillMm)}
              </Figure>{' '}
              {of.measures.mark.unit}
            </dd>
            <dt>drill</dt>
          </div>
        </dl>
      )}
      {step.doing && <Cautions list={cautionsAt({ step: step.doing })} />}
      {hole && (
        <p className={css.cameOut}>
          It came out{' '}
          <button type="button" className={hand.worded} onClick={() => setElsewhere(true)}>
            somewhere else
          </button>
          {told && <span className={hand.aside}> (told already)</span>}
        </p>
      )}
      <div className={css.foot}>
        {onBack ? (
          <button type="button" className={hand.worded} onClick={onBack}>
            Back
          </button>
        ) : (
          <span />
        )}
        <button
          type="button"
          data-part="step-done"
          className={`${hand.filled} ${css.doneButton}`}
          onClick={() => onDone(hole ? (told ?? asDrawn(hole)) : null)}
        >
          {hole && !told ? 'As drawn. ' : 'Done. '}
          {next ? `Next: ${nextWords(next)}` : 'That was the last'}
        </button>
      </div>
      {elsewhere && hole && (
        <DrilledDialog
          hole={hole}
          drilled={told}
          close={() => setElsewhere(false)}
          keep={came => {
            setElsewhere(false)
            onDone(came)
          }}
          forget={() => setElsewhere(false)}
        />
      )}
    </section>
  )
}

const NEXT: Readonly<Record<BenchStep['what'], string>> = {
  measure: 'measure',
  mark: 'mark',
  drill: 'hole',
  mend: 'mend',
  deburr: 'deburr',
  couple: 'outlets',
  seal: 'seal',
  cut: 'cut the rod',
  hang: 'hang the rod',
  bracket: 'bracket',
  strip: 'foam strip',
  beads: 'beads',
  display: 'display',
  load: 'spools',
  close: 'close it',
}
const nextWords = ({ what, hole }: BenchStep): string => (hole ? `${NEXT[what]} ${hole}` : NEXT[what])
