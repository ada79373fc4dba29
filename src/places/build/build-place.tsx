import { FileButton } from '@mantine/core'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import type { ContainerKind } from '#core/container/container.ts'
import { insideL } from '#core/build/inside.ts'
import { CONTAINER_LIST } from '#records/picklists.ts'
import { Approx } from '#ui/figure.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { OutlineDrawing } from './outline-drawing.tsx'
import { HUE_ORDER } from '#draw/palette.ts'
import { readPlanFile, type PlanInFile } from '#formats/plan-file/plan-file.ts'
import { outlineCandidate } from '#journal/plan-candidate.ts'
import { insideOfCandidate, planSpools } from '#journal/plan-wish.ts'
import type { PlanRecord } from '#journal/state.ts'
import { newPlan } from '#session/build/plan-drafts.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { Refused } from '#ui/refused.tsx'
import { ArrangePage } from './arrange-page.tsx'
import { BenchPage } from './bench-page.tsx'
import { ClosePage } from './close-page.tsx'
import { DrillPage } from './drill-page.tsx'
import { PlanPage } from './plan-page.tsx'
import { SpoolsDialog } from './spools-dialog.tsx'
import { TemplatePage } from './template-page.tsx'
import hand from '#ui/hand.module.css'
import css from './build.module.css'

const SHEETS = {
  arrange: ArrangePage,
  drill: DrillPage,
  print: TemplatePage,
  close: ClosePage,
  bench: BenchPage,
} as const

/** Which box? Plans begun, or the one that is open. */
export default function BuildPlace() {
  const { planId, step } = useParams()
  const { state } = useJournal()
  const plan = planId === undefined ? undefined : state.plans.get(planId)
  if (planId === undefined) return <Plans />
  // one that was built stays to be read: where it was drilled, what went in
  const isBuilt = [...state.boxes.values()].some(box => box.planId === planId)
  if (!plan || (plan.retiredMs !== null && !isBuilt)) return <Gone built={plan !== undefined} />
  const candidate = plan.candidates[Math.min(plan.chosen, plan.candidates.length - 1)]
  const Sheet = step === undefined ? undefined : SHEETS[step as keyof typeof SHEETS]
  return Sheet && candidate ? (
    <Sheet plan={plan} candidate={candidate} key={`${planId} ${step}`} />
  ) : (
    <PlanPage plan={plan} key={planId} />
  )
}

function Gone({ built }: { readonly built: boolean }) {
  const { base } = useJournalTools()
  return (
    <main className={hand.page} data-place="build">
      <h1 className={hand.answer}>{built ? 'This plan is done with' : 'No such plan'}</h1>
      <p className={hand.behind}>
        {built
          ? 'It was put away; undo brings it back.'
          : 'It may have been taken back, or the address is from another journal.'}{' '}
        <Link to={`${base}/build`}>To the plans</Link>
      </p>
    </main>
  )
}

/** Outlines one might begin with; a bag takes no rod and stands on no shelf. */
const OUTLINES = CONTAINER_LIST.filter(kind => kind !== 'bag')
const OUTLINE_SCALE = 0.3

