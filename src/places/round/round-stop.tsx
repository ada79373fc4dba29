import { useDebouncedValue, useElementSize } from '@mantine/hooks'
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react'
import type { Unread } from '#records/picklists.ts'
import { cautionsAt } from '#core/renewal/cautions.ts'
import { boxView } from '#journal/box-view.ts'
import { instrumentFor, instrumentForRoom } from '#journal/instruments.ts'
import { shortDayText } from '#ui/dates.ts'
import { Cautions } from '#ui/cautions.tsx'
import { useJournalTools, usePreferences } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { knownBox } from '#session/known-box.ts'
import { useReport } from '#session/reports.ts'
import { useWriteAct } from '#session/writing.ts'
import { UnreadWords } from '#ui/unread-words.tsx'
import { shortName } from '#ui/format.ts'
import { dropDraft, READING_LASTS_MS, readDraft, useDraft } from '#ui/draft.ts'
import { Refused } from '#ui/refused.tsx'
import { parseDecimal } from '#ui/decimal.ts'
import { BeadColours, coloursFor } from './bead-colours.tsx'
import { expectationAt, nearTemperatures, shownBy } from '#session/expectation.ts'
import { LidChoice } from './lid-choice.tsx'
import { checkStop, formAt, stopDraft, type RoundForm, type StopResult } from './round-form.ts'
import { replacedBy, takenAt, type RoundStep } from './round-steps.ts'
import { RoundTape } from './round-tape.tsx'
import { RoundVerdict } from './round-verdict.tsx'
import { SlipQuestion } from '#ui/slip-question.tsx'
import { StopDrawing } from './stop-drawing.tsx'
import { Stepper } from './stepper.tsx'
import css from './round.module.css'
import hand from '#ui/hand.module.css'

interface Props {
  readonly step: RoundStep
  readonly sinceMs: number
  readonly next: RoundStep | null
  readonly onKept: () => void
  readonly onSkip: () => void
  readonly onBack: (() => void) | null
  readonly onLeave: () => void
}

/** The verdict is worked out anew once the hand rests this long. */
const REST_MS = 350

