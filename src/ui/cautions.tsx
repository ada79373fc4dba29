import { CAUTIONS_YIELD, type Caution } from '#core/renewal/cautions.ts'

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
    <ul className="cautions">
      {list.map(caution => (
        <li key={caution.id} data-caution={caution.id}>
          {caution.text}
        </li>
      ))}
      <li className="aside">{CAUTIONS_YIELD}</li>
    </ul>
  )
  return folded ? (
    <details className="cautions-folded">
      <summary>Take care with beads</summary>
      {items}
    </details>
  ) : (
    <section aria-label="Take care">{items}</section>
  )
}
