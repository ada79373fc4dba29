import { lazy, Suspense, useMemo } from 'react'
import { useElementSize } from '@mantine/hooks'
import { dewPointOfRhC } from '#core/air/vapour.ts'
import { differenceAnswer, enteredAnswer } from '#core/answers/answers.ts'
import { passingAnswer } from '#core/answers/box-answers.ts'
import { heatEnergyAnswer, moneyAnswer } from '#core/answers/heat-answers.ts'
import {
  canHeatedAirDry,
  heatedRhAnswer,
  intakeDewPointNeeded,
  leastDryingTemperature,
} from '#core/ask/heated-air.ts'
import type { Material } from '#core/filament/material.ts'
import type { DryAsked, DryFound, HoursTo } from '#core/spool/dry-these.ts'
import type { SpoolRecord } from '#journal/state.ts'
import { usePreferences } from '#session/journal-context.tsx'
import { Figure } from '#ui/figure.tsx'
import { inHundredths, inTenths, inWhole, THIN } from '#ui/format.ts'
import { degreesText } from '#ui/heat-text.ts'
import { hoursRange } from '#ui/spool-lasts.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { fractionFromPercent } from '#units/ratio.ts'
import { secondsFromHours } from '#units/time.ts'
import hand from '#ui/hand.module.css'
import css from './spool.module.css'

const DryingChart = lazy(() => import('./drying-chart.tsx'))
const CHART_PX = 190

const usableOf = (material: Material): number => material.troubleAbovePercent ?? material.cleanBelowPercent

/** Hours to a limit, with their range; a figure that opens. */
function Hours({ to, quantity }: { readonly to: HoursTo; readonly quantity: string }) {
  if (to.usual === 0) return 'already'
  if (to.usual === null || !to.passing) return 'not within a week'
  const seconds = (hours: number | null) => (hours === null ? null : secondsFromHours(hours))
  return (
    <Figure
      answer={passingAnswer(quantity, { early: seconds(to.early), late: seconds(to.late) }, to.passing)}
    >
      {hoursRange(secondsFromHours(to.usual), seconds(to.early), seconds(to.late))}
    </Figure>
  )
}

/** The answer in one sentence: not in there, not in this room, or so many hours. */
export function DryAnswer({ asked, found }: { readonly asked: DryAsked; readonly found: DryFound }) {
  const measures = useMeasures()
  const { material } = asked.at.spool
  const [refused] = found.refused
  if (refused) return refused.says
  const atHeat = `at ${degreesText(measures, found.heat.middleC)}`
  if (!found.canUsable && found.endsAtPercent)
    return (
      <>
        Not {atHeat} in this room: it ends near <EndsAt asked={asked} found={found} />, however long.
      </>
    )
  const { usable, clean } = found.next
  if (usable.usual === 0 && clean.usual === 0) return 'It is clean already: no heat is needed.'
  if (usable.usual === 0)
    return clean.usual === null ? (
      <>It prints as it is; clean it does not get {atHeat}.</>
    ) : (
      <>
        It prints as it is; clean after <Hours to={clean} quantity={`${material.id} is clean after`} />{' '}
        {atHeat}.
      </>
    )
  if (usable.usual === null) return <>It would take more than a week {atHeat}.</>
  return (
    <>
      <Hours to={usable} quantity={`${material.id} is usable after`} /> {atHeat}, and its next print may go.
    </>
  )
}

function EndsAt({ asked, found }: { readonly asked: DryAsked; readonly found: DryFound }) {
  const { material } = asked.at.spool
  const { endsAtPercent } = found
  if (!endsAtPercent) return null
  const text = (
    <>
      {inHundredths(endsAtPercent.middle)}
      {THIN}%
    </>
  )
  // beads in a shut dryer make the air; else the room's, heated
  return asked.air === 'vented' ? (
    <Figure answer={canHeatedAirDry(material, asked.intake, found.heat.middleC, usableOf(material))}>
      {text}
    </Figure>
  ) : (
    text
  )
}