/** One stop of the round: reading and verdict above, everything touched below. */
export function RoundStop({ step, sinceMs, next, onKept, onSkip, onBack, onLeave }: Props) {
  const journal = useJournal()
  const { maker, base } = useJournalTools()
  const { temperatureScale: scale } = usePreferences().preferences
  const write = useWriteAct()
  const { ref, width } = useElementSize()
  const rhField = useRef<HTMLInputElement>(null)
  const temperatureField = useRef<HTMLInputElement>(null)
  const { state } = journal
  const [atMs] = useState(() => maker.nowMs())
  const taken = takenAt(state, step, sinceMs)
  const box = step.in === 'box' ? state.boxes.get(step.id) : undefined
  const charge = box ? ([...state.charges.values()].find(item => item.boxId === box.boxId) ?? null) : null
  const known = useMemo(() => (box ? knownBox(journal, box.boxId) : null), [journal, box])
  const { data: before } = useReport(step.id, known?.facts)
  const nearC = nearTemperatures(state, step, taken ? taken.atMs : atMs)
  const draftKey = `${base} round ${step.in}:${step.id}`
  const [form, setForm] = useState<RoundForm>(
    () =>
      (taken
        ? null
        : readDraft(draftKey, stopDraft, { nowMs: maker.nowMs(), mostAgeMs: READING_LASTS_MS })) ??
      formAt(state, taken, nearC, scale, box),
  )
  useDraft(draftKey, form.humidity === '' ? null : form, maker.nowMs)
  const [result, setResult] = useState<StopResult | null>(null)
  const [dragging, setDragging] = useState(false)
  const expected = expectationAt(state, step, { atMs, report: before, nearC, instrument: instrumentOf() })
  const rest = useDebouncedValue(form, REST_MS)[0]
  const readAtMs = taken?.atMs ?? atMs
  const target = box ? (boxView(state, box.boxId, atMs)?.target?.rhPercent ?? null) : null
  // the tape is in the display's own figures: one that is off has its target elsewhere
  const targetShown = target === null ? null : shownBy(state, instrumentOf(), atMs)(target)
  const typedRh = parseDecimal(form.humidity)
  const shownRh = Number.isFinite(typedRh)
    ? Math.min(100, Math.max(0, typedRh))
    : Math.round(expected.rhPercent?.middle ?? expected.lastRhPercent ?? 40)

  useEffect(() => {
    window.scrollTo(0, 0)
    // a phone's keyboard would cover what the thumb needs
    if (!window.matchMedia('(pointer: coarse)').matches) rhField.current?.focus()
  }, [])

  function instrumentOf() {
    if (step.in === 'box') return instrumentFor(state, step.id)
    return instrumentForRoom(state)
  }
  const set = (part: Partial<RoundForm>) => {
    setForm(current => ({ ...current, ...part }))
    setResult(null)
  }
  const setRh = (rh: number) => set({ humidity: String(rh) })
  const keep = (meant: boolean, changed: RoundForm = form) => {
    const checked = checkStop(changed, {
      step,
      scale,
      instrumentId: instrumentOf()?.instrumentId ?? '',
      atMs: readAtMs,
      sinceMs,
      charge,
      expected,
      meant,
    })
    setForm(changed)
    setResult(checked)
    if (checked.kind === 'error') {
      ;(checked.field === 'humidity' ? rhField : temperatureField).current?.focus()
    } else if (checked.kind === 'ready')
      write.mutate(
        {
          what: `${step.name}: read on the round`,
          drafts: checked.drafts,
          ...(taken ? { instead: replacedBy(taken, journal.kept) } : {}),
        },
        {
          onSuccess: () => {
            dropDraft(draftKey)
            onKept()
          },
        },
      )
  }
  const sayUnread = (why: Unread) =>
    write.mutate(
      {
        what: `${step.name}: its display ${why}`,
        drafts: [{ kind: 'box.unread', atMs: maker.nowMs(), payload: { boxId: step.id, why } }],
      },
      { onSuccess: onKept },
    )
  /** Enter in the first field goes to the second; there it keeps. */
  const onEnter = (field: EventTarget) => {
    if (field === rhField.current && result?.kind !== 'question') {
      temperatureField.current?.focus()
      temperatureField.current?.select()
    } else keep(result?.kind === 'question')
  }
  const colours = charge ? coloursFor(charge.indicator) : []
  const onKey = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return
    if (event.key === 'Enter' && event.target instanceof HTMLInputElement) {
      event.preventDefault()
      return onEnter(event.target)
    }
    const act = {
      o: () => box && set({ opened: !form.opened }),
      b: () => {
        const now = form.colour === null ? -1 : colours.indexOf(form.colour)
        set({ colour: colours[now + 1] ?? null })
      },
      s: onSkip,
      Backspace: () => onBack?.(),
      Escape: onLeave,
    }[event.key]
    // the fields keep their own backspace
    if (!act || (event.key === 'Backspace' && event.target instanceof HTMLInputElement)) return
    event.preventDefault()
    act()
  }
  const error = result?.kind === 'error' ? result : null
  const lastOpened = known?.view.readings.at(-1)
  return (
    <form
      className={css.roundStop}
      data-part="round-stop"
      onSubmit={event => event.preventDefault()}
      onKeyDown={onKey}
      noValidate
    >
      <RoundVerdict
        step={step}
        form={rest}
        scale={scale}
        readAtMs={readAtMs}
        before={before}
        expected={expected}
        replaces={taken ? replacedBy(taken, journal.kept) : null}
        quiet={dragging}
      />
      <StopDrawing view={known?.view ?? null} report={before} />
      <div className={css.roundHand} data-part="round-hand">
        <div className={css.roundFigure}>
          <Stepper
            label="one per cent less"
            sign="−"
            onStep={() => setRh(Math.max(0, Math.round(shownRh) - 1))}
          />
          <span className={css.roundNumber}>
            <input
              ref={rhField}
              className={form.humidity === '' ? `${css.bigNumber} ${css.numberPencil}` : css.bigNumber}
              data-part="big-number"
              inputMode="decimal"
              autoComplete="off"
              aria-label="Relative humidity, %"
              aria-invalid={error?.field === 'humidity'}
              style={{ width: `${Math.max(2, form.humidity.length) * 0.52 + 0.1}em` }}
              value={form.humidity}
              placeholder={String(shownRh)}
              onChange={event => set({ humidity: event.currentTarget.value })}
            />
            <span className={css.bigUnit}>%</span>
          </span>
          <Stepper
            label="one per cent more"
            sign="+"
            onStep={() => setRh(Math.min(100, Math.round(shownRh) + 1))}
          />
        </div>
        <div ref={ref} className={css.tapeWrap}>
          {width > 0 && (
            <RoundTape
              value={shownRh}
              expected={expected.rhPercent}
              target={targetShown}
              width={width}
              onChange={rh => {
                setDragging(true)
                setRh(rh)
              }}
              onRelease={() => setDragging(false)}
            />
          )}
        </div>
        <div className={css.roundRow}>
          <span>Temperature</span>
          <span className={css.roundTemperature}>
            <Stepper
              label="half a degree less"
              sign="−"
              onStep={() => set({ temperature: stepped(form.temperature, -0.5), temperatureTouched: true })}
            />
            <span className={css.roundNumber}>
              <input
                ref={temperatureField}
                className={form.temperatureTouched ? css.midNumber : `${css.midNumber} ${css.numberPencil}`}
                inputMode="decimal"
                autoComplete="off"
                aria-label={`Temperature, °${scale}`}
                aria-invalid={error?.field === 'temperature'}
                style={{ width: `${Math.max(2, form.temperature.length) * 0.52 + 0.2}em` }}
                value={form.temperature}
                onChange={event => set({ temperature: event.currentTarget.value, temperatureTouched: true })}
              />
              <span>°{scale}</span>
            </span>
            <Stepper
              label="half a degree more"
              sign="+"
              onStep={() => set({ temperature: stepped(form.temperature, 0.5), temperatureTouched: true })}
            />
          </span>
        </div>
        {charge && colours.length > 0 && (
          <div className={css.roundSection}>
            <span>
              Beads look <kbd className={hand.wideOnly}>B</kbd>
            </span>
            <BeadColours
              indicator={charge.indicator}
              chosen={form.colour}
              onChoose={colour => set({ colour })}
            />
            <Cautions
              list={cautionsAt({
                step: 'look at the beads',
                indicator: charge.indicator,
                desiccant: charge.desiccant,
              })}
              folded
            />
          </div>
        )}
        {box && (
          <LidChoice
            since={lastOpened ? shortDayText(lastOpened.atMs, atMs, maker.zone) : null}
            opened={form.opened}
            onChange={opened => set({ opened })}
          />
        )}
        {error && (
          <p className={hand.notice} role="alert">
            {error.message}
          </p>
        )}
        {write.error && <Refused error={write.error} remedy="press again" />}
        {result?.kind === 'question' && (
          <SlipQuestion
            slip={result.slip}
            form={form}
            scale={scale}
            onAnswer={(changed, touched) =>
              keep(true, { ...changed, temperatureTouched: touched || form.temperatureTouched })
            }
            onOpened={() => keep(true, { ...form, opened: true })}
          />
        )}
        <div className={css.roundFoot}>
          <span className={css.roundWays}>
            {onBack && (
              <button type="button" className={hand.worded} onClick={onBack}>
                Back
              </button>
            )}
            <button type="button" className={hand.worded} onClick={onSkip}>
              Skip {step.in === 'box' ? 'this box' : 'the room'}
            </button>
            {box && <UnreadWords onSay={sayUnread} />}
          </span>
          <button
            type="button"
            className={`${hand.filled} ${css.roundNext}`}
            data-part="round-next"
            disabled={write.isPending}
            onClick={() => keep(result?.kind === 'question')}
          >
            {result?.kind === 'question'
              ? 'Keep it as typed'
              : next
                ? `Next: ${shortName(next.name, 24)}`
                : 'Keep it and finish'}
          </button>
        </div>
        <p className={`${css.roundKeys} ${hand.aside} ${hand.wideOnly}`}>
          <kbd>Enter</kbd> on, <kbd>O</kbd> lid was opened, <kbd>B</kbd> bead colour, <kbd>S</kbd> skip,{' '}
          <kbd>Esc</kbd> leave
        </p>
      </div>
    </form>
  )
}

const stepped = (text: string, by: number): string => {
  const value = parseDecimal(text)
  return String(Math.round(2 * ((Number.isFinite(value) ? value : 20) + by)) / 2)
}
