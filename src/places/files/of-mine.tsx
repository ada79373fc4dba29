import type { ChangeOfMine } from '#journal/changes-of-mine.ts'
import type { State } from '#journal/state.ts'
import type { Entry } from '#records/entry.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { shortDayText } from '#ui/dates.ts'
import { entryWords } from '#ui/entry-words.ts'
import { kindWords } from '#ui/kind-words.ts'
import { useMeasures } from '#ui/use-measures.ts'
import css from './files.module.css'
import hand from '#ui/hand.module.css'

const SHOWN_AT_ONCE = 8

/** What of mine a file would change, one line each, before what is new in it. */
export function OfMine({
  changes,
  after,
}: {
  readonly changes: readonly ChangeOfMine[]
  readonly after: State
}) {
  const { state, nowMs } = useJournal()
  const { maker } = useJournalTools()
  const measures = useMeasures()
  if (changes.length === 0) return null
  const words = (entry: Entry, of: State) => {
    const { about, says } = entryWords(entry, of, measures)
    const kind = kindWords(entry.kind)
    const what = kind === about ? says : `${kind}, ${says}`
    return `${about}, ${shortDayText(Date.parse(entry.at), nowMs, maker.zone)}: ${what}`
  }
  const line = ({ how, was, now }: ChangeOfMine) =>
    how === 'taken back'
      ? `taken back: ${words(was!, state)}`
      : how === 'put otherwise'
        ? `${words(was!, state)}; then: ${entryWords(now!, after, measures).says}`
        : words(now!, state)
  const lines = changes.map(line)
  const list = (some: readonly string[]) => (
    <ul className={css.ofMine}>
      {some.map((text, i) => (
        <li key={i}>{text}</li>
      ))}
    </ul>
  )
  return (
    <section data-part="of-mine" className={css.mine}>
      <h3 className={hand.strong}>
        {changes.length === 1
          ? 'It changes one thing of yours'
          : `It changes ${changes.length} things of yours`}
      </h3>
      {list(lines.slice(0, SHOWN_AT_ONCE))}
      {lines.length > SHOWN_AT_ONCE && (
        <details>
          <summary>and {lines.length - SHOWN_AT_ONCE} more</summary>
          {list(lines.slice(SHOWN_AT_ONCE))}
        </details>
      )}
    </section>
  )
}
