import { NativeSelect, TextInput } from '@mantine/core'
import { besideMinutes, fillingMinutes } from '#core/renewal/day-at-oven.ts'
import type { OvenSession } from '#core/renewal/oven-days.ts'
import type { Draft } from '#records/act.ts'
import type { OvenDaysTold } from '#records/kinds/oven-plan.ts'
import { longestHeat, type PlanQuestion } from '#session/oven-plan/plan-question.ts'
import { seenDraft } from '#session/oven-plan/wish-drafts.ts'
import { useCheckedForm } from '#ui/checked-form.ts'
import { ChoiceRow } from '#ui/choice-row.tsx'
import { Dialog } from '#ui/dialog.tsx'
import { checkHours, type HoursTyped } from './hours-form.ts'
import { SURE_CHOICES, sureWords } from '#ui/plan-words.ts'
import hand from '#ui/hand.module.css'
import css from './plan.module.css'

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']
const hours = (minutes: number): string => String(Math.round((minutes / 60) * 100) / 100)

/** My days and hours, holidays, the oven, and how sure the plan must be. */
export function HoursDialog({
  question,
  sessions,
  onClose,
  onKeep,
}: {
  readonly question: PlanQuestion
  readonly sessions: readonly OvenSession[]
  readonly onClose: () => void
  readonly onKeep: (what: string, drafts: readonly Draft[]) => void
}) {
  const { told, choice, choices, plans } = question
  const leastHours = (besideMinutes(told.unattendedMinutes) + fillingMinutes(longestHeat(plans))) / 60
  const form = useCheckedForm<HoursTyped, OvenDaysTold>(
    {
      weekdays: told.weekdays,
      present: hours(told.presentMinutes),
      alone: hours(told.unattendedMinutes),
      heatSourceId: choice.heatSourceId ?? '',
      sure: told.sure,
      away: told.away,
    },
    typed => checkHours(typed, leastHours),
  )
  const { values } = form
  const keep = (kept: OvenDaysTold) => {
    onKeep('Days at the oven changed', [
      seenDraft(question, sessions),
      { kind: 'ovenDays.told', payload: kept },
    ])
    onClose()
  }
  const setAway = (away: HoursTyped['away']) => form.setFieldValue('away', away)
  const own = choices.filter(one => one.heatSourceId !== null)
  return (
    <Dialog title="When you are at the oven" onClose={onClose} size={560}>
      <form onSubmit={form.onKeep(keep)} noValidate className={hand.form} data-part="hours">
        <fieldset className={hand.choiceRow}>
          <legend>Days</legend>
          {WEEKDAYS.map((word, day) => (
            <label key={word} className={hand.choiceWord}>
              <input
                type="checkbox"
                className={hand.visuallyHidden}
                checked={values.weekdays.includes(day)}
                onChange={() =>
                  form.setFieldValue(
                    'weekdays',
                    values.weekdays.includes(day)
                      ? values.weekdays.filter(one => one !== day)
                      : [...values.weekdays, day],
                  )
                }
              />
              <span>{word}</span>
            </label>
          ))}
        </fieldset>
        {form.errors.weekdays && (
          <p className={hand.notice} role="alert">
            {form.errors.weekdays}
          </p>
        )}
        <div className={hand.pair}>
          <TextInput
            label="Hours you are there"
            inputMode="decimal"
            autoComplete="off"
            {...form.getInputProps('present')}
          />
          <TextInput
            label="Hours it may cool alone"
            inputMode="decimal"
            autoComplete="off"
            {...form.getInputProps('alone')}
          />
        </div>
        <p className={hand.aside}>
          Heat is planned only while you are there. Alone it may do nothing but cool, switched off and
          covered.
        </p>
        {own.length > 1 && (
          <NativeSelect
            label="Heated in"
            data={own.map(one => ({ value: one.heatSourceId!, label: one.name }))}
            {...form.getInputProps('heatSourceId')}
          />
        )}
        <ChoiceRow
          legend="Sure"
          options={SURE_CHOICES.map(sure => [sure, sureWords(sure)] as const)}
          chosen={values.sure}
          choose={sure => form.setFieldValue('sure', sure)}
        />
        <fieldset className={css.away}>
          <legend>Away</legend>
          {values.away.map((span, i) => (
            <div key={i} className={css.awayRow}>
              <TextInput
                type="date"
                label="First day"
                value={span.from}
                onChange={event =>
                  setAway(
                    values.away.map((one, k) =>
                      k === i ? { ...one, from: event.currentTarget.value } : one,
                    ),
                  )
                }
              />
              <TextInput
                type="date"
                label="Last day"
                value={span.to}
                onChange={event =>
                  setAway(
                    values.away.map((one, k) => (k === i ? { ...one, to: event.currentTarget.value } : one)),
                  )
                }
              />
              <button
                type="button"
                className={hand.worded}
                aria-label={`Take out the days away from ${span.from}`}
                onClick={() => setAway(values.away.filter((_, k) => k !== i))}
              >
                Take out
              </button>
            </div>
          ))}
          {form.errors.away && (
            <p className={hand.notice} role="alert">
              {form.errors.away}
            </p>
          )}
          <button
            type="button"
            className={hand.worded}
            onClick={() => setAway([...values.away, { from: '', to: '' }])}
          >
            Add days away
          </button>
        </fieldset>
        <button type="submit" className={hand.filled}>
          Plan with these
        </button>
      </form>
    </Dialog>
  )
}
