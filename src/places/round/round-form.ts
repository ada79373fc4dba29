import * as v from 'valibot'
import { inScale, type TemperatureScale } from '#core/reading/scale-slip.ts'
import { slipOf, type Expectation, type Slip } from '#core/reading/slips.ts'
import { celsiusFromFahrenheit } from '#units/temperature.ts'
import type { Draft } from '#records/act.ts'
import { bounds, rhField, temperatureField } from '#records/fields.ts'
import type { BeadColour, Indicator } from '#records/kinds/charge.ts'
import type { BoxRecord, ReadingRecord, State } from '#records/state.ts'
import { parseDecimal } from '#draw/decimal.ts'
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

/** A minute before the reading: a lid that was off was off before. */
const BEFORE_MS = 60_000
const OPEN_SECONDS = 30

/** Checks one stop. Errors name the field and the remedy; a likely slip is asked about once, never blocked. */
export function checkStop(form: RoundForm, context: StopContext): StopResult {
  const { step, scale, atMs } = context
  const rhPercent = parseDecimal(form.humidity)
  if (!v.is(rhField, rhPercent))
    return {
      kind: 'error',
      field: 'humidity',
      message: 'Relative humidity is a number from 0 to 100 %: type what the display shows, or skip.',
    }
  const typed = parseDecimal(form.temperature)
  const temperatureC = scale === 'C' ? typed : celsiusFromFahrenheit(typed)
  if (!context.meant) {
    const slip = slipOf(
      {
        rhPercent,
        temperature: form.temperatureTouched && Number.isFinite(typed) ? typed : null,
        scale,
        opened: form.opened,
      },
      context.expected,
    )
    if (slip) return { kind: 'question', slip }
  }
  if (!v.is(temperatureField, temperatureC)) {
    const { min, max } = bounds.temperatureC
    return {
      kind: 'error',
      field: 'temperature',
      message: `Temperature is a number from ${inScale(min, scale)} to ${inScale(max, scale)} °${scale}: type the display’s second number.`,
    }
  }
  const drafts: Draft[] = []
  if (step.in === 'box' && form.opened)
    drafts.push({
      kind: 'box.opened',
      atMs: atMs - BEFORE_MS,
      payload: { boxId: step.id, openSeconds: OPEN_SECONDS },
    })
  if (context.charge && form.colour) drafts.push(...colourDrafts(context.charge, form.colour, atMs))
  drafts.push({
    kind: 'reading.taken',
    atMs,
    payload: {
      place: step.in === 'box' ? { in: 'box', boxId: step.id } : { in: 'room', roomId: step.id },
      instrumentId: context.instrumentId,
      relativeHumidityPercent: rhPercent,
      temperatureC: Math.round(temperatureC * 100) / 100, // hundredths of a degree, which no display shows
      temperatureKnown: form.temperatureTouched ? 'measured' : 'assumed',
    },
  })
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
    humidity: String(taken.relativeHumidityPercent),
    temperature: show(taken.temperatureC),
    temperatureTouched: taken.temperatureKnown === 'measured',
    opened: box?.openings.some(opening => Math.abs(opening.atMs + BEFORE_MS - taken.atMs) < 1000) ?? false,
    colour: charge?.looks.find(look => look.atMs === taken.atMs)?.colour ?? null,
  }
}
