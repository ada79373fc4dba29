import { useElementSize } from '@mantine/hooks'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { cautionsAt } from '#core/renewal/cautions.ts'
import { HUE_ORDER } from '#draw/palette.ts'
import { candidateFacts, planSpools, standingBlocks, wishOf } from '#journal/plan-wish.ts'
import { outlineCandidate } from '#journal/plan-candidate.ts'
import type { PlanRecord } from '#journal/state.ts'
import type { Plan, PlanCandidate } from '#records/kinds/plan.ts'
import { useCandidateReports } from '#session/build/plan-reports.ts'
import { useChangePlan } from '#session/build/change-plan.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { Cautions } from '#ui/cautions.tsx'
import { Refused } from '#ui/refused.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { AskedDialog } from './asked-dialog.tsx'
import { CandidateColumn, scaleFor } from './candidate-column.tsx'
import { CandidateDialog } from './candidate-dialog.tsx'
import { countWord, roomTo, standingWords, WAY_WORDS } from './plan-words.ts'
import { PlanWhere } from './plan-where.tsx'
import { ShelfButton } from './shelf-button.tsx'
import { SpoolsDialog } from './spools-dialog.tsx'
import { useBuild } from './use-build.tsx'
import hand from '#ui/hand.module.css'
import css from './build.module.css'

const MOST_CANDIDATES = 3
type Doing = { readonly what: 'spools' | 'asked' } | { readonly what: 'candidate'; readonly at: number }

/** Arranged, placed, drilled and done was another box. */
const OF_ANOTHER = { arrangement: null, outletsAt: null, drilled: [], done: [] } satisfies Partial<Plan>

