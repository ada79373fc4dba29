import type { ReactNode } from 'react'
import { Link, NavLink, useLocation, useNavigate } from 'react-router'
import { useJournalTools } from '#session/journal-context.tsx'
import { ClockLine } from './clock-line.tsx'
import { Commands } from './commands.tsx'
import { StandingLine } from './standing-line.tsx'
import { UpdateOffer } from './offline.tsx'
import { BESIDE, BottomWords, PLACES } from './bottom-words.tsx'
import { UndoButtons } from '#ui/undo-button.tsx'
import { UndoRefused } from '#ui/undo-refused.tsx'
import css from './shell.module.css'
import hand from '#ui/hand.module.css'

/** Wordmark, the places that work, and how things are shown. */
export function Shell({ children }: { readonly children: ReactNode }) {
  const { base } = useJournalTools()
  const navigate = useNavigate()
  const { pathname } = useLocation()
  const onShelf = pathname === (base || '/') || pathname === `${base}/` || pathname.includes('/box/')
  // the round and the oven have the whole screen: nothing beside the reading, the weight
  if (pathname.endsWith('/round') || pathname.includes('/renew/session/'))
    return (
      <div className={css.shell}>
        <StandingLine />
        <ClockLine />
        {children}
        <div className={css.foot}>
          <UndoRefused className={css.lastLine} />
        </div>
        <Commands />
      </div>
    )
  return (
    <div className={css.shell}>
      <header className={css.head}>
        <span className={css.wordmark}>Veld</span>
        <nav aria-label="Places">
          <Link to={base || '/'} aria-current={onShelf ? 'page' : undefined}>
            Shelf
          </Link>
          {PLACES.map(({ path, word }) => (
            <NavLink key={path} to={`${base}/${path}`}>
              {word}
            </NavLink>
          ))}
        </nav>
        <div className={css.headEnd}>
          <UndoButtons />
          {base === '/demo' && (
            <button type="button" className={hand.quiet} onClick={() => void navigate('/')}>
              Demonstration: leave it
            </button>
          )}
          <span className={`${css.headWords} ${hand.wideOnly}`}>
            {BESIDE.map(({ path, word }) => (
              <NavLink key={path} to={`${base}/${path}`} className={`${hand.quiet} ${css.plainLink}`}>
                {word}
              </NavLink>
            ))}
          </span>
        </div>
      </header>
      <StandingLine />
      <ClockLine />
      {children}
      <div className={css.foot}>
        <UndoRefused className={css.lastLine} />
        <UpdateOffer />
      </div>
      <Commands />
      <BottomWords />
    </div>
  )
}