/** What lies behind it: the air, both parts, what would do instead, energy and money, and the curve. */
export function DryDetails({
  spool,
  asked,
  found,
  pricePerKwh,
  material,
}: {
  readonly spool: SpoolRecord
  readonly asked: DryAsked
  readonly found: DryFound
  readonly pricePerKwh: number | null
  readonly material: Material
}) {
  const measures = useMeasures()
  const { water } = measures
  const { preferences } = usePreferences()
  const { intake, source } = asked
  const { heat, rhPercent } = found
  if (!rhPercent) return null
  const usable = usableOf(material)
  const hours = (to: HoursTo, what: string) => <Hours to={to} quantity={`${spool.name}: ${what}`} />
  return (
    <div className={css.dry}>
      <dl className={css.words}>
        <dt>its air</dt>
        <dd>
          {asked.air === 'vented' ? (
            <Figure answer={heatedRhAnswer(intake, heat.middleC)}>
              {inTenths(rhPercent.middle)}
              {THIN}%
            </Figure>
          ) : (
            <Figure
              answer={enteredAnswer(
                'air in the dryer',
                'held by fresh beads shut in with it',
                rhPercent.middle,
                '% RH',
                'assumed',
              )}
            >
              {inWhole(rhPercent.middle)}
              {THIN}%
            </Figure>
          )}
          : the spool heads for <EndsAt asked={asked} found={found} />
        </dd>
        <dt>next print usable</dt>
        <dd>{hours(found.next.usable, 'next print usable after')}</dd>
        <dt>next print clean</dt>
        <dd>{hours(found.next.clean, 'next print clean after')}</dd>
        <dt>whole spool usable</dt>
        <dd>{hours(found.mean.usable, 'whole spool usable after')}</dd>
        <dt>whole spool clean</dt>
        <dd>{hours(found.mean.clean, 'whole spool clean after')}</dd>
        {!found.canUsable && asked.air === 'vented' && (
          <>
            <dt>what would do</dt>
            <dd>
              {Number.isFinite(found.leastC) ? (
                <>
                  <Figure answer={leastDryingTemperature(material, intake, usable)}>
                    {degreesText(measures, Math.ceil(found.leastC))}
                  </Figure>
                  , or{' '}
                </>
              ) : (
                'no heat it stands in this room; '
              )}
              air with a dew point under{' '}
              <Figure answer={intakeDewPointNeeded(material, heat.middleC, usable)}>
                {degreesText(measures, found.dewPointC)}
              </Figure>{' '}
              <span className={hand.pencil} data-part="spool-facts">
                (now {degreesText(measures, dewPointOfRhC(intake))})
              </span>
              ; or fresh beads shut in with it
            </dd>
          </>
        )}
        {found.kWh !== null && found.hours !== null && (
          <>
            <dt>for that</dt>
            <dd>
              <Figure
                answer={heatEnergyAnswer(source, {
                  heat,
                  roomC: intake.temperatureC,
                  minutes: found.hours * 60,
                  waterG: found.waterOutG ?? 0,
                  kWh: found.kWh,
                })}
              >
                {inHundredths(found.kWh)}
                {THIN}kWh
              </Figure>
              {pricePerKwh !== null && (
                <>
                  ,{' '}
                  <Figure answer={moneyAnswer({ kWh: found.kWh }, pricePerKwh, preferences.currency)}>
                    {inHundredths(found.kWh * pricePerKwh)} {preferences.currency}
                  </Figure>
                </>
              )}
              ; water out{' '}
              <Figure answer={waterOutAnswer(spool.name, asked, found)}>
                {water.text(found.waterOutG ?? 0)}
              </Figure>
            </dd>
          </>
        )}
      </dl>
      <Curve found={found} material={material} />
    </div>
  )
}

/** What was in it, less what is in it at the end of those hours. */
function waterOutAnswer(name: string, { at }: DryAsked, { course, waterOutG }: DryFound) {
  const nowG = fractionFromPercent(course[0]!.meanPercent) * at.filamentG
  return differenceAnswer(
    `water out of ${name}`,
    'g',
    ['water in it now', nowG],
    ['water in it then', nowG - (waterOutG ?? 0)],
  )
}

function Curve({ found, material }: { readonly found: DryFound; readonly material: Material }) {
  const { ref, width } = useElementSize()
  const { dark } = usePreferences()
  const data = useMemo(
    () => ({
      course: found.course,
      cleanPercent: material.cleanBelowPercent,
      usablePercent: usableOf(material),
    }),
    [found, material],
  )
  return (
    <div ref={ref} className={css.curve}>
      {width > 0 && data.course.length > 0 && (
        <Suspense fallback={<p className={hand.aside}>Drawing …</p>}>
          <DryingChart key={String(dark)} data={data} width={width} height={CHART_PX} />
        </Suspense>
      )}
    </div>
  )
}
