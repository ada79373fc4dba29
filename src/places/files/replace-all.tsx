import { TextInput } from '@mantine/core'
import { useState } from 'react'
import { makeReplacement } from '#journal/merge.ts'
import { withLock } from '#store/lock.ts'
import type { BackupAct } from '#formats/backup/read-backup.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { Refused } from '#ui/refused.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useOnce } from '#ui/use-once.ts'
import { useKeep } from '#session/writing.ts'
import hand from '#ui/hand.module.css'

const WORD = 'replace'

/** The file in place of everything here: behind a typed word, and what is here stays aside for thirty days. */
export function ReplaceAll({
  name,
  acts,
  photos,
  finish,
}: {
  readonly name: string
  readonly acts: readonly BackupAct[]
  readonly photos: ReadonlyMap<string, Uint8Array>
  readonly finish: (said: string) => void
}) {
  const { kept } = useJournal()
  const { store, maker, photos: held } = useJournalTools()
  const keep = useKeep()
  const [word, setWord] = useState('')
  const [error, setError] = useState<unknown>(null)
  const replace = async () => {
    try {
      await withLock(`journal ${store.name}`, async () => {
        // another tab may have written since this page last looked
        const { acts: now } = await store.readAll()
        for (const bytes of photos.values()) await held.put(bytes)
        const act = makeReplacement(
          maker,
          `Replaced by ${name}`,
          acts.map(item => item.act),
          now,
        )
        await keep(act, { ...act, brings: acts.map(item => item.raw) })
      })
      finish('Everything is replaced. What was here is kept aside for 30 days; undo has it back.')
    } catch (reason) {
      setError(reason)
    }
  }
  const { isBusy, once } = useOnce(replace)
  return (
    <details className={hand.moreFields} data-part="more-fields">
      <summary>Or put it in place of everything here</summary>
      <p>
        The {kept.length.toLocaleString('en-GB')} acts here are set aside for 30 days, then they are gone. To
        bring two devices together you do not need this.
      </p>
      <TextInput
        label={`Type ${WORD} to go on`}
        autoComplete="off"
        value={word}
        onChange={event => setWord(event.currentTarget.value)}
      />
      {error !== null && <Refused error={error} remedy="replace it again" />}
      <button
        type="button"
        className={hand.worded}
        disabled={isBusy || word.trim().toLowerCase() !== WORD}
        onClick={once}
      >
        Replace everything
      </button>
    </details>
  )
}
