import { useRef, useState } from 'react'
import { MOST_ZIP_BYTES } from '#formats/backup/read-backup.ts'
import type { ReadingsRead } from '#formats/readings-csv/read-readings.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { inWhole, THIN } from '#ui/format.ts'
import { refusalText } from '#ui/refused.tsx'
import { bringBackup, bringReadings, type Brought, type Meant } from './bring-file.ts'
import { Looked } from './looked.tsx'
import { WhichOfAName } from './which-of-a-name.tsx'
import css from './files.module.css'
import hand from '#ui/hand.module.css'

/** Brings a file in: read beside the page, looked at first, then together with what is here, or in its place. */
export function BringIn() {
  const { kept, state } = useJournal()
  const { store, maker, fileReading } = useJournalTools()
  const input = useRef<HTMLInputElement>(null)
  const [name, setName] = useState('')
  const [reading, setReading] = useState<{ readonly share: number; readonly giveUp: () => void } | null>(null)
  const [table, setTable] = useState<ReadingsRead | null>(null)
  const [brought, setBrought] = useState<Brought | null>(null)
  const [done, setDone] = useState<string | null>(null)
  const look = async (file: File | undefined) => {
    if (!file) return
    reading?.giveUp()
    setDone(null)
    setBrought(null)
    setName(file.name)
    if (file.size > MOST_ZIP_BYTES)
      return setBrought({
        kind: 'refused',
        where: '',
        message: 'The file is larger than any backup: is it the right one?',
      })
    const asked = new AbortController()
    const giveUp = () => asked.abort()
    const tell = (share: number) => setReading(now => now && { ...now, share })
    setReading({ share: 0, giveUp })
    try {
      const bytes = new Uint8Array(await file.arrayBuffer())
      const isTable = /\.csv$/i.test(file.name) || file.type === 'text/csv'
      if (isTable) {
        const read = await fileReading.readings(bytes, { signal: asked.signal, tell })
        setTable(read)
        setBrought(bringReadings(read, state, maker.nowMs()))
      } else {
        const read = await fileReading.backup(bytes, { signal: asked.signal, tell })
        setBrought(bringBackup(read, kept, maker.nowMs(), store.name === 'own'))
      }
    } catch (reason) {
      if (!asked.signal.aborted)
        setBrought({ kind: 'refused', where: '', message: `It does not read: ${refusalText(reason)}.` })
    } finally {
      setReading(now => (now?.giveUp === giveUp ? null : now))
      if (input.current) input.current.value = ''
    }
  }
  const choose = (meant: Meant) => table && setBrought(bringReadings(table, state, maker.nowMs(), meant))
  const finish = (said: string) => {
    setBrought(null)
    setDone(said)
  }
  const giveUp = () => setBrought(null)
  return (
    <section className={css.filePart}>
      <h2 className={hand.section}>Bring a file in</h2>
      <p>
        A backup from another device, or a table of readings. It is shown first; nothing changes until you say
        so.
      </p>
      <input
        ref={input}
        type="file"
        accept=".zip,.csv,application/zip,text/csv"
        className={hand.visuallyHidden}
        aria-label="A backup or a table of readings"
        onChange={event => void look(event.currentTarget.files?.[0])}
      />
      <button type="button" className={hand.worded} onClick={() => input.current?.click()}>
        Choose a file …
      </button>
      {reading && (
        <p role="status" data-part="reading-file">
          Reading {name}, {inWhole(reading.share * 100)}
          {THIN}% …{' '}
          <button type="button" className={hand.worded} onClick={reading.giveUp}>
            Leave it
          </button>
        </p>
      )}
      {done && (
        <p role="status" className={css.brought}>
          {done}
        </p>
      )}
      {brought?.kind === 'refused' && (
        <p className={hand.notice} role="alert">
          {name}
          {brought.where === '' ? '' : `, ${brought.where}`}: {brought.message} Nothing is changed.
        </p>
      )}
      {brought?.kind === 'which' && <WhichOfAName names={brought.names} choose={choose} giveUp={giveUp} />}
      {(brought?.kind === 'backup' || brought?.kind === 'readings') && (
        <Looked name={name} brought={brought} finish={finish} giveUp={giveUp} />
      )}
    </section>
  )
}
