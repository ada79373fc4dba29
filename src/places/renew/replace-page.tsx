import { useQueries } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { dateAnswer, totalAnswer } from '#core/answers/answers.ts'
import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import { cautionsAt } from '#core/renewal/cautions.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { boxesToPlan } from '#session/oven-plan/plan-question.ts'
import { replacements, shoppingList, type Replacement, type ReplaceWhy } from '#session/replacements.ts'
import { reportQuery } from '#session/reports.ts'
import { Cautions } from '#ui/cautions.tsx'
import { dayText } from '#ui/dates.ts'
import { Figure } from '#ui/figure.tsx'
import { inWhole, THIN } from '#ui/format.ts'
import { later } from '#ui/later.tsx'
import { listed } from '#ui/plan-words.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { RenewPages } from './renew-pages.tsx'
import hand from '#ui/hand.module.css'
import ruled from '#ui/ruled.module.css'
import css from './plan.module.css'

const RenewDialog = later(() => import('#dialogs/renew/renew-dialog.tsx'))

const WHY: Readonly<Record<ReplaceWhy, string>> = {
  'used once': 'used once: no heat brings it back',
  worn: 'worn out',
  'no heat here': 'nothing here is hot enough for it',
}

/** What is bought and not heated: crystals, worn beads, what no oven here brings back. */
export function ReplacePage() {
  const journal = useJournal()
  const tools = useJournalTools()
  const { nowMs } = journal
  const { zone } = tools.maker
  const { weight } = useMeasures()
  const known = boxesToPlan(journal)
  const reports = useQueries({
    queries: known.map(({ view, facts }) => reportQuery(tools, view.box.boxId, facts)),
  })
  const [replacing, setReplacing] = useState<string | null>(null)
  const isReckoning = reports.some(report => report.isLoading)
  const list = replacements(
    journal,
    known,
    reports.map(report => report.data),
  )
  const toBuy = shoppingList(list, nowMs)
  const [first] = list
  const kinds = [...new Map(list.map(one => [one.charge.desiccant, one.charge])).values()]
  const cautions = kinds.flatMap(({ desiccant, indicator }) =>
    cautionsAt({ step: 'replace the beads', desiccant, indicator }),
  )
  return (
    <main className={hand.page} data-place="renew">
      <h1 className={hand.answer} aria-live="polite">
        {isReckoning
          ? 'Reckoning …'
          : !first
            ? 'Nothing has to be replaced.'
            : first.dueMs === null
              ? `${nameOf(first)}: replace it one day, not within this year.`
              : first.dueMs <= nowMs
                ? `Replace ${listed(list.filter(one => one.dueMs !== null && one.dueMs <= nowMs).map(nameOf))} now.`
                : `Replace ${nameOf(first)} by ${dayText(first.dueMs, nowMs, zone)}.`}
      </h1>
      <p className={hand.behind}>
        Crystals and whatever is used once, beads that are worn out, and what no oven here brings back.
      </p>
      <RenewPages />
      <div className={css.daySheet}>
        <div>
          {list.length > 0 && (
            <table className={ruled.table} data-part="replace">
              <thead>
                <tr>
                  <th>In</th>
                  <th>What, and why</th>
                  <th>When it is spent</th>
                  <th>By</th>
                </tr>
              </thead>
              <tbody>
                {list.map(one => (
                  <tr key={one.charge.chargeId}>
                    <th scope="row">
                      {one.boxId ? (
                        <Link to={`${tools.base}/box/${one.boxId}`}>{one.boxName}</Link>
                      ) : (
                        one.charge.name
                      )}
                    </th>
                    <td>
                      {weight.text(one.charge.dryMassG)} of {DESICCANTS[one.charge.desiccant].name}
                      <small>
                        {WHY[one.why]}
                        {one.why === 'worn' &&
                          `: holds about ${inWhole(100 * one.trend.now.middle)}${THIN}% of what it did (${inWhole(100 * one.trend.now.low)}–${inWhole(100 * one.trend.now.high)})`}
                      </small>
                    </td>
                    <td>
                      <Spent one={one} />
                    </td>
                    <td>
                      <By one={one} nowMs={nowMs} zone={zone} />
                      <button
                        type="button"
                        className={hand.worded}
                        onClick={() => setReplacing(one.charge.chargeId)}
                      >
                        It is replaced
                      </button>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          <Cautions
            list={cautions.filter((one, i) => cautions.findIndex(other => other.id === one.id) === i)}
          />
        </div>
        <section aria-labelledby="shopping">
          <h2 id="shopping">To buy, within half a year</h2>
          {toBuy.length === 0 ? (
            <p className={hand.pencil}>Nothing.</p>
          ) : (
            <ul className={css.ready} data-part="shopping">
              {toBuy.map(one => (
                <li key={one.desiccant}>
                  <Figure
                    answer={totalAnswer(
                      'to buy',
                      'g',
                      one.for.map(part => [part.name, part.grams] as const),
                    )}
                  >
                    {weight.text(one.grams)}
                  </Figure>{' '}
                  of {DESICCANTS[one.desiccant].name}
                  {one.byMs !== null &&
                    (one.byMs <= nowMs ? ', now' : `, by ${dayText(one.byMs, nowMs, zone)}`)}
                  : {listed(one.for.map(part => part.name))}
                </li>
              ))}
            </ul>
          )}
          {toBuy.length > 0 && (
            <button
              type="button"
              className={`${hand.worded} ${css.screenOnly}`}
              onClick={() => window.print()}
            >
              Print it
            </button>
          )}
        </section>
      </div>
      {replacing !== null && <RenewDialog chargeId={replacing} close={() => setReplacing(null)} />}
    </main>
  )
}

const nameOf = (one: Replacement): string => one.boxName ?? one.charge.name

/** By weight, or by eye: when it has done its work. */
function Spent({ one }: { readonly one: Replacement }) {
  const { weight } = useMeasures()
  const { charge, spentG, waterG } = one
  if (one.why === 'worn') return <>it is</>
  const atLine =
    charge.desiccant === 'calcium-chloride'
      ? 'or when the brine stands at its fill line, or no crystal is left'
      : null
  if (spentG === null) return <>{atLine ?? 'when its air is over the target'}</>
  const tareG = charge.tareG ?? 0
  return (
    <>
      at{' '}
      <Figure
        answer={totalAnswer('weight when spent', 'g', [
          ['dry', charge.dryMassG],
          ['water at the target', spentG],
          ...(tareG > 0 ? [['holder', tareG] as const] : []),
        ])}
      >
        {weight.text(charge.dryMassG + spentG + tareG)}
      </Figure>
      <small>
        {charge.tareG == null ? 'without its holder' : 'holder and all'}
        {waterG !== null && `; some ${inWhole(waterG)}${THIN}g of water are in it`}
        {atLine && `; ${atLine}`}
      </small>
    </>
  )
}

function By({
  one,
  nowMs,
  zone,
}: {
  readonly one: Replacement
  readonly nowMs: number
  readonly zone: string
}) {
  const { dueMs, report } = one
  if (dueMs === null) return <p>{report ? 'not within this year' : 'when it is wanted'}</p>
  if (dueMs <= nowMs) return <p>now</p>
  return (
    <p>
      {report?.leaves ? (
        <Figure answer={dateAnswer('leaves its target', 0.1, report.leaves.sharesOfDates, report.draws)}>
          {dayText(dueMs, nowMs, zone)}
        </Figure>
      ) : (
        dayText(dueMs, nowMs, zone)
      )}
    </p>
  )
}
