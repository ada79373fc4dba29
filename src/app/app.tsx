import { MantineProvider } from '@mantine/core'
import { useColorScheme } from '@mantine/hooks'
import { QueryClient, QueryClientProvider, useQuery, useQueryClient } from '@tanstack/react-query'
import { Component, lazy, type ReactNode } from 'react'
import { HashRouter, useLocation, useRoutes } from 'react-router'
import { readPreferences, USUAL_PREFERENCES, writePreferences, type Preferences } from '#store/preferences.ts'
import { PreferenceContext } from '#session/journal-context.tsx'
import { JournalRoot } from './journal-root.tsx'
import { theme } from './theme.ts'
import hand from '#ui/hand.module.css'

const ShelfPlace = lazy(() => import('../places/shelf/shelf-place.tsx'))
const BoxPlace = lazy(() => import('../places/box/box-place.tsx'))
const SealPlace = lazy(() => import('../places/seal/seal-place.tsx'))
const WrongPlace = lazy(() => import('../places/wrong/wrong-place.tsx'))
const RoundPlace = lazy(() => import('../places/round/round-place.tsx'))
const EntriesPlace = lazy(() => import('../places/entries/entries-place.tsx'))
const FilesPlace = lazy(() => import('../places/files/files-place.tsx'))
const CardPlace = lazy(() => import('../places/card/card-place.tsx'))
const PreferencesPlace = lazy(() => import('../places/preferences/preferences-place.tsx'))
const AlmanacPlace = lazy(() => import('../places/almanac/almanac-place.tsx'))
const KitPlace = lazy(() => import('../places/kit/kit-place.tsx'))
const DisplaysPlace = lazy(() => import('../places/displays/displays-place.tsx'))
const RenewPlace = lazy(() => import('../places/renew/renew-place.tsx'))
const HeatingPlace = lazy(() => import('../places/heating/heating-place.tsx'))
const BeadsPlace = lazy(() => import('../places/beads/beads-place.tsx'))
const HeatPlace = lazy(() => import('../places/heat/heat-place.tsx'))
const SpoolsPlace = lazy(() => import('../places/spools/spools-place.tsx'))
const BuildPlace = lazy(() => import('../places/build/build-place.tsx'))
const FirstUsePlace = lazy(() => import('../places/first-use/first-use-place.tsx'))

const places = [
  { index: true, element: <ShelfPlace /> },
  { path: 'box/:boxId', element: <BoxPlace /> },
  { path: 'box/:boxId/seal', element: <SealPlace /> },
  { path: 'box/:boxId/wrong', element: <WrongPlace /> },
  { path: 'box/:boxId/card', element: <CardPlace /> },
  { path: 'round', element: <RoundPlace /> },
  { path: 'entries', element: <EntriesPlace /> },
  { path: 'files', element: <FilesPlace /> },
  { path: 'preferences', element: <PreferencesPlace /> },
  { path: 'almanac/:page?', element: <AlmanacPlace /> },
  { path: 'kit', element: <KitPlace /> },
  { path: 'kit/displays', element: <DisplaysPlace /> },
  { path: 'renew/session/:id', element: <HeatingPlace /> },
  { path: 'renew/:page?/:id?', element: <RenewPlace /> },
  { path: 'kit/beads/:id', element: <BeadsPlace /> },
  { path: 'kit/heat', element: <HeatPlace /> },
  { path: 'spools/:spoolId?/:page?', element: <SpoolsPlace /> },
  { path: 'build/:planId?/:step?', element: <BuildPlace /> },
  { path: 'start', element: <FirstUsePlace /> },
]
const routes = [
  { path: '/demo', element: <JournalRoot name="demo" key="demo" />, children: places },
  { path: '/', element: <JournalRoot name="own" key="own" />, children: places },
  { path: '*', element: <Broken error={null} /> },
]
const client = new QueryClient()

function Broken({ error }: { readonly error: unknown }) {
  return (
    <main className={hand.page}>
      <h1 className={hand.answer}>This page could not be drawn.</h1>
      <p className={hand.behind}>
        {error instanceof Error ? error.message : 'Nothing is kept at this address.'} What you entered is
        kept.
      </p>
      <a href="#/" className={hand.worded}>
        To the shelf
      </a>
    </main>
  )
}

interface Drawn {
  readonly error: unknown
  readonly at: string
}

/** A place that breaks says so, until another address is opened. */
class Unbroken extends Component<{ readonly at: string; readonly children: ReactNode }, Drawn> {
  override state: Drawn = { error: null, at: this.props.at }
  static getDerivedStateFromError(error: unknown): Partial<Drawn> {
    return { error }
  }
  static getDerivedStateFromProps({ at }: { readonly at: string }, drawn: Drawn): Drawn | null {
    return at === drawn.at ? null : { error: null, at }
  }
  override render(): ReactNode {
    return this.state.error === null ? this.props.children : <Broken error={this.state.error} />
  }
}

/** The part after # keeps every address relative: the folder works from any place and sub-path. */
function Places() {
  const { pathname } = useLocation()
  const drawn = useRoutes(routes)
  return <Unbroken at={pathname}>{drawn}</Unbroken>
}

export function App() {
  return (
    <QueryClientProvider client={client}>
      <Preferring>
        <HashRouter>
          <Places />
        </HashRouter>
      </Preferring>
    </QueryClientProvider>
  )
}

/** Display preferences of this device, and the theme they choose. */
function Preferring({ children }: { readonly children: ReactNode }) {
  const queries = useQueryClient()
  const key = ['preferences']
  const { data, isError } = useQuery({
    queryKey: key,
    networkMode: 'always',
    retry: false,
    staleTime: Infinity,
    queryFn: readPreferences,
  })
  const device = useColorScheme()
  // a browser that keeps nothing still shows everything
  const preferences = data ?? (isError ? USUAL_PREFERENCES : null)
  if (!preferences) return null
  const change = (part: Partial<Preferences>) => {
    const next = { ...preferences, ...part }
    queries.setQueryData(key, next)
    void writePreferences(next)
  }
  const scheme = preferences.theme === 'auto' ? device : preferences.theme
  return (
    <PreferenceContext value={{ preferences, change, dark: scheme === 'dark' }}>
      <MantineProvider theme={theme} forceColorScheme={scheme}>
        {children}
      </MantineProvider>
    </PreferenceContext>
  )
}
