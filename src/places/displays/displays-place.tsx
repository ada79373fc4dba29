import { useElementSize } from '@mantine/hooks'
import { NativeSelect, TextInput } from '@mantine/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { waitHours } from '#core/reading/display-check.ts'
import { SALTS, saltRhPercent } from '#core/air/salts.ts'
import { inScale } from '#core/reading/scale-slip.ts'
import { stuckSinceS } from '#core/reading/stuck.ts'
import { cautionsAt } from '#core/renewal/cautions.ts'
import { HangingDisplay, hangsPx } from '#draw/hanging-display.tsx'
import { instrumentsOf } from '#journal/instruments.ts'
import type { InstrumentRecord, State } from '#journal/state.ts'
import { displayErrorAt, shownRh } from '#journal/true-readings.ts'
import { CHECK_AIR_LIST } from '#records/picklists.ts'
import { useJournalTools, usePreferences } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { nearTemperatures } from '#session/expectation.ts'
import { useWriteAct } from '#session/writing.ts'
import { msFromSeconds, secondsFromMs } from '#units/time.ts'
import { Cautions } from '#ui/cautions.tsx'
import { useCheckedForm } from '#ui/checked-form.ts'
import { shortDayText } from '#ui/dates.ts'
import { leftWords, offWords } from '#ui/display-words.ts'
import { FormFoot } from '#ui/form-foot.tsx'
import { asTyped, inTenths, shortName, THIN } from '#ui/format.ts'
import { WhenField } from '#ui/when-field.tsx'
import {
  checkOfDisplays,
  errorsWith,
  howTo,
  type Air,
  type CheckToKeep,
  type CheckTyped,
} from './check-form.ts'
import hand from '#ui/hand.module.css'
import pen from '#draw/pen.module.css'
import css from './displays.module.css'

/** How far off is each display, and how is that found out? */
export default function DisplaysPlace() {
  const { state, nowMs } = useJournal()
  const { base } = useJournalTools()
  const displays = instrumentsOf(state)
  const errorAt = displayErrorAt(state)
  const unchecked = displays.filter(one => errorAt(one.instrumentId, nowMs) === null)
  return (
    <main className={hand.page} data-place="displays">
      <p className={hand.where}>
        <Link to={`${base}/kit`}>Kit</Link>
      </p>
      <h1 className={hand.answer}>{answerOf(displays, unchecked)}</h1>
      <p className={hand.behind}>
        {displays.length === 0 ? (
          <>
            Say in <Link to={`${base}/kit`}>Kit</Link> that you have one: “round display, carried round”.
          </>
        ) : (
          'A check counts for what was read before it as for what comes; what the display showed is kept, and undo takes the check back.'
        )}
      </p>
      {displays.length > 0 && (
        <>
          <button
            type="button"
            className={`${hand.worded} ${css.toForm}`}
            onClick={() => document.getElementById('a-check')?.scrollIntoView()}
          >
            Enter a check
          </button>
          <div className={css.two}>
            <section aria-labelledby="how-far">
              <h2 id="how-far">How far off</h2>
              <Rail displays={displays} />
              <Displays displays={displays} />
              <Checks state={state} />
            </section>
            <CheckForm key={state.checks.length} displays={displays} />
          </div>
        </>
      )}
    </main>
  )
}

