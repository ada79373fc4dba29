import { useState } from 'react'
import { drilledHoles } from '#core/build/as-drilled.ts'
import { benchSteps, type BenchStep } from '#core/build/bench-steps.ts'
import { stripReport } from '#core/build/foam-strip.ts'
import { holesOf } from '#core/build/holes.ts'
import { partsOf } from '#core/build/parts.ts'
import { rodCuts } from '#core/build/rod-cut.ts'
import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import { drillFactsOf, rodOf } from '#journal/plan-drill.ts'
import { askedOf } from '#journal/plan-wish.ts'
import type { PlanRecord } from '#journal/state.ts'
import type { PlanCandidate, PlanDrilled } from '#records/kinds/plan.ts'
import { useChangePlan } from '#session/build/change-plan.ts'
import { Refused } from '#ui/refused.tsx'
import { useAwake } from '#ui/use-awake.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { stepWords, type BenchContext } from './bench-words.ts'
import { PartsList } from './parts-list.tsx'
import { PlanFileButton } from './plan-file-button.tsx'
import { PlanWhere } from './plan-where.tsx'
import { ShelfButton } from './shelf-button.tsx'
import { StepCard } from './step-card.tsx'
import { useBuild } from './use-build.tsx'
import { useStanding } from './use-standing.ts'
import hand from '#ui/hand.module.css'
import css from './bench.module.css'

