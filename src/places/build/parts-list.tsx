import { TextInput } from '@mantine/core'
import { totalAnswer } from '#core/answers/answers.ts'
import { eachAnswer } from '#core/answers/build-answers.ts'
import { costOf, inchTwin, type Part } from '#core/build/parts.ts'
import { usePreferences } from '#session/journal-context.tsx'
import { parseDecimal } from '#ui/decimal.ts'
import { Figure } from '#ui/figure.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { useState } from 'react'
import hand from '#ui/hand.module.css'
import css from './bench.module.css'

/** What to get: how many, how long, what one costs here; each price is kept with the plan. */
export function PartsList({
  parts,
  drills,
  spoolCount,
  onPrice,
}: {
  readonly parts: readonly Part[]
  /** Diameters to be drilled. */
  readonly drills: readonly number[]
  readonly spoolCount: number
  readonly onPrice: (part: Part, price: number | null) => void
}) {
  const { length, mark, weight } = useMeasures()
  const { preferences } = usePreferences()
  const { sum, unpriced } = costOf(parts)
  const money = new Intl.NumberFormat('en-GB', { style: 'currency', currency: preferences.currency })
  const total = totalAnswer(
    'cost in all',
    '',
    parts
      .filter(part => part.price !== null)
      .map(part => [`${part.count} × ${part.name}`, part.count * part.price!]),
  )
  const each = spoolCount > 0 ? sum / spoolCount : null
  return (
    <section data-part="parts">
      <h2 className={hand.section}>Parts</h2>
      <ul className={css.parts}>
        {parts.map(part => (
          <li key={part.id} className={css.part}>
            <span>
              {part.count > 1 && `${part.count} × `}
              {part.name}
              {part.lengthMm !== null && `, ${length.text(part.lengthMm)}`}
              {part.grams !== null && `, ${weight.text(part.grams)}`}
            </span>
            <Price part={part} currency={preferences.currency} onPrice={onPrice} />
          </li>
        ))}
      </ul>
      <p>
        {sum > 0 && (
          <>
            <Figure answer={total} className={hand.strong}>
              {money.format(sum)}
            </Figure>{' '}
            in all
            {each !== null && (
              <>
                ,{' '}
                <Figure answer={eachAnswer('cost a spool', '', ['cost in all', sum], spoolCount)}>
                  {money.format(each)}
                </Figure>{' '}
                a spool
              </>
            )}
            .{' '}
          </>
        )}
        {unpriced > 0 && (
          <span className={hand.aside}>
            {unpriced === 1 ? 'One part has' : `${unpriced} parts have`} no price yet.
          </span>
        )}
      </p>
      {drills.length > 0 && (
        <p data-part="tools">
          Tools: drills of{' '}
          {drills
            .map(mm => {
              const twin = inchTwin(mm)
              return `${mark.text(mm)}${twin ? ` (in inches ${twin.name})` : ''}`
            })
            .join(', ')}
          , a pilot of {mark.text(3)}, a stepped bit for thin walls; tape, rule, a piece of wood, a round
          file, a deburring knife, eye protection{parts.some(part => part.id.startsWith('rod')) && ', a saw'}.
        </p>
      )}
    </section>
  )
}

/** A price that can be written over; empty: not told. */
function Price({
  part,
  currency,
  onPrice,
}: {
  readonly part: Part
  readonly currency: string
  readonly onPrice: (part: Part, price: number | null) => void
}) {
  const stands = part.price === null ? '' : String(part.price)
  const [typed, setTyped] = useState(stands)
  const [before, setBefore] = useState(stands)
  // undo, another tab: what stands now is shown
  if (before !== stands) {
    setBefore(stands)
    setTyped(stands)
  }
  const value = typed.trim() === '' ? null : parseDecimal(typed)
  const isBad = value !== null && !(value >= 0 && value <= 100_000)
  return (
    <TextInput
      aria-label={`Price of ${part.name}, ${currency} each`}
      inputMode="decimal"
      autoComplete="off"
      size="xs"
      placeholder={currency}
      value={typed}
      error={isBad ? 'a price from 0, or nothing' : null}
      onChange={event => setTyped(event.currentTarget.value)}
      onBlur={() => !isBad && typed !== stands && onPrice(part, value)}
    />
  )
}
