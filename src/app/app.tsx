import { MantineProvider } from '@mantine/core'
import { useColorScheme } from '@mantine/hooks'
import { QueryClient, QueryClientProvider, useQuery, useQueryClient } from '@tanstack/react-query'
import { Component, lazy, useState, type ReactNode } from 'react'
import { HashRouter, useLocation, useRoutes } from 'react-router'
import { readPreferences, USUAL_PREFERENCES, writePreferences, type Preferences } from '#store/preferences.ts'
import { PreferenceContext } from '#session/journal-context.tsx'
import { NoStorage } from '#store/storage.ts'
import { refusalText } from '#ui/refused.tsx'
import ShelfPlace from '../places/shelf/shelf-place.tsx'
import { Broken } from './broken.tsx'
import { JournalRoot } from './journal-root.tsx'
import { StorageRefused } from './storage-refused.tsx'
import { theme } from './theme.ts'

// the first page comes with the app, in one file; each other one when it is gone to
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
const LabelsPlace = lazy(() => import('../places/labels/labels-place.tsx'))
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
  { path: 'labels', element: <LabelsPlace /> },
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
  readonly again = (): void => {
    client.removeQueries()
    this.setState({ error: null })
  }
  override render(): ReactNode {
    const { error } = this.state
    if (error === null) return this.props.children
    return error instanceof NoStorage ? (
      <StorageRefused error={error} again={this.again} />
    ) : (
      <Broken error={error} />
    )
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
  const [refusal, setRefusal] = useState<string | null>(null)
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
    writePreferences(next).then(
      () => setRefusal(null),
      (reason: unknown) => setRefusal(refusalText(reason)),
    )
  }
  const scheme = preferences.theme === 'auto' ? device : preferences.theme
  return (
    <PreferenceContext value={{ preferences, change, dark: scheme === 'dark', refusal }}>
      <MantineProvider theme={theme} forceColorScheme={scheme}>
        {children}
      </MantineProvider>
    </PreferenceContext>
  )
}
