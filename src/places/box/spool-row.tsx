import { Link } from 'react-router'
import { heldAtTarget } from '#core/verdict/held-at-target.ts'
import {
  holdingRhAnswer,
  lengthPastAnswer,
  nextPrintAnswer,
  spoolMeanAnswer,
} from '#core/answers/box-answers.ts'
import { NEXT_PRINT_G } from '#core/filament/rings.ts'
import { spoolWord } from '#core/verdict/spool.ts'
import type { BoxView } from '#journal/box-view.ts'
import type { KnownSpool } from '#session/spools/use-spool-reports.ts'
import { Figure } from '#ui/figure.tsx'
import { MoistureRange, SpoolLasts } from '#ui/spool-lasts.tsx'
import { HatchDefs } from '#draw/hatch.tsx'
import { SpoolRing } from '#draw/spool-ring.tsx'
import { inHundredths, inTenths, inWhole, THIN } from '#ui/format.ts'
import { useJournalTools, usePreferences } from '#session/journal-context.tsx'
import css from './box.module.css'
import hand from '#ui/hand.module.css'

/** Every spool inside: the words for its next print and its mean, and how long it stays printable or needs to dry. */
export function SpoolRow({
  view,
  spools,
}: {
  readonly view: BoxView
  readonly spools: readonly KnownSpool[]
}) {
  const { dark } = usePreferences()
  return (
    <section aria-label="Spools inside">
      <svg width="0" height="0" aria-hidden="true">
        <HatchDefs spools={view.spools} dark={dark} />
      </svg>
      <ul className={css.spoolRow}>
        {spools.map(known => (
          <SpoolItem key={known.spool.spoolId} view={view} known={known} />
        ))}
      </ul>
      <p className={`${hand.aside} ${hand.small}`} data-wraps>
        A print is judged on the mean of the filament it takes, a hundred grams where none is named. Times are
        until that passes what prints usually bear, in the air as it is now.
      </p>
    </section>
  )
}

function SpoolItem({ view, known }: { readonly view: BoxView; readonly known: KnownSpool }) {
  const { spool, report, error } = known
  const { base } = useJournalTools()
  const material = view.materials[spool.material]
  const mean = report && spoolMeanAnswer(report, spool.name)
  const next = report && nextPrintAnswer(report, spool.name)
  const nextWord = next ? spoolWord(material, next.value) : null
  const meanWord = mean ? spoolWord(material, mean.value) : null
  const held = heldAtTarget(material)
  return (
    <li className={css.spoolItem}>
      <SpoolRing spool={spool} word={nextWord} />
      <div>
        <p className={css.spoolName} data-part="spool-name">
          <Link to={`${base}/spools/${spool.spoolId}`} className={css.spoolLink}>
            {spool.name}
          </Link>
        </p>
        {next && report ? (
          <p
            className={nextWord === 'expect trouble' ? hand.trouble : undefined}
            data-wraps={nextWord === 'expect trouble' || undefined}
          >
            {report.nextG < NEXT_PRINT_G ? 'what is left' : 'next print'}: {nextWord}{' '}
            <Figure answer={next} className={hand.small}>
              {inHundredths(next.value)}
              {THIN}% <MoistureRange spread={report.next} />
            </Figure>
          </p>
        ) : (
          <p className={hand.aside} data-wraps>
            {error
              ? 'its moisture could not be reckoned'
              : report === null
                ? 'nothing is left on it'
                : 'the next print: reckoning …'}
          </p>
        )}
        {mean && report && (
          <p
            className={meanWord === 'expect trouble' ? hand.trouble : undefined}
            data-wraps={meanWord === 'expect trouble' || undefined}
          >
            mean: {meanWord}{' '}
            <Figure answer={mean} className={hand.small}>
              {inHundredths(mean.value)}
              {THIN}% <MoistureRange spread={report.mean} />
            </Figure>
          </p>
        )}
        {report && report.pastM >= 1 && (
          <p className={`${hand.aside} ${hand.small}`} data-wraps>
            only the first{' '}
            <Figure answer={lengthPastAnswer(report, material, spool.strandMm ?? 1.75, spool.name)}>
              {inWhole(report.pastM)}
              {THIN}m
            </Figure>{' '}
            are past what prints bear
          </p>
        )}
        {report && <SpoolLasts report={report} material={material} name={spool.name} at="box" />}
        {held.cleanHoldingRhPercent < LOWEST_BOX_PERCENT && held.word !== 'clean' && (
          <p className={`${hand.aside} ${hand.small}`} data-wraps>
            no box keeps it clean, its target slows it: clean below{' '}
            <Figure
              answer={holdingRhAnswer(
                material,
                `RH that keeps ${material.id} clean`,
                material.cleanBelowPercent,
              )}
            >
              {inTenths(held.cleanHoldingRhPercent)}
              {THIN}%
            </Figure>{' '}
            RH
            {held.troubleHoldingRhPercent !== null && (
              <>
                , usable below{' '}
                <Figure
                  answer={holdingRhAnswer(
                    material,
                    `RH that keeps ${material.id} usable`,
                    material.troubleAbovePercent!,
                  )}
                >
                  {inTenths(held.troubleHoldingRhPercent)}
                  {THIN}%
                </Figure>
              </>
            )}
          </p>
        )}
      </div>
    </li>
  )
}

/** An ordinary box with beads in it comes down to about this. */
const LOWEST_BOX_PERCENT = 5
