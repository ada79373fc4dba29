import { NavLink } from 'react-router'
import { useJournalTools } from '#session/journal-context.tsx'
import css from './plan.module.css'

const PAGES = [
  ['', 'The plan'],
  ['/now', 'Heat some today'],
  ['/replace', 'Replace'],
  ['/back', 'Look back'],
] as const

/** The sheets of Renew. */
export function RenewPages() {
  const { base } = useJournalTools()
  return (
    <nav aria-label="Renew" className={css.pages}>
      {PAGES.map(([path, word]) => (
        <NavLink key={path} to={`${base}/renew${path}`} end>
          {word}
        </NavLink>
      ))}
    </nav>
  )
}
