import { useSuspenseQuery } from '@tanstack/react-query'
import { Suspense, useEffect, useMemo, type ReactNode } from 'react'
import { NavigationType, Outlet, useLocation, useNavigationType } from 'react-router'
import { openJournal, type JournalName } from '#store/journal-store.ts'
import { openPhotos } from '#store/photos.ts'
import { openResults } from '#store/kept-results.ts'
import { JournalContext, type JournalTools } from '#session/journal-context.tsx'
import { useOtherTabs, useSweep } from '#session/journal-query.ts'
import { WhyProvider } from '#ui/why-provider.tsx'
import { demoMaker, deviceMaker } from './clock.ts'
import { seedDemo } from './demo-seed.ts'
import { sharedEstimator } from './estimator.ts'
import { sharedFileReading } from './file-reading.ts'
import { Shell } from './shell.tsx'
import hand from '#ui/hand.module.css'

declare const SCIENCE_VERSION: string

/** One journal and all that its places are given. */
export function JournalRoot({ name }: { readonly name: JournalName }) {
  const tools = useMemo(
    (): JournalTools => ({
      store: openJournal(name),
      maker: name === 'demo' ? demoMaker(window.location.search) : deviceMaker(),
      estimator: sharedEstimator(),
      results: openResults(name),
      photos: openPhotos(name),
      fileReading: sharedFileReading(),
      scienceVersion: SCIENCE_VERSION,
      base: name === 'demo' ? '/demo' : '',
    }),
    [name],
  )
  return (
    <JournalContext value={tools}>
      <WhyProvider zone={tools.maker.zone}>
        <Suspense fallback={<p className={`${hand.page} ${hand.behind}`}>Opening the journal …</p>}>
          {name === 'demo' ? (
            <Seeded tools={tools}>
              <Open />
            </Seeded>
          ) : (
            <Open />
          )}
        </Suspense>
      </WhyProvider>
    </JournalContext>
  )
}

/** A page opened anew begins at its top; going back finds it where it was. */
function useTopOfPage() {
  const { pathname } = useLocation()
  const how = useNavigationType()
  useEffect(() => {
    if (pathname !== '' && how !== NavigationType.Pop) window.scrollTo(0, 0)
  }, [pathname, how])
}

/** The shell around the place; nothing reads the journal before it is there. */
function Open() {
  useTopOfPage()
  useOtherTabs()
  useSweep()
  return (
    <Shell>
      <Suspense fallback={<main className={`${hand.page} ${hand.behind}`}>Opening …</main>}>
        <Outlet />
      </Suspense>
    </Shell>
  )
}

function Seeded({ tools, children }: { readonly tools: JournalTools; readonly children: ReactNode }) {
  useSuspenseQuery({
    queryKey: ['seed'],
    networkMode: 'always',
    retry: false,
    staleTime: Infinity,
    queryFn: () => seedDemo(tools.store, tools.maker),
  })
  return children
}
