import { greatest } from '#units/extremes.ts'
import { useState } from 'react'
import { makeAct } from '#records/act.ts'
import { makeBringing } from '#journal/merge.ts'
import { agoText, dayText } from '#ui/dates.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useOnce } from '#ui/use-once.ts'
import { useKeep } from '#session/writing.ts'
import { Refused } from '#ui/refused.tsx'
import { newInWords, type Brought } from './bring-file.ts'
import { OfMine } from './of-mine.tsx'
import { ReplaceAll } from './replace-all.tsx'
import css from './files.module.css'
import hand from '#ui/hand.module.css'

/** What a file would bring, before anything is: what of mine it changes, what is new, and what then. */
export function Looked({
  name,
  brought,
  finish,
  giveUp,
}: {
  readonly name: string
  readonly brought: Extract<Brought, { kind: 'backup' | 'readings' }>
  readonly finish: (said: string) => void
  readonly giveUp: () => void
}) {
  const { nowMs } = useJournal()
  const { maker, photos } = useJournalTools()
  const keep = useKeep()
  const [error, setError] = useState<unknown>(null)
  const [withAhead, setWithAhead] = useState<boolean | null>(null)
  const ahead = brought.kind === 'backup' ? brought.preview.ahead.length : brought.ahead
  const farthestMs =
    brought.kind === 'backup'
      ? greatest(
          brought.preview.ahead.flatMap(act => [
            Date.parse(act.writtenAt),
            ...act.entries.map(entry => Date.parse(entry.at)),
          ]),
        )
      : greatest(brought.drafts.map(draft => draft.atMs ?? 0))
  const bring = async () => {
    try {
      if (brought.kind === 'readings') {
        const dayAheadMs = maker.nowMs() + 86_400_000
        const drafts = brought.drafts.filter(draft => withAhead !== false || (draft.atMs ?? 0) <= dayAheadMs)
        await keep(
          makeAct(
            maker,
            `${name}: ${drafts.length === 1 ? 'one reading' : `${drafts.length} readings`} brought in`,
            drafts,
          ),
        )
        return finish(
          drafts.length === 1
            ? 'One reading is in. Undo takes it out again.'
            : `${drafts.length} readings are in. Undo takes them out again.`,
        )
      }
      const left = withAhead === false ? new Set(brought.preview.ahead.map(act => act.id)) : new Set()
      const fresh = new Set(brought.preview.newActs.map(act => act.id))
      const items = brought.acts.filter(({ act }) => fresh.has(act.id) && !left.has(act.id))
      const act = makeBringing(
        maker,
        `${name} brought together`,
        items.map(item => item.act),
      )
      // first what they speak of
      for (const bytes of brought.photos.values()) await photos.put(bytes)
      await keep(act, { ...act, brings: items.map(item => item.raw) })
      finish('It is brought together. Undo takes it apart again.')
    } catch (reason) {
      setError(reason)
    }
  }
  const { isBusy, once } = useOnce(bring)
  const fresh = brought.kind === 'backup' ? brought.preview.newActs.length : brought.drafts.length
  return (
    <div className={css.looked} data-looked>
      {brought.kind === 'backup' && <OfMine changes={brought.preview.ofMine} after={brought.preview.after} />}
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
        {brought.kind === 'backup' && brought.preview.twins.length > 0 && (
          <>
            {' '}
            {brought.preview.twins.join(', ')}: a box of that name is here too; afterwards you can make one of
            them, or name them apart.
          </>
        )}
        {brought.kind === 'backup' && brought.unreadable > 0 && (
          <>
            {' '}
            {brought.unreadable === 1
              ? 'One record in it does'
              : `${brought.unreadable} records in it do`}{' '}
            not read and stay in the file.
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
          disabled={isBusy || fresh === 0 || (ahead > 0 && withAhead === null)}
          onClick={once}
        >
          {fresh === 0 ? 'Nothing new in it' : 'Bring it together'}
        </button>
        <button type="button" className={hand.worded} onClick={giveUp}>
          Leave it
        </button>
      </p>
      {brought.kind === 'backup' && (
        <ReplaceAll name={name} acts={brought.acts} photos={brought.photos} finish={finish} />
      )}
    </div>
  )
}
