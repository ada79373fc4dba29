import { CAUTIONS_YIELD, type Caution } from '#core/renewal/cautions.ts'
import css from './cautions.module.css'
import hand from './hand.module.css'

/** What can hurt at this step. Folded where the step is only a look. */
export function Cautions({
  list,
  folded = false,
}: {
  readonly list: readonly Caution[]
  readonly folded?: boolean
}) {
  if (list.length === 0) return null
  const items = (
    <ul className={css.cautions}>
      {list.map(caution => (
        <li key={caution.id} data-caution={caution.id}>
          {caution.text}
        </li>
      ))}
      <li className={hand.aside}>{CAUTIONS_YIELD}</li>
    </ul>
  )
  return folded ? (
    <details className={css.cautionsFolded}>
      <summary>Take care with beads</summary>
      {items}
    </details>
  ) : (
    <section aria-label="Take care">{items}</section>
  )
}
