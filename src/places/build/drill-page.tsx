import { useElementSize } from '@mantine/hooks'
import { useState } from 'react'
import { Link } from 'react-router'
import { bendAnswer, threadAnswer } from '#core/answers/drill-answers.ts'
import { drilledHoles, drillRemedies, matchedTo, type DrilledHole } from '#core/build/as-drilled.ts'
import { leastBendMm, threadLostMm } from '#core/build/fittings.ts'
import { holesOf, holeTroubles, type Hole } from '#core/build/holes.ts'
import { leanDegrees, rodCuts } from '#core/build/rod-cut.ts'
import { spotOf } from '#core/build/wall-place.ts'
import { tilesOf, type Paper } from '#core/build/template.ts'
import { cautionsAt } from '#core/renewal/cautions.ts'
import { SheetsSvg } from '#draw/sheet-svg.tsx'
import { UnrolledWalls, unrolledSpan } from '#draw/unrolled-walls.tsx'
import { askedOf } from '#journal/plan-wish.ts'
import { drillFactsOf, rodOf } from '#journal/plan-drill.ts'
import { planSeal } from '#journal/plan-seal.ts'
import type { PlanRecord } from '#journal/state.ts'
import type { PlanCandidate, PlanDrilled } from '#records/kinds/plan.ts'
import { keptArrangement } from '#session/build/move-part.ts'
import { useChangePlan } from '#session/build/change-plan.ts'
import { useJournal } from '#session/journal-query.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { Cautions } from '#ui/cautions.tsx'
import { Figure } from '#ui/figure.tsx'
import { download, fileWord } from '#ui/hand-over.ts'
import { Refused, refusalText } from '#ui/refused.tsx'
import { svgText } from '#ui/svg-text.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { AsDrilledLeak } from './as-drilled-leak.tsx'
import { DrilledDialog } from './drilled-dialog.tsx'
import { sheetWords, troubleWords } from './drill-words.ts'
import { leftAsItIs, WrongHole } from './wrong-hole.tsx'
import { FittedDialog } from './fitted-dialog.tsx'
import { HoleTable } from './hole-table.tsx'
import { PlanWhere } from './plan-where.tsx'
import { Rods } from './rods.tsx'
import { templatesOf } from './templates.ts'
import { useStanding } from './use-standing.ts'
import hand from '#ui/hand.module.css'
import css from './drill.module.css'
import build from './build.module.css'

const USUAL_WIDTH_PX = 1184
const MOST_SCALE = 0.8
const PAPER_OF_HERE = (unit: string): Paper => (unit === 'in' ? 'Letter' : 'A4')

