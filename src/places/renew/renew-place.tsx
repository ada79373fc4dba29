import { useParams } from 'react-router'
import { DuePage } from './due-page.tsx'
import { HeatPage } from './heat-page.tsx'
import { PlanPage } from './plan-page.tsx'

/** What goes in the oven, when, how, and is it done? */
export default function RenewPlace() {
  const { page } = useParams()
  if (page === 'heat') return <HeatPage />
  return page === 'now' ? <DuePage /> : <PlanPage />
}
