import { useParams } from 'react-router'
import { SpoolPage } from './spool-page.tsx'
import { SpoolsPage } from './spools-page.tsx'

/** Is it dry enough to print? What does it need? */
export default function SpoolsPlace() {
  const { spoolId } = useParams()
  return spoolId === undefined ? <SpoolsPage /> : <SpoolPage spoolId={spoolId} key={spoolId} />
}
