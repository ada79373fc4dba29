import type { ReactNode } from 'react'
import { Link, useLocation, useNavigate } from 'react-router'
import { useJournalTools, usePreferences } from '../places/journal/journal-context.tsx'
import { UndoButtons } from '../places/journal/undo-button.tsx'

const THEMES = { auto: 'as device', light: 'day', dark: 'night' } as const
const NEXT_THEME = { auto: 'light', light: 'dark', dark: 'auto' } as const

/** Wordmark, the places that work, and how things are shown. */
export function Shell({ children }: { readonly children: ReactNode }) {
  const { base } = useJournalTools()
  const { preferences, change } = usePreferences()
  const navigate = useNavigate()
  const { pathname } = useLocation()
  const { temperatureScale: scale, theme } = preferences
  // the round has the whole screen: nothing beside the reading
  if (pathname.endsWith('/round')) return <div className="shell">{children}</div>
  return (
    <div className="shell">
      <header className="head">
        <span className="wordmark">Veld</span>
        <nav aria-label="Places">
          <Link
            to={base || '/'}
            className={pathname.endsWith('/start') ? undefined : 'active'}
            aria-current={pathname.endsWith('/start') ? undefined : 'page'}
          >
            Shelf
          </Link>
        </nav>
        <div className="head-end">
          <UndoButtons />
          {base === '/demo' && (
            <button type="button" className="quiet" onClick={() => void navigate('/')}>
              <span className="wide-only">Demonstration: </span>leave it
            </button>
          )}
          <button
            type="button"
            className="quiet"
            onClick={() => change({ temperatureScale: scale === 'C' ? 'F' : 'C' })}
            aria-label={`Temperatures in °${scale}; change`}
          >
            °{scale}
          </button>
          <button
            type="button"
            className="quiet"
            onClick={() => change({ theme: NEXT_THEME[theme] })}
            aria-label={`Light: ${THEMES[theme]}; change`}
          >
            {THEMES[theme]}
          </button>
        </div>
      </header>
      {children}
    </div>
  )
}
