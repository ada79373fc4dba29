import { useState } from 'react'
import { Link } from 'react-router'
import { shareAnswer } from '#core/answers/answers.ts'
import { floorAnswer } from '#core/answers/box-answers.ts'
import {
  beadsVolumeAnswer,
  broughtAnswer,
  bulgeAnswer,
  daysHeldAnswer,
  drainAnswer,
  driveOf,
  leftAnswer,
  stripLengthAnswer,
  sealTotalAnswer,
  yearCostAnswer,
} from '#core/answers/seal-answers.ts'
import { vapourPressureOfRhPa } from '#core/air/vapour.ts'
import { broughtG, holderFit } from '#core/build/charge-sums.ts'
import { stripReport } from '#core/build/foam-strip.ts'
import { drainBetween, improvements, openingsMgPerDay, type Improvement } from '#core/build/seal-budget.ts'
import { mgPerDay } from '#core/build/candidate.ts'
import { HOLDERS } from '#core/container/holder.ts'
import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import { cautionsAt } from '#core/renewal/cautions.ts'
import { planBoxFacts } from '#journal/plan-facts.ts'
import { planSeal } from '#journal/plan-seal.ts'
import type { PlanRecord } from '#journal/state.ts'
import type { Plan, PlanCandidate } from '#records/kinds/plan.ts'
import { usePlanFirstDay, usePlanGrams } from '#session/build/plan-charge.ts'
import { useJournalTools, usePreferences } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { Cautions } from '#ui/cautions.tsx'
import { Figure } from '#ui/figure.tsx'
import { inTenths, inWhole, moneyFor, roundedGrams, THIN } from '#ui/format.ts'
import { Refused } from '#ui/refused.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { FillingDialog } from './filling-dialog.tsx'
import { FirstDay } from './first-day.tsx'
import { PlanWhere } from './plan-where.tsx'
import { StripDialog } from './strip-dialog.tsx'
import { useStanding } from './use-standing.ts'
import { mgText, WaterIn } from './water-in.tsx'
import hand from '#ui/hand.module.css'
import css from './close.module.css'
import build from './build.module.css'

const IMPROVED: Readonly<Record<Improvement['id'], string>> = {
  'clips lid': 'a lid with clips and rubber',
  membranes: 'a membrane at each outlet',
  'cap idle': 'every outlet capped while nothing prints',
  'better walls': 'a box of polypropylene',
  'seal the rings': 'the wide holes sealed',
  'half the openings': 'half the openings',
}
const WEEKS_A_YEAR = 52

