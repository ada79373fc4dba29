import { useParams } from 'react-router'
import { BackPage } from './back-page.tsx'
import { DayPage } from './day-page.tsx'
import { DuePage } from './due-page.tsx'
import { HeatPage } from './heat-page.tsx'
import { PlanPage } from './plan-page.tsx'
import { ReplacePage } from './replace-page.tsx'

/** What goes in the oven, when, how, and is it done? */
export default function RenewPlace() {
  const { page } = useParams()
  if (page === 'heat') return <HeatPage />
  if (page === 'replace') return <ReplacePage />
  if (page === 'back') return <BackPage />
  if (page === 'day') return <DayPage />
  return page === 'now' ? <DuePage /> : <PlanPage />
}
