import { useElementSize } from '@mantine/hooks'
import { useEffect, useRef, useState } from 'react'
import { Link } from 'react-router'
import type { Arrangement } from '#core/build/arrangement.ts'
import { clearancesOf, shortagesOf, standingSpools } from '#core/build/clearances.ts'
import { holeTroubles, type OutletWish } from '#core/build/holes.ts'
import type { Vector } from '#core/build/inside.ts'
import { remediesFor, type Remedy } from '#core/build/remedies.ts'
import type { Part } from '#draw/plan-view.tsx'
import { holesOfPlan, outletsOf } from '#journal/plan-drill.ts'
import { askedOf, type PlanSpool } from '#journal/plan-wish.ts'
import type { PlanRecord } from '#journal/state.ts'
import type { PlanCandidate, PlanStanding } from '#records/kinds/plan.ts'
import { keptOf, movePart, type Moving } from '#session/build/move-part.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useWriteAct } from '#session/writing.ts'
import { Refused } from '#ui/refused.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { ArrangeViews } from './arrange-views.tsx'
import { HangStrip } from './hang-strip.tsx'
import { PullParts } from './hold-part.tsx'
import { troubleWords } from './drill-words.ts'
import { PlanWhere } from './plan-where.tsx'
import { countWord, standingWords } from './plan-words.ts'
import { remedyWords, shortWords } from './remedy-words.ts'
import { useStanding } from './use-standing.ts'
import hand from '#ui/hand.module.css'
import css from './build.module.css'

/** What was moved by keys is kept once the hand rests this long. */
const REST_MS = 700
/** Until the page is measured. */
const USUAL_WIDTH_PX = 1184
/** Lengths of what is put on the floor, until they are told. */
const USUAL_CHARGE: PlanStanding = { lengthMm: 160, depthMm: 110, heightMm: 36, alongMm: 0, acrossMm: 0 }
const USUAL_DISPLAY: PlanStanding = { lengthMm: 45, depthMm: 30, heightMm: 30, alongMm: 100, acrossMm: 0 }

/** Where everything stands in the one that is chosen: to scale, and every part can be moved. */
export function ArrangePage({
  plan,
  candidate,
}: {
  readonly plan: PlanRecord
  readonly candidate: PlanCandidate
}) {
  const { spools, found, isTried, arrangement } = useStanding(plan, candidate)
  const { base } = useJournalTools()
  if (!arrangement)
    return (
      <main className={hand.page} data-place="build">
        <p className={hand.where}>
          <Link to={`${base}/build/${plan.planId}`}>{plan.name}</Link>
        </p>
        <h1 className={hand.answer}>
          {isTried && spools.length > 0
            ? `The ${candidate.name} takes none of them`
            : spools.length === 0
              ? 'What is to go in?'
              : 'Trying what goes in …'}
        </h1>
      </main>
    )
  return (
    <Arranging
      plan={plan}
      candidate={candidate}
      spools={spools}
      start={{
        arrangement,
        charge: plan.charge,
        display: plan.display,
        outletsAt: plan.outletsAt,
      }}
      found={found}
    />
  )
}

