import * as v from 'valibot'
import { inScale, type TemperatureScale } from '#core/reading/scale-slip.ts'
import { slipOf, type Expectation, type Slip } from '#core/reading/slips.ts'
import type { Draft } from '#records/act.ts'
import type { Indicator } from '#records/kinds/charge.ts'
import { COLOUR_LOADING, type BeadColour } from '#core/evidence/colour.ts'
import type { BoxRecord, ReadingRecord, State } from '#journal/state.ts'
import { shownRh } from '#journal/true-readings.ts'
import { celsiusOf, LID_OFF_BEFORE_MS, readingDrafts, shownErrors } from '#session/reading-entry.ts'
import { parseDecimal } from '#ui/decimal.ts'
import { typedText } from '#ui/draft.ts'
import type { RoundStep } from './round-steps.ts'

/** What is filled in at one stop. */
export interface RoundForm {
  readonly humidity: string
  /** In the person's scale; stands in pencil until touched. */
  readonly temperature: string
  readonly temperatureTouched: boolean
  readonly opened: boolean
  readonly colour: BeadColour | null
}

/** What a stop may hold again after a reload. */
export const stopDraft = v.object({
  humidity: typedText,
  temperature: typedText,
  temperatureTouched: v.boolean(),
  opened: v.boolean(),
  colour: v.nullable(v.picklist(Object.keys(COLOUR_LOADING) as BeadColour[])),
})

export interface StopContext {
  readonly step: RoundStep
  readonly scale: TemperatureScale
  readonly instrumentId: string
  readonly atMs: number
  readonly sinceMs: number
  readonly charge: { readonly chargeId: string; readonly indicator: Indicator } | null
  readonly expected: Expectation
  /** The person has looked at the question and means what is typed. */
  readonly meant: boolean
}

export type StopResult =
  | { readonly kind: 'ready'; readonly drafts: Draft[] }
  | { readonly kind: 'error'; readonly field: 'humidity' | 'temperature'; readonly message: string }
  | { readonly kind: 'question'; readonly slip: Slip }

/** Checks one stop. Errors name the field and the remedy; a likely slip is asked about once, never blocked. */
export function checkStop(form: RoundForm, context: StopContext): StopResult {
  const { step, scale, atMs } = context
  const shown = { rhPercent: parseDecimal(form.humidity), temperature: parseDecimal(form.temperature) }
  const errors = shownErrors(shown, scale)
  if (errors.humidity) return { kind: 'error', field: 'humidity', message: errors.humidity }
  if (!context.meant) {
    const slip = slipOf(
      {
        rhPercent: shown.rhPercent,
        temperature: form.temperatureTouched && Number.isFinite(shown.temperature) ? shown.temperature : null,
        scale,
        opened: form.opened,
      },
      context.expected,
    )
    if (slip) return { kind: 'question', slip }
  }
  if (errors.temperature) return { kind: 'error', field: 'temperature', message: errors.temperature }
  const drafts = readingDrafts({
    place: step.in === 'box' ? { in: 'box', boxId: step.id } : { in: 'room', roomId: step.id },
    atMs,
    instrumentId: context.instrumentId,
    rhPercent: shown.rhPercent,
    temperatureC: celsiusOf(shown.temperature, scale),
    temperatureKnown: form.temperatureTouched ? 'measured' : 'assumed',
    lidWasOff: form.opened,
  })
  if (context.charge && form.colour) drafts.splice(-1, 0, ...colourDrafts(context.charge, form.colour, atMs))
  return { kind: 'ready', drafts }
}

const BLUES: readonly BeadColour[] = ['blue', 'violet', 'pink']

/** The colour seen; seeing one tells which kind of beads these are. */
function colourDrafts(charge: NonNullable<StopContext['charge']>, colour: BeadColour, atMs: number): Draft[] {
  const { chargeId } = charge
  const drafts: Draft[] = [{ kind: 'charge.looked', atMs, payload: { chargeId, colour } }]
  if (charge.indicator === 'unknown')
    drafts.unshift({
      kind: 'charge.changed',
      atMs,
      payload: { chargeId, indicator: BLUES.includes(colour) ? 'blue' : 'orange' },
    })
  return drafts
}

/** What stands in the fields on arriving: what this round already took, else the temperature of the place, in pencil. */
export function formAt(
  state: State,
  taken: ReadingRecord | null,
  nearC: readonly number[],
  scale: TemperatureScale,
  box: BoxRecord | undefined,
): RoundForm {
  const show = (temperatureC: number) => String(Math.round(inScale(temperatureC, scale) * 10) / 10)
  const near = nearC[0] === undefined ? '' : show(nearC[0])
  if (!taken)
    return { humidity: '', temperature: near, temperatureTouched: false, opened: false, colour: null }
  const charge = [...state.charges.values()].find(item => item.boxId === box?.boxId)
  return {
    humidity: String(shownRh(taken)),
    temperature: show(taken.temperatureC),
    temperatureTouched: taken.temperatureKnown === 'measured',
    opened:
      box?.openings.some(opening => Math.abs(opening.atMs + LID_OFF_BEFORE_MS - taken.atMs) < 1000) ?? false,
    colour: charge?.looks.find(look => look.atMs === taken.atMs)?.colour ?? null,
  }
}
