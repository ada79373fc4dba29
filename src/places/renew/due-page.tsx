import { useQueries } from '@tanstack/react-query'
import { useState } from 'react'
import { Link } from 'react-router'
import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import { heatWay } from '#core/renewal/ways.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import type { BoxJudgement } from '#core/verdict/box.ts'
import { heatSourcesOf } from '#journal/heat-sources.ts'
import { inShelfOrder } from '#journal/shelf-order.ts'
import type { ChargeRecord } from '#journal/state.ts'
import { chargeToHeat } from '#session/charge-to-heat.ts'
import { openSessions } from '#session/heating.ts'
import { judge } from '#session/judgement.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { knownBox, type KnownBox } from '#session/known-box.ts'
import { reportQuery } from '#session/reports.ts'
import { shortDayText } from '#ui/dates.ts'
import { Figure } from '#ui/figure.tsx'
import { judgementWords } from '#ui/judgement-words.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { RenewPages } from './renew-pages.tsx'
import { BeginBar } from './begin-bar.tsx'
import hand from '#ui/hand.module.css'
import ruled from '#ui/ruled.module.css'
import css from './renew.module.css'

/** What wants heat, the soonest first. */
export function DuePage() {
  const journal = useJournal()
  const { state, nowMs } = journal
  const tools = useJournalTools()
  const { base, maker } = tools
  const known = inShelfOrder(state)
    .map(box => knownBox(journal, box.boxId))
    .filter((item): item is KnownBox => item !== null && item.view.charges.length > 0)
  const reports = useQueries({
    queries: known.map(({ view, facts }) => reportQuery(tools, view.box.boxId, facts)),
  })
  const rows = known
    .map(({ view }, i) => ({
      view,
      report: reports[i]!.data,
      judgement: judge(view, reports[i]!.data, nowMs),
      dueS: reports[i]!.data?.leaves?.spread.low ?? Infinity,
    }))
    .sort((a, b) => a.dueS - b.dueS)
  const isReckoning = reports.some(report => report.isLoading)
  const served = rows.filter(row => SERVED.has(row.judgement.word))
  const others = rows.filter(row => !SERVED.has(row.judgement.word))
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set())
  const toggle = (chargeId: string) =>
    setChosen(now => {
      const next = new Set(now)
      if (!next.delete(chargeId)) next.add(chargeId)
      return next
    })
  const wanted = [...chosen].flatMap(chargeId => {
    const charge = state.charges.get(chargeId)
    const report = rows.find(row => row.view.box.boxId === charge?.boxId)?.report
    return charge ? [{ charge, toHeat: chargeToHeat(charge, report, nowMs) }] : []
  })
  const [open] = openSessions(state)
  const ready = [...state.charges.values()].filter(one => one.boxId === null && one.retiredMs === null)
  const [first] = served
  const words = first && judgementWords(first.judgement, first.report, nowMs, maker.zone)
  return (
    <main className={hand.page} data-place="renew">
      <h1 className={hand.answer} aria-live="polite">
        {isReckoning ? (
          'Reckoning …'
        ) : first && words ? (
          <>
            {first.view.box.name} first: {words.lead}
            {words.figure && <Figure answer={words.figure.answer}>{words.figure.text}</Figure>}
            {words.tail}.
          </>
        ) : rows.length === 0 ? (
          'No beads are in a box yet.'
        ) : (
          'No box wants its beads heated.'
        )}
      </h1>
      <p className={hand.behind}>
        Before anything is hot: may these beads go in there, at what setting, for how long, and what they
        weigh when they are done.{' '}
        {heatSourcesOf(state).length === 0 && (
          <>
            Say in <Link to={`${base}/kit`}>Kit</Link> what you heat them in: “electric oven 50–250 °C, 2
            trays”.
          </>
        )}
      </p>
      <RenewPages />
      {open && (
        <p className={hand.notice} role="status">
          A session is under way, begun {shortDayText(open.begunMs, nowMs, maker.zone)}.{' '}
          <Link to={`${base}/renew/session/${open.sessionId}`}>Go on with it</Link>
        </p>
      )}
      {wanted.length > 0 && <BeginBar wanted={wanted} />}
      <div className={css.due}>
        <div>
          {served.length > 0 && (
            <Rows title="In the boxes, the soonest first" rows={served} chosen={chosen} toggle={toggle} />
          )}
          {others.length > 0 && (
            <Rows title="Something else comes first" rows={others} chosen={chosen} toggle={toggle} />
          )}
        </div>
        {ready.length > 0 && (
          <section aria-labelledby="ready">
            <h2 id="ready">Lying ready</h2>
            <ul className={css.ready}>
              {ready.map(charge => (
                <li key={charge.chargeId}>
                  <ChargeLink charge={charge} chosen={chosen} toggle={toggle} />
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
    </main>
  )
}

/** What fresh beads would help. */
const SERVED: ReadonlySet<BoxJudgement['word']> = new Set([
  'over since',
  'may be over',
  'renew by',
  'good until',
  'settling',
  'read again',
])

interface Row {
  readonly view: KnownBox['view']
  readonly report: BoxReport | undefined
  readonly judgement: BoxJudgement
}

interface Choosing {
  readonly chosen: ReadonlySet<string>
  readonly toggle: (chargeId: string) => void
}

function Rows({
  title,
  rows,
  chosen,
  toggle,
}: { readonly title: string; readonly rows: readonly Row[] } & Choosing) {
  const { nowMs } = useJournal()
  const { base, maker } = useJournalTools()
  return (
    <section aria-label={title}>
      <h2>{title}</h2>
      <table className={ruled.table} data-part="due">
        <tbody>
          {rows.map(({ view, report, judgement }) => {
            const said = judgementWords(judgement, report, nowMs, maker.zone, true)
            return (
              <tr key={view.box.boxId}>
                <th scope="row">
                  <Link to={`${base}/box/${view.box.boxId}`}>{view.box.name}</Link>
                </th>
                <td>
                  {said ? (
                    <>
                      {said.lead}
                      {said.figure && <Figure answer={said.figure.answer}>{said.figure.text}</Figure>}
                      {said.tail}
                    </>
                  ) : (
                    <span className={hand.pencil}>reckoning …</span>
                  )}
                </td>
                <td>
                  {view.charges.map(charge => (
                    <ChargeLink key={charge.chargeId} charge={charge} chosen={chosen} toggle={toggle} />
                  ))}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </section>
  )
}

function ChargeLink({ charge, chosen, toggle }: { readonly charge: ChargeRecord } & Choosing) {
  const { base } = useJournalTools()
  const { weight } = useMeasures()
  const what = `${weight.text(charge.dryMassG)}, ${DESICCANTS[charge.desiccant].gel ? charge.name : DESICCANTS[charge.desiccant].name}`
  return heatWay(charge) === null ? (
    <span className={hand.pencil}>{what}: used once, no heat brings it back</span>
  ) : (
    <span className={css.charge}>
      <label>
        <input
          type="checkbox"
          checked={chosen.has(charge.chargeId)}
          onChange={() => toggle(charge.chargeId)}
        />
        {what}:
      </label>{' '}
      <Link to={`${base}/renew/heat/${charge.chargeId}`} aria-label={`heat these: ${charge.name}`}>
        heat these
      </Link>
    </span>
  )
}
