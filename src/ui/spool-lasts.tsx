import { endsAtAnswer, passingAnswer } from '#core/answers/box-answers.ts'
import type { TimeToLimit } from '#core/ask/spool-time.ts'
import type { Material } from '#core/filament/material.ts'
import type { SpoolReport } from '#core/spool/spool-report.ts'
import type { Whereabouts } from '#records/kinds/spool.ts'
import { daysFromSeconds, hoursFromSeconds } from '#units/time.ts'
import { Figure } from './figure.tsx'
import { inHundredths, inTenths, inWhole, THIN } from './format.ts'
import hand from './hand.module.css'

export const MoistureRange = ({
  spread,
}: {
  readonly spread: { readonly low: number; readonly high: number }
}) => (
  <span className={hand.pencil}>
    ({inHundredths(spread.low)}–{inHundredths(spread.high)})
  </span>
)

/** How long it prints from where it is and in the open room; or how long it dries. */
export function SpoolLasts({
  report,
  material,
  name,
  at,
}: {
  readonly report: SpoolReport
  readonly material: Material
  readonly name: string
  readonly at: Whereabouts['at']
}) {
  const { here, open, limitPercent } = report
  if (limitPercent === null) return <p>prints at any time</p>
  const isPast = report.next.middle > limitPercent
  if (!here) return <p>{isPast ? 'sealed in its bag it stays as damp' : 'sealed in its bag it keeps'}</p>
  const where = at === 'box' ? 'in here' : 'in the open'
  if (isPast)
    return here.passing ? (
      <p>
        dries {where} in <Lasting time={here} quantity={`${name} dries ${where} in`} />
      </p>
    ) : (
      <p>
        does not dry {where}: ends at{' '}
        <Figure answer={endsAtAnswer(material, name, report.hereRhPercent!)}>
          {inHundredths(here.endsAtPercent)}
          {THIN}%
        </Figure>
      </p>
    )
  return (
    <>
      {at === 'box' && (
        <p>
          from the closed box:{' '}
          {here.passing ? (
            <Lasting time={here} quantity={`${name} prints from the closed box for`} />
          ) : (
            'no limit'
          )}
        </p>
      )}
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

/** Hours below two days, then days; with the range that make and winding leave open. */
export function hoursRange(usualS: number, earlyS: number | null, lateS: number | null) {
  const inDays = usualS >= 2 * 86_400
  const count = (seconds: number) =>
    inDays
      ? inWhole(daysFromSeconds(seconds))
      : hoursFromSeconds(seconds) < 3
        ? inTenths(hoursFromSeconds(seconds))
        : inWhole(hoursFromSeconds(seconds))
  const [low, high] = [count(earlyS ?? usualS), lateS === null ? 'never' : count(lateS)]
  return (
    <>
      {count(usualS)}
      {THIN}
      {inDays ? 'days' : 'h'}
      {earlyS !== null && low !== high && (
        <span className={hand.pencil}>
          {' '}
          ({low}–{high})
        </span>
      )}
    </>
  )
}

const Lasting = ({ time, quantity }: { readonly time: TimeToLimit; readonly quantity: string }) => (
  <Figure answer={passingAnswer(quantity, time, time.passing!)} className={hand.small}>
    {hoursRange(time.usual!, time.early, time.late)}
  </Figure>
)
