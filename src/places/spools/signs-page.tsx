import { useMemo, useState, type ReactNode } from 'react'
import { Link } from 'react-router'
import {
  SIGN_NAMES,
  SIGNS,
  symptomsFound,
  type PrintSign,
  type PrintTrouble,
  type SignSeen,
  type SymptomsFound,
} from '#core/spool/symptoms.ts'
import type { SpoolRecord } from '#journal/state.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { clockedSpool } from '#session/spools/spool-clock.ts'
import { useSpoolReports } from '#session/spools/use-spool-reports.ts'
import { useWriteAct } from '#session/writing.ts'
import { ChoiceRow } from '#ui/choice-row.tsx'
import { dayText } from '#ui/dates.ts'
import { capital } from '#ui/plan-words.ts'
import { Refused } from '#ui/refused.tsx'
import { NoSuchSpool } from './no-such-spool.tsx'
import { TestPieces } from './test-pieces.tsx'
import hand from '#ui/hand.module.css'
import css from './signs.module.css'

const SEEN = [
  ['yes', 'yes'],
  ['no', 'no'],
  ['', 'don’t know'],
] as const

const NAMES: Readonly<Record<PrintTrouble, string>> = {
  wet: 'wet filament',
  'heat or retraction': 'heat or retraction',
  printer: 'the printer',
  brittle: 'brittle filament',
}
const VERDICTS: Readonly<Record<PrintTrouble, string>> = {
  wet: 'Wet: dry it with heat.',
  'heat or retraction': 'Heat or retraction, not water.',
  printer: 'The printer, not this spool.',
  brittle: 'Brittle with age: drying will not mend it.',
}

/** Wet, or something else? What is seen, heard and tried, weighed; then the same piece before and after drying. */
export function SignsPage({ spoolId }: { readonly spoolId: string }) {
  const { state } = useJournal()
  const spool = state.spools.get(spoolId)
  return spool ? <Signs spool={spool} /> : <NoSuchSpool />
}

function Signs({ spool }: { readonly spool: SpoolRecord }) {
  const { state, nowMs } = useJournal()
  const { base, maker } = useJournalTools()
  const write = useWriteAct()
  const [seen, setSeen] = useState<Partial<Record<PrintSign, SignSeen>>>({})
  const only = useMemo(() => [spool], [spool])
  const [known] = useSpoolReports(only)
  const { nextWord, clock } = clockedSpool(known!, state)
  const signs = SIGN_NAMES.flatMap(sign => (seen[sign] ? [{ sign, seen: seen[sign] }] : []))
  const found = symptomsFound(signs, nextWord)
  const lastCheck = spool.checks.at(-1)
  const isKept =
    lastCheck !== undefined &&
    JSON.stringify(lastCheck.signs) === JSON.stringify(signs) &&
    lastCheck.verdict === found.verdict
  return (
    <main className={hand.page} data-place="signs" data-looking={clock.is === 'reckoning' || undefined}>
      <div className={hand.answerRow}>
        <div>
          <p className={hand.where}>
            <Link to={`${base}/spools/${spool.spoolId}`}>{spool.name}</Link> prints badly
          </p>
          <h1 className={hand.answer} aria-live="polite">
            {answerOf(found, signs.length)}
          </h1>
          <p className={hand.behind} data-part="spool-facts">
            {found.next && signs.length > 0 && (
              <>
                {found.verdict === null ? 'One test tells most' : 'To be surer'}: {found.next.test}{' '}
              </>
            )}
            {signs.length === 0 &&
              'Rule out heat and retraction first: with another spool of the kind, and the same settings. '}
            {signs.length === 0 && lastCheck && (
              <>
                Looked into {dayText(lastCheck.atMs, nowMs, maker.zone)}:{' '}
                {lastCheck.verdict === null ? 'it could not be told' : NAMES[lastCheck.verdict]}.
              </>
            )}
          </p>
        </div>
        <div className={hand.acts}>
          {signs.length > 0 && !isKept && (
            <button
              type="button"
              className={found.verdict === 'wet' ? hand.worded : hand.filled}
              disabled={write.isPending}
              onClick={() =>
                write.mutate({
                  what: `${spool.name}: bad print looked into`,
                  drafts: [
                    {
                      kind: 'spool.checked',
                      payload: { spoolId: spool.spoolId, signs, verdict: found.verdict },
                    },
                  ],
                })
              }
            >
              Keep it
            </button>
          )}
          {found.verdict === 'wet' && (
            <Link to={`${base}/spools/${spool.spoolId}/dry`} className={`${hand.filled} ${hand.filledLink}`}>
              Dry it
            </Link>
          )}
        </div>
      </div>
      {write.error && <Refused error={write.error} remedy="press Keep it again" />}
      <div className={css.two}>
        <section aria-label="What is seen, heard and tried" className={css.asks}>
          {SIGN_NAMES.map(sign => (
            <ChoiceRow
              key={sign}
              legend={SIGNS[sign].asks}
              options={SEEN}
              chosen={seen[sign] ?? ''}
              choose={one => setSeen({ ...seen, [sign]: one === '' ? undefined : one })}
            />
          ))}
        </section>
        <section aria-label="What speaks for what" className={css.speaks}>
          {found.ranked
            .filter(one => one.speaksFor.length + one.speaksAgainst.length > 0)
            .slice(0, 3)
            .map(({ trouble, speaksFor, speaksAgainst }) => (
              <div key={trouble}>
                <h2 className={hand.section}>{capital(NAMES[trouble])}</h2>
                <Speaks word="for" list={speaksFor} />
                <Speaks word="against" list={speaksAgainst} />
              </div>
            ))}
        </section>
      </div>
      <TestPieces spool={spool} />
    </main>
  )
}

const Speaks = ({ word, list }: { readonly word: string; readonly list: readonly string[] }): ReactNode =>
  list.length === 0 ? null : (
    <p className={css.speak}>
      <span className={hand.pencil}>{word}</span> <span data-part="spool-facts">{list.join('; ')}</span>
    </p>
  )

function answerOf({ verdict, ranked }: SymptomsFound, answered: number): string {
  if (verdict !== null) return VERDICTS[verdict]
  if (answered === 0) return 'Wet, or something else?'
  return `It can be ${NAMES[ranked[0]!.trouble]} or ${NAMES[ranked[1]!.trouble]}.`
}
