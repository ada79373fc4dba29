import { lazy, Suspense, type ReactNode } from 'react'
import { NavLink, useParams } from 'react-router'
import { useJournalTools } from '#session/journal-context.tsx'
import { ALMANAC_PAGES, type AlmanacPage } from '#ui/almanac-pages.ts'
import { Cautions } from './cautions-page.tsx'
import { ChecksPage } from './checks-page.tsx'
import { HumidityPage } from './humidity-page.tsx'
import { MaterialsPage } from './materials-page.tsx'
import { SaltsPage } from './salts-page.tsx'
import { ScorePage } from './score-page.tsx'
import { WallsPage } from './walls-page.tsx'
import hand from '#ui/hand.module.css'
import css from './almanac.module.css'

const DesiccantsPage = lazy(() => import('./desiccants-page.tsx'))

const CONTENT: Readonly<Record<AlmanacPage, ReactNode>> = {
  materials: <MaterialsPage />,
  desiccants: <DesiccantsPage />,
  walls: <WallsPage />,
  salts: <SaltsPage />,
  air: <HumidityPage />,
  cautions: <Cautions />,
  score: <ScorePage />,
  checks: <ChecksPage />,
}

/** What Veld takes for true, and the means to hold it against the world. */
export default function AlmanacPlace() {
  const { base } = useJournalTools()
  const { page = 'materials' } = useParams()
  const known = ALMANAC_PAGES.find(item => item.path === page)
  return (
    <main className={`${hand.page} ${css.almanac}`} data-place="almanac">
      <nav className={css.almanacPages} aria-label="Almanac">
        {ALMANAC_PAGES.map(item => (
          <NavLink key={item.path} to={`${base}/almanac/${item.path}`} className={hand.worded ?? ''}>
            {item.word}
          </NavLink>
        ))}
      </nav>
      <Suspense fallback={<p className={hand.aside}>Opening …</p>}>
        {known ? CONTENT[known.path] : <h1 className={hand.answer}>No such page in the almanac</h1>}
      </Suspense>
    </main>
  )
}
