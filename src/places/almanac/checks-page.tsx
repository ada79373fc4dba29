import { useQuery } from '@tanstack/react-query'
import type { CheckCase, CheckOutcome } from '#core/checks/run-check.ts'
import { Tick } from '#ui/figure.tsx'
import { useJournalTools } from '#session/journal-context.tsx'
import { CHECK_GROUPS } from './check-groups.ts'
import hand from '#ui/hand.module.css'
import css from './almanac.module.css'

const CASES = CHECK_GROUPS.flatMap(group => group.cases)
const FROM = {
  source: 'published',
  practice: 'common practice',
  memory: 'from memory',
  derived: 'worked out by hand',
} as const

/** The outside checks, run here and now in the reader's own browser. */
export function ChecksPage() {
  const { estimator } = useJournalTools()
  const { data, isError, isFetching, refetch } = useQuery({
    queryKey: ['checks'],
    networkMode: 'always',
    retry: false,
    staleTime: Infinity,
    queryFn: ({ signal }) => estimator.check(CASES, signal),
  })
  const outcomes = new Map(data?.map(outcome => [outcome.id, outcome]))
  const passed = data?.filter(outcome => outcome.ran && outcome.passed).length ?? 0
  return (
    <>
      <div className={hand.answerRow}>
        <div>
          <h1
            className={hand.answer}
            aria-live="polite"
            data-checks={data ? `${passed}/${CASES.length}` : ''}
          >
            {isError
              ? 'The checks broke off'
              : !data || isFetching
                ? 'Reckoning …'
                : passed === CASES.length
                  ? `All ${CASES.length} outside checks hold`
                  : `${CASES.length - passed} of ${CASES.length} checks do not hold`}
          </h1>
          <p className={hand.behind}>
            Published values, worked examples and facts of the trade, each against what this very browser
            works out. They are the cases the tests run.
          </p>
        </div>
        <button type="button" className={hand.filled} onClick={() => void refetch()} disabled={isFetching}>
          Run them again
        </button>
      </div>
      {CHECK_GROUPS.map(group => (
        <section key={group.title}>
          <h2 className={hand.section}>{group.title}</h2>
          <table className={`${css.almanacTable} ${css.checksTable}`}>
            <thead>
              <tr>
                <th scope="col">what</th>
                <th scope="col" className={css.number}>
                  expected
                </th>
                <th scope="col" className={css.number}>
                  worked out
                </th>
                <th scope="col">source</th>
              </tr>
            </thead>
            <tbody>
              {group.cases.map(check => (
                <CheckRow key={check.id} check={check} outcome={outcomes.get(check.id)} />
              ))}
            </tbody>
          </table>
        </section>
      ))}
    </>
  )
}

const short = (value: number): string => String(Number(value.toPrecision(6))).replace('-', '−')

function CheckRow({
  check,
  outcome,
}: {
  readonly check: CheckCase
  readonly outcome: CheckOutcome | undefined
}) {
  const failed = outcome !== undefined && !(outcome.ran && outcome.passed)
  return (
    <tr className={failed ? hand.trouble : undefined}>
      <th scope="row">{check.what}</th>
      <td className={css.number}>
        {check.expected === undefined
          ? `${short(check.low!)} to ${short(check.high!)}`
          : `${short(check.expected)} ± ${short(check.tolerance!)}`}{' '}
        {check.unit}
      </td>
      <td className={css.number}>
        {outcome === undefined ? (
          '…'
        ) : outcome.ran ? (
          <>
            {String(Number(outcome.value.toPrecision(6))).replace('-', '−')}
            {outcome.passed ? <Tick /> : ', does not hold'}
          </>
        ) : (
          outcome.reason
        )}
      </td>
      <td className={css.checkSource}>
        {check.source} <span className={hand.pencil}>({FROM[check.provenance]})</span>
      </td>
    </tr>
  )
}
