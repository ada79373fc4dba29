import { CONTAINERS, insideVolumeL } from '#core/container/container.ts'
import { USUAL_HYGROMETER } from '#core/reading/hygrometer.ts'
import { takeAnyWeight, takeLength, takeLitres, takeSize } from './amounts.ts'
import { takePlace } from './places.ts'
import { COUNT, NUMBER, numberOf, type Text } from './text.ts'
import {
  CLIMATE_WORDS,
  CONTAINER_WORDS,
  DISPLAY_WORD,
  LID_WORDS,
  ROOM_AIR,
  ROOM_WORD,
  SCALE_WORD,
  WALL_WORDS,
} from './vocabulary.ts'
import type { Ask, QuickContext, Understood } from './wanted.ts'

const OPENINGS_A_MONTH = 4

/** A name in quotes, or after *called* or *named*, as it was written. */
export const takeName = (text: Text): string | null => {
  const found =
    text.take(
      /(?:called|named|name:?) ["“]?([\p{L}\p{N}][\p{L}\p{N} '’-]{0,40}?)["”]?(?=\s*(?:[|,;]|$|\d|foam|clips?|snap|into|for ))/u,
    ) ?? text.take(/["“]([^"”]{1,60})["”]/)
  return found?.[1]?.trim() ?? null
}
export const takeCount = (text: Text): number | null => {
  const found = text.take(new RegExp(`(${COUNT})(?=\\s|$)`))
  return found ? numberOf(found[1]!) : null
}

export function readDisplay(text: Text, context: QuickContext): Understood {
  const told = new Set<string>()
  const name = takeName(text)
  const place = takePlace(text, context)
  const accuracy = text.take(
    new RegExp(`(?:±|\\+/?-|accuracy|error|good to)\\s*(${NUMBER})\\s*(?:%|per cent)?`),
  )
  const floor = text.take(
    new RegExp(
      `(?:floor|least|shows at least|from|not below|min(?:imum)?)\\s*(?:of\\s*)?(${NUMBER})\\s*(?:%|per cent)?`,
    ),
  )
  text.take(DISPLAY_WORD)
  text.take(/(?:small |little )?(?:round|square)|cheap|digital/)
  const count = takeCount(text)
  for (const [field, value] of Object.entries({
    name,
    place,
    accuracyPercentRh: accuracy,
    floorPercentRh: floor,
    count,
  }))
    if (value !== null) told.add(field)
  return {
    wanted: {
      kind: 'display',
      count: count ?? 1,
      name: name ?? 'Display',
      accuracyPercentRh: accuracy ? numberOf(accuracy[1]!) : USUAL_HYGROMETER.accuracyPercentRh,
      floorPercentRh: floor ? numberOf(floor[1]!) : USUAL_HYGROMETER.floorPercentRh,
      place: place?.place ?? 'away',
    },
    told,
    asks: place?.asks ?? [],
  }
}

const STUFFS =
  'printed pla|printed petg|hdpe|ldpe|polyethylene|polypropylene|pp|petg?|pvc|acrylic|pmma|polystyrene|ps|polycarbonate|pc|abs'
const WALLS = new RegExp(`(${STUFFS}) walls?|walls? of (${STUFFS})`)

export function readBox(text: Text, context: QuickContext): Understood {
  const told = new Set<string>()
  const asks: Ask[] = []
  const name = takeName(text)
  const size = takeSize(text, context.lengthUnit)
  const litres = takeLitres(text)
  const walls = text.find(WALLS)
  const stuff = walls ? (walls[1] ?? walls[2])! : null
  const wall =
    stuff === null
      ? null
      : (WALL_WORDS.find(([pattern]) => new RegExp(`^(?:${pattern.source})$`, 'i').test(stuff))?.[1] ?? null)
  const thicknessMm = takeLength(text, 'walls?|thick(?:ness)?', context.lengthUnit)
  if (stuff !== null && !text.take(WALLS)) text.take(new RegExp(stuff))
  // *box* beside a better word says nothing more
  const options = text.takeOneOf(CONTAINER_WORDS.slice(0, -1)) ?? text.takeOneOf(CONTAINER_WORDS.slice(-1))
  text.takeOneOf(CONTAINER_WORDS.slice(-1))
  const container = options?.[0] ?? 'clip-long'
  if (options && options.length > 1)
    asks.push({
      field: 'container',
      says: 'Which outline is nearest?',
      options: options.map(value => ({ value, label: CONTAINERS[value].name })),
    })
  const lid = text.takeOneOf(LID_WORDS)
  text.take(/lid|gasket|seal/)
  const opened = text.take(new RegExp(`opened? (${COUNT}) times? a month`))
  const count = takeCount(text)
  const usual = CONTAINERS[container]
  // a litre figure keeps the outline's own proportions
  const scale =
    litres === null ? 1 : Math.cbrt(litres / insideVolumeL(usual.section, usual.size, usual.baseShare))
  const sized =
    size ?? [usual.size.widthMm, usual.size.depthMm, usual.size.heightMm].map(mm => Math.round(mm * scale))
  for (const [field, value] of Object.entries({
    name,
    wall,
    wallThicknessMm: thicknessMm,
    container: options,
    lid,
    count,
    openingsPerMonth: opened,
  }))
    if (value !== null) told.add(field)
  if (size) for (const field of ['widthMm', 'depthMm', 'heightMm']) told.add(field)
  return {
    wanted: {
      kind: 'box',
      count: count ?? 1,
      name: name ?? 'Box',
      container,
      widthMm: sized[0],
      depthMm: sized[1],
      heightMm: sized[2],
      wall,
      wallThicknessMm: thicknessMm,
      lid: lid ?? 'unknown',
      openingsPerMonth: opened ? numberOf(opened[1]!) : OPENINGS_A_MONTH,
    },
    told,
    asks,
  }
}

export function readScale(text: Text): Understood {
  const told = new Set<string>()
  const name = takeName(text)
  text.take(/steps? of|step|resolution|shows|reads to|good to/)
  const stepG = takeAnyWeight(text)
  const word = text.take(SCALE_WORD)?.[0] ?? 'scale'
  const count = takeCount(text)
  if (stepG !== null) told.add('stepG')
  if (name !== null) told.add('name')
  return {
    wanted: {
      kind: 'scale',
      count: count ?? 1,
      name: name ?? word.replace(/s$/, '').replace(/^./, letter => letter.toUpperCase()),
      stepG: stepG ?? 1,
    },
    told,
    asks: [],
  }
}

export function readRoom(text: Text): Understood {
  const told = new Set<string>()
  const given = takeName(text)
  const climate = text.takeOneOf(CLIMATE_WORDS)
  const word = text.take(ROOM_WORD)?.[0].toLowerCase() ?? 'room'
  if (climate) told.add('climate')
  told.add('name')
  return {
    wanted: {
      kind: 'room',
      count: 1,
      name: given ?? word.replace(/s$/, '').replace(/^./, letter => letter.toUpperCase()),
      climate: climate ?? ROOM_AIR[word] ?? 'heated',
    },
    told,
    asks: [],
  }
}
