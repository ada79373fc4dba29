import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js'
import { useQueries, useQuery, useQueryClient } from '@tanstack/react-query'
import { createContext, use, useEffect, useMemo, useState } from 'react'
import type { ExactPlan } from '#core/renewal/exact-plan.ts'
import { greedyPlan } from '#core/renewal/greedy-plan.ts'
import { fillingsFor, type OvenPlan } from '#core/renewal/oven-days.ts'
import type { IsoDay } from '#units/calendar-day.ts'
import { useJournalTools } from '../journal-context.tsx'
import { useJournal } from '../journal-query.ts'
import { freshQuery, reportQuery } from '../reports.ts'
import type { KnownBox } from '../known-box.ts'
import { boxesToPlan, planQuestion, type PlanQuestion, type Reckoned } from './plan-question.ts'
import { workerPlanner, type Planner } from './planner.ts'

/** Tests give one that runs on their own thread. */
export const PlannerContext = createContext<Planner>(workerPlanner)

export interface OvenPlanShown {
  /** The boxes it was asked of, and what was reckoned for each. */
  readonly known: readonly KnownBox[]
  readonly reckoned: readonly Reckoned[]
  /** null while boxes are reckoned. */
  readonly question: PlanQuestion | null
  readonly done: number
  readonly count: number
  /** The best plan there is so far. */
  readonly plan: OvenPlan | null
  /** 'quick': nothing better was looked for yet, or it was given up. */
  readonly standing: 'quick' | 'found' | 'proven' | 'too full'
  readonly leastSessions: number | null
  readonly isLooking: boolean
  readonly error: Error | null
  readonly stop: () => void
  readonly look: () => void
}

interface Kept {
  readonly plan: ExactPlan | null
}

/**
 * The plan of all boxes: a good one at once, then the proven one.
 * @param isWanted false: nothing is worked out for it yet
 * @param mostBoxes of larger shelves only what was proven before is shown, else the quick plan
 */
export function useOvenPlan(
  today: { readonly iso: IsoDay; readonly beganMs: number },
  isWanted = true,
  mostBoxes = Infinity,
): OvenPlanShown {
  const journal = useJournal()
  const tools = useJournalTools()
  const planner = use(PlannerContext)
  const [hasShown, setHasShown] = useState(false)
  const client = useQueryClient()
  const known = useMemo(() => boxesToPlan(journal), [journal])
  const reports = useQueries({
    queries: known.map(({ view, facts }) => reportQuery(tools, view.box.boxId, facts)),
  })
  const fresh = useQueries({
    queries: known.map(({ view, facts }) => {
      const query = freshQuery(tools, view.box.boxId, facts)
      return { ...query, enabled: query.enabled && isWanted }
    }),
  })
  const results = [...reports, ...fresh]
  const done = results.filter(one => !one.isLoading).length
  const isReady = isWanted && done === results.length
  const { iso, beganMs } = today
  const reckonedKey = results.map(one => one.dataUpdatedAt).join()
  const reckoned = useMemo(
    () => known.map((_, i): Reckoned => ({ report: reports[i]!.data, fresh: fresh[i]!.data })),
    // the lists are new at every drawing; what is in them changes with its times
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [known, reckonedKey],
  )
  const question = useMemo(
    () => (isReady ? planQuestion(journal, known, reckoned, { iso, beganMs }) : null),
    [journal, known, isReady, reckoned, iso, beganMs],
  )
  const asked = question?.asked ?? null
  const quick = useMemo(() => (asked ? greedyPlan(asked) : null), [asked])
  const standsOn = useMemo(
    () => (asked ? `${tools.scienceVersion} ${bytesToHex(sha256(utf8ToBytes(JSON.stringify(asked))))}` : ''),
    [asked, tools],
  )
  const kept = useQuery({
    queryKey: ['oven plan, kept', tools.store.name, standsOn],
    enabled: asked !== null,
    networkMode: 'always',
    retry: false,
    staleTime: Infinity,
    structuralSharing: false,
    queryFn: async (): Promise<Kept | null> => {
      const last = await tools.results.last('oven plan')
      return last?.standsOn === standsOn ? (last.value as Kept) : null
    },
  })
  const key = ['oven plan', tools.store.name, standsOn]
  const worked = useQuery({
    queryKey: key,
    enabled:
      asked !== null && asked.boxes.length > 0 && asked.boxes.length <= mostBoxes && kept.data === null,
    networkMode: 'always',
    retry: false,
    staleTime: Infinity,
    structuralSharing: false,
    queryFn: async ({ signal }): Promise<Kept> => {
      const value: Kept = { plan: await planner(asked!, signal) }
      void tools.results.keep('oven plan', { standsOn, value })
      return value
    },
  })
  const exact = kept.data ?? worked.data
  const best = exact?.plan ?? null
  // what was worked out before is looked for first, so that no page opens with a plan that changes at once
  const plan = best?.plan ?? (kept.isPending && !hasShown ? null : quick)
  useEffect(() => {
    if (plan !== null) setHasShown(true)
  }, [plan])
  const keepsHours = quick !== null && asked !== null && fillingsFor(asked, quick.sessions) !== null
  return {
    known,
    reckoned,
    question,
    done,
    count: results.length,
    plan,
    standing: best
      ? best.proven
        ? 'proven'
        : 'found'
      : exact || (!keepsHours && !worked.isFetching)
        ? 'too full'
        : 'quick',
    leastSessions: best?.leastSessions ?? null,
    isLooking: worked.isFetching,
    error: worked.error,
    stop: () => void client.cancelQueries({ queryKey: key }),
    look: () => void client.invalidateQueries({ queryKey: key }),
  }
}
