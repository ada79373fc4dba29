import { Link } from 'react-router'
import { heldAtTarget } from '#core/verdict/held-at-target.ts'
import {
  endsAtAnswer,
  holdingRhAnswer,
  lengthPastAnswer,
  nextPrintAnswer,
  passingAnswer,
  spoolMeanAnswer,
} from '#core/answers/box-answers.ts'
import type { SpoolReport } from '#core/spool/spool-report.ts'
import type { Material } from '#core/filament/material.ts'
import type { TimeToLimit } from '#core/ask/spool-time.ts'
import { NEXT_PRINT_G } from '#core/filament/rings.ts'
import { spoolWord } from '#core/verdict/spool.ts'
import { daysFromSeconds, hoursFromSeconds } from '#units/time.ts'
import type { BoxView } from '#journal/box-view.ts'
import type { KnownSpool } from '#session/spools/use-spool-reports.ts'
import { Figure } from '#ui/figure.tsx'
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
              {THIN}% <Range spread={report.next} />
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
              {THIN}% <Range spread={report.mean} />
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
        {report && <Lasts report={report} material={material} name={spool.name} />}
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

const Range = ({ spread }: { readonly spread: { readonly low: number; readonly high: number } }) => (
  <span className={hand.pencil}>
    ({inHundredths(spread.low)}–{inHundredths(spread.high)})
  </span>
)

/** How long it prints from the closed box and in the open room; or how long it dries. */
function Lasts({
  report,
  material,
  name,
}: {
  readonly report: SpoolReport
  readonly material: Material
  readonly name: string
}) {
  const { here, open, limitPercent } = report
  if (limitPercent === null || !here) return <p>prints at any time</p>
  if (report.next.middle > limitPercent)
    return here.passing ? (
      <p>
        dries in here in <Lasting time={here} quantity={`${name} dries in here in`} />
      </p>
    ) : (
      <p>
        does not dry in here: ends at{' '}
        <Figure answer={endsAtAnswer(material, name, report.hereRhPercent!)}>
          {inHundredths(here.endsAtPercent)}
          {THIN}%
        </Figure>
      </p>
    )
  return (
    <>
      <p>
        from the closed box:{' '}
        {here.passing ? (
          <Lasting time={here} quantity={`${name} prints from the closed box for`} />
        ) : (
          'no limit'
        )}
      </p>
      <p>
        in the open room:{' '}
        {open?.passing ? (
          <Lasting time={open} quantity={`${name} prints in the open room for`} />
        ) : (
          'no limit'
        )}
      </p>
    </>
  )
}

/** Hours below two days, then days; with the range that the winding leaves open. */
function Lasting({ time, quantity }: { readonly time: TimeToLimit; readonly quantity: string }) {
  const inDays = time.usual! >= 2 * 86_400
  const count = (seconds: number) =>
    inDays
      ? inWhole(daysFromSeconds(seconds))
      : hoursFromSeconds(seconds) < 3
        ? inTenths(hoursFromSeconds(seconds))
        : inWhole(hoursFromSeconds(seconds))
  const [low, middle, high] = [
    count(time.early!),
    count(time.usual!),
    time.late === null ? 'never' : count(time.late),
  ]
  return (
    <Figure answer={passingAnswer(quantity, time, time.passing!)} className={hand.small}>
      {middle}
      {THIN}
      {inDays ? 'days' : 'h'}
      {low !== high && (
        <span className={hand.pencil}>
          {' '}
          ({low}–{high})
        </span>
      )}
    </Figure>
  )
}
