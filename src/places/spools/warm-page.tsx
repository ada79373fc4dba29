import { NativeSelect, TextInput } from '@mantine/core'
import { lazy, Suspense, useMemo, useState } from 'react'
import { useElementSize } from '@mantine/hooks'
import { Link } from 'react-router'
import * as v from 'valibot'
import { enteredAnswer } from '#core/answers/answers.ts'
import { warmedOutAnswer } from '#core/answers/warm-up-answers.ts'
import { cautionsAt } from '#core/renewal/cautions.ts'
import { warmUp, type WarmUpFound } from '#core/spool/warm-up.ts'
import { readWarmed } from '#formats/warmed/read-warmed.ts'
import type { SpoolRecord, Warming } from '#journal/state.ts'
import type { Draft } from '#records/act.ts'
import { finite } from '#records/fields.ts'
import { sourceChoices } from '#session/heat-choices.ts'
import { useJournalTools, usePreferences } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { Cautions } from '#ui/cautions.tsx'
import { dayText } from '#ui/dates.ts'
import { Figure } from '#ui/figure.tsx'
import { inWhole, THIN } from '#ui/format.ts'
import { degreesText } from '#ui/heat-text.ts'
import { Refused } from '#ui/refused.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { NoSuchSpool } from './no-such-spool.tsx'
import { WarmedField } from './warmed-field.tsx'
import hand from '#ui/hand.module.css'
import css from './warm.module.css'

const WarmChart = lazy(() => import('./warm-chart.tsx'))
const CHART_PX = 240
const MOST_L = 1000

/** Is there water in it? Warmed in a closed chamber, beside the same chamber empty. */
export function WarmPage({ spoolId }: { readonly spoolId: string }) {
  const { state } = useJournal()
  const spool = state.spools.get(spoolId)
  return spool ? <Warm spool={spool} /> : <NoSuchSpool />
}

interface Shown {
  /** What is typed, where it reads; else what was kept; null: neither. */
  readonly readings: Warming['readings'] | null
  readonly error: string | null
  readonly isTyped: boolean
  readonly leftOut: number
}

function shownOf(typed: string, kept: Warming | undefined, scale: 'C' | 'F'): Shown {
  if (typed.trim() === '')
    return { readings: kept?.readings ?? null, error: null, isTyped: false, leftOut: 0 }
  const read = readWarmed(typed, scale)
  return read.ok
    ? { readings: [...read.readings], error: null, isTyped: true, leftOut: read.leftOut }
    : { readings: null, error: read.message, isTyped: true, leftOut: 0 }
}

