import { useQuery } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { endsAtAnswer, passingAnswer } from '#core/answers/box-answers.ts'
import { equilibriumMoisturePercent } from '#core/filament/sorption.ts'
import { dialOf } from '#core/spool/dry-these.ts'
import { bestWay, type SpoolWay } from '#core/spool/four-ways.ts'
import type { PrintAsked } from '#core/spool/print-clock.ts'
import type { SpoolReport } from '#core/spool/spool-report.ts'
import { roomAirOrUsual } from '#journal/room-air-or-usual.ts'
import type { SpoolRecord } from '#journal/state.ts'
import { sourceChoices } from '#session/heat-choices.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { dryQuery, printQuery } from '#session/spools/spool-queries.ts'
import { schoolOf } from '#session/spools/school-of.ts'
import { standingSpool } from '#session/spools/standing-spool.ts'
import { usePrintPlaces } from '#session/spools/use-print-places.ts'
import { roomOfSpool } from '#session/spools/spool-asked.ts'
import { Figure } from '#ui/figure.tsx'
import { inHundredths, THIN } from '#ui/format.ts'
import { degreesText } from '#ui/heat-text.ts'
import { hoursRange } from '#ui/spool-lasts.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { daysFromSeconds, secondsFromHours } from '#units/time.ts'
import hand from '#ui/hand.module.css'
import css from './spool.module.css'

const NAMES: Readonly<Record<SpoolWay, string>> = {
  leave: 'Leave it',
  box: 'Box it',
  'let dry': 'Let a box dry it',
  heat: 'Heat it',
}

