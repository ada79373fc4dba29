import { TextInput } from '@mantine/core'
import { Link, useNavigate } from 'react-router'
import { shownLeakAnswer, weighedLeakAnswer } from '#core/answers/leak-answers.ts'
import { vapourDensityOfRhGPerM3 } from '#core/air/vapour.ts'
import type { Answer } from '#core/answer.ts'
import {
  displayLeak,
  sealTestPlans,
  wallHoldsWater,
  weighedLeak,
  type SealResult,
  type SealSetting,
} from '#core/build/seal-test.ts'
import { mgPerDay } from '#core/build/candidate.ts'
import type { BoxView } from '#journal/box-view.ts'
import type { BoxRecord } from '#journal/state.ts'
import type { SealTestBegun, SealTestResult } from '#records/kinds/box.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { useCheckedForm, type Checked } from '#ui/checked-form.ts'
import { dayText } from '#ui/dates.ts'
import { parseDecimal } from '#ui/decimal.ts'
import { Figure } from '#ui/figure.tsx'
import { FormFoot } from '#ui/form-foot.tsx'
import { inTenths, inWhole, THIN } from '#ui/format.ts'
import type { Measures } from '#ui/measures.ts'
import { Refused } from '#ui/refused.tsx'
import { sealRangeText, sealWords } from '#ui/seal-words.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { lengthWords, NAMES } from './seal-methods.ts'
import hand from '#ui/hand.module.css'
import css from './seal.module.css'

const HOUR_MS = 3_600_000
const LEAST_HOURS = 0.5
interface Typed {
  readonly tray: string
  readonly control: string
  readonly display: string
  readonly room: string
}
interface Found {
  readonly result: SealTestResult
  readonly answer: Answer
}

/** What was read at the end of a test, and what it says; messages name the field and the remedy. */
export function checkSealEnd(
  typed: Typed,
  begun: SealTestBegun,
  setting: SealSetting,
  hours: number,
  { weight }: Measures,
): Checked<Typed, Found> {
  const errors: Partial<Record<keyof Typed, string>> = {}
  const lasted = Math.max(LEAST_HOURS, hours)
  if (begun.method === 'weighed') {
    const endG = weight.parse(typed.tray)
    if (!(endG >= 1 && endG <= 10_000))
      return {
        ok: false,
        errors: {
          tray: `The tray from inside: type what the scale shows, ${weight.text(1)} to ${weight.text(10_000)}.`,
        },
      }
    const gainG = endG - begun.trayG!
    if (gainG < -3 * setting.scaleStepG)
      errors.tray = `The tray from inside: it weighs less than when it went in (${weight.text(begun.trayG!)}); weigh it again, or the trays were mixed up.`
    const isControlled = begun.controlG !== null && typed.control.trim() !== ''
    if (isControlled) {
      const controlGain = weight.parse(typed.control) - begun.controlG!
      if (!Number.isFinite(controlGain))
        errors.control = 'The tray in the open: type what the scale shows, or leave it empty.'
      else if (controlGain <= gainG)
        errors.control =
          'The tray in the open: it took up no more than the one inside, so the beads were not fresh or the trays were mixed up. Leave it empty only if it was not weighed.'
    }
    if (Object.keys(errors).length > 0) return { ok: false, errors }
    try {
      const found = weighedLeak(setting, {
        gainG: Math.max(0, gainG),
        hours: lasted,
        hasControl: isControlled,
      })
      return {
        ok: true,
        kept: {
          result: { ...resultOf(found, begun, lasted), gainG },
          answer: weighedLeakAnswer(setting, found, Math.max(1e-6, gainG), lasted),
        },
      }
    } catch {
      return {
        ok: false,
        errors: {
          tray: 'The tray from inside: it took up more than an open tray could here in that time; weigh it again.',
        },
      }
    }
  }
  const endPercent = parseDecimal(typed.display)
  const roomPercent = parseDecimal(typed.room)
  if (!(endPercent >= 0 && endPercent <= 100)) errors.display = 'The display: type 0 to 100.'
  if (!(roomPercent >= 0 && roomPercent <= 100))
    errors.room = 'The room: read the same display outside the box, 0 to 100.'
  else if (Math.abs(roomPercent - begun.startPercent!) < setting.displayWithinPercent)
    errors.room = `The room: it stands as the box did at the start; a display can’t tell anything from that.`
  if (Object.keys(errors).length > 0) return { ok: false, errors }
  const seen = { startPercent: begun.startPercent!, endPercent, roomPercent, hours: lasted }
  try {
    const found = displayLeak(setting, seen)
    return {
      ok: true,
      kept: {
        result: { ...resultOf(found, begun, lasted), endPercent, roomPercent },
        answer: shownLeakAnswer(setting, found, seen),
      },
    }
  } catch {
    return {
      ok: false,
      errors: {
        display:
          'The display: the air moved away from the room’s. Beads or something damp were inside: begin again without them.',
      },
    }
  }
}
const resultOf = (found: SealResult, begun: SealTestBegun, hours: number): SealTestResult => ({
  ...found,
  method: begun.method,
  hours,
  gainG: null,
  endPercent: null,
  roomPercent: null,
})

