import { useParams } from 'react-router'
import { DayPage } from './day-page.tsx'
import { DuePage } from './due-page.tsx'
import { HeatPage } from './heat-page.tsx'
import { PlanPage } from './plan-page.tsx'

/** What goes in the oven, when, how, and is it done? */
export default function RenewPlace() {
  const { page } = useParams()
  if (page === 'heat') return <HeatPage />
  if (page === 'day') return <DayPage />
  return page === 'now' ? <DuePage /> : <PlanPage />
}
