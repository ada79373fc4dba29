import * as v from 'valibot'
import {
  CONTAINERS,
  insideVolumeL,
  type ContainerKind,
  type ContainerSize,
} from '#core/container/container.ts'
import { MATERIALS } from '#core/filament/catalogue.ts'
import type { MaterialId } from '#core/filament/material.ts'
import { spoolFits, spoolSolidsL, USUAL_SPOOL } from '#core/filament/winding.ts'
import { slipOf as readingSlip } from '#core/reading/slips.ts'
import { scaleSlip, type TemperatureScale } from '#core/reading/scale-slip.ts'
import type { ClimateKind } from '#core/room/climate.ts'
import { celsiusFromFahrenheit } from '#units/temperature.ts'
import type { Draft } from '#records/act.ts'
import { beadsField, bounds, lengthField, rhField, temperatureField } from '#records/fields.ts'
import { parseDecimal } from '#ui/decimal.ts'
import { typedText } from '#ui/draft.ts'
import { measures, within, type Measures } from '#ui/measures.ts'

/** When the lid was last off, and how long ago that is taken to be, hours. */
export const LID_TIMES = {
  'weeks ago': 21 * 24,
  'this week': 3 * 24,
  today: 3,
  'don’t know': 10 * 24,
} as const
export type LidTime = keyof typeof LID_TIMES

export interface FirstUseForm {
  readonly humidity: string
  /** What was typed when it was asked about: pressed on unchanged, it is meant. */
  readonly asked?: string
  readonly temperature: string
  readonly container: ContainerKind
  /** Inside measures, where the person took them; null: the outline's own. */
  readonly measured: { readonly width: string; readonly depth: string; readonly height: string } | null
  readonly lidTime: LidTime
  readonly counts: Readonly<Partial<Record<MaterialId, number>>>
  /** Left empty: don't know. */
  readonly beads: string
  /** The units that sizes and beads are typed in. */
  readonly units: Pick<Measures, 'length' | 'weight'>
}

export const EMPTY_FORM: FirstUseForm = {
  humidity: '',
  temperature: '',
  container: 'clip-long',
  measured: null,
  lidTime: 'this week',
  counts: { PLA: 1 },
  beads: '',
  units: measures({ temperatureScale: 'C', lengthUnit: 'mm', weightUnit: 'g', volumeUnit: 'L' }),
}

/** What a form may hold again after a reload. */
export const formDraft = v.object({
  step: v.picklist([0, 1, 2]),
  form: v.object({
    humidity: typedText,
    temperature: typedText,
    container: v.picklist(Object.keys(CONTAINERS) as ContainerKind[]),
    measured: v.nullable(v.object({ width: typedText, depth: typedText, height: typedText })),
    lidTime: v.picklist(Object.keys(LID_TIMES) as LidTime[]),
    counts: v.record(
      v.picklist(Object.keys(MATERIALS) as MaterialId[]),
      v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(99)),
    ),
    beads: typedText,
  }),
})

const USUAL_C = 20
const USUAL_SPOOL_LEFT_G = 700
const EMPTY_SPOOL_G = 215
/** Beads assumed where nobody knows: a packet of 100 g to a tote of 20 L. */
const ASSUMED_G_PER_L = 5
const LEAST_ASSUMED_G = 50

export const temperatureC = (form: FirstUseForm, scale: TemperatureScale): number => {
  if (form.temperature.trim() === '') return USUAL_C
  const typed = parseDecimal(form.temperature)
  return scale === 'C' ? typed : celsiusFromFahrenheit(typed)
}

type Errors = Partial<Record<keyof FirstUseForm, string>>
const orNull = (errors: Errors): Errors | null => (Object.keys(errors).length > 0 ? errors : null)

/** A temperature that looks like the other scale's; null where it does not. */
export const slipOf = (form: FirstUseForm, scale: TemperatureScale) =>
  form.temperature.trim() === ''
    ? null
    : scaleSlip({ value: parseDecimal(form.temperature), scale, nearC: [] })

/** The two numbers as they stand, to know them again. */
export const askedOf = ({ humidity, temperature }: FirstUseForm): string => `${humidity}|${temperature}`