function Warm({ spool }: { readonly spool: SpoolRecord }) {
  const { state, nowMs } = useJournal()
  const { base, maker } = useJournalTools()
  const { preferences } = usePreferences()
  const { volume } = useMeasures()
  const write = useWriteAct()
  const choices = sourceChoices(state, false).filter(
    one => one.source.kind !== 'sun' && one.source.kind !== 'microwave',
  )
  const last = state.warmings.findLast(one => one.spoolId === spool.spoolId) ?? state.warmings.at(-1)
  const [key, setKey] = useState(
    choices.find(one => last && one.heatSourceId === last.heatSourceId)?.key ??
      choices.find(one => one.source.kind === 'dryer')?.key ??
      choices[0]!.key,
  )
  const choice = choices.find(one => one.key === key) ?? choices[0]!
  const of = (spoolId: string | null) =>
    state.warmings.findLast(one => one.spoolId === spoolId && one.heatSourceId === choice.heatSourceId)
  const [keptEmpty, keptWith] = [of(null), of(spool.spoolId)]
  const [litresTyped, setLitres] = useState<string | null>(null)
  const [emptyTyped, setEmpty] = useState('')
  const [withTyped, setWith] = useState('')
  const litres = litresTyped ?? (last ? volume.field(last.chamberL) : '')
  const chamberL = volume.parse(litres)
  const litresWrong = v.is(finite(0.5, MOST_L), chamberL)
    ? null
    : `Its inside, ${volume.text(1)} to ${volume.text(MOST_L)}: width by depth by height.`
  const scale = preferences.temperatureScale
  const empty = useMemo(() => shownOf(emptyTyped, keptEmpty, scale), [emptyTyped, keptEmpty, scale])
  const withIt = useMemo(() => shownOf(withTyped, keptWith, scale), [withTyped, keptWith, scale])
  const found =
    empty.readings && withIt.readings && litresWrong === null
      ? warmUp({ chamberL, readings: withIt.readings, baseline: empty.readings })
      : null
  const drafts = [
    { shown: empty, spoolId: null },
    { shown: withIt, spoolId: spool.spoolId },
  ].flatMap(({ shown, spoolId }): Draft[] =>
    shown.isTyped && shown.readings && litresWrong === null
      ? [
          {
            kind: 'chamber.warmed',
            payload: { spoolId, heatSourceId: choice.heatSourceId, chamberL, readings: [...shown.readings] },
          },
        ]
      : [],
  )
  const keep = () =>
    write.mutate(
      { what: `${spool.name}: warmed in ${choice.name}`, drafts },
      {
        onSuccess: () => {
          setEmpty('')
          setWith('')
        },
      },
    )
  const keptWords = (one: Warming | undefined) =>
    one ? `${one.readings.length} readings kept ${dayText(one.atMs, nowMs, maker.zone)}` : 'none kept'
  return (
    <main className={hand.page} data-place="warm">
      <p className={hand.where}>
        <Link to={`${base}/spools/${spool.spoolId}`}>{spool.name}</Link> warmed in a closed chamber
      </p>
      <h1 className={hand.answer} aria-live="polite">
        <WarmAnswer found={found} hasEmpty={empty.readings !== null} hasSpool={withIt.readings !== null} />
      </h1>
      <p className={hand.behind}>
        {found?.leastMg != null && found.bySaying ? (
          <>
            At least{' '}
            <Figure answer={warmedOutAnswer(spool.name, chamberL, found.leastMg, found.bySaying)}>
              {inWhole(found.leastMg)}
              {THIN}mg
            </Figure>{' '}
            came out; how much is left it does not tell.
          </>
        ) : (
          'Close it, begin cold, read the display every few minutes up to the heat the spool stands. Once empty, once with the spool.'
        )}
        {found !== null && found.beyond > 0 && (
          <span data-part="spool-facts">
            {' '}
            {found.beyond === 1 ? 'One reading is' : `${found.beyond} readings are`} beyond what the empty
            chamber was warmed to, and left out.
          </span>
        )}
      </p>
      <div className={css.fields}>
        <NativeSelect
          label="Chamber"
          data={choices.map(one => ({ value: one.key, label: one.name }))}
          value={choice.key}
          onChange={event => setKey(event.currentTarget.value)}
        />
        <TextInput
          label={`Its inside, ${volume.unit}`}
          inputMode="decimal"
          autoComplete="off"
          value={litres}
          error={litres === '' ? null : litresWrong}
          onChange={event => setLitres(event.currentTarget.value)}
        />
      </div>
      <div className={css.two}>
        <WarmedField
          label="Empty"
          kept={keptWords(keptEmpty)}
          typed={emptyTyped}
          shown={empty}
          change={setEmpty}
        />
        <WarmedField
          label="With the spool"
          kept={keptWords(keptWith)}
          typed={withTyped}
          shown={withIt}
          change={setWith}
        />
      </div>
      {drafts.length > 0 && (
        <p className={css.keep}>
          <button type="button" className={hand.filled} disabled={write.isPending} onClick={keep}>
            Keep it
          </button>
          {write.error && <Refused error={write.error} remedy="press Keep it again" />}
        </p>
      )}
      {found && <Chart found={found} />}
      <Cautions folded={false} list={cautionsAt({ step: 'dry a spool', oven: choice.source.kind })} />
    </main>
  )
}

function WarmAnswer({
  found,
  hasEmpty,
  hasSpool,
}: {
  readonly found: WarmUpFound | null
  readonly hasEmpty: boolean
  readonly hasSpool: boolean
}) {
  const measures = useMeasures()
  if (found?.beganC != null)
    return (
      <>
        There is water in it: it began to leave at{' '}
        <Figure
          answer={enteredAnswer(
            'water begins to leave at',
            'the coolest reading from which on all stand above the empty chamber',
            found.beganC,
            '°C',
            'measured',
          )}
        >
          {degreesText(measures, found.beganC)}
        </Figure>
        .
      </>
    )
  if (found) return 'Nothing came out that a display could tell.'
  if (hasSpool && !hasEmpty) return 'Now warm the same chamber empty.'
  if (hasEmpty && !hasSpool) return 'Now warm it with the spool.'
  return 'Is there water in it? Warm it, and read on the way.'
}

function Chart({ found }: { readonly found: WarmUpFound }) {
  const { ref, width } = useElementSize()
  const { dark } = usePreferences()
  const { temperature } = useMeasures()
  const data = useMemo(() => ({ found, degrees: temperature }), [found, temperature])
  return (
    <div ref={ref} className={css.chart}>
      {width > 0 && (
        <Suspense fallback={<p className={hand.aside}>Drawing …</p>}>
          <WarmChart key={String(dark)} data={data} width={width} height={CHART_PX} />
        </Suspense>
      )}
    </div>
  )
}
