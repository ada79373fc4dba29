import { useParams } from 'react-router'
import { DryPage } from './dry-page.tsx'
import { RunPage } from './run-page.tsx'
import { SpoolPage } from './spool-page.tsx'
import { SignsPage } from './signs-page.tsx'
import { WarmPage } from './warm-page.tsx'
import { SpoolsPage } from './spools-page.tsx'

/** Is it dry enough to print? What does it need? */
export default function SpoolsPlace() {
  const { spoolId, page } = useParams()
  if (spoolId === undefined) return <SpoolsPage />
  if (page === 'run') return <RunPage spoolId={spoolId} key={spoolId} />
  if (page === 'warm') return <WarmPage spoolId={spoolId} key={spoolId} />
  if (page === 'signs') return <SignsPage spoolId={spoolId} key={spoolId} />
  return page === 'dry' ? (
    <DryPage spoolId={spoolId} key={spoolId} />
  ) : (
    <SpoolPage spoolId={spoolId} key={spoolId} />
  )
}