/** The round's questions, where nothing is known of the box yet; null where there is nothing to ask. */
export function displayQuestion(form: FirstUseForm, scale: TemperatureScale): string | null {
  const temperature = form.temperature.trim() === '' ? null : parseDecimal(form.temperature)
  const slip = readingSlip(
    { rhPercent: parseDecimal(form.humidity), temperature, scale, opened: false },
    { rhPercent: null, nearC: [], accuracyPercentRh: 5, lastRhPercent: null },
  )
  switch (slip?.kind) {
    case 'nothing':
      return 'A display that shows 0 % has lost its sensor or its battery: read it again, or press on.'
    case 'share':
      return `No display shows ${form.humidity} %: type ${Math.round(slip.rhPercent)} if that was meant, or press on.`
    case 'swapped':
      return `Is it ${Math.round(slip.rhPercent)} % at ${slip.temperature} °C? Then put each number in its own field, or press on.`
    default:
      return null
  }
}

/** Checks the first screen; null where all is well. */
export function displayErrors(form: FirstUseForm, scale: TemperatureScale): Errors | null {
  const errors: Errors = {}
  if (!v.is(rhField, parseDecimal(form.humidity)))
    errors.humidity =
      'Relative humidity is a number from 0 to 100 %: type what the display shows, such as 31.'
  const question = displayQuestion(form, scale)
  if (question && !errors.humidity && form.asked !== askedOf(form)) errors.humidity = question
  const slip = slipOf(form, scale)
  if (slip)
    errors.temperature = `That is ${Math.round(slip.asTypedC)} °C. If the display shows °${scale === 'C' ? 'F' : 'C'}, say so here.`
  else if (!v.is(temperatureField, temperatureC(form, scale)))
    errors.temperature = `Temperature is a number from ${bounds.temperatureC.min} to ${bounds.temperatureC.max} °C: type the display’s second number, or leave it empty.`
  return orNull(errors)
}

export function sizeOf(form: FirstUseForm): ContainerSize {
  const usual = CONTAINERS[form.container].size
  return form.measured
    ? {
        widthMm: form.units.length.parse(form.measured.width),
        depthMm: form.units.length.parse(form.measured.depth),
        heightMm: form.units.length.parse(form.measured.height),
      }
    : usual
}

/** Checks the second screen. */
export function outlineErrors(form: FirstUseForm): Errors | null {
  const size = sizeOf(form)
  for (const [name, value] of Object.entries({
    Width: size.widthMm,
    Depth: size.depthMm,
    Height: size.heightMm,
  }))
    if (!v.is(lengthField, value))
      return {
        measured: `${name} is a number from ${within(form.units.length, bounds.lengthMm)}: measure inside, at the rim.`,
      }
  if (!spoolFits(USUAL_SPOOL, size))
    return {
      measured: `The usual spool, ${form.units.length.text(USUAL_SPOOL.rimDiameterMm)} across and ${form.units.length.text(USUAL_SPOOL.widthMm)} wide, does not go in: check the inside measures.`,
    }
  return null
}

/** Checks the third screen. */
export function insideErrors(form: FirstUseForm): Errors | null {
  const errors: Errors = {}
  const spools = spoolsOf(form)
  const { section, baseShare } = CONTAINERS[form.container]
  const solidsL = spools.reduce(
    (sum, id) => sum + spoolSolidsL(MATERIALS[id], USUAL_SPOOL_LEFT_G, EMPTY_SPOOL_G),
    0,
  )
  // spools are round: what they fill out is about twice their solids
  const roomFor = Math.floor(
    (insideVolumeL(section, sizeOf(form), baseShare) / Math.max(2 * solidsL, 0.1)) * spools.length,
  )
  if (spools.length === 0)
    errors.counts = 'Pick what is inside: at least one spool, since a box’s target is that of its filament.'
  else if (roomFor < spools.length)
    errors.counts = `${spools.length} spools do not go into this box; about ${Math.max(1, roomFor)} do. Take some out, or pick another outline.`
  if (form.beads.trim() !== '' && !v.is(beadsField, form.units.weight.parse(form.beads)))
    errors.beads = `Beads weigh from ${within(form.units.weight, bounds.beadsG)}: type what the packet says, or leave it empty.`
  return orNull(errors)
}

