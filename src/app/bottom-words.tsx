import { useClickOutside } from '@mantine/hooks'
import { useRef, useState } from 'react'
import { NavLink, useLocation } from 'react-router'
import { useJournalTools } from '#session/journal-context.tsx'
import css from './shell.module.css'

/** Places beside the shelf, in the order they are walked. */
export const PLACES = [
  { path: 'spools', word: 'Spools' },
  { path: 'renew', word: 'Renew' },
  { path: 'build', word: 'Build' },
  { path: 'kit', word: 'Kit' },
] as const
/** What stands beside the places: the journal itself and how it is shown. */
export const BESIDE = [
  { path: 'almanac', word: 'Almanac' },
  { path: 'entries', word: 'Entered' },
  { path: 'files', word: 'Files' },
  { path: 'preferences', word: 'Preferences' },
] as const

/** On the phone the words stand where the thumb is; what is seldom wanted stands under one of them. */
export function BottomWords() {
  const { base } = useJournalTools()
  const { pathname } = useLocation()
  const [open, setOpen] = useState(false)
  const more = useRef<HTMLButtonElement>(null)
  const holder = useClickOutside<HTMLDivElement>(() => setOpen(false))
  const isBeside = BESIDE.some(({ path }) => pathname.startsWith(`${base}/${path}`))
  return (
    <nav className={css.bottomWords} data-part="bottom-words" aria-label="Places, at the bottom">
      <NavLink to={base || '/'} end>
        Shelf
      </NavLink>
      {PLACES.map(({ path, word }) => (
        <NavLink key={path} to={`${base}/${path}`}>
          {word}
        </NavLink>
      ))}
      <div
        ref={holder}
        className={css.more}
        onKeyDown={event => {
          if (event.key !== 'Escape' || !open) return
          setOpen(false)
          more.current?.focus()
        }}
      >
        <button
          ref={more}
          type="button"
          aria-expanded={open}
          aria-current={isBeside ? 'page' : undefined}
          onClick={() => setOpen(current => !current)}
        >
          More
        </button>
        {open && (
          <div className={css.moreWords} data-part="more-words">
            {BESIDE.map(({ path, word }) => (
              <NavLink key={path} to={`${base}/${path}`} onClick={() => setOpen(false)}>
                {word}
              </NavLink>
            ))}
          </div>
        )}
      </div>
    </nav>
  )
}
