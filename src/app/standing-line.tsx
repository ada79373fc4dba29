import { useEffect, useState } from 'react'
import { useJournalTools, usePreferences } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { usePutBack } from '#session/writing.ts'
import { outlastsThePage } from '#store/storage.ts'
import { download } from '#ui/hand-over.ts'
import { refusalText } from '#ui/refused.tsx'
import css from './shell.module.css'
import hand from '#ui/hand.module.css'

/** Where what is entered does not stand as safely as it looks: on every page, with what to do. */
export function StandingLine() {
  const { refusal } = usePreferences()
  const { store } = useJournalTools()
  const { kept, isEmptied } = useJournal()
  const putBack = usePutBack()
  const inPageOnly = isEmptied || (!outlastsThePage() && store.name === 'own')
  const wouldLose = inPageOnly && kept.length > 0
  useEffect(() => {
    if (!wouldLose) return
    const ask = (event: BeforeUnloadEvent) => event.preventDefault()
    window.addEventListener('beforeunload', ask)
    return () => window.removeEventListener('beforeunload', ask)
  }, [wouldLose])
  if (!inPageOnly && refusal === null) return null
  return (
    <p className={css.standing} role="status" data-part="standing">
      {isEmptied
        ? 'This browser’s storage was emptied while Veld was open here: what you entered before is in this page only. '
        : inPageOnly
          ? 'This browser keeps nothing here: what you enter lasts until this page is closed. '
          : `The browser did not keep what you chose (${refusal}): it lasts until this page is closed. `}
      {isEmptied && (
        <button
          type="button"
          className={hand.worded}
          disabled={putBack.isPending}
          onClick={() => putBack.mutate()}
        >
          Put it back
        </button>
      )}
      {wouldLose && <SaveCopy />}
      {putBack.error && ` It did not go back: ${refusalText(putBack.error)}. Save it as a file.`}
    </p>
  )
}

/** What this page holds, as a backup that can be brought in anywhere. */
function SaveCopy() {
  const { store, photos, maker } = useJournalTools()
  const journal = useJournal()
  const [said, setSaid] = useState('')
  const save = async () => {
    try {
      const { backupFile } = await import('../places/files/make-files.ts')
      const file = await backupFile({ store, photos }, journal, maker.nowMs(), maker.zone)
      download(file)
      setSaid(` Handed to the downloads: ${file.name}.`)
    } catch (reason) {
      setSaid(` It could not be made: ${refusalText(reason)}.`)
    }
  }
  return (
    <>
      <button type="button" className={hand.worded} onClick={() => void save()}>
        Save it as a file
      </button>
      {said}
    </>
  )
}
