import { useEffect, useState } from 'react'
import { openJournal } from '#store/journal-store.ts'
import { goOnInMemory, type NoStorage } from '#store/storage.ts'
import hand from '#ui/hand.module.css'
import css from './shell.module.css'

const LOOK_AGAIN_MS = 2000

/** Nothing opens, because the browser gives no place to keep anything: why, what to do, and how to go on without. */
export function StorageRefused({ error, again }: { readonly error: NoStorage; readonly again: () => void }) {
  const [journal] = useState(() => openJournal('own'))
  // the browser may answer later: the page goes on by itself
  useEffect(() => {
    const look = setInterval(() => {
      journal.count().then(again, () => {})
    }, LOOK_AGAIN_MS)
    return () => clearInterval(look)
  }, [again, journal])
  return (
    <main className={hand.page} data-place="no-storage">
      <h1 className={hand.answer}>
        {error.why === 'refused'
          ? 'This browser gives Veld no place to keep anything.'
          : 'This browser’s storage does not answer.'}
      </h1>
      <p className={hand.behind}>
        {error.why === 'refused'
          ? 'A private window, a setting against site data or a full disk does that. Allow site data for this address, then try again. What was kept before is not lost, only out of reach.'
          : 'Another tab of Veld may hold it: close the others. This page goes on by itself once it answers. Nothing is lost.'}
      </p>
      <p className={css.brokenActs}>
        <button type="button" className={hand.filled} onClick={again}>
          Try again
        </button>
        <button
          type="button"
          className={hand.worded}
          onClick={() => {
            goOnInMemory()
            again()
          }}
        >
          Go on without: it lasts until this page is closed
        </button>
      </p>
    </main>
  )
}
