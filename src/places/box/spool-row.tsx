import { heldAtTarget } from '#core/verdict/held-at-target.ts'
import {
  endsAtAnswer,
  holdingRhAnswer,
  lengthPastAnswer,
  nextPrintAnswer,
  passingAnswer,
  spoolMeanAnswer,
} from '#core/answers/box-answers.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import type { SpoolDetail } from '#core/estimate/spool-detail.ts'
import type { Material } from '#core/filament/material.ts'
import type { TimeToLimit } from '#core/ask/spool-time.ts'
import { NEXT_PRINT_G } from '#core/filament/rings.ts'
import { spoolWord, type SpoolWord } from '#core/verdict/spool.ts'
import { daysFromSeconds, hoursFromSeconds } from '#units/time.ts'
import type { BoxView } from '#journal/box-view.ts'
import type { SpoolRecord } from '#journal/state.ts'
import { Figure } from '#ui/figure.tsx'
import { HatchDefs, hatchId } from '#draw/hatch.tsx'
import { inHundredths, inTenths, inWhole, THIN } from '#ui/format.ts'
import { usePreferences } from '#session/journal-context.tsx'
import css from './box.module.css'
import hand from '#ui/hand.module.css'
import pen from '#draw/pen.module.css'

/** Every spool inside: the words for its next print and its mean, and how long it stays printable or needs to dry. */
export function SpoolRow({
  view,
  report,
  details,
  failed,
}: {
  readonly view: BoxView
  readonly report: BoxReport
  readonly details: readonly SpoolDetail[] | undefined
  readonly failed: boolean
}) {
  const { dark } = usePreferences()
  return (
    <section aria-label="Spools inside">
      <svg width="0" height="0" aria-hidden="true">
        <HatchDefs spools={view.spools} dark={dark} />
      </svg>
      <ul className={css.spoolRow}>
        {view.spools.map(spool => (
          <SpoolItem
            key={spool.spoolId}
            view={view}
            spool={spool}
            report={report}
            details={details}
            failed={failed}
          />
        ))}
      </ul>
      <p className={`${hand.aside} ${hand.small}`} data-wraps>
        A print is judged on the mean of the filament it takes, a hundred grams where none is named. Times are
        until that passes what prints usually bear, in the air as it is now.
      </p>
    </section>
  )
}

const isOf = (spool: SpoolRecord) => (item: { readonly id: string }) => item.id === spool.spoolId

function SpoolItem({
  view,
  spool,
  report,
  details,
  failed,
}: {
  readonly view: BoxView
  readonly spool: SpoolRecord
  readonly report: BoxReport
  readonly details: readonly SpoolDetail[] | undefined
  readonly failed: boolean
}) {
  const material = view.materials[spool.material]
  const now = report.spools.find(isOf(spool))
  const detail = details?.find(isOf(spool))
  if (!now) return null
  const mean = spoolMeanAnswer(now, spool.name)
  const next = detail && nextPrintAnswer(detail, spool.name)
  const nextWord = next ? spoolWord(material, next.value) : null
  const meanWord = spoolWord(material, mean.value)
  const held = heldAtTarget(material)
  return (
    <li className={css.spoolItem}>
      <SpoolRing spool={spool} word={nextWord ?? meanWord} />
      <div>
        <p className={css.spoolName} data-part="spool-name">
          {spool.name}
        </p>
        {next && detail ? (
          <p
            className={nextWord === 'expect trouble' ? hand.trouble : undefined}
            data-wraps={nextWord === 'expect trouble' || undefined}
          >
            {detail.nextG < NEXT_PRINT_G ? 'what is left' : 'next print'}: {nextWord}{' '}
            <Figure answer={next} className={hand.small}>
              {inHundredths(next.value)}
              {THIN}% <Range spread={detail.nextSpread} />
            </Figure>
          </p>
        ) : (
          <p className={hand.aside} data-wraps>
            {failed ? 'the next print could not be reckoned' : 'the next print: reckoning …'}
          </p>
        )}
        <p
          className={meanWord === 'expect trouble' ? hand.trouble : undefined}
          data-wraps={meanWord === 'expect trouble' || undefined}
        >
          mean: {meanWord}{' '}
          <Figure answer={mean} className={hand.small}>
            {inHundredths(mean.value)}
            {THIN}% <Range spread={now.spread} />
          </Figure>
        </p>
        {detail && detail.pastM >= 1 && (
          <p className={`${hand.aside} ${hand.small}`} data-wraps>
            only the first{' '}
            <Figure answer={lengthPastAnswer(detail, material, spool.name)}>
              {inWhole(detail.pastM)}
              {THIN}m
            </Figure>{' '}
            are past what prints bear
          </p>
        )}
        {detail && <Lasts detail={detail} material={material} name={spool.name} />}
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
  detail,
  material,
  name,
}: {
  readonly detail: SpoolDetail
  readonly material: Material
  readonly name: string
}) {
  const { here, open, limitPercent } = detail
  if (limitPercent === null || !here) return <p>prints at any time</p>
  if (detail.nextPercent > limitPercent)
    return here.passing ? (
      <p>
        dries in here in <Lasting time={here} quantity={`${name} dries in here in`} />
      </p>
    ) : (
      <p>
        does not dry in here: ends at{' '}
        <Figure answer={endsAtAnswer(material, name, detail.boxRhPercent)}>
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

/** The turns printed next as a ring: thin ink, water, or water with bubbles. The word stands beside it. */
function SpoolRing({ spool, word }: { readonly spool: SpoolRecord; readonly word: SpoolWord }) {
  return (
    <svg width="56" height="56" viewBox="-28 -28 56 56" aria-hidden="true">
      <circle r="22" fill={`url(#${hatchId(spool.material, spool.colour)})`} className={pen.windingEdge} />
      <circle r="12" className={pen.flange} />
      <circle r="6.5" className={pen.flangeHole} />
      {word === 'clean' && <circle r="25.5" className={css.ringClean} />}
      {word === 'usable' && <circle r="25" className={css.ringUsable} />}
      {word === 'expect trouble' && (
        <>
          <circle r="24" className={css.ringTrouble} />
          {[0, 1, 2, 3, 4, 5, 6, 7].map(i => (
            <circle
              key={i}
              cx={24 * Math.cos(i * 0.785 + 0.3)}
              cy={24 * Math.sin(i * 0.785 + 0.3)}
              r={i % 2 ? 1.3 : 1.9}
              className={css.ringBubble}
            />
          ))}
        </>
      )}
    </svg>
  )
}