const spoolsOf = (form: FirstUseForm): MaterialId[] =>
  Object.entries(form.counts).flatMap(([id, count]) => Array.from({ length: count }, () => id as MaterialId))

/** The usual climate that fits the temperature shown. */
export const climateFor = (shownC: number): ClimateKind =>
  shownC > 25.5 ? 'hot' : shownC >= 18.5 ? 'heated' : shownC >= 14 ? 'mild' : 'damp'

export interface FirstUseContext {
  readonly nowMs: number
  readonly scale: TemperatureScale
  readonly newId: () => string
  readonly roomId: string | null
  readonly instrumentId: string | null
  readonly place: { readonly board: number; readonly leftMm: number }
  readonly name: string
  readonly colours: readonly string[]
}

/** Everything the three screens say, as one act's entries; what was not asked is assumed, and marked so. */
export function firstUseDrafts(
  form: FirstUseForm,
  context: FirstUseContext,
): { boxId: string; drafts: Draft[] } {
  const { newId, nowMs } = context
  const shownC = temperatureC(form, context.scale)
  const startMs = nowMs - LID_TIMES[form.lidTime] * 3_600_000
  const boxId = newId()
  const roomId = context.roomId ?? newId()
  const instrumentId = context.instrumentId ?? newId()
  const size = sizeOf(form)
  const { section, baseShare } = CONTAINERS[form.container]
  const insideL = insideVolumeL(section, size, baseShare)
  const drafts: Draft[] = []
  if (context.roomId === null)
    drafts.push({
      kind: 'room.made',
      atMs: startMs,
      payload: { roomId, name: 'Room', climate: { kind: climateFor(shownC) }, climateKnown: 'assumed' },
    })
  if (context.instrumentId === null)
    drafts.push({
      kind: 'instrument.made',
      atMs: startMs,
      payload: { instrumentId, name: 'Small display', accuracyPercentRh: 5, floorPercentRh: 10, boxId: null },
    })
  drafts.push({
    kind: 'box.made',
    atMs: startMs,
    payload: {
      boxId,
      name: context.name,
      container: form.container,
      ...size,
      sizeKnown: form.measured ? 'measured' : 'assumed',
      lid: 'unknown',
      lidKnown: 'assumed',
      openingsPerMonth: 4,
      openingsKnown: 'assumed',
      roomId,
      ...context.place,
    },
  })
  const beadsTold = form.beads.trim() !== ''
  drafts.push({
    kind: 'charge.made',
    atMs: startMs,
    payload: {
      chargeId: newId(),
      name: `Beads in ${context.name}`,
      desiccant: 'silica-unknown',
      dryMassG: beadsTold
        ? form.units.weight.parse(form.beads)
        : Math.max(LEAST_ASSUMED_G, Math.round((insideL * ASSUMED_G_PER_L) / 10) * 10),
      massKnown: beadsTold ? 'told' : 'assumed',
      holder: 'packet',
      freshness: 'unknown',
      freshnessKnown: 'assumed',
      indicator: 'unknown',
      boxId,
    },
  })
  spoolsOf(form).forEach((material, i) => {
    const same = spoolsOf(form)
      .slice(0, i)
      .filter(id => id === material).length
    drafts.push({
      kind: 'spool.made',
      atMs: startMs,
      payload: {
        spoolId: newId(),
        name: same === 0 ? material : `${material} ${same + 1}`,
        material,
        colour: context.colours[i % context.colours.length]!,
        filamentG: USUAL_SPOOL_LEFT_G,
        filamentKnown: 'assumed',
        emptyG: EMPTY_SPOOL_G,
        cardboardG: 0,
        rimDiameterMm: USUAL_SPOOL.rimDiameterMm,
        widthMm: USUAL_SPOOL.widthMm,
        wetness: 'unknown',
        wetnessKnown: 'assumed',
        where: { at: 'box', boxId },
      },
    })
  })
  drafts.push({
    kind: 'reading.taken',
    atMs: nowMs,
    payload: {
      place: { in: 'box', boxId },
      instrumentId,
      relativeHumidityPercent: parseDecimal(form.humidity),
      temperatureC: Math.round(shownC * 100) / 100,
      temperatureKnown: form.temperature.trim() === '' ? 'assumed' : 'measured',
    },
  })
  return { boxId, drafts }
}