/** At the bench: one step after the other with its caution, checked off as it is done; what to get for it. */
export function BenchPage({
  plan,
  candidate,
}: {
  readonly plan: PlanRecord
  readonly candidate: PlanCandidate
}) {
  const measures = useMeasures()
  const { change, write } = useChangePlan(plan)
  const isAwake = useAwake()
  const [chosen, setChosen] = useState<string | null>(null)
  const { spools, arrangement, isTried } = useStanding(plan, candidate)
  const builder = useBuild(plan, candidate, arrangement)
  const facts = drillFactsOf(plan, candidate, arrangement)
  const holes = holesOf(facts)
  const asked = askedOf(plan, candidate)
  const drilled = drilledHoles(holes, plan.drilled, asked, candidate.wallThicknessMm)
  const rod = rodOf(plan)
  const cuts = arrangement
    ? rodCuts(facts.inside, candidate.wallThicknessMm, arrangement, spools, rod, plan.rod.capMm)
    : []
  const strip =
    candidate.lid === 'foam' ? stripReport(facts.inside, candidate.wallThicknessMm, plan.strip) : null
  const of: BenchContext = { plan, facts, holes, drilled, cuts, spools, measures }
  const steps = benchSteps({
    isMeasured: candidate.sizeKnown !== 'assumed',
    holes,
    drilled,
    arrangement,
    outlets: facts.outlets.length,
    hasStrip: strip !== null,
    hasCharge: !plan.without.includes('charge'),
    hasDisplay: !plan.without.includes('display'),
  })
  // a hole that was drilled is done, whether it was said here or on the drill sheet
  const isDone = (step: BenchStep): boolean =>
    plan.done.includes(step.id) ||
    (step.what === 'drill' &&
      drilled.some(one => one.hole.id === step.hole && one.drilled.mend !== 'plug')) ||
    (step.what === 'mark' && drilled.length > 0)
  const doneCount = steps.filter(isDone).length
  const atHand = steps.find(step => step.id === chosen) ?? steps.find(step => !isDone(step)) ?? null
  const at = atHand ? steps.indexOf(atHand) : steps.length
  const finish = (step: BenchStep, came: PlanDrilled | null) => {
    setChosen(null)
    if (step.what === 'close') {
      change('closed', { done: [...new Set([...plan.done, step.id])] })
      builder.ask()
      return
    }
    change(stepWords(step, of).title, {
      done: [...new Set([...plan.done, step.id])],
      ...(came ? { drilled: [...plan.drilled.filter(one => one.hole !== came.hole), came] } : {}),
    })
  }
  const toggle = (step: BenchStep) => {
    if (!isDone(step)) return setChosen(step.id)
    setChosen(step.id)
  }
  const parts = partsOf({
    container: { name: candidate.name, price: candidate.price },
    arrangement,
    cuts,
    rod,
    spools,
    outlets: facts.outlets,
    ownFittings: plan.ownFittings,
    tube: plan.tube,
    strip,
    filling:
      plan.filling && !plan.without.includes('charge')
        ? {
            name: DESICCANTS[plan.filling.desiccant].name,
            grams: plan.filling.grams,
            pieces: plan.filling.pieces,
          }
        : null,
    hasDisplay: !plan.without.includes('display'),
    prices: plan.prices,
  })
  const standing = new Set(arrangement?.lines.flatMap(line => line.spools.map(({ id }) => id)))
  return (
    <main className={hand.page} data-place="build" data-part="bench">
      <div className={hand.answerRow}>
        <div>
          <PlanWhere plan={plan} step="bench" candidate={candidate} />
          <h1 className={hand.answer} aria-live="polite">
            {!isTried
              ? 'Trying where they stand …'
              : atHand
                ? `Step ${at + 1} of ${steps.length}`
                : 'All steps are done'}
          </h1>
          <p className={hand.behind}>
            {doneCount === 0 ? 'Nothing is done yet.' : `${doneCount} of ${steps.length} done.`}{' '}
            {isAwake && 'The screen stays awake while this page is open.'}
          </p>
        </div>
      </div>
      {write.error && <Refused error={write.error} remedy="press again" />}
      <div className={css.bench}>
        <div className={css.atHand}>
          {isTried && atHand && (
            <StepCard
              key={atHand.id}
              step={atHand}
              next={steps.slice(at + 1).find(step => !isDone(step))}
              of={of}
              onDone={came => finish(atHand, came)}
              onBack={at > 0 ? () => setChosen(steps[at - 1]!.id) : null}
            />
          )}
        </div>
        <div className={css.partsAt}>
          <PartsList
            parts={parts}
            drills={[...new Set(holes.map(hole => hole.drillMm))].toSorted((a, b) => a - b)}
            spoolCount={standing.size}
            onPrice={(part, price) =>
              part.id === 'container'
                ? change(`price of ${part.name}`, {
                    candidates: plan.candidates.map((one, i) =>
                      i === Math.min(plan.chosen, plan.candidates.length - 1) ? { ...one, price } : one,
                    ),
                  })
                : change(`price of ${part.name}`, {
                    prices: [
                      ...plan.prices.filter(one => one.part !== part.id),
                      ...(price === null ? [] : [{ part: part.id, price }]),
                    ],
                  })
            }
          />
        </div>
        <section data-part="steps" className={css.stepsAt}>
          <h2 className={hand.section}>Steps</h2>
          <ol className={css.steps}>
            {steps.map(step => {
              const { title, note } = stepWords(step, of)
              const done = isDone(step)
              const isNow = step === atHand
              return (
                <li key={step.id} className={`${css.step} ${done ? css.isDone : ''}`} data-bench={step.id}>
                  <StepMark state={done ? 'done' : isNow ? 'now' : 'to come'} />
                  <div>
                    <button
                      type="button"
                      className={isNow ? css.now : undefined}
                      aria-current={isNow ? 'step' : undefined}
                      onClick={() => toggle(step)}
                    >
                      {title}
                    </button>
                    <p className={css.stepNote}>{note}</p>
                    {done && isNow && (
                      <button
                        type="button"
                        className={hand.worded}
                        onClick={() => {
                          setChosen(step.id)
                          change(`${title}: not done yet`, {
                            done: plan.done.filter(id => id !== step.id),
                            ...(step.hole
                              ? { drilled: plan.drilled.filter(one => one.hole !== step.hole) }
                              : {}),
                          })
                        }}
                      >
                        Not done yet
                      </button>
                    )}
                  </div>
                </li>
              )
            })}
          </ol>
        </section>
      </div>
      <div className={css.end}>
        <PlanFileButton plan={plan} spools={spools} />
        {/* one filled button: the step's, until all are done */}
        <ShelfButton builder={builder} isFilled={!atHand} isReady={isTried} />
      </div>
      {builder.dialog}
    </main>
  )
}

/** A tick in ink, a ring with its middle, or a pencil ring to come. */
const StepMark = ({ state }: { readonly state: 'done' | 'now' | 'to come' }) => (
  <svg className={css.mark} width="18" height="18" viewBox="0 0 18 18" role="img" aria-label={state}>
    {state === 'done' ? (
      <path d="M2.5 9.5 7 14 15.5 3.5" fill="none" stroke="currentColor" strokeWidth="1.8" />
    ) : state === 'now' ? (
      <>
        <circle cx="9" cy="9" r="6.5" fill="none" stroke="currentColor" strokeWidth="1.6" />
        <circle cx="9" cy="9" r="3" fill="currentColor" />
      </>
    ) : (
      <circle cx="9" cy="9" r="4.5" fill="none" stroke="var(--pencil)" strokeDasharray="3 2.2" />
    )}
  </svg>
)
