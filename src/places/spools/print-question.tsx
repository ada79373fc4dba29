import { NativeSelect, TextInput } from '@mantine/core'
import { useDebouncedValue } from '@mantine/hooks'
import { useQuery } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import * as v from 'valibot'
import { lengthAnswer, passingAnswer } from '#core/answers/box-answers.ts'
import { lengthM, NEXT_PRINT_G } from '#core/filament/rings.ts'
import type { PrintAsked, PrintFound } from '#core/spool/print-clock.ts'
import type { SpoolReport } from '#core/spool/spool-report.ts'
import type { SpoolRecord } from '#journal/state.ts'
import { finite } from '#records/fields.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { printQuery } from '#session/spools/spool-queries.ts'
import { standingSpool } from '#session/spools/standing-spool.ts'
import { usePrintPlaces } from '#session/spools/use-print-places.ts'
import { parseDecimal } from '#ui/decimal.ts'
import { Figure } from '#ui/figure.tsx'
import { inWhole, THIN } from '#ui/format.ts'
import { hoursRange } from '#ui/spool-lasts.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import hand from '#ui/hand.module.css'
import css from './spool.module.css'

const MOST_HOURS = 400
const REST_MS = 250

/** A print of so many grams and hours from somewhere: how long may it wait, and does it suffer on the way? */
export function PrintQuestion({
  spool,
  report,
}: {
  readonly spool: SpoolRecord
  readonly report: SpoolReport
}) {
  const { state } = useJournal()
  const tools = useJournalTools()
  const { weight } = useMeasures()
  const [placeKey, setPlaceKey] = useState<string | null>(null)
  const [gramsTyped, setGrams] = useState(weight.field(Math.min(NEXT_PRINT_G, report.filamentG)))
  const [hoursTyped, setHours] = useState('')
  const places = usePrintPlaces(spool, report)
  const place = places.find(one => one.key === placeKey) ?? places[0]!
  const grams = weight.parse(gramsTyped)
  const hours = hoursTyped.trim() === '' ? null : parseDecimal(hoursTyped)
  const gramsError = gramsWrong(grams, report.filamentG, weight)
  const hoursError =
    hours !== null && !v.is(finite(0.1, MOST_HOURS), hours)
      ? `Hours are a number from 0.1 to ${MOST_HOURS}, or blank.`
      : null
  const { limitPercent } = report
  const asked = useMemo<PrintAsked | null>(
    () =>
      limitPercent === null || gramsError !== null || hoursError !== null
        ? null
        : {
            at: { ...standingSpool(state, spool, report), air: { ...place.air }, limitPercent },
            grams,
            hours,
          },
    // the air of a place is a new object at every drawing; what is in it counts
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [report, spool, state, place.air.temperatureC, place.air.rhPercent, grams, hours, limitPercent],
  )
  const [settled] = useDebouncedValue(asked, REST_MS)
  const found = useQuery(printQuery(tools, settled))
  if (limitPercent === null) return null
  const field = { inputMode: 'decimal', autoComplete: 'off' } as const
  return (
    <section className={css.print} aria-label="A print">
      <h2 className={hand.section}>A print</h2>
      <div className={css.printFields}>
        <NativeSelect
          label="From where"
          data={places.map(({ key, name }) => ({ value: key, label: name }))}
          value={place.key}
          onChange={event => setPlaceKey(event.currentTarget.value)}
        />
        <TextInput
          label={`It takes, ${weight.unit}`}
          {...field}
          value={gramsTyped}
          error={gramsError}
          onChange={event => setGrams(event.currentTarget.value)}
        />
        <TextInput
          label="For, hours"
          placeholder="only waiting"
          {...field}
          value={hoursTyped}
          error={hoursError}
          onChange={event => setHours(event.currentTarget.value)}
        />
      </div>
      <div aria-live="polite" data-part="print-answer" data-looking={found.isFetching || undefined}>
        {found.data && settled ? (
          <Found spool={spool} asked={settled} found={found.data} />
        ) : (
          <p className={hand.aside}>
            {found.isError || found.data === null ? 'It could not be reckoned.' : asked ? 'Reckoning …' : ' '}
          </p>
        )}
      </div>
    </section>
  )
}

function gramsWrong(
  grams: number,
  mostG: number,
  weight: ReturnType<typeof useMeasures>['weight'],
): string | null {
  if (v.is(finite(0.1, 10_000), grams))
    return grams > mostG ? `Only ${weight.text(mostG)} are left on it: type less, or another spool.` : null
  return `What it takes is a weight up to ${weight.text(mostG)}.`
}

function Found({
  spool,
  asked,
  found: { idle, print },
}: {
  readonly spool: SpoolRecord
  readonly asked: PrintAsked
  readonly found: PrintFound
}) {
  const { material, diameterMm } = asked.at.spool
  const isPast = idle.fromPercent > asked.at.limitPercent
  const metres = (quantity: string, what: string, length: number, range = '') => (
    <Figure answer={lengthAnswer(`${quantity} of ${spool.name}`, what, length, material, diameterMm)}>
      {inWhole(length)}
      {THIN}m{range && <span className={hand.pencil}> ({range})</span>}
    </Figure>
  )
  return (
    <>
      <p>
        {isPast ? (
          <>
            What it takes is past what prints bear already
            {idle.passing ? <>; waiting there it comes down in {hoursOf(idle, spool.name)}.</> : '.'}
          </>
        ) : idle.passing ? (
          <>Idle there it may wait {hoursOf(idle, spool.name)} before that print suffers.</>
        ) : idle.earlyS !== null ? (
          <>Idle there it keeps; a make that takes up faster than most may not.</>
        ) : (
          <>Idle there it may wait as long as it likes: it ends below what prints bear.</>
        )}
      </p>
      {print && (
        <p>
          {print.pastM.high === 0 ? (
            <>
              Printed from there, none of its {metres('length', 'filament it takes', print.lengthM)} suffers.
            </>
          ) : print.pastM.middle === 0 ? (
            <>
              Printed from there it finishes in time, of{' '}
              {metres('length', 'filament it takes', print.lengthM)} at worst{' '}
              {metres('past at worst', 'filament past its limit', print.pastM.high)} late.
            </>
          ) : (
            <>
              Printed from there,{' '}
              {metres(
                'past',
                'filament past its limit',
                print.pastM.middle,
                `${inWhole(print.pastM.low)}–${inWhole(print.pastM.high)}`,
              )}{' '}
              of its {metres('length', 'filament it takes', print.lengthM)} go through past what prints bear.
            </>
          )}
        </p>
      )}
      <p className={`${hand.aside} ${hand.small}`}>
        {metres('length left', 'filament left', lengthM(material, diameterMm, asked.at.filamentG))} are left
        on it. The last turns are bent tight round the hub, often held there: they may jam.
      </p>
    </>
  )
}

const hoursOf = (idle: PrintFound['idle'], name: string) => (
  <Figure
    answer={passingAnswer(`${name} waits for`, { early: idle.earlyS, late: idle.lateS }, idle.passing!)}
  >
    {hoursRange(idle.usualS!, idle.earlyS, idle.lateS)}
  </Figure>
)
