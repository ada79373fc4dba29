import { screen } from '@testing-library/react'
import { boathouseLoft } from '#demo/loft.ts'
import { fold } from '#journal/fold.ts'
import type { Act } from '#records/act.ts'
import BuildPlace from '#places/build/build-place.tsx'
import type { Estimator } from '#workers/protocol.ts'
import { sameThreadEstimator } from '#workers/calls.ts'
import { idleEstimator, memoryStore, NOW, renderPlace } from './place-harness.tsx'

/** The demonstration's journal, as tests of Build begin with it. */
export const loftActs: readonly Act[] = boathouseLoft(NOW, 'UTC')

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
      candidates: (list, wish) => sameThreadEstimator.candidates(list, wish),
      ...estimator,
    },
  })
  return store
}
export const planIn = (store: { readonly acts: Act[] }, id = 'coxless') => fold(store.acts).plans.get(id)!
export const headingOf = () => screen.getByRole('heading', { level: 1 }).textContent
