import { useMemo } from 'react'
import { Link } from 'react-router'
import { totalAnswer } from '#core/answers/answers.ts'
import { inShelfOrder } from '#journal/shelf-order.ts'
import { useJournalTools, usePreferences } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { trendOf } from '#session/capacity-seen.ts'
import { pastHeats, plannedDays } from '#session/look-back.ts'
import { cyclesOf } from '#journal/charge-facts.ts'
import { useScore } from '#session/score.ts'
import { dayText, isoDay } from '#ui/dates.ts'
import { Figure } from '#ui/figure.tsx'
import { inTenths, inWhole, THIN } from '#ui/format.ts'
import { numberWord } from '#ui/number-words.ts'
import { listed } from '#ui/plan-words.ts'
import { scoreSentence } from '#ui/score-words.ts'
import { RenewPages } from './renew-pages.tsx'
import hand from '#ui/hand.module.css'
import ruled from '#ui/ruled.module.css'
import css from './plan.module.css'

const MOST_HEATS = 40

/** What came of it all: water taken out, energy, days kept, what the beads still hold, and the dates that were given. */
export function BackPage() {
  const { state, nowMs } = useJournal()
  const { base, maker } = useJournalTools()
  const { currency } = usePreferences().preferences
  const { zone } = maker
  const heats = useMemo(() => pastHeats(state), [state])
  const days = useMemo(
    () => plannedDays(state.ovenPlan, heats, isoDay(nowMs, zone), ms => isoDay(ms, zone)),
    [state, heats, nowMs, zone],
  )
  const boxIds = useMemo(() => inShelfOrder(state).map(box => box.boxId), [state])
  const score = useScore(boxIds)
  const by = (value: (heat: (typeof heats)[number]) => number) =>
    heats.map(heat => [dayText(heat.atMs, nowMs, zone), value(heat)] as const)
  const water = totalAnswer(
    'water taken out',
    'g',
    by(heat => heat.waterG),
  )
  const energy = totalAnswer(
    'energy of all heats',
    'kWh',
    by(heat => heat.kWh),
  )
  const money = heats.reduce((sum, heat) => sum + (heat.money ?? 0), 0)
  const kept = days.filter(day => day.isKept).length
  const unweighed = heats.flatMap(heat => heat.charges).filter(one => one.waterG === null).length
  const format = new Intl.NumberFormat('en-GB', { style: 'currency', currency })
  return (
    <main className={hand.page} data-place="renew">
      <h1 className={hand.answer}>
        {heats.length === 0 ? (
          'Nothing was heated yet.'
        ) : (
          <>
            <Figure answer={water}>
              {inWhole(water.value)}
              {THIN}g
            </Figure>{' '}
            of water taken out in {heats.length === 1 ? 'one heat' : `${heats.length} heats`}.
          </>
        )}
      </h1>
      {heats.length > 0 && (
        <p className={hand.behind}>
          <Figure answer={energy}>
            {inTenths(energy.value)}
            {THIN}kWh
          </Figure>
          {money > 0 && `, ${format.format(money)} where a price is told`}.{' '}
          {unweighed > 0 &&
            `${unweighed} ${unweighed === 1 ? 'charge was' : 'charges were'} not weighed before and after: their water is not in it. `}
          {days.length > 0 &&
            `Of ${numberWord(days.length)} planned ${days.length === 1 ? 'day' : 'days'} ${numberWord(kept)} ${kept === 1 ? 'was' : 'were'} kept.`}
        </p>
      )}
      <RenewPages />
      <div className={css.daySheet}>
        <div>
          {heats.length > 0 && (
            <section aria-labelledby="heats">
              <h2 id="heats">Every heat</h2>
              <table className={ruled.table} data-part="heats">
                <thead>
                  <tr>
                    <th>Day</th>
                    <th>Beads</th>
                    <th>Water out</th>
                    <th>Energy</th>
                  </tr>
                </thead>
                <tbody>
                  {[...heats]
                    .reverse()
                    .slice(0, MOST_HEATS)
                    .map(heat => (
                      <tr key={`${heat.atMs} ${heat.charges[0]!.charge.chargeId}`}>
                        <th scope="row">{dayText(heat.atMs, nowMs, zone)}</th>
                        <td>
                          {listed(heat.charges.map(one => one.charge.name))}
                          {heat.sourceName && <small>{heat.sourceName}</small>}
                        </td>
                        <td>
                          {heat.charges.every(one => one.waterG === null)
                            ? 'not weighed'
                            : `${inTenths(heat.waterG)}${THIN}g`}
                        </td>
                        <td>
                          {inTenths(heat.kWh)}
                          {THIN}kWh
                        </td>
                      </tr>
                    ))}
                </tbody>
              </table>
              {heats.length > MOST_HEATS && (
                <p className={hand.pencil}>The last {MOST_HEATS}; the rest is in Entered.</p>
              )}
            </section>
          )}
          {days.length > 0 && (
            <section aria-labelledby="days">
              <h2 id="days">Days that were planned</h2>
              <ul className={css.ready} data-part="days kept">
                {days.map(({ day, isKept }) => (
                  <li key={day}>
                    {dayText(Date.parse(`${day}T12:00:00Z`), nowMs, 'UTC')}: {isKept ? 'kept' : 'missed'}
                  </li>
                ))}
              </ul>
            </section>
          )}
        </div>
        <div>
          <section aria-labelledby="capacity">
            <h2 id="capacity">What the beads still hold</h2>
            <Capacities />
          </section>
          <section aria-labelledby="dates">
            <h2 id="dates">Dates that were given</h2>
            <p>
              {scoreSentence(score.dates)}. <Link to={`${base}/almanac/score`}>Each date, and what came</Link>
            </p>
          </section>
        </div>
      </div>
    </main>
  )
}

/** Each charge over its heats, those that hold least first. */
function Capacities() {
  const { state, nowMs } = useJournal()
  const { base } = useJournalTools()
  const charges = [...state.charges.values()]
    .filter(charge => charge.retiredMs === null && charge.heatings.length > 0)
    .map(charge => {
      const { usual, overheated } = cyclesOf(charge, nowMs)
      return { charge, cycles: usual + overheated, trend: trendOf(state, charge, nowMs) }
    })
    .sort((a, b) => a.trend.now.middle - b.trend.now.middle)
  if (charges.length === 0) return <p className={hand.pencil}>None was heated yet.</p>
  return (
    <table className={ruled.table} data-part="capacities">
      <tbody>
        {charges.map(({ charge, cycles, trend }) => (
          <tr key={charge.chargeId}>
            <th scope="row">
              <Link to={`${base}/kit/beads/${charge.chargeId}`}>{charge.name}</Link>
            </th>
            <td>
              {inWhole(100 * trend.now.middle)}
              {THIN}% after {cycles === 1 ? 'one heat' : `${numberWord(cycles)} heats`}
              <small>
                {inWhole(100 * trend.now.low)}–{inWhole(100 * trend.now.high)}
                {THIN}%
                {trend.isWorn
                  ? ': worn out'
                  : trend.cyclesLeft !== null && trend.cyclesLeft < 60
                    ? `, worn after some ${trend.cyclesLeft} more`
                    : ''}
              </small>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
