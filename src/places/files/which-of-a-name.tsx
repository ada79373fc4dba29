import { useState } from 'react'
import type { State } from '#journal/state.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { dayText } from '#ui/dates.ts'
import { inWhole, THIN } from '#ui/format.ts'
import { meantKey, type ManyOfAName, type Meant } from './bring-file.ts'
import css from './files.module.css'
import hand from '#ui/hand.module.css'

/** A name in a table that two boxes have here: which of them is meant. */
export function WhichOfAName({
  names,
  choose,
  giveUp,
}: {
  readonly names: readonly ManyOfAName[]
  readonly choose: (meant: Meant) => void
  readonly giveUp: () => void
}) {
  const { state, nowMs } = useJournal()
  const { maker } = useJournalTools()
  const [meant, setMeant] = useState<Meant>({})
  const isAnswered = names.every(one => Object.hasOwn(meant, meantKey(one)))
  return (
    <div className={css.looked} data-looked>
      {names.map(one => (
        <fieldset key={meantKey(one)} className={hand.choiceRow}>
          <legend>
            {one.ids.length} {one.in === 'box' ? 'boxes' : 'rooms'} are named {one.name}: which is meant?
          </legend>
          {one.ids.map(id => (
            <label key={id} className={hand.choiceWord}>
              <input
                type="radio"
                name={meantKey(one)}
                className={hand.visuallyHidden}
                checked={meant[meantKey(one)] === id}
                onChange={() => setMeant({ ...meant, [meantKey(one)]: id })}
              />
              <span>{lastRead(state, one.in, id, nowMs, maker.zone)}</span>
            </label>
          ))}
        </fieldset>
      ))}
      <p className={css.lookedActs}>
        <button type="button" className={hand.filled} disabled={!isAnswered} onClick={() => choose(meant)}>
          Look at it so
        </button>
        <button type="button" className={hand.worded} onClick={giveUp}>
          Leave it
        </button>
      </p>
    </div>
  )
}

/** What tells two of a name apart: when each was read last, and what it showed. */
function lastRead(state: State, of: 'box' | 'room', id: string, nowMs: number, zone: string): string {
  const read = state.readings.filter(({ place }) =>
    of === 'box' ? place.in === 'box' && place.boxId === id : place.in === 'room' && place.roomId === id,
  )
  const last = read.reduce<(typeof read)[number] | null>(
    (latest, one) => (latest === null || one.atMs > latest.atMs ? one : latest),
    null,
  )
  return last === null
    ? 'the one never read'
    : `the one that showed ${inWhole(last.relativeHumidityPercent)}${THIN}% ${dayText(last.atMs, nowMs, zone)}`
}
