import { MantineProvider } from '@mantine/core'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { render } from '@testing-library/react'
import { Suspense, type ReactNode } from 'react'
import { createMemoryRouter, RouterProvider } from 'react-router'
import type { Act, Maker } from '#records/act.ts'
import type { JournalStore } from '#store/journal-store.ts'
import { USUAL_PREFERENCES, type Preferences } from '#store/preferences.ts'
import { noResults, type KeptResults } from '#store/kept-results.ts'
import type { Estimator } from '#workers/protocol.ts'
import { JournalContext, PreferenceContext, type JournalTools } from '#session/journal-context.tsx'
import { WhyProvider } from '#ui/why-provider.tsx'

export const NOW = Date.parse('2025-11-08T10:00:00Z')

/** A journal in memory; `refuse` makes the next write fail as a full browser does. */
export function memoryStore(
  acts: Act[] = [],
  damaged = 0,
): JournalStore & { readonly acts: Act[]; refuse: boolean } {
  return {
    name: 'own',
    acts,
    refuse: false,
    readAll() {
      return Promise.resolve({
        acts: [...this.acts],
        damaged: Array.from({ length: damaged }, (_, i) => ({
          key: `bad${i}`,
          raw: null,
          problem: { kind: 'not an act' as const, detail: '' },
        })),
      })
    },
    append(act) {
      if (this.refuse) return Promise.reject(new Error('QuotaExceededError'))
      this.acts.push(act)
      return Promise.resolve()
    },
    readOne: () => Promise.resolve(null),
    readRaw() {
      return Promise.resolve(new Map(this.acts.map(act => [act.id, act as unknown])))
    },
    remove: () => Promise.resolve(),
    pack: () => Promise.resolve(),
    onChange: () => () => {},
    clear: () => Promise.resolve(),
    driver: () => 'memory',
  }
}

let ids = 0
export const testMaker: Maker = {
  nowMs: () => NOW,
  zone: 'UTC',
  newId: () => `t${String(++ids).padStart(5, '0')}`,
}
/** Never answers: what a page shows while it reckons. */
export const idleEstimator: Estimator = {
  report: () => new Promise(() => {}),
  grams: () => new Promise(() => {}),
  spool: () => new Promise(() => {}),
  print: () => new Promise(() => {}),
  dry: () => new Promise(() => {}),
  run: () => new Promise(() => {}),
  firstDay: () => new Promise(() => {}),
  fresh: () => new Promise(() => {}),
  check: () => new Promise(() => {}),
  candidates: () => new Promise(() => {}),
}

/** One place as the app shows it, on a journal in memory. */
export function renderPlace(
  place: ReactNode,
  options: {
    store?: JournalStore
    estimator?: Estimator
    path?: string
    at?: string
    scale?: 'C' | 'F'
    preferences?: Partial<Preferences>
    results?: KeptResults
  } = {},
) {
  const tools: JournalTools = {
    store: options.store ?? memoryStore(),
    maker: testMaker,
    estimator: options.estimator ?? idleEstimator,
    results: options.results ?? noResults,
    scienceVersion: 'test',
    base: '',
  }
  const router = createMemoryRouter(
    [
      { path: options.path ?? '/', element: <WhyProvider zone="UTC">{place}</WhyProvider> },
      { path: '*', element: <p>elsewhere</p> },
    ],
    { initialEntries: [options.at ?? options.path ?? '/'] },
  )
  const preferences: Preferences = {
    ...USUAL_PREFERENCES,
    temperatureScale: options.scale ?? 'C',
    theme: 'light',
    ...options.preferences,
  }
  const view = render(
    <QueryClientProvider client={new QueryClient()}>
      <PreferenceContext value={{ preferences, change: () => {}, dark: false }}>
        <MantineProvider env="test">
          <JournalContext value={tools}>
            <Suspense fallback="opening">
              <RouterProvider router={router} />
            </Suspense>
          </JournalContext>
        </MantineProvider>
      </PreferenceContext>
    </QueryClientProvider>,
  )
  return { ...view, router, tools }
}
