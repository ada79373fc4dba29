import { useState } from 'react'
import { Link } from 'react-router'
import {
  bulgeAnswer,
  daysHeldAnswer,
  drainAnswer,
  driveOf,
  stripLengthAnswer,
  sealTotalAnswer,
} from '#core/answers/seal-answers.ts'
import { vapourPressureOfRhPa } from '#core/air/vapour.ts'
import { stripReport } from '#core/build/foam-strip.ts'
import { drainBetween, openingsMgPerDay } from '#core/build/seal-budget.ts'
import { mgPerDay } from '#core/build/candidate.ts'
import { cautionsAt } from '#core/renewal/cautions.ts'
import { planBoxFacts } from '#journal/plan-facts.ts'
import { planSeal } from '#journal/plan-seal.ts'
import type { PlanRecord } from '#journal/state.ts'
import type { PlanCandidate } from '#records/kinds/plan.ts'
import { usePlanFirstDay, usePlanGrams } from '#session/build/plan-charge.ts'
import { useChangePlan } from '#session/build/change-plan.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { Cautions } from '#ui/cautions.tsx'
import { Figure } from '#ui/figure.tsx'
import { inWhole, THIN } from '#ui/format.ts'
import { Refused } from '#ui/refused.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { ChargeSection } from './charge-section.tsx'
import { daysText } from './days-text.ts'
import { HelpsSection } from './helps-section.tsx'
import { FillingDialog } from './filling-dialog.tsx'
import { FirstDay } from './first-day.tsx'
import { PlanWhere } from './plan-where.tsx'
import { StripDialog } from './strip-dialog.tsx'
import { useStanding } from './use-standing.ts'
import { mgText, WaterIn } from './water-in.tsx'
import hand from '#ui/hand.module.css'
import css from './close.module.css'
import build from './build.module.css'