/** How tight it will be and what is to lie in it: water in by path, what would help, how many beads, the first day. */
export function ClosePage({
  plan,
  candidate,
}: {
  readonly plan: PlanRecord
  readonly candidate: PlanCandidate
}) {
  const { state, nowMs } = useJournal()
  const { base, maker } = useJournalTools()
  const { preferences } = usePreferences()
  const { weight, length, mark } = useMeasures()
  const write = useWriteAct()
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
  const { data: wanted } = usePlanGrams(factsFor(false), plan.weeksWanted)
  const { data: firstDay } = usePlanFirstDay(factsFor(true))
  const change = (what: string, part: Partial<Plan>) =>
    write.mutate({
      what: `${plan.name}: ${what}`,
      drafts: [{ kind: 'plan.changed', atMs: maker.nowMs(), payload: { planId: plan.planId, ...part } }],
    })
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
  const dry = wanted?.find(one => one.remedy === 'dry the damp spools')
  const damp = wanted?.find(one => one.remedy === 'as it is')
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
  const fit = plan.charge ? holderFit(filling.desiccant, filling.holder, filling.grams, plan.charge) : null
  const kind = DESICCANTS[filling.desiccant]
  const helps = improvements(seal.facts, { perMonth: plan.openingsPerMonth, freeAirL }, g)
  const fewer = (mg: number, what: string) => daysHeldAnswer(`days with ${what}`, filling.grams, loadings, mg)
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
          <section data-part="helps">
            <h2 className={hand.section}>What would help, and how long the beads then last</h2>
            {helps.length === 0 && <p>Nothing that makes a difference: it is as tight as its kind gets.</p>}
            <ul className={css.streams}>
              {helps.length > 0 && (
                <li className={css.help}>
                  <span>as it is</span>
                  <Figure answer={total} className={css.mg}>
                    {mgText(total.value)}
                  </Figure>
                  <Figure answer={days} className={css.mg}>
                    {daysText(days.value)}
                  </Figure>
                </li>
              )}
              {helps.map(one => {
                const left = fewer(one.mgPerDay, IMPROVED[one.id])
                return (
                  <li key={one.id} className={css.help}>
                    <span>{IMPROVED[one.id]}</span>
                    <Figure answer={leftAnswer(IMPROVED[one.id], one.mgPerDay)} className={css.mg}>
                      {mgText(one.mgPerDay)}
                    </Figure>
                    <Figure answer={left} className={css.mg}>
                      {daysText(left.value)}
                    </Figure>
                  </li>
                )
              })}
            </ul>
          </section>
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
          <section data-part="charge">
            <h2 className={hand.section}>What goes in to dry it</h2>
            {isWithout ? (
              <p>
                Nothing: you said it does without.{' '}
                <button
                  type="button"
                  className={hand.worded}
                  onClick={() =>
                    change('beads after all', { without: plan.without.filter(one => one !== 'charge') })
                  }
                >
                  Beads after all
                </button>
              </p>
            ) : (
              <p>
                {filling.pieces !== null
                  ? `${filling.pieces} × ${weight.text(filling.grams / filling.pieces)}`
                  : weight.text(filling.grams)}{' '}
                of {kind.name}, in{' '}
                {filling.pieces !== null && filling.pieces > 1
                  ? 'packets'
                  : `a ${HOLDERS[filling.holder].name}`}
                {plan.filling ? '' : ', until you say otherwise'}.{' '}
                {fit && (
                  <>
                    They fill{' '}
                    <Figure answer={beadsVolumeAnswer(filling.grams, kind.bulkDensityGPerMl)}>
                      {inWhole(fit.beadsMl)}
                      {THIN}mL
                    </Figure>
                    {fit.fits ? (
                      <>, and the tray in the drawing holds them.</>
                    ) : (
                      <span className={css.wrong}>
                        {' '}
                        and the tray in the drawing takes {inWhole(fit.holdsMl)}
                        {THIN}mL: a larger one, or fewer beads.
                      </span>
                    )}
                  </>
                )}
              </p>
            )}
            <p aria-live="polite">
              {!wanted && <span className={hand.aside}>Sizing …</span>}
              {dry && (
                <>
                  For {countWeeks(plan.weeksWanted)}{' '}
                  {dry.grams === null ? (
                    'no amount that fits holds it, even with dry spools'
                  ) : (
                    <>
                      <Figure answer={gramsAnswer(dry)} className={hand.strong}>
                        {weight.text(roundedGrams(dry.grams))}
                      </Figure>{' '}
                      with spools that are dry
                      {packsText(dry.grams, filling)}
                    </>
                  )}
                  ;{' '}
                  {damp?.grams == null ? (
                    'straight from the room no amount holds it after a week'
                  ) : (
                    <>
                      <Figure answer={gramsAnswer(damp)} className={hand.strong}>
                        {weight.text(roundedGrams(damp.grams))}
                      </Figure>{' '}
                      straight from the room{packsText(damp.grams, filling)}
                    </>
                  )}
                  .
                </>
              )}{' '}
              Settled spools buffer; the first filling does not: they bring{' '}
              <Figure answer={broughtAnswer(seal.brought)}>
                {inTenths(broughtG(seal.brought))}
                {THIN}g
              </Figure>{' '}
              of water from the room, which goes into the beads once. Dry the spools first, or renew after the
              first weeks.
            </p>
            {firstDay?.floor && (
              <p>
                With fresh beads it stands no lower than about{' '}
                <Figure answer={floorAnswer(firstDay.floor)}>
                  {inWhole(firstDay.floor.rhPercent)}
                  {THIN}%
                </Figure>
                : leak against what they lie in.{' '}
                {firstDay.floor.rhPercent > targetRhPercent && (
                  <span className={css.wrong}>
                    That is over the target: a tighter lid, or an opener holder; more beads do not help.
                  </span>
                )}
              </p>
            )}
            <p>
              {kind.renewAtC === null ? (
                <>
                  Used once:{' '}
                  {preferences.beadsPricePerKg === null ? (
                    'what a year costs is said once Preferences know what a kilogram costs.'
                  ) : (
                    <>
                      <Figure
                        answer={yearCostAnswer(
                          filling.grams,
                          preferences.beadsPricePerKg,
                          WEEKS_A_YEAR / plan.weeksWanted,
                        )}
                      >
                        {moneyFor((filling.grams * WEEKS_A_YEAR) / plan.weeksWanted, preferences)}
                      </Figure>{' '}
                      a year.
                    </>
                  )}
                </>
              ) : (
                `Renewed with heat about ${inWhole(WEEKS_A_YEAR / plan.weeksWanted)} times a year; the beads themselves last for years.`
              )}
            </p>
            {!isWithout && (
              <button
                type="button"
                className={hand.worded}
                onClick={() => change('it does without beads', { without: [...plan.without, 'charge'] })}
              >
                It does without beads
              </button>
            )}
          </section>
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
              <p className={hand.aside}>Reckoning …</p>
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

const gramsAnswer = (item: {
  readonly remedy: string
  readonly weeks: number
  readonly perDraw: readonly number[]
}) =>
  shareAnswer(
    `grams for ${item.weeks} weeks, ${item.remedy}`,
    'g',
    0.9,
    item.perDraw,
    'least grams in one draw',
  )

const daysText = (days: number): string =>
  days < 1
    ? 'less than a day'
    : days < 21
      ? `${inWhole(days)} days`
      : days < 180
        ? `${inWhole(days / 7)} weeks`
        : days < 730
          ? `${inWhole(days / 30.44)} months`
          : 'over two years'
const countWeeks = (weeks: number): string => (weeks === 1 ? 'a week' : `${inWhole(weeks)} weeks`)
/** ", three packets", where they come in packets. */
const packsText = (
  grams: number,
  filling: { readonly grams: number; readonly pieces: number | null },
): string => {
  if (filling.pieces === null) return ''
  const packs = Math.ceil(grams / (filling.grams / filling.pieces))
  return ` (${packs} ${packs === 1 ? 'packet' : 'packets'})`
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