/** One plan: up to three containers side by side, with what each takes, lets in and costs. */
export function PlanPage({ plan }: { readonly plan: PlanRecord }) {
  const { state, nowMs } = useJournal()
  const { base, maker } = useJournalTools()
  const { length } = useMeasures()
  const navigate = useNavigate()
  const { change, write } = useChangePlan(plan)
  const [doing, setDoing] = useState<Doing | null>(null)
  const { ref, width } = useElementSize()
  const spools = useMemo(() => planSpools(plan, state, HUE_ORDER), [plan, state])
  const wish = useMemo(() => wishOf(plan, spools, state, nowMs), [plan, spools, state, nowMs])
  const facts = useMemo(
    () => plan.candidates.map((one, i) => candidateFacts(one, i === plan.chosen ? standingBlocks(plan) : [])),
    [plan],
  )
  const { data: reports, error } = useCandidateReports(facts, wish)
  const chosen = Math.min(plan.chosen, plan.candidates.length - 1)
  const candidate = plan.candidates[chosen]
  // while the next is worked out the last stays; it may be of fewer
  const report = reports?.length === plan.candidates.length ? reports[chosen] : undefined
  const setCandidates = (what: string, candidates: PlanCandidate[], at = chosen, isAnother = false) =>
    change(what, {
      candidates,
      chosen: Math.max(0, Math.min(at, candidates.length - 1)),
      // what was moved by hand was moved in a box of other lengths
      ...(isAnother ? OF_ANOTHER : { arrangement: null }),
    })
  const builder = useBuild(plan, candidate, plan.arrangement ?? report?.found?.arrangement ?? null)
  const { scale, heightPx } = scaleFor(plan.candidates, Math.max(280, width))
  const { clearances: c } = plan
  return (
    <main className={hand.page} data-place="build">
      <div className={hand.answerRow}>
        <div>
          <PlanWhere plan={plan} step={null} candidate={report?.found ? candidate : undefined} />
          <h1 className={hand.answer} aria-live="polite">
            {candidate && report
              ? report.found
                ? `The ${candidate.name} takes ${report.found.count === spools.length && spools.length > 1 ? `all ${countWord(spools.length)}` : countWord(report.found.count)} ${standingWords(report)}`
                : `The ${candidate.name} takes none of them`
              : spools.length === 0
                ? 'What is to go in?'
                : 'Trying what goes in …'}
          </h1>
          <p className={hand.behind}>
            {report?.found && report.tightest && (
              <>
                {length.text(report.tightest.isMm)} {roomTo(report.tightest, spools)} at its tightest,{' '}
                {length.text(report.tightest.askedMm)} asked.{' '}
                {report.found.count < spools.length &&
                  (report.found.proven
                    ? 'No more go in, however they stand of the ways allowed: every order was tried.'
                    : 'So many were put in one after another; a better order is not ruled out.')}
              </>
            )}
          </p>
        </div>
        <div className={hand.acts}>
          <span className={css.actsWords}>
            <button type="button" className={hand.worded} onClick={() => setDoing({ what: 'spools' })}>
              What goes in
            </button>
            <button type="button" className={hand.worded} onClick={() => setDoing({ what: 'asked' })}>
              What is asked
            </button>
          </span>
          <ShelfButton builder={builder} isFilled isReady={Boolean(report?.found)} />
        </div>
      </div>
      {write.error && <Refused error={write.error} remedy="press again" />}
      {error && (
        <p className={hand.notice}>
          It could not be tried: {error.message} Nothing is lost; reload to try again.
        </p>
      )}
      <div ref={ref}>
        <div className={css.candidates} role="radiogroup" aria-label="Which of these">
          {plan.candidates.map((one, i) => (
            <CandidateColumn
              key={i}
              candidate={one}
              plan={plan}
              report={reports?.length === plan.candidates.length ? reports[i] : undefined}
              wish={wish}
              spools={spools}
              scale={scale}
              heightPx={heightPx}
              chosen={i === chosen}
              onChoose={() => i !== chosen && change(`the ${one.name} chosen`, { chosen: i, ...OF_ANOTHER })}
              onChange={() => setDoing({ what: 'candidate', at: i })}
              onRemove={
                plan.candidates.length > 1
                  ? () =>
                      setCandidates(
                        `the ${one.name} left out`,
                        plan.candidates.toSpliced(i, 1),
                        i < chosen ? chosen - 1 : chosen,
                        i === chosen,
                      )
                  : null
              }
            />
          ))}
        </div>
      </div>
      <p className={css.asked}>
        {plan.candidates.length < MOST_CANDIDATES && (
          <button
            type="button"
            className={hand.worded}
            onClick={() => setDoing({ what: 'candidate', at: plan.candidates.length })}
          >
            Another that might do
          </button>
        )}{' '}
        <span className={hand.aside} data-part="asked">
          Asked: {length.bare(c.lidMm)} under the lid, {length.bare(c.floorMm)} over the floor,{' '}
          {length.bare(c.betweenMm)} between, {length.bare(c.endsMm)} at the ends, {length.text(c.sidesMm)} to
          the sides; {plan.ways.map(way => WAY_WORDS[way]).join(', ')}; opened{' '}
          {countWord(plan.openingsPerMonth)} times a month.
        </span>
      </p>
      <Cautions list={cautionsAt({ step: 'choose a box' })} />
      <p className={hand.pageFoot}>
        <button
          type="button"
          className={hand.worded}
          onClick={() =>
            write.mutate(
              {
                what: `${plan.name}: put away`,
                drafts: [{ kind: 'plan.retired', atMs: maker.nowMs(), payload: { planId: plan.planId } }],
              },
              { onSuccess: () => void navigate(`${base}/build`) },
            )
          }
        >
          Put this plan away
        </button>
      </p>
      {builder.error && <Refused error={builder.error} remedy="press again" />}
      {builder.dialog}
      {doing?.what === 'spools' && (
        <SpoolsDialog
          spools={plan.spools}
          title="What is to go in?"
          close={() => setDoing(null)}
          keep={next => {
            setDoing(null)
            change('what goes in', { spools: next })
          }}
        />
      )}
      {doing?.what === 'asked' && (
        <AskedDialog
          plan={plan}
          spools={spools}
          close={() => setDoing(null)}
          keep={part => {
            setDoing(null)
            change('what is asked', part)
          }}
        />
      )}
      {doing?.what === 'candidate' && (
        <CandidateDialog
          candidate={plan.candidates[doing.at] ?? outlineCandidate('clip-square')}
          isNew={doing.at >= plan.candidates.length}
          close={() => setDoing(null)}
          keep={next => {
            const { at } = doing
            setDoing(null)
            setCandidates(
              at >= plan.candidates.length ? `the ${next.name} beside it` : `the ${next.name} changed`,
              plan.candidates.toSpliced(at, 1, next),
            )
          }}
        />
      )}
    </main>
  )
}