function Arranging({
  plan,
  candidate,
  spools,
  start,
  found,
}: {
  readonly plan: PlanRecord
  readonly candidate: PlanCandidate
  readonly spools: readonly PlanSpool[]
  readonly start: Moving
  readonly found: Arrangement | null
}) {
  const { base, maker } = useJournalTools()
  const measures = useMeasures()
  const { length } = measures
  const write = useWriteAct()
  const { ref, width } = useElementSize()
  const [moving, setMoving] = useState(start)
  /** Where it was before it was taken hold of. */
  const held = useRef<Moving | null>(null)
  const heldOutlets = useRef<readonly OutletWish[]>([])
  const stepped = useRef<Moving | null>(null)
  const shown = {
    ...plan,
    charge: moving.charge,
    display: moving.display,
    outletsAt: moving.outletsAt && [...moving.outletsAt],
  }
  const asked = askedOf(shown, candidate)
  const { arrangement } = moving
  const outlets = outletsOf(shown, candidate, arrangement)
  const holes = holesOfPlan(shown, candidate, arrangement).filter(hole => hole.for.what === 'outlet')
  const clearances = clearancesOf(arrangement, spools, asked)
  const short = shortagesOf(clearances)
  const worst = short[0]
  const [trouble] = holeTroubles(holes, asked)
  const remedies = worst ? remediesFor(arrangement, spools, asked, found) : []
  const standing = standingSpools(arrangement, spools, asked)
  const left = spools.filter(spool => !standing.some(one => one.spool.id === spool.id))

  const keep = (what: string, next: Moving, more: Partial<Pick<PlanRecord, 'clearances'>> = {}) => {
    setMoving(next)
    write.mutate({
      what: `${plan.name}: ${what}`,
      drafts: [
        {
          kind: 'plan.changed',
          atMs: maker.nowMs(),
          payload: { planId: plan.planId, ...keptOf(next), ...more },
        },
      ],
    })
  }
  // undo, another tab: what stands now is shown, unless a hand is on it
  const stands = JSON.stringify(start)
  useEffect(() => {
    if (!held.current && !stepped.current) setMoving(JSON.parse(stands) as Moving)
  }, [stands])
  // what arrow keys moved is one act once they rest
  const rest = useRef<ReturnType<typeof setTimeout> | null>(null)
  const settleSteps = () => {
    if (rest.current) clearTimeout(rest.current)
    rest.current = null
    const next = stepped.current
    stepped.current = null
    if (next) keep('moved', next)
  }
  const last = useRef(settleSteps)
  useEffect(() => {
    last.current = settleSteps
  })
  useEffect(() => () => last.current(), [])
  const step = (part: Part, by: Vector) => {
    const next = movePart(stepped.current ?? moving, part, by, stepped.current?.outletsAt ?? outlets)
    stepped.current = next
    setMoving(next)
    if (rest.current) clearTimeout(rest.current)
    rest.current = setTimeout(() => last.current(), REST_MS)
  }
  const pull = (part: Part, by: Vector) => {
    if (!held.current) {
      held.current = moving
      heldOutlets.current = outlets
    }
    setMoving(movePart(held.current, part, by, held.current.outletsAt ?? heldOutlets.current))
  }
  const letGo = (part: Part, by: Vector) => {
    const from = held.current ?? moving
    held.current = null
    if (by.every(mm => mm === 0)) return setMoving(from)
    keep('moved', movePart(from, part, by, from.outletsAt ?? heldOutlets.current))
  }
  const mend = (remedy: Remedy) =>
    keep(
      remedyWords(remedy, worst!, arrangement, spools, measures).toLowerCase(),
      { ...moving, arrangement: remedy.arrangement },
      remedy.kind === 'ask less' ? { clearances: { ...remedy.asked.clearances } } : {},
    )
  const put = (key: 'charge' | 'display', thing: PlanStanding | null) =>
    keep(`${key === 'charge' ? 'beads' : 'display'} ${thing ? 'put in' : 'taken out'}`, {
      ...moving,
      [key]: thing,
    })
  const first = remedies[0]
  return (
    <main className={hand.page} data-place="build" data-part="arrange">
      <div className={hand.answerRow}>
        <div>
          <PlanWhere plan={plan} step="arrange" candidate={candidate} />
          <h1 className={hand.answer} aria-live="polite">
            Takes {countWord(standing.length)} {standingWords({ found: { arrangement } })}
            {worst ? `; ${shortWords(worst, spools, measures)}` : ', and everything keeps its room'}
          </h1>
          <p className={hand.behind}>
            {short.length > 1 && `${countWord(short.length - 1)} more are short of room. `}
            {trouble && `${troubleWords(trouble, measures)} `}
            {left.length > 0 && `Left out: ${left.map(spool => spool.name).join(', ')}.`}
          </p>
        </div>
        <div className={hand.acts}>
          <span className={css.actsWords}>
            {remedies.slice(1).map(remedy => (
              <button key={remedy.kind} type="button" className={hand.worded} onClick={() => mend(remedy)}>
                {remedyWords(remedy, worst!, arrangement, spools, measures)}
              </button>
            ))}
            {!worst && plan.arrangement && found && (
              <button
                type="button"
                className={hand.worded}
                onClick={() => keep('as Veld arranges it', { ...moving, arrangement: found })}
              >
                Let Veld arrange it
              </button>
            )}
          </span>
          {first && worst ? (
            <button type="button" className={hand.filled} onClick={() => mend(first)}>
              {remedyWords(first, worst, arrangement, spools, measures)}
            </button>
          ) : (
            <Link
              to={`${base}/build/${plan.planId}`}
              className={`${hand.filled} ${css.filledLink}`}
              data-part="filled-link"
            >
              Back to the plan
            </Link>
          )}
        </div>
      </div>
      {write.error && <Refused error={write.error} remedy="move it again" />}
      {/* until it is measured, drawn as wide as usual: that must not make the page wider than its window */}
      <div ref={ref} style={width > 0 ? undefined : { overflow: 'hidden' }}>
        <PullParts onMove={pull} onLetGo={letGo}>
          <ArrangeViews
            asked={asked}
            arrangement={arrangement}
            spools={spools}
            outlets={holes.map((hole, i) => ({
              wall: hole.place.wall,
              at: hole.at,
              drillMm: hole.drillMm,
              capped: outlets[i]!.capped,
            }))}
            pencil={candidate.sizeKnown === 'assumed'}
            widthPx={width > 0 ? width : USUAL_WIDTH_PX}
            short={new Set(short.map(one => one.spoolId))}
            worst={worst}
            onStep={step}
          />
        </PullParts>
      </div>
      <p className={css.asked}>
        <span className={hand.aside}>
          Pull any part, or take it with Tab and move it by arrow keys: 1 mm, with Shift 10.
        </span>
        {moving.charge ? (
          <button type="button" className={hand.worded} onClick={() => put('charge', null)}>
            Take the beads out
          </button>
        ) : (
          <button type="button" className={hand.worded} onClick={() => put('charge', USUAL_CHARGE)}>
            Put beads in, {length.bare(USUAL_CHARGE.lengthMm)} × {length.bare(USUAL_CHARGE.depthMm)} ×{' '}
            {length.text(USUAL_CHARGE.heightMm)}
          </button>
        )}
        {moving.display ? (
          <button type="button" className={hand.worded} onClick={() => put('display', null)}>
            Take the display out
          </button>
        ) : (
          <button type="button" className={hand.worded} onClick={() => put('display', USUAL_DISPLAY)}>
            Put a display in
          </button>
        )}
      </p>
      {['axle', 'two axles', 'spindle'].includes(arrangement.kind) && (
        <HangStrip asked={asked} arrangement={arrangement} spools={spools} />
      )}
    </main>
  )
}
