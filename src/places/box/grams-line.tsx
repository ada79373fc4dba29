import type { GramsWanted } from '#core/estimate/grams-wanted.ts'
import { shareAnswer } from '#core/answers/answers.ts'
import type { BoxView } from '#journal/box-view.ts'
import { BeadsFigure, beadsInG } from '#ui/beads-figure.tsx'
import { Figure } from '#ui/figure.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { usePreferences } from '#session/journal-context.tsx'
import { moneyFor, roundedGrams } from '#ui/format.ts'
import css from './box.module.css'
import hand from '#ui/hand.module.css'

/** How many beads, freshly heated and put in now, would last; and what else would do instead. */
export function GramsLine({
  view,
  wanted,
  failed,
}: {
  readonly view: BoxView
  readonly wanted: readonly GramsWanted[] | undefined
  readonly failed: boolean
}) {
  const { charges } = view
  if (charges.length === 0) return null
  const assumed = charges.some(charge => charge.massKnown === 'assumed')
  const inIt = (
    <>
      <BeadsFigure charges={charges} /> {assumed ? 'assumed in it' : 'are in it'}.{' '}
    </>
  )
  return (
    <section className={css.grams} aria-live="polite">
      <h2 className={hand.section}>Grams wanted</h2>
      <p>
        {inIt}
        {failed && <span className={hand.aside}>The sizes could not be reckoned.</span>}
        {!failed && !wanted && <span className={hand.aside}>Sizing …</span>}
        {wanted && <Sizes wanted={wanted} inItG={beadsInG(charges)} />}
      </p>
    </section>
  )
}

function Sizes({ wanted, inItG }: { readonly wanted: readonly GramsWanted[]; readonly inItG: number }) {
  const plain = wanted.filter(item => item.remedy === 'as it is')
  const eight = plain.find(item => item.weeks === 8)
  // another way is worth naming where it makes a clear difference
  const plenty = eight?.grams != null && eight.grams < inItG
  const other = wanted
    .filter(
      item =>
        !plenty &&
        item.remedy !== 'as it is' &&
        item.weeks === 8 &&
        item.grams !== null &&
        item.grams < (eight?.grams ?? Infinity) * 0.75,
    )
    .sort((a, b) => a.grams! - b.grams!)[0]
  // what holds longer for the same weight says it all
  const reach = plain.filter(
    (item, i) =>
      item.grams !== null &&
      !plain
        .slice(i + 1)
        .some(later => later.grams !== null && roundedGrams(later.grams) === roundedGrams(item.grams!)),
  )
  const largest = reach.at(-1)
  return (
    <>
      {reach.length === 0 && <>No amount of beads that fits holds it for four weeks. </>}
      {reach.length > 0 && (
        <>
          Freshly heated,{' '}
          {reach.map((item, i) => (
            <span key={item.weeks}>
              {i > 0 && (i === reach.length - 1 ? ' and ' : ', ')}
              <GramsFigure item={item} words={i === 0 ? ' would hold' : ''} />
            </span>
          ))}
          {largest && largest.grams! < inItG && largest.weeks === 16 ? ': what is in it is plenty. ' : '. '}
        </>
      )}
      {other && (
        <>
          Or {other.remedy === 'a better seal' ? 'give it clips and rubber' : 'dry the damp spools first'},
          and <GramsFigure item={other} words=" hold" after="." />
        </>
      )}
      {reach.length > 0 && (
        <span className={hand.aside}>
          {' '}
          Spools that have settled buffer here; filled anew with damp ones it wants far more.
        </span>
      )}
    </>
  )
}

/** What a tenth of the draws are content with. */
const tenthOf = (perDraw: readonly number[]): number => perDraw[Math.floor(perDraw.length / 10)]!

/** "120 g would hold 8 weeks": the grams are the answer, the weeks were asked for. */
const GramsFigure = ({
  item,
  words,
  after,
}: {
  readonly item: GramsWanted
  readonly words: string
  readonly after?: string
}) => {
  const { weight } = useMeasures()
  const most = roundedGrams(item.grams!)
  const least = roundedGrams(tenthOf(item.perDraw))
  const price = moneyFor(most, usePreferences().preferences)
  return (
    <Figure
      answer={shareAnswer(
        `grams for ${item.weeks} weeks, ${item.remedy}`,
        'g',
        0.9,
        item.perDraw,
        'least grams in one draw',
      )}
      {...(after === undefined ? {} : { after })}
    >
      <strong>{weight.text(most)}</strong>
      {least !== most && (
        <span className={hand.pencil}>
          {' '}
          ({weight.bare(least)}–{weight.bare(most)})
        </span>
      )}
      {price && <strong>, {price}</strong>}
      {words} {item.weeks} weeks
    </Figure>
  )
}
