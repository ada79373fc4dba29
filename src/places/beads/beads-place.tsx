import { Link, useParams } from 'react-router'
import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import { HOLDERS } from '#core/container/holder.ts'
import { heatWay } from '#core/renewal/ways.ts'
import { weighedWaterG } from '#core/evidence/weighing.ts'
import { cyclesOf } from '#journal/charge-facts.ts'
import type { ChargeRecord } from '#journal/state.ts'
import { trendOf } from '#session/capacity-seen.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { dayText } from '#ui/dates.ts'
import { inTenths, inWhole, THIN } from '#ui/format.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { BeadsLife } from './beads-life.tsx'
import hand from '#ui/hand.module.css'
import ruled from '#ui/ruled.module.css'
import css from './beads.module.css'

/** One charge: where it has been, how often it was hot, what the scale and the eye said, and what it still holds. */
export default function BeadsPlace() {
  const { id = '' } = useParams()
  const { state } = useJournal()
  const { base } = useJournalTools()
  const charge = state.charges.get(id)
  return charge ? (
    <Life charge={charge} />
  ) : (
    <main className={hand.page} data-place="beads">
      <h1 className={hand.answer}>No such beads</h1>
      <Link to={`${base}/kit`}>To Kit</Link>
    </main>
  )
}

function Life({ charge }: { readonly charge: ChargeRecord }) {
  const { state, nowMs } = useJournal()
  const { base, maker } = useJournalTools()
  const { weight } = useMeasures()
  const cycles = cyclesOf(charge, nowMs)
  const times = cycles.usual + cycles.overheated
  const { now, isWorn } = trendOf(state, charge, nowMs)
  const boxName = charge.boxId === null ? null : state.boxes.get(charge.boxId)?.name
  const isUsedOnce = heatWay(charge) === null
  return (
    <main className={hand.page} data-place="beads">
      <p className={hand.where}>
        <Link to={`${base}/kit`}>Kit</Link>
      </p>
      <h1 className={hand.answer}>
        {charge.name}: {isUsedOnce ? 'used once' : timesText(times)}
        {times > 0 &&
          !isUsedOnce &&
          `, and holds about ${shareText(now.middle)} of what it did${isWorn ? ': worn out' : ''}`}
        .
      </h1>
      <p className={hand.behind}>
        {weight.text(charge.dryMassG)} of {DESICCANTS[charge.desiccant].name} in a{' '}
        {HOLDERS[charge.holder].name}
        {charge.body ? ` of ${charge.body}` : ''},{' '}
        {boxName ? `in ${boxName}` : charge.retiredMs === null ? 'lying ready' : 'gone'}.
        {times > 0 &&
          ` By what a heat usually takes, and the scale beside a reading: ${inWhole(100 * now.low)} to ${inWhole(100 * now.high)}${THIN}% of what it held new${cycles.overheated > 0 ? `; ${cycles.overheated} of them too hot` : ''}.`}
      </p>
      <BeadsLife charge={charge} nowMs={nowMs} zone={maker.zone} />
      <div className={css.below}>
        <section aria-labelledby="what">
          <h2 id="what">What was written down</h2>
          <Events charge={charge} />
        </section>
        <section aria-labelledby="ends">
          <h2 id="ends">After each heat, by weight</h2>
          <EndWeights charge={charge} />
          <p className={css.links}>
            {charge.retiredMs === null && !isUsedOnce && (
              <Link to={`${base}/renew/heat/${charge.chargeId}`}>Heat these</Link>
            )}
            {charge.boxId !== null && <Link to={`${base}/box/${charge.boxId}`}>To {boxName}</Link>}
          </p>
        </section>
      </div>
      <p className={hand.aside}>Begun {dayText(charge.madeMs, nowMs, maker.zone)}.</p>
    </main>
  )
}

/** "98 %"; "all" where less than half a per cent is gone. */
const shareText = (share: number): string => (share > 0.995 ? 'all' : `${inWhole(100 * share)}${THIN}%`)
const timesText = (times: number): string =>
  times === 0 ? 'never heated yet' : times === 1 ? 'heated once' : `heated ${times} times`

function Events({ charge }: { readonly charge: ChargeRecord }) {
  const { state, nowMs } = useJournal()
  const { maker } = useJournalTools()
  const { temperature, weight, water } = useMeasures()
  const events = [
    ...charge.heatings.map(one => ({
      atMs: one.atMs,
      says: `heated ${one.hours < 1 ? `${inWhole(one.hours * 60)}${THIN}min` : `${inTenths(one.hours)}${THIN}h`}${one.temperatureC === null ? '' : ` at ${temperature.text(one.temperatureC)}`}${one.heatSourceId === null ? '' : `, ${state.heatSources.get(one.heatSourceId)?.name ?? ''}`}`,
    })),
    ...charge.weighings.map(one => ({
      atMs: one.atMs,
      says: `weighed ${weight.text(one.grossG)}: ${water.text(Math.max(0, weighedWaterG(charge.dryMassG, one)))} of water`,
    })),
    ...charge.looks.map(one => ({ atMs: one.atMs, says: `looked ${one.colour}` })),
    ...charge.stays.map(one => ({
      atMs: one.fromMs,
      says: `into ${state.boxes.get(one.boxId)?.name ?? 'a box that is gone'}`,
    })),
  ].sort((a, b) => b.atMs - a.atMs)
  if (events.length === 0) return <p className={hand.aside}>Nothing yet.</p>
  return (
    <table className={ruled.table}>
      <tbody>
        {events.slice(0, MOST_EVENTS).map(({ atMs, says }) => (
          <tr key={`${atMs} ${says}`}>
            <th scope="row">{dayText(atMs, nowMs, maker.zone)}</th>
            <td>{says}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
const MOST_EVENTS = 30

/** Beads weighed within this of a heat are what the heat left. */
const AFTER_MS = 6 * 3_600_000

/** What each heat left by the scale: beads that are worn out, or were never hot enough, end heavier each time. */
function EndWeights({ charge }: { readonly charge: ChargeRecord }) {
  const { nowMs } = useJournal()
  const { maker } = useJournalTools()
  const { water } = useMeasures()
  const ends = charge.heatings.flatMap(heating => {
    const weighed = charge.weighings.find(
      one => one.atMs >= heating.atMs && one.atMs <= heating.atMs + AFTER_MS,
    )
    return weighed ? [{ atMs: heating.atMs, leftG: weighedWaterG(charge.dryMassG, weighed) }] : []
  })
  if (ends.length === 0)
    return (
      <p className={hand.aside}>None was weighed after its heat. Weighed each time, wear shows as a trend.</p>
    )
  const [first, last] = [ends[0]!, ends.at(-1)!]
  return (
    <>
      <ul>
        {ends.map(({ atMs, leftG }) => (
          <li key={atMs}>
            {dayText(atMs, nowMs, maker.zone)}: {water.text(Math.max(0, leftG))} stayed in
          </li>
        ))}
      </ul>
      {ends.length > 2 && (
        <p>
          {last.leftG - first.leftG > WORTH_SHARE * charge.dryMassG
            ? 'More stays in than at first: hotter, longer, or they are worn.'
            : 'No trend: they come out as dry as at first.'}
        </p>
      )}
    </>
  )
}
/** Of the dry mass: less than this is the scale and the day. */
const WORTH_SHARE = 0.015
