import { releaseProxy, wrap } from 'comlink'
import type { ExactPlan } from '#core/renewal/exact-plan.ts'
import type { OvenPlanAsked } from '#core/renewal/oven-days.ts'

/** The proven plan, worked out beside the page; given up, its worker ends. null: no plan keeps to the hours. */
export type Planner = (asked: OvenPlanAsked, signal: AbortSignal) => Promise<ExactPlan | null>

interface PlannerCalls {
  plan(asked: OvenPlanAsked): Promise<ExactPlan | null>
}

/** A worker for one plan: the solver keeps what memory it took. */
export const workerPlanner: Planner = (asked, signal) =>
  new Promise((resolve, reject) => {
    const worker = new Worker(new URL('../../workers/plan.worker.ts', import.meta.url), { type: 'module' })
    const remote = wrap<PlannerCalls>(worker)
    const end = (settle: () => void) => {
      remote[releaseProxy]()
      worker.terminate()
      settle()
    }
    signal.addEventListener('abort', () => end(() => reject(new DOMException('Given up.', 'AbortError'))), {
      once: true,
    })
    worker.addEventListener('error', () => end(() => reject(new Error('The planner broke off.'))), {
      once: true,
    })
    remote.plan(asked).then(
      plan => end(() => resolve(plan)),
      (reason: unknown) => end(() => reject(reason instanceof Error ? reason : new Error(String(reason)))),
    )
  })