/** Where to drill: every hole on every wall, from the rim and an edge; what came out, and what that asks for. */
export function DrillPage({
  plan,
  candidate,
}: {
  readonly plan: PlanRecord
  readonly candidate: PlanCandidate
}) {
  const { state, nowMs } = useJournal()
  const { base } = useJournalTools()
  const measures = useMeasures()
  const { length, mark } = measures
  const { change, write } = useChangePlan(plan)
  const { ref, width } = useElementSize()
  const [entering, setEntering] = useState<Hole | null>(null)
  const [fitting, setFitting] = useState(false)
  const [unmade, setUnmade] = useState<string | null>(null)
  const { spools, arrangement, isTried } = useStanding(plan, candidate)
  const facts = drillFactsOf(plan, candidate, arrangement)
  const holes = holesOf(facts)
  const asked = askedOf(plan, candidate)
  const drilled = drilledHoles(holes, plan.drilled, asked, candidate.wallThicknessMm)
  const wrong = drilled.filter(one => one.verdict === 'off').toSorted((a, b) => b.offMm - a.offMm)
  const worst = wrong[0]
  // a plugged one is to be drilled anew
  const done = drilled.filter(one => one.drilled.mend !== 'plug')
  const next = holes.find(hole => !done.some(one => one.hole.id === hole.id))?.id ?? null
  const troubles = holeTroubles(holes, facts)
  const rod = rodOf(plan)
  const cuts = arrangement
    ? rodCuts(facts.inside, candidate.wallThicknessMm, arrangement, spools, rod, plan.rod.capMm)
    : []
  const seal = planSeal(plan, candidate, arrangement, spools, state, nowMs)
  const drawn = planSeal({ ...plan, drilled: [] }, candidate, arrangement, spools, state, nowMs)
  const setDrilled = (one: PlanDrilled | null, hole: string, what: string) =>
    change(what, {
      drilled: [...plan.drilled.filter(other => other.hole !== hole), ...(one ? [one] : [])],
    })
  const remediesOf = (one: DrilledHole) =>
    arrangement ? drillRemedies(one, arrangement, holes, drilled, spools, asked) : []
  /** The plan goes to where the hole came out. */
  const follow = ({ hole, at }: DrilledHole) => {
    const purpose = hole.for
    if (purpose.what === 'rod') {
      if (arrangement)
        change(`rod drawn to hole ${hole.id}`, {
          arrangement: keptArrangement(matchedTo(arrangement, purpose.line, at)),
        })
    } else
      change(`outlet ${hole.id} moved to where it came out`, {
        outletsAt: facts.outlets.map((outlet, i) =>
          i === purpose.index ? { ...outlet, ...spotOf(facts.inside, hole.place.wall, at) } : { ...outlet },
        ),
      })
  }
  const span = unrolledSpan(facts, holes)
  const wide = span.to[0] - span.from[0]
  const scale = Math.min(MOST_SCALE, ((width > 0 ? width : USUAL_WIDTH_PX) - 24) / wide)
  const sheets = templatesOf(facts, holes, measures)
  const paper = PAPER_OF_HERE(length.unit)
  const papers = sheets.flatMap(sheet => tilesOf(sheet, paper)).length + 1
  const name = fileWord(plan.name)
  const takeDxf = async () => {
    setUnmade(null)
    try {
      const { writeDxf } = await import('#formats/template/write-dxf.ts')
      download(new File([writeDxf(sheets)], `${name}-holes.dxf`, { type: 'image/vnd.dxf' }))
    } catch (reason) {
      setUnmade(refusalText(reason))
    }
  }
  const takeSvg = () =>
    download(
      new File([svgText(<SheetsSvg sheets={sheets} />)], `${name}-holes.svg`, { type: 'image/svg+xml' }),
    )
  const { inside } = facts
  return (
    <main className={hand.page} data-place="build" data-part="drill">
      <div className={hand.answerRow}>
        <div>
          <PlanWhere plan={plan} step="drill" candidate={candidate} />
          <h1 className={hand.answer} aria-live="polite">
            {isTried ? sheetWords(holes, done, worst, measures) : 'Trying where they stand …'}
          </h1>
          <p className={hand.behind}>
            {holes.length === 0
              ? 'Spools that stand or lie need no rod, and no tube leaves it; ask for tubes under “What is fitted”.'
              : troubles.length > 0
                ? troubleWords(troubles[0]!, measures)
                : worst
                  ? worst.hole.for.what === 'rod'
                    ? leftAsItIs(worst, remediesOf(worst), spools, measures)
                    : 'An outlet need not be exact: move it there in the plan, or plug it.'
                  : 'Mark on tape from the rim, with the lid off: the walls lean, so a plumb measure would put the holes too high.'}
          </p>
        </div>
        <div className={hand.acts}>
          <span className={build.actsWords}>
            <button type="button" className={hand.worded} onClick={() => setFitting(true)}>
              What is fitted
            </button>
            {isTried && holes.length > 0 && (
              <>
                <button type="button" className={hand.worded} onClick={() => void takeDxf()}>
                  DXF
                </button>
                <button type="button" className={hand.worded} onClick={takeSvg}>
                  SVG
                </button>
              </>
            )}
          </span>
          {isTried && holes.length > 0 && (
            <Link
              to={`${base}/build/${plan.planId}/print`}
              className={`${hand.filled} ${build.filledLink}`}
              data-part="filled-link"
            >
              Print 1:1, {papers} sheets
            </Link>
          )}
        </div>
      </div>
      {write.error && <Refused error={write.error} remedy="press again" />}
      {unmade !== null && (
        <p className={hand.notice} role="alert">
          The DXF could not be made: {unmade}. Press it again, or take the SVG: it has the same holes.
        </p>
      )}
      {wrong.map(one => (
        <WrongHole
          key={one.hole.id}
          one={one}
          remedies={remediesOf(one)}
          spools={spools}
          onMend={mend =>
            setDrilled(
              { ...one.drilled, mend },
              one.hole.id,
              `hole ${one.hole.id} ${mend === 'shim' ? 'shimmed' : 'plugged'}`,
            )
          }
          onFollow={() => follow(one)}
        />
      ))}
      {seal && drawn && drilled.length > 0 && <AsDrilledLeak seal={seal} drawn={drawn} />}
      <div className={css.sheetRow}>
        <section className={css.sheet}>
          <h2 className={hand.section}>Walls unrolled, seen from outside</h2>
          <div ref={ref} className={css.drawn}>
            <UnrolledWalls
              facts={facts}
              holes={holes}
              drilled={done}
              next={next}
              scale={scale}
              {...(scale > 0.5 ? { dimensioned: mark.bare } : {})}
            />
          </div>
          {holes.length > 0 && (
            <HoleTable facts={facts} holes={holes} drilled={drilled} spools={spools} onEnter={setEntering} />
          )}
        </section>
        <div className={css.beside}>
          <Rods cuts={cuts} rod={rod} spools={spools} scale={scale} />
          {facts.outlets.length > 0 && (
            <section data-part="tubes">
              <h2 className={hand.section}>Tubes</h2>
              <p>
                {mark.bare(plan.tube.boreMm)} × {mark.text(plan.tube.outerMm)}, {length.text(plan.tube.runMm)}{' '}
                each to the printer; bent no tighter than{' '}
                <Figure answer={bendAnswer(plan.tube)}>{length.text(leastBendMm(plan.tube))}</Figure>. Loading
                pulls <Figure answer={threadAnswer(plan.tube)}>{length.text(threadLostMm(plan.tube))}</Figure>{' '}
                off each spool.
              </p>
              <p className={hand.aside}>
                {plan.tube.boreMm < 2.5
                  ? 'A bore of 2 mm seals better; 3 mm drags less in a long free run.'
                  : 'A bore of 3 mm drags less; 2 mm seals better where it leaves the box.'}{' '}
                Cap every tube that stands idle.
              </p>
            </section>
          )}
        </div>
      </div>
      <p className={hand.aside}>
        {inside.section === 'round'
          ? `Round: opposite each other is half the way round. The wall leans ${leanDegrees(inside, 0).toFixed(1)}°.`
          : `Along the leaning wall: ends lean ${leanDegrees(inside, 0).toFixed(1)}°, front and back ${leanDegrees(inside, 1).toFixed(1)}°. Both ends are corrected, so that the rod is level.`}{' '}
        Hold the drill level, not square to the wall.
      </p>
      <Cautions list={cautionsAt({ step: 'drill' })} />
      {entering && (
        <DrilledDialog
          hole={entering}
          drilled={plan.drilled.find(one => one.hole === entering.id)}
          close={() => setEntering(null)}
          keep={one => {
            setEntering(null)
            setDrilled(one, one.hole, `hole ${one.hole} as drilled`)
          }}
          forget={() => {
            setEntering(null)
            setDrilled(null, entering.id, `hole ${entering.id} not drilled yet`)
          }}
        />
      )}
      {fitting && (
        <FittedDialog
          plan={plan}
          candidate={candidate}
          spools={spools}
          outlets={facts.outlets}
          close={() => setFitting(false)}
          keep={part => {
            setFitting(false)
            change('what is fitted', part)
          }}
        />
      )}
    </main>
  )
}