/** A test under way: until when, and what it says once it is read. */
export function EndSeal({
  view,
  setting,
  proving,
}: {
  readonly view: BoxView
  readonly setting: SealSetting
  readonly proving: NonNullable<BoxRecord['proving']>
}) {
  const { nowMs } = useJournal()
  const { base, maker } = useJournalTools()
  const navigate = useNavigate()
  const write = useWriteAct()
  const measures = useMeasures()
  const { weight } = measures
  const { box } = view
  const { begun, atMs } = proving
  const hours = (nowMs - atMs) / HOUR_MS
  const planned = sealTestPlans(setting, box.lid).find(plan => plan.method === begun.method)?.hours ?? null
  const isWeighed = begun.method === 'weighed'
  const form = useCheckedForm<Typed, Found>({ tray: '', control: '', display: '', room: '' }, typed =>
    checkSealEnd(typed, begun, setting, hours, measures),
  )
  const { values } = form
  const isTyped = isWeighed ? values.tray !== '' : values.display !== '' && values.room !== ''
  const checked = isTyped ? checkSealEnd(values, begun, setting, hours, measures) : null
  const found = checked?.ok ? checked.kept : null
  const drive =
    vapourDensityOfRhGPerM3(setting.room) -
    vapourDensityOfRhGPerM3({ ...setting.room, relativeHumidityPercent: 10 })
  const isDue = planned !== null && hours >= planned
  const tested = (result: SealTestResult | null, what: string) =>
    write.mutate(
      {
        what: `${box.name}: ${what}`,
        drafts: [{ kind: 'box.sealTested', payload: { boxId: box.boxId, result } }],
      },
      { onSuccess: () => void navigate(`${base}/box/${box.boxId}`) },
    )
  return (
    <main className={hand.page} data-place="seal">
      <p className={hand.where}>
        <Link to={`${base}/box/${box.boxId}`}>{box.name}</Link>
      </p>
      <h1 className={hand.answer} aria-live="polite">
        {found
          ? `${sealRangeText(found.result)}: ${sealWords(found.result)}`
          : planned === null
            ? `${NAMES[begun.method]}: read it when you like`
            : isDue
              ? `${NAMES[begun.method]}: it is time to read it`
              : `${NAMES[begun.method]}: read it on ${dayText(atMs + planned * HOUR_MS, nowMs, maker.zone)}`}
      </h1>
      <p className={hand.behind}>
        Shut for {hours < 1 ? 'less than an hour' : lengthWords(Math.round(hours))}
        {planned === null ? '' : ` of ${lengthWords(planned)}`}.{' '}
        {!isDue && planned !== null && 'Sooner it tells less, and says so.'}
      </p>
      <form
        onSubmit={form.onKeep(kept => tested(kept.result, `seal proved, ${sealRangeText(kept.result)}`))}
        noValidate
        className={`${hand.form} ${css.form}`}
        data-part="end-seal"
      >
        {isWeighed ? (
          <>
            <TextInput
              label={`The tray from inside, ${weight.unit}`}
              description={`it went in at ${weight.field(begun.trayG!)}${THIN}${weight.unit}`}
              inputMode="decimal"
              autoComplete="off"
              {...form.getInputProps('tray')}
            />
            {begun.controlG !== null && (
              <TextInput
                label={`The tray in the open, ${weight.unit}`}
                description={`it was ${weight.field(begun.controlG)}${THIN}${weight.unit}`}
                inputMode="decimal"
                autoComplete="off"
                {...form.getInputProps('control')}
              />
            )}
          </>
        ) : (
          <>
            <TextInput
              label="The display in the box, %"
              description={`it was shut at ${inWhole(begun.startPercent!)}${THIN}%`}
              inputMode="decimal"
              autoComplete="off"
              {...form.getInputProps('display')}
            />
            <TextInput
              label="The same display in the room, %"
              inputMode="decimal"
              autoComplete="off"
              {...form.getInputProps('room')}
            />
          </>
        )}
        {found && (
          <p data-part="found">
            <Figure answer={found.answer} className={hand.strong}>
              {sealRangeText(found.result)}
            </Figure>
            : about {inTenths(mgPerDay(found.result.middleLPerH, drive))}
            {THIN}mg of water a day at 10{THIN}% inside.{' '}
            {wallHoldsWater(setting.wall) &&
              'These walls hold water and give it back: the figure leans to the high side, most after the first days.'}
          </p>
        )}
        <FormFoot write={write} />
      </form>
      {write.error && <Refused error={write.error} remedy="press again" />}
      <p className={hand.pageFoot}>
        <button type="button" className={hand.worded} onClick={() => tested(null, 'seal test given up')}>
          Give this test up
        </button>
      </p>
    </main>
  )
}
