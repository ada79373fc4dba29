import { screen } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import { fold } from '#journal/fold.ts'
import type { Act } from '#records/act.ts'
import BuildPlace from '#places/build/build-place.tsx'
import type { Estimator } from '#workers/protocol.ts'
import { sameThreadEstimator } from '#workers/calls.ts'
import { idleEstimator, memoryStore, NOW, renderPlace } from './place-harness.tsx'

/** The demonstration's journal, as tests of Build begin with it. */
export const loftActs: readonly Act[] = boathouseLoft(NOW, 'UTC')

/** The same question has the same answer: pages of one file ask it again and again, and packing is slow under Jest. */
const judged = new Map<string, ReturnType<Estimator['candidates']>>()
const judgeOnce: Estimator['candidates'] = (list, wish) => {
  const key = JSON.stringify([list, wish])
  if (!judged.has(key)) judged.set(key, sameThreadEstimator.candidates(list, wish))
  return judged.get(key)!
}

/** Build as the app shows it at an address; candidates are judged on the same thread. */
export function openBuild(
  at: string,
  acts: readonly Act[] = loftActs,
  estimator: Partial<Estimator> = {},
): ReturnType<typeof memoryStore> {
  const store = memoryStore([...acts])
  renderPlace(<BuildPlace />, {
    store,
    path: '/build/:planId?/:step?',
    at,
    estimator: {
      ...idleEstimator,
      candidates: judgeOnce,
      ...estimator,
    },
  })
  return store
}
export const planIn = (store: { readonly acts: Act[] }, id = 'coxless') => fold(store.acts).plans.get(id)!
export const headingOf = () => screen.getByRole('heading', { level: 1 }).textContent
