import { useParams } from 'react-router'
import { DuePage } from './due-page.tsx'
import { HeatPage } from './heat-page.tsx'

/** What goes in the oven, when, how, and is it done? */
export default function RenewPlace() {
  const { page } = useParams()
  return page === 'heat' ? <HeatPage /> : <DuePage />
}