function answerOf(displays: readonly InstrumentRecord[], unchecked: readonly InstrumentRecord[]): string {
  const [first] = unchecked
  if (displays.length === 0) return 'No display is here'
  if (!first) return displays.length === 1 ? 'Your display was checked' : 'Every display was checked'
  if (unchecked.length === displays.length)
    return displays.length === 1 ? 'Your display was never checked' : 'No display was ever checked'
  return unchecked.length === 1
    ? `${first.name} was never checked`
    : `${COUNTS[unchecked.length] ?? unchecked.length} of ${COUNTS[displays.length]?.toLowerCase() ?? displays.length} displays were never checked`
}
const COUNTS = ['', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten']

const SCALE = 0.6
const PLACE_PX = 152

/** All of them on one rail, each out of plumb by what it shows too much. */
function Rail({ displays }: { readonly displays: readonly InstrumentRecord[] }) {
  const { state, nowMs } = useJournal()
  const { ref, width } = useElementSize()
  const each = Math.max(1, Math.floor(width / PLACE_PX))
  const rows = Array.from({ length: Math.ceil(displays.length / each) }, (_, i) =>
    displays.slice(i * each, (i + 1) * each),
  )
  const rowPx = hangsPx(SCALE) + 38
  return (
    <div ref={ref}>
      {width > 0 && (
        <svg
          className={pen.drawing}
          width={width}
          height={rows.length * rowPx}
          role="img"
          aria-label="Displays on a rail: each hangs to the right by what it shows too much, to the left by what it shows too little"
        >
          {rows.map((row, r) => (
            <g key={row[0]!.instrumentId} transform={`translate(0 ${r * rowPx})`}>
              <rect
                x="0"
                y="0"
                width={Math.min(width, row.length * PLACE_PX)}
                height="7"
                className={pen.board}
              />
              <path d={`M0 0H${Math.min(width, row.length * PLACE_PX)}`} className={pen.boardLine} />
              {row.map((one, i) => (
                <g key={one.instrumentId}>
                  <HangingDisplay
                    x={(i + 0.5) * PLACE_PX}
                    y={4}
                    scale={SCALE}
                    error={displayErrorAt(state)(one.instrumentId, nowMs)}
                  />
                  <text
                    x={(i + 0.5) * PLACE_PX}
                    y={hangsPx(SCALE) + 20}
                    textAnchor="middle"
                    className={css.railName}
                  >
                    {shortName(one.name, 19)}
                  </text>
                </g>
              ))}
            </g>
          ))}
          {rows.length === 1 && width - displays.length * PLACE_PX >= KEY_PX && (
            <g transform={`translate(${width - KEY_PX + 24} 52)`}>
              <text className={pen.inkSmallAside}>hangs right: shows</text>
              <text y="18" className={pen.inkSmallAside}>
                too much. A step is 1{THIN}%,
              </text>
              <text y="36" className={pen.inkSmallAside}>
                the bar is its doubt.
              </text>
            </g>
          )}
        </svg>
      )}
    </div>
  )
}

/** What the words beside the rail need. */
const KEY_PX = 180
const FAR_RH = 60

function Displays({ displays }: { readonly displays: readonly InstrumentRecord[] }) {
  const { state, nowMs } = useJournal()
  const { maker } = useJournalTools()
  const write = useWriteAct()
  const day = (ms: number) => shortDayText(ms, nowMs, maker.zone)
  return (
    <table className={css.displays}>
      <thead>
        <tr>
          <th scope="col">Display</th>
          <th scope="col">off by, at 25{THIN}%</th>
          <th scope="col">last checked</th>
          <th scope="col">cell</th>
        </tr>
      </thead>
      <tbody>
        {displays.map(one => {
          const error = displayErrorAt(state)(one.instrumentId, nowMs)
          const last = state.checks.findLast(check =>
            check.shown.some(shown => shown.instrumentId === one.instrumentId),
          )
          const stuckS = stuckSinceOf(state, one.instrumentId)
          const far = error && { offsetRh: error.offsetRh + error.perRh * (FAR_RH - 25) }
          return (
            <tr key={one.instrumentId} data-display={one.instrumentId}>
              <th scope="row">
                {one.name}
                <small>
                  {one.boxId === null ? 'carried round' : `in ${state.boxes.get(one.boxId)?.name ?? 'a box'}`}
                </small>
              </th>
              <td data-part="off">
                {error ? (
                  <>
                    {offWords(error)} ({leftWords(error)})
                    {far && offWords(far) !== offWords(error) && (
                      <small>
                        at {FAR_RH}
                        {THIN}% it {offWords(far)}
                      </small>
                    )}
                  </>
                ) : (
                  <span className={hand.pencil}>
                    never checked: ±{one.accuracyPercentRh}
                    {THIN}%
                  </span>
                )}
                {stuckS !== null && (
                  <small className={css.stuck}>
                    shows the same two figures since {day(msFromSeconds(stuckS))}: a weak cell?
                  </small>
                )}
              </td>
              <td>{last ? day(last.atMs) : <span className={hand.pencil}>never</span>}</td>
              <td>
                {one.cellMs !== null && <>since {day(one.cellMs)} </>}
                <button
                  type="button"
                  className={hand.worded}
                  disabled={write.isPending}
                  aria-label={`Fresh today: the cell in ${one.name}`}
                  onClick={() =>
                    write.mutate({
                      what: `${one.name}: a fresh cell`,
                      drafts: [{ kind: 'instrument.cell', payload: { instrumentId: one.instrumentId } }],
                    })
                  }
                >
                  Fresh today
                </button>
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}

function stuckSinceOf(state: State, instrumentId: string): number | null {
  return stuckSinceS(
    state.readings
      .filter(reading => reading.instrumentId === instrumentId && reading.temperatureKnown === 'measured')
      .map(reading => ({
        atS: secondsFromMs(reading.atMs),
        rhPercent: shownRh(reading),
        temperatureC: reading.temperatureC,
        place: reading.place.in === 'box' ? reading.place.boxId : `room ${reading.place.roomId}`,
      })),
  )
}

/** What was checked so far; each stands among the entries, where it can be put right or taken back. */
function Checks({ state }: { readonly state: State }) {
  const { nowMs } = useJournal()
  const { base, maker } = useJournalTools()
  if (state.checks.length === 0) return null
  return (
    <details className={css.checks}>
      <summary className={hand.aside}>
        {state.checks.length === 1 ? 'One check' : `${state.checks.length} checks`} so far
      </summary>
      <ul>
        {state.checks.map(check => (
          <li key={check.id}>
            {shortDayText(check.atMs, nowMs, maker.zone)}, {airName(check.air)}:{' '}
            {check.shown
              .map(
                shown =>
                  `${state.instruments.get(shown.instrumentId)?.name ?? 'one that is gone'} ${asTyped(shown.relativeHumidityPercent)}${THIN}%`,
              )
              .join(', ')}
          </li>
        ))}
      </ul>
      <Link to={`${base}/entries`}>Put one right, by what was entered</Link>
    </details>
  )
}

const airName = (air: Air): string => (air === 'bag' ? 'one bag' : `over ${SALTS[air].name}`)
const AIRS = CHECK_AIR_LIST.map(air => ({
  value: air,
  label:
    air === 'bag'
      ? 'One bag, all together'
      : `Over ${SALTS[air].name}, ${SALTS[air].formula}: ${Math.round(saltRhPercent(air, 20)!)}${THIN}%`,
}))

/** Several displays in one air: what it is, how to do it, what each shows, and what that would tell. */
function CheckForm({ displays }: { readonly displays: readonly InstrumentRecord[] }) {
  const { state } = useJournal()
  const { maker } = useJournalTools()
  const { temperatureScale: scale } = usePreferences().preferences
  const write = useWriteAct()
  const [openedMs] = useState(() => maker.nowMs())
  const near = roomC(state, openedMs)
  const form = useCheckedForm<CheckTyped, CheckToKeep>(
    {
      air: 'bag',
      temperature: near === null ? '' : inTenths(inScale(near, scale)),
      waited: String(waitHours('bag')),
      when: openedMs,
      shown: {},
    },
    typed => checkOfDisplays(typed, scale, state),
  )
  const { values } = form
  const checked = checkOfDisplays(values, scale, state)
  const wait = waitHours(values.air)
  const waited = Number(values.waited.replace(',', '.'))
  const keep = ({ atMs, payload }: CheckToKeep) =>
    write.mutate({
      what: `Displays checked in ${airName(payload.air)}`,
      drafts: [{ kind: 'instrument.checked', atMs, payload }],
    })
  return (
    <form
      onSubmit={form.onKeep(keep)}
      noValidate
      className={`${hand.form} ${css.check}`}
      aria-labelledby="a-check"
      data-part="check-form"
    >
      <h2 id="a-check">A check</h2>
      <NativeSelect
        label="In what air"
        data={AIRS}
        value={values.air}
        onChange={event => {
          const air = event.currentTarget.value as Air
          form.setFieldValue('air', air)
          form.setFieldValue('waited', String(waitHours(air)))
        }}
      />
      <ol className={css.steps}>
        {howTo(values.air).map(step => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      <Cautions list={cautionsAt({ step: 'check displays', air: values.air })} />
      <div className={css.pair}>
        <TextInput
          label="Waited, hours"
          inputMode="decimal"
          autoComplete="off"
          {...form.getInputProps('waited')}
        />
        <TextInput
          label={`Temperature, °${scale}`}
          inputMode="decimal"
          autoComplete="off"
          {...form.getInputProps('temperature')}
        />
      </div>
      {waited < wait && (
        <p className={hand.aside} data-part="too-short">
          That is less than {wait === 1 ? 'an hour' : `${wait} hours`}: they have not come to the new air yet,
          and the check tells less.
        </p>
      )}
      <fieldset className={css.shown}>
        <legend>What each shows, % (blank: not in there)</legend>
        {displays.map(one => (
          <TextInput
            key={one.instrumentId}
            label={one.name}
            inputMode="decimal"
            autoComplete="off"
            value={values.shown[one.instrumentId] ?? ''}
            onChange={event =>
              form.setFieldValue('shown', { ...values.shown, [one.instrumentId]: event.currentTarget.value })
            }
          />
        ))}
        {form.errors['shown'] && (
          <p role="alert" className={css.error}>
            {form.errors['shown']}
          </p>
        )}
      </fieldset>
      <WhenField latestMs={openedMs} {...form.valueOf('when')} />
      {checked.ok && (
        <p data-part="would-be" aria-live="polite">
          {errorsWith(state, checked.kept)
            .map(({ instrument, error }) => `${instrument.name} ${offWords(error)} (${leftWords(error)})`)
            .join('; ')}
          .
        </p>
      )}
      <FormFoot write={write} />
    </form>
  )
}

/** The room's last temperature, of any room: where a bag or a jar would stand. */
function roomC(state: State, nowMs: number): number | null {
  const [room] = state.rooms.keys()
  return room === undefined ? null : (nearTemperatures(state, { in: 'room', id: room }, nowMs + 1)[0] ?? null)
}
