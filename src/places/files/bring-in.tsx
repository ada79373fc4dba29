import { useRef, useState } from 'react'
import { makeAct } from '#records/act.ts'
import { makeBringing } from '#journal/merge.ts'
import { agoText, dayText } from '#ui/dates.ts'
import { MOST_ZIP_BYTES } from '#formats/backup/read-backup.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useKeep } from '#session/writing.ts'
import { Refused } from '#ui/refused.tsx'
import { bringBackup, bringReadings, newInWords, type Brought } from './bring-file.ts'
import { ReplaceAll } from './replace-all.tsx'
import css from './files.module.css'
import hand from '#ui/hand.module.css'

/** Brings a file in: looked at first, then together with what is here, or in its place. */
export function BringIn() {
  const { kept, state } = useJournal()
  const { store, maker } = useJournalTools()
  const input = useRef<HTMLInputElement>(null)
  const [name, setName] = useState('')
  const [brought, setBrought] = useState<Brought | null>(null)
  const [done, setDone] = useState<string | null>(null)
  const look = async (file: File | undefined) => {
    if (!file) return
    setDone(null)
    setName(file.name)
    if (file.size > MOST_ZIP_BYTES)
      return setBrought({
        kind: 'refused',
        where: '',
        message: 'The file is larger than any backup: is it the right one?',
      })
    const bytes = new Uint8Array(await file.arrayBuffer())
    const isTable = /\.csv$/i.test(file.name) || file.type === 'text/csv'
    setBrought(
      isTable
        ? bringReadings(new TextDecoder().decode(bytes), state, maker.nowMs())
        : bringBackup(bytes, kept, maker.nowMs(), store.name === 'own'),
    )
    if (input.current) input.current.value = ''
  }
  const finish = (said: string) => {
    setBrought(null)
    setDone(said)
  }
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
      {brought && brought.kind !== 'refused' && (
        <Looked name={name} brought={brought} finish={finish} giveUp={() => setBrought(null)} />
      )}
    </section>
  )
}

function Looked({
  name,
  brought,
  finish,
  giveUp,
}: {
  readonly name: string
  readonly brought: Exclude<Brought, { kind: 'refused' }>
  readonly finish: (said: string) => void
  readonly giveUp: () => void
}) {
  const { nowMs } = useJournal()
  const { maker } = useJournalTools()
  const keep = useKeep()
  const [error, setError] = useState<unknown>(null)
  const [withAhead, setWithAhead] = useState<boolean | null>(null)
  const ahead = brought.kind === 'backup' ? brought.preview.ahead.length : brought.ahead
  const farthestMs =
    brought.kind === 'backup'
      ? Math.max(
          ...brought.preview.ahead.flatMap(act => [
            Date.parse(act.writtenAt),
            ...act.entries.map(entry => Date.parse(entry.at)),
          ]),
        )
      : Math.max(...brought.drafts.map(draft => draft.atMs ?? 0))
  const bring = async () => {
    try {
      if (brought.kind === 'readings') {
        const dayAheadMs = maker.nowMs() + 86_400_000
        const drafts = brought.drafts.filter(draft => withAhead !== false || (draft.atMs ?? 0) <= dayAheadMs)
        await keep(makeAct(maker, `${name}: ${drafts.length} readings brought in`, drafts))
        return finish(`${drafts.length} readings are in. Undo takes them out again.`)
      }
      const left = withAhead === false ? new Set(brought.preview.ahead.map(act => act.id)) : new Set()
      const fresh = new Set(brought.preview.newActs.map(act => act.id))
      const items = brought.acts.filter(({ act }) => fresh.has(act.id) && !left.has(act.id))
      const act = makeBringing(
        maker,
        `${name} brought together`,
        items.map(item => item.act),
      )
      await keep(act, { ...act, brings: items.map(item => item.raw) })
      finish('It is brought together. Undo takes it apart again.')
    } catch (reason) {
      setError(reason)
    }
  }
  const fresh = brought.kind === 'backup' ? brought.preview.newActs.length : brought.drafts.length
  return (
    <div className={css.looked} data-looked>
      <p className={css.lookedAnswer}>
        {brought.kind === 'backup' ? (
          <>
            New in it: <strong>{newInWords(brought.preview)}</strong>.
          </>
        ) : (
          <>
            New in it:{' '}
            <strong>{brought.drafts.length === 1 ? '1 reading' : `${brought.drafts.length} readings`}</strong>
            .
          </>
        )}
      </p>
      <p className={hand.aside}>
        {brought.kind === 'backup'
          ? `Saved ${agoText(Date.parse(brought.savedAt), nowMs, maker.zone)}; ${brought.preview.known.toLocaleString('en-GB')} of its ${brought.acts.length.toLocaleString('en-GB')} acts are here already.`
          : `${brought.known} of its readings are here already.`}{' '}
        {brought.kind === 'backup' && brought.preview.contradictions > 0 && (
          <>
            {brought.preview.contradictions === 1
              ? '1 thing in it can’t be true together with what is here: '
              : `${brought.preview.contradictions} things in it can’t be true together with what is here: `}
            you can put that right afterwards.
          </>
        )}
      </p>
      {ahead > 0 && (
        <fieldset className={hand.choiceRow}>
          <legend>A day ahead, or more</legend>
          <span>
            {ahead === 1 ? 'One of them is' : `${ahead} of them are`} dated as late as{' '}
            {dayText(farthestMs, nowMs, maker.zone)}: was that device’s clock wrong?
          </span>
          {(
            [
              [true, 'bring them too'],
              [false, 'leave them out'],
            ] as const
          ).map(([value, label]) => (
            <label key={label} className={hand.choiceWord}>
              <input
                type="radio"
                name="ahead"
                className={hand.visuallyHidden}
                checked={withAhead === value}
                onChange={() => setWithAhead(value)}
              />
              <span>{label}</span>
            </label>
          ))}
        </fieldset>
      )}
      {error !== null && <Refused error={error} remedy="bring it again" />}
      <p className={css.lookedActs}>
        <button
          type="button"
          className={hand.filled}
          disabled={fresh === 0 || (ahead > 0 && withAhead === null)}
          onClick={() => void bring()}
        >
          {fresh === 0 ? 'Nothing new in it' : 'Bring it together'}
        </button>
        <button type="button" className={hand.worded} onClick={giveUp}>
          Leave it
        </button>
      </p>
      {brought.kind === 'backup' && <ReplaceAll name={name} acts={brought.acts} finish={finish} />}
    </div>
  )
}
