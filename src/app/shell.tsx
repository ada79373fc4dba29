import type { ReactNode } from 'react'
import { Link, useLocation, useNavigate } from 'react-router'
import { useJournalTools } from '../places/journal/journal-context.tsx'
import { UndoButtons } from '../places/journal/undo-button.tsx'

/** Wordmark, the places that work, and how things are shown. */
export function Shell({ children }: { readonly children: ReactNode }) {
  const { base } = useJournalTools()
  const navigate = useNavigate()
  const { pathname } = useLocation()
  const onShelf = pathname === (base || '/') || pathname === `${base}/` || pathname.includes('/box/')
  // the round has the whole screen: nothing beside the reading
  if (pathname.endsWith('/round')) return <div className="shell">{children}</div>
  return (
    <div className="shell">
      <header className="head">
        <span className="wordmark">Veld</span>
        <nav aria-label="Places">
          <Link
            to={base || '/'}
            className={onShelf ? 'active' : undefined}
            aria-current={onShelf ? 'page' : undefined}
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
          <Link to={`${base}/entries`} className="quiet plain-link">
            Entered
          </Link>
          <Link to={`${base}/files`} className="quiet plain-link">
            Files
          </Link>
          <Link to={`${base}/preferences`} className="quiet plain-link">
            Preferences
          </Link>
        </div>
      </header>
      {children}
    </div>
  )
}