/** How tight it will be and what is to lie in it: water in by path, what would help, how many beads, the first day. */
export function ClosePage({
  plan,
  candidate,
}: {
  readonly plan: PlanRecord
  readonly candidate: PlanCandidate
}) {
  const { state, nowMs } = useJournal()
  const { base } = useJournalTools()
  const { weight, length, mark } = useMeasures()
  const { change, write } = useChangePlan(plan)
  const [asking, setAsking] = useState<'filling' | 'strip' | null>(null)
  const { spools, arrangement, report, isTried } = useStanding(plan, candidate)
  const seal = planSeal(plan, candidate, arrangement, spools, state, nowMs)
  const factsFor = (isFirstDay: boolean) =>
    seal &&
    planBoxFacts(
      plan,
      candidate,
      arrangement,
      spools,
      seal.leakBesideWalls,
      seal.filling,
      state,
      // its air is that of the day, not of the minute
      Math.floor(nowMs / 86_400_000) * 86_400_000,
      isFirstDay,
    )
  const { data: wanted, error: gramsError } = usePlanGrams(factsFor(false), plan.weeksWanted)
  const { data: firstDay, error: dayError } = usePlanFirstDay(factsFor(true))
  if (!seal || !report)
    return (
      <main className={hand.page} data-place="build" data-part="close">
        <PlanWhere plan={plan} step="close" candidate={candidate} />
        <h1 className={hand.answer}>
          {isTried ? 'Nothing goes in yet: see Choose' : 'Trying what goes in …'}
        </h1>
      </main>
    )
  const { filling, drive, items, loadings, air, targetRhPercent } = seal
  const freeAirL = report.freeAirL
  const g = driveOf(drive)
  const openMg = openingsMgPerDay(plan.openingsPerMonth, freeAirL, g)
  const total = sealTotalAnswer(items, openMg, drive)
  const days = daysHeldAnswer('the beads last, settled', filling.grams, loadings, total.value)
  const drain = drainBetween(seal.facts.holes, candidate.wallThicknessMm, {
    vapourPressureDifferencePa:
      vapourPressureOfRhPa(air) -
      vapourPressureOfRhPa({ temperatureC: air.temperatureC, relativeHumidityPercent: targetRhPercent }),
    temperatureC: air.temperatureC,
  })
  const strip =
    candidate.lid === 'foam'
      ? stripReport(seal.facts.drill.inside, candidate.wallThicknessMm, plan.strip)
      : null
  const isWithout = plan.without.includes('charge')
  return (
    <main className={hand.page} data-place="build" data-part="close">
      <div className={hand.answerRow}>
        <div>
          <PlanWhere plan={plan} step="close" candidate={candidate} />
          <h1 className={hand.answer} aria-live="polite">
            {mgText(total.value)} of water a day comes in
            {isWithout
              ? '; it does without beads'
              : days.value < 1
                ? '; so leaky that beads do not hold the target'
                : `; ${weight.text(filling.grams)} take it for ${daysText(days.value)} once settled`}
          </h1>
          <p className={hand.behind}>
            In {state.rooms.get(plan.roomId)?.name ?? 'the room'} at {inWhole(air.relativeHumidityPercent)}
            {THIN}%, with {inWhole(targetRhPercent)}
            {THIN}% as the strictest target. A seal test tells your lid from its kind.
          </p>
        </div>
        <div className={hand.acts}>
          <span className={build.actsWords}>
            {strip && (
              <button type="button" className={hand.worded} onClick={() => setAsking('strip')}>
                Strip and clips
              </button>
            )}
            <Link to={`${base}/build/${plan.planId}/drill`} className={hand.worded}>
              What is fitted
            </Link>
          </span>
          <button type="button" className={hand.filled} onClick={() => setAsking('filling')}>
            What goes in
          </button>
        </div>
      </div>
      {write.error && <Refused error={write.error} remedy="press again" />}
      <div className={css.columns}>
        <div>
          <WaterIn seal={seal} openingsPerMonth={plan.openingsPerMonth} freeAirL={freeAirL} />
          <HelpsSection
            seal={seal}
            openingsPerMonth={plan.openingsPerMonth}
            freeAirL={freeAirL}
            total={total}
            days={days}
          />
          {drain && (
            <p data-part="drain">
              Holes {drain.upper} and {drain.lower} lie {length.text(drain.heightMm)} apart in height. Both
              left open, dry air runs out below and the room’s comes in above:{' '}
              <Figure answer={drainAnswer(drain.lPerH, drive)}>
                {mgText(mgPerDay(drain.lPerH, g))} a day
              </Figure>
              . Cap what stands idle.
            </p>
          )}
          {strip && (
            <section data-part="strip">
              <h2 className={hand.section}>Foam strip</h2>
              <p>
                <Figure answer={stripLengthAnswer(strip)}>{length.text(strip.lengthMm)}</Figure> of it,{' '}
                {strip.pieces.length > 1
                  ? 'in four pieces: butt them at the corners, never stretched round.'
                  : 'in one piece, its ends butted.'}{' '}
                With {plan.strip.clips} clips the rim bows out{' '}
                <Figure answer={bulgeAnswer(strip, candidate.wallThicknessMm)}>
                  {mark.text(strip.bulgeMm)}
                </Figure>{' '}
                between them; the strip follows {mark.text(strip.followsMm)}.{' '}
                {!strip.closes && (
                  <span className={css.wrong}>
                    It would gape: {strip.clipsWanted} clips, or a stiff lid with a strap.
                  </span>
                )}
              </p>
            </section>
          )}
        </div>
        <div>
          <ChargeSection
            plan={plan}
            seal={seal}
            wanted={wanted}
            failed={gramsError !== null}
            floor={firstDay?.floor ?? null}
            onWithout={isWithoutNow =>
              change(isWithoutNow ? 'it does without beads' : 'beads after all', {
                without: isWithoutNow
                  ? [...plan.without, 'charge']
                  : plan.without.filter(one => one !== 'charge'),
              })
            }
          />
          <section data-part="first-day">
            <h2 className={hand.section}>The first day, spools from the room</h2>
            {firstDay && firstDay.past.atS.length > 0 ? (
              <>
                <FirstDay
                  past={firstDay.past}
                  fromS={firstDay.nowS - 86_400}
                  targetRhPercent={targetRhPercent}
                />
                <p className={hand.aside}>{dayWords(firstDay.past.middle)}</p>
              </>
            ) : (
              <p className={hand.aside}>
                {dayError ? 'It could not be reckoned; nothing is lost.' : 'Reckoning …'}
              </p>
            )}
          </section>
        </div>
      </div>
      <Cautions
        list={cautionsAt({ step: 'look at the beads', indicator: 'unknown', desiccant: filling.desiccant })}
      />
      {asking === 'filling' && (
        <FillingDialog
          filling={filling}
          weeks={plan.weeksWanted}
          close={() => setAsking(null)}
          keep={part => {
            setAsking(null)
            change('what goes in to dry it', {
              ...part,
              without: plan.without.filter(one => one !== 'charge'),
            })
          }}
        />
      )}
      {asking === 'strip' && (
        <StripDialog
          strip={plan.strip}
          close={() => setAsking(null)}
          keep={next => {
            setAsking(null)
            change('strip and clips', { strip: next })
          }}
        />
      )}
    </main>
  )
}

/** What the curve says in words. */
function dayWords(middle: readonly number[]): string {
  const [first, last] = [middle[0]!, middle.at(-1)!]
  const hour = middle[Math.floor(middle.length / 24)]!
  return `${inWhole(hour)}${THIN}% after an hour, ${inWhole(last)}${THIN}% after a day${
    last > first * 0.7
      ? ': the spools give off as fast as the beads take up; that is no leak.'
      : '. Much slower than that, look for a leak.'
  }`
}
