import { MantineProvider } from '@mantine/core'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { render } from '@testing-library/react'
import { Suspense, useState, type ReactNode } from 'react'
import { createMemoryRouter, RouterProvider } from 'react-router'
import type { Act, Maker } from '#records/act.ts'
import type { JournalStore } from '#store/journal-store.ts'
import { USUAL_PREFERENCES, type Preferences } from '#store/preferences.ts'
import { memoryPhotos, type PhotoStore } from '#store/photos.ts'
import { noResults, type KeptResults } from '#store/kept-results.ts'
import { fileCalls } from '#workers/file-calls.ts'
import type { FileReading } from '#workers/file-protocol.ts'
import type { Estimator } from '#workers/protocol.ts'
import { JournalContext, PreferenceContext, type JournalTools } from '#session/journal-context.tsx'
import { WhyProvider } from '#ui/why-provider.tsx'

export const NOW = Date.parse('2025-11-08T10:00:00Z')

/** Preferences that are kept as long as the place stands. */
function Preferring({ start, children }: { readonly start: Preferences; readonly children: ReactNode }) {
  const [preferences, set] = useState(start)
  const change = (part: Partial<Preferences>) => set(now => ({ ...now, ...part }))
  return (
    <PreferenceContext value={{ preferences, change, dark: false, refusal: null }}>
      {children}
    </PreferenceContext>
  )
}

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
    readOne(id) {
      return Promise.resolve(this.acts.find(act => act.id === id) ?? null)
    },
    readRaw() {
      return Promise.resolve(new Map(this.acts.map(act => [act.id, act as unknown])))
    },
    remove: () => Promise.resolve(),
    pack: () => Promise.resolve(),
    onChange: () => () => {},
    clear: () => Promise.resolve(),
    looseIds() {
      return Promise.resolve(this.acts.map(act => act.id))
    },
    count() {
      return Promise.resolve(this.acts.length)
    },
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

/** Files read where the page is: there are no workers in a test. */
const readHere: FileReading = {
  backup: (bytes, { tell }) => Promise.resolve(fileCalls.backup(bytes, tell)),
  readings: (bytes, { tell }) => Promise.resolve(fileCalls.readings(bytes, tell)),
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
    photos?: PhotoStore
    fileReading?: FileReading
    /** Another clock than the tests' own. */
    nowMs?: number
  } = {},
) {
  // what another test left half typed is not this one's
  window.sessionStorage.clear()
  const tools: JournalTools = {
    store: options.store ?? memoryStore(),
    maker: options.nowMs === undefined ? testMaker : { ...testMaker, nowMs: () => options.nowMs! },
    estimator: options.estimator ?? idleEstimator,
    results: options.results ?? noResults,
    photos: options.photos ?? memoryPhotos(),
    fileReading: options.fileReading ?? readHere,
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
      <Preferring start={preferences}>
        <MantineProvider env="test">
          <JournalContext value={tools}>
            <Suspense fallback="opening">
              <RouterProvider router={router} />
            </Suspense>
          </JournalContext>
        </MantineProvider>
      </Preferring>
    </QueryClientProvider>,
  )
  return { ...view, router, tools }
}