/** Leave it, box it, let a box dry it, heat it: what each comes to, and which is the least trouble that does it. */
export function FourWays({ spool, report }: { readonly spool: SpoolRecord; readonly report: SpoolReport }) {
  const { state, nowMs } = useJournal()
  const tools = useJournalTools()
  const measures = useMeasures()
  const { limitPercent } = report
  const material = state.materials[spool.material]
  const boxes = usePrintPlaces(spool, report).filter(one => one.key.startsWith('box:'))
  const driest = [...boxes].sort((a, b) => a.air.rhPercent - b.air.rhPercent)[0]
  const own = spool.where.at === 'box' ? boxes.find(one => one.key === `box:${boxIdOf(spool)}`) : undefined
  const box = own ?? driest
  const at = standingSpool(state, spool, report)
  const inBox: PrintAsked | null =
    box && limitPercent !== null
      ? { at: { ...at, air: box.air, limitPercent }, grams: report.nextG, hours: null }
      : null
  const boxed = useQuery(printQuery(tools, inBox))
  const choices = sourceChoices(state, false)
  const choice = choices.find(({ source }) => source.kind === 'dryer' || source.kind === 'dehydrator')
  const parts = { body: spool.body ?? null, label: null, holder: null }
  const school = schoolOf(state, spool)
  const dialC = choice ? dialOf(school, { at, parts, source: choice.source }) : null
  const { temperatureC, relativeHumidityPercent } = roomAirOrUsual(state, roomOfSpool(state, spool), nowMs)
  const heat =
    choice && dialC !== null
      ? {
          at,
          parts,
          source: choice.source,
          dialC,
          air: 'vented' as const,
          intake: { temperatureC, relativeHumidityPercent },
          nextG: report.nextG,
        }
      : null
  const heated = useQuery(dryQuery(tools, heat))
  if (limitPercent === null) return null
  const isLooking = (inBox !== null && boxed.isLoading) || (heat !== null && heated.isLoading)
  const isPast = report.next.middle > limitPercent
  const idle = boxed.data?.idle
  const { here } = report
  const days = (seconds: number | null | undefined) => (seconds == null ? null : daysFromSeconds(seconds))
  const usable = heated.data && heated.data.refused.length === 0 ? heated.data.next.usable : null
  const best = bestWay({
    isPast,
    where: spool.where.at === 'box' ? 'box' : spool.where.at === 'bag' ? 'bag' : 'open',
    hereDays: isPast ? null : days(here?.usual),
    boxDays: box ? (isPast ? null : days(idle?.usualS)) : undefined,
    driesDays: isPast ? days(idle?.usualS) : null,
    heatDays: usable?.usual == null ? null : usable.usual / HOURS_A_DAY,
  })
  const endsIn = (rhPercent: number, where: string) => (
    <Figure answer={endsAtAnswer(material, `${spool.name} ${where}`, rhPercent)}>
      {inHundredths(equilibriumMoisturePercent(material, rhPercent))}
      {THIN}%
    </Figure>
  )
  const boxName = box?.name.replace(/^from /, '') ?? ''
  const boxTime = idle?.passing && (
    <Figure
      answer={passingAnswer(
        `${spool.name} in ${boxName}`,
        { early: idle.earlyS, late: idle.lateS },
        idle.passing,
      )}
    >
      {hoursRange(idle.usualS!, idle.earlyS, idle.lateS)}
    </Figure>
  )
  const says: Readonly<Record<SpoolWay, ReactNode>> = {
    leave:
      spool.where.at === 'bag' ? (
        isPast ? (
          'sealed it stays as damp as it is'
        ) : (
          'sealed it keeps what it has'
        )
      ) : here?.passing && !isPast ? (
        <>
          past what prints bear in{' '}
          <Figure answer={passingAnswer(`${spool.name} where it is`, here, here.passing)}>
            {hoursRange(here.usual!, here.early, here.late)}
          </Figure>
        </>
      ) : (
        <>
          it ends near {endsIn(report.hereRhPercent ?? 0, 'where it is')}
          {isPast ? '' : ', below what prints bear'}
        </>
      ),
    box: !box ? (
      'no box stands with a reading'
    ) : isPast ? (
      'as damp as it is, boxing it is drying it: see the next line'
    ) : boxTime ? (
      <>
        {boxName} gives it {boxTime}
      </>
    ) : (
      <>
        in {boxName} it ends near {endsIn(box.air.rhPercent, `in ${boxName}`)} and keeps
      </>
    ),
    'let dry': !box ? (
      'no box stands with a reading'
    ) : !isPast ? (
      'it needs no drying to print'
    ) : boxTime ? (
      <>
        {boxName} brings it down in {boxTime}; its beads take the water
      </>
    ) : (
      <>
        no: in {boxName} it ends near {endsIn(box.air.rhPercent, `in ${boxName}`)}, above its limit
      </>
    ),
    heat: !choice ? (
      'no dryer is entered in Kit'
    ) : dialC === null || !usable ? (
      `${choice.name} is too hot for it, or may not`
    ) : usable.usual === 0 ? (
      'it needs no heat to print'
    ) : usable.usual === null || !usable.passing ? (
      <>
        not in {choice.name} at {degreesText(measures, heated.data!.heat.middleC)}: it ends above its limit
      </>
    ) : (
      <>
        <Figure
          answer={passingAnswer(
            `${spool.name} in ${choice.name}`,
            {
              early: usable.early === null ? null : secondsFromHours(usable.early),
              late: usable.late === null ? null : secondsFromHours(usable.late),
            },
            usable.passing,
          )}
        >
          {hoursRange(
            secondsFromHours(usable.usual),
            usable.early === null ? null : secondsFromHours(usable.early),
            usable.late === null ? null : secondsFromHours(usable.late),
          )}
        </Figure>{' '}
        in {choice.name}
      </>
    ),
  }
  return (
    <section className={css.print} aria-label="What it needs" data-looking={isLooking || undefined}>
      <h2 className={hand.section}>What it needs</h2>
      {isLooking ? (
        <p className={hand.aside}>Reckoning …</p>
      ) : (
        <dl className={css.words} data-part="four-ways" data-best={best}>
          {(Object.keys(NAMES) as SpoolWay[]).map(way => (
            <div key={way} className={css.way}>
              <dt className={way === best ? css.chosenWay : undefined}>
                {way === 'heat' && choice ? (
                  <Link to={`${tools.base}/spools/${spool.spoolId}/dry`}>{NAMES[way]}</Link>
                ) : (
                  NAMES[way]
                )}
              </dt>
              <dd className={way === best ? hand.strong : undefined}>{says[way]}</dd>
            </div>
          ))}
        </dl>
      )}
    </section>
  )
}

const HOURS_A_DAY = 24
const boxIdOf = ({ where }: SpoolRecord): string | null => (where.at === 'box' ? where.boxId : null)
