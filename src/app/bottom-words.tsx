import { NavLink } from 'react-router'
import { useJournalTools } from '#session/journal-context.tsx'
import css from './shell.module.css'

/** What stands beside the places: the journal itself and how it is shown. */
export const BESIDE = [
  { path: 'almanac', word: 'Almanac' },
  { path: 'entries', word: 'Entered' },
  { path: 'files', word: 'Files' },
  { path: 'preferences', word: 'Preferences' },
] as const

/** On the phone the words stand where the thumb is. */
export function BottomWords() {
  const { base } = useJournalTools()
  return (
    <nav className={css.bottomWords} data-part="bottom-words" aria-label="Places, at the bottom">
      <NavLink to={base || '/'} end>
        Shelf
      </NavLink>
      <NavLink to={`${base}/round`}>Walk</NavLink>
      {BESIDE.map(({ path, word }) => (
        <NavLink key={path} to={`${base}/${path}`}>
          {word}
        </NavLink>
      ))}
    </nav>
  )
}
