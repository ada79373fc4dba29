import { useEffect, useState } from 'react'
import { isGiven, undoSteps } from '#journal/undo.ts'
import { makeWithdrawal, type Act } from '#records/act.ts'
import { openJournal, type JournalName } from '#store/journal-store.ts'
import { download } from '#ui/hand-over.ts'
import { refusalText } from '#ui/refused.tsx'
import { demoMaker, deviceMaker } from './clock.ts'
import hand from '#ui/hand.module.css'
import css from './shell.module.css'

/** What browsers say of a part of a page that is no longer there. */
const PART_MISSING = /dynamically imported|importing a module|preload/i

/** Whose page it was, by its address. */
const journalHere = (): JournalName => (/^#\/demo(?:\/|$|\?)/.test(window.location.hash) ? 'demo' : 'own')

/**
 * A page that breaks: what was entered is kept, so it can be taken out as it stands, the last thing done can be taken back,
 * and there is a way home. It stands outside everything that may have broken.
 */
export function Broken({ error }: { readonly error: unknown }) {
  const [name] = useState(journalHere)
  const [last, setLast] = useState<Act | null>(null)
  const [said, setSaid] = useState<string | null>(null)
  useEffect(() => {
    if (error === null) return
    openJournal(name)
      .readAll()
      .then(
        ({ acts }) => setLast(undoSteps(acts, isGiven).undo),
        (reason: unknown) => setSaid(`The journal does not open: ${refusalText(reason)}.`),
      )
  }, [error, name])
  const takeBack = async () => {
    const maker = name === 'demo' ? demoMaker(window.location.search) : deviceMaker()
    try {
      await openJournal(name).append(makeWithdrawal(maker, last!))
      window.location.reload()
    } catch (reason) {
      setSaid(`It could not be taken back: ${refusalText(reason)}. Nothing is changed.`)
    }
  }
  const saveRaw = async () => {
    try {
      const store = openJournal(name)
      const [raw, { damaged }] = [await store.readRaw(), await store.readAll()]
      const text = JSON.stringify({ acts: [...raw.values()], damaged }, null, 1)
      download(new File([text], 'veld-raw-records.json', { type: 'application/json' }))
      setSaid('Handed to the downloads: veld-raw-records.json.')
    } catch (reason) {
      setSaid(`The records do not come out: ${refusalText(reason)}.`)
    }
  }
  return (
    <main className={hand.page} data-place="broken">
      <h1 className={hand.answer}>
        {error === null ? 'Nothing is kept at this address.' : 'This page could not be drawn.'}
      </h1>
      <p className={hand.behind}>
        {error === null
          ? 'What you entered is kept.'
          : `Nothing was written and nothing is lost; what went wrong is the drawing: ${error instanceof Error ? error.message : 'no reason given'}.`}
      </p>
      {error instanceof Error && PART_MISSING.test(error.message) && (
        <p>
          A part of the page did not come: Veld was renewed meanwhile, or cannot be reached. Reload it once it
          can.
        </p>
      )}
      <p className={css.brokenActs}>
        <a href={name === 'demo' ? '#/demo' : '#/'} className={hand.worded}>
          To the shelf
        </a>
        {error !== null && (
          <>
            {last && (
              <button type="button" className={hand.worded} onClick={() => void takeBack()}>
                Take back: {last.what}
              </button>
            )}
            <button type="button" className={hand.worded} onClick={() => void saveRaw()}>
              The records as a file
            </button>
          </>
        )}
      </p>
      {said !== null && (
        <p className={hand.notice} role="status">
          {said}
        </p>
      )}
    </main>
  )
}