function Plans() {
  const { volume } = useMeasures()
  const { state } = useJournal()
  const { base, maker } = useJournalTools()
  const navigate = useNavigate()
  const write = useWriteAct()
  const [asking, setAsking] = useState<ContainerKind | 'any' | null>(null)
  const plans = [...state.plans.values()].filter(plan => plan.retiredMs === null)
  const room = [...state.rooms.values()].find(one => one.retiredMs === null)
  const [refusedFile, setRefusedFile] = useState<string | null>(null)
  const openFile = async (file: File | null) => {
    if (!file) return
    setRefusedFile(null)
    try {
      begin(readPlanFile(await file.text()))
    } catch (reason) {
      setRefusedFile(reason instanceof Error ? reason.message : String(reason))
    }
  }
  const begin = (from: PlanRecord['spools'] | PlanInFile, kind: ContainerKind | 'any' = 'any') => {
    const planId = maker.newId()
    const taken = new Set([...state.plans.values()].map(plan => plan.name))
    let number = state.plans.size + 1
    while (taken.has(`Plan ${number}`)) number++
    const isFile = 'candidates' in from
    const name = isFile && !taken.has(from.name) ? from.name : `Plan ${number}`
    const roomId = room?.roomId ?? maker.newId()
    write.mutate(
      {
        what: `${name}: begun`,
        drafts: [
          ...(room
            ? []
            : [
                {
                  kind: 'room.made' as const,
                  atMs: maker.nowMs(),
                  payload: {
                    roomId,
                    name: 'The room',
                    climate: { kind: 'mild' as const },
                    climateKnown: 'assumed' as const,
                  },
                },
              ]),
          {
            kind: 'plan.made',
            atMs: maker.nowMs() + 1,
            payload: isFile ? { ...from, planId, name, roomId } : newPlan(planId, name, roomId, from, kind),
          },
        ],
      },
      { onSuccess: () => void navigate(`${base}/build/${planId}`) },
    )
  }
  return (
    <main className={hand.page} data-place="build">
      <div className={hand.answerRow}>
        <div>
          <h1 className={hand.answer}>
            {plans.length === 0
              ? 'Which box takes your spools?'
              : plans.length === 1
                ? 'One box is being planned'
                : `${plans.length} boxes are being planned`}
          </h1>
          <p className={hand.behind}>
            Say what is to go in; boxes that might do stand beside each other, with what each takes, lets in
            and costs.
          </p>
        </div>
        <div className={hand.acts}>
          <FileButton onChange={file => void openFile(file)} accept=".json,application/json">
            {props => (
              <button type="button" className={hand.worded} {...props}>
                Open a plan file
              </button>
            )}
          </FileButton>
          <button type="button" className={hand.filled} onClick={() => setAsking('any')}>
            Plan a box
          </button>
        </div>
      </div>
      {write.error && <Refused error={write.error} remedy="press again" />}
      {refusedFile && (
        <p className={hand.notice} role="alert">
          {refusedFile} Nothing was taken in.
        </p>
      )}
      <ul className={css.plans}>
        {plans.map(plan => (
          <li key={plan.planId} className={css.planRow}>
            <OutlineDrawing
              candidate={
                plan.candidates[Math.min(plan.chosen, plan.candidates.length - 1)] ?? outlineCandidate('tote')
              }
              scale={OUTLINE_SCALE}
            />
            <span>
              <Link to={`${base}/build/${plan.planId}`} className={css.planName}>
                {plan.name}
              </Link>
              <br />
              <span className={hand.aside}>
                {planSpools(plan, state, HUE_ORDER).length} spools,{' '}
                {plan.candidates.map(one => one.name).join(', ')}
              </span>
            </span>
          </li>
        ))}
      </ul>
      <section data-part="outlines">
        <h2 className={hand.section}>
          {plans.length === 0 ? 'Begin with one you have, or might buy' : 'Or begin another with'}
        </h2>
        <ul className={css.outlines}>
          {OUTLINES.map(kind => {
            const candidate = outlineCandidate(kind)
            return (
              <li key={kind}>
                <button type="button" className={css.outline} onClick={() => setAsking(kind)}>
                  <OutlineDrawing candidate={candidate} scale={OUTLINE_SCALE} />
                  <span>{candidate.name}</span>
                  <span className={hand.aside}>
                    <Approx /> {volume.text(insideL(insideOfCandidate(candidate)))}
                  </span>
                </button>
              </li>
            )
          })}
        </ul>
        <p className={hand.aside}>All to one scale, in pencil until yours is measured.</p>
      </section>
      {asking && (
        <SpoolsDialog
          spools={[]}
          title="What is to go in?"
          close={() => setAsking(null)}
          keep={spools => {
            setAsking(null)
            begin(spools, asking)
          }}
        />
      )}
    </main>
  )
}
