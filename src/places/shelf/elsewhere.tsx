import { useJournal } from '#session/journal-query.ts'
import { boxOf, idOf, movables, nameOf, whereText } from '#session/places-to-go.ts'
import css from './shelf.module.css'
import hand from '#ui/hand.module.css'

/** What is in no box just now, and the way back in. */
export function Elsewhere({ onAsk }: { readonly onAsk: (thingId: string) => void }) {
  const { state } = useJournal()
  const things = movables(state).filter(thing => boxOf(thing) === null)
  if (things.length === 0) return null
  return (
    <section className={css.elsewhere} aria-labelledby="elsewhere">
      <h2 id="elsewhere" className={hand.section}>
        In no box
      </h2>
      <ul>
        {things.map(thing => (
          <li key={idOf(thing)}>
            <button type="button" className={hand.worded} onClick={() => onAsk(idOf(thing))}>
              {nameOf(thing)}
            </button>{' '}
            <span className={hand.aside}>{whereText(state, thing)}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
