import type { SpoolBody } from '#core/spool/spool-limits.ts'
import { MATERIALS } from '#core/filament/catalogue.ts'
import type { MaterialId } from '#core/filament/material.ts'
import { SPOOL_CLASSES, type SpoolClassId } from '#core/filament/spool-class.ts'
import { USUAL_SPOOL } from '#core/filament/winding.ts'
import { takeAnyWeight, takeLength, takeWeight } from './amounts.ts'
import { dayOf, takeDay } from './days.ts'
import { takePlace } from './places.ts'
import { LABEL_G, USUAL_SPOOL_WANTED, usualEmptyG } from './usual-spool.ts'
import { COUNT, near, numberOf, type Text } from './text.ts'
import { COLOUR_WORDS, FINISH, MATERIAL_WORDS } from './vocabulary.ts'
import type { Ask, QuickContext, SpoolWanted, Understood } from './wanted.ts'

const COLOUR = new RegExp(
  Object.keys(COLOUR_WORDS)
    .sort((a, b) => b.length - a.length)
    .join('|'),
)
/** Sizes as people say them. */
const CLASS_WORDS: readonly (readonly [RegExp, SpoolClassId])[] = [
  [
    /(?:quarter[- ]kilo(?:gram)?|quarter[- ]kg|250 ?g|mini)[- ](?:size )?(?:spools?|reels?|rolls?)/,
    'quarter',
  ],
  [/(?:half[- ]kilo(?:gram)?|half[- ]kg|500 ?g)[- ](?:size )?(?:spools?|reels?|rolls?)/, 'half'],
  [/(?:large|big|3 ?kg|three[- ]kilo(?:gram)?)[- ](?:spools?|reels?|rolls?)/, 'large'],
  [/wide (?:spools?|reels?|rolls?)/, 'wide'],
]
const MOST_ON_A_KILOGRAM_G = 1300

/** One kind of spool from what is said of it. @param like the thing before, whose material goes on where only a colour is said */
export function readSpool(text: Text, context: QuickContext, like: Understood | null): Understood {
  const told = new Set<string>()
  const asks: Ask[] = []
  const before = like?.wanted.kind === 'spool' ? like.wanted : null
  const say = <K extends keyof SpoolWanted>(
    field: K,
    value: SpoolWanted[K] | null,
  ): SpoolWanted[K] | null => {
    if (value !== null) told.add(field)
    return value
  }

  const opened = takeDay(text, /opened|open since|unsealed|opened up/, 'openedOn', context.today)
  const dried = takeDay(text, /(?:freshly |re-?)?dried/, 'driedOn', context.today)
  const isLong =
    text.take(
      /(?:weeks|months|a (?:month|year)|long|ages) (?:in the (?:open|room|air)|open)|in the open for (?:weeks|months|ages)/,
    ) !== null
  const place = takePlace(text, context)
  const isSealed =
    text.take(
      /(?:factory |still |new and )?(?:sealed|unopened|vacuum[- ]?sealed)(?: bag| spool)?|never opened|in its bag/,
    ) !== null

  // before weights: "a 250 g spool" is what is sold as that, not what it weighs empty
  const sold = text.takeOneOf(CLASS_WORDS)
  const grossG = takeWeight(
    text,
    'gross|whole|in all|total|on the scale',
    'gross|whole|in all|total|on the scale|with (?:the )?spool',
  )
  const emptyG = takeWeight(text, 'empty(?: spool)?|tare|spool weighs', 'empty|tare|(?:empty )?spool')
  const moulded = text.take(/on (?:an? )?(polystyrene|ps|abs|polycarbonate|pc|polypropylene|pp) spool/)?.[1]
  const body = moulded
    ? MOULDED[moulded]!
    : text.take(/card ?board(?: spool)?|paper spool|board(?: spool)?/)
      ? 'board'
      : text.take(/plastic(?: spool)?/)
        ? 'plastic'
        : text.take(/printed spool|printed/)
          ? 'printed'
          : null
  const strand = text.take(/2[.,]85(?: ?mm)?|3(?:[.,]0)? ?mm(?: filament| strand)?/)
    ? 2.85
    : text.take(/1[.,]75(?: ?mm)?/)
      ? 1.75
      : null
  const { lengthUnit } = context
  const rimMm = takeLength(text, 'rim|flanges?|diameter|across', lengthUnit)
  const widthMm = takeLength(text, 'width|wide', lengthUnit)
  const boreMm = takeLength(text, 'bore|hole|hub', lengthUnit)
  const half = text.take(/half[- ]full|half(?: a)? (?:spool|left|used)/) !== null
  const shareLeft = text.take(/quarter(?: left| full)|nearly empty|almost empty/)
  const multiple = text.take(new RegExp(`(${COUNT})\\s*(?:x|×|times|spools? of|rolls? of|reels? of)`))
  const labelG = takeAnyWeight(text)
  const maker = text.take(/(?:by|made by|maker:?|from) ([\p{L}][\p{L}\p{N}-]{1,30})/u)?.[1] ?? null

  const material = takeMaterial(text, asks) ?? before?.material ?? null
  if (material !== null) told.add('material')
  const finish = text.take(FINISH)?.[0] ?? null
  const colourWord = takeColour(text, asks)
  const count = multiple ?? text.take(new RegExp(`(${COUNT})(?=\\s|$)(?!\\s*%)`))

  if (count) told.add('count')
  const colour = colourWord === null ? null : COLOUR_WORDS[colourWord]!
  say('colour', colour)
  if (opened?.day) told.add('openedOn')
  if (dried?.day || dried) told.add('driedOn')
  asks.push(...(opened?.asks ?? []), ...(dried?.asks ?? []), ...(place?.asks ?? []))
  const empty = say('emptyG', emptyG) ?? usualEmptyG(body ?? before?.body ?? null)
  // more than a kilogram is wound on no kilogram spool
  const size = sold
    ? SPOOL_CLASSES[sold].size
    : labelG !== null && labelG > MOST_ON_A_KILOGRAM_G
      ? SPOOL_CLASSES.large.size
      : null
  const filamentG =
    grossG !== null
      ? Math.max(1, grossG - empty)
      : (labelG ?? (sold ? SPOOL_CLASSES[sold].size.fullFilamentG : null) ?? before?.filamentG ?? LABEL_G) *
        (half ? 0.5 : shareLeft ? (/quarter/.test(shareLeft[0]) ? 0.25 : 0.1) : 1)
  if (labelG !== null || grossG !== null || half || shareLeft) told.add('filamentG')
  if (half || shareLeft) told.delete('filamentG')
  if (sold) for (const field of ['filamentG', 'rimDiameterMm', 'widthMm']) told.add(field)
  for (const [field, value] of Object.entries({
    body,
    strandMm: strand,
    rimDiameterMm: rimMm,
    widthMm,
    boreMm,
    grossG,
    maker,
  }))
    if (value !== null) told.add(field)
  const wetness = wetnessOf({ opened, dried, isSealed, isLong }, context.today)
  if (opened || dried || isSealed || isLong) told.add('wetness')
  if (place) told.add('place')
  const words = [finish, colourWord].filter(word => word !== null)
  const named = material ?? 'PLA'
  if (material === null)
    asks.push({
      field: 'material',
      says: 'Which material?',
      options: ['PLA', 'PETG', 'ABS', 'ASA', 'TPU'].map(value => ({ value, label: value })),
    })
  return {
    wanted: {
      ...USUAL_SPOOL_WANTED,
      count: count ? numberOf(count[1]!) : 1,
      name: [named, ...words].join(' '),
      material: named,
      colour: colour ?? USUAL_SPOOL_WANTED.colour,
      maker: maker ?? before?.maker ?? null,
      filamentG,
      grossG,
      emptyG: empty,
      body: body ?? before?.body ?? null,
      preset: before?.preset ?? null,
      strandMm: strand ?? before?.strandMm ?? 1.75,
      rimDiameterMm: rimMm ?? size?.rimDiameterMm ?? before?.rimDiameterMm ?? USUAL_SPOOL.rimDiameterMm,
      widthMm: widthMm ?? size?.widthMm ?? before?.widthMm ?? USUAL_SPOOL.widthMm,
      boreMm: boreMm ?? before?.boreMm ?? null,
      openedOn: opened?.day ?? null,
      driedOn: dried ? (dried.day ?? dayOf(context.today)) : null,
      wetness,
      place: place?.place ?? (isSealed ? 'bag' : 'open'),
    },
    told,
    asks,
  }
}

const MOULDED: Readonly<Record<string, SpoolBody>> = {
  polystyrene: 'PS',
  ps: 'PS',
  abs: 'ABS',
  polycarbonate: 'PC',
  pc: 'PC',
  polypropylene: 'PP',
  pp: 'PP',
}

interface Said {
  readonly opened: { readonly day: string | null } | null
  readonly dried: { readonly day: string | null } | null
  readonly isSealed: boolean
  readonly isLong: boolean
}
/** How damp it was on the day its life in this journal begins: the day it was dried, else opened, else today. */
function wetnessOf({ opened, dried, isSealed, isLong }: Said, today: Date): SpoolWanted['wetness'] {
  if (dried) return 'dried today'
  if (isSealed) return 'sealed bag'
  if (opened?.day) return 'sealed bag'
  if (isLong || (opened && opened.day !== dayOf(today))) return 'weeks in the room'
  return 'unknown'
}

const materialsOf = (name: string): readonly MaterialId[] =>
  name in MATERIALS
    ? [name as MaterialId]
    : (MATERIAL_WORDS.find(([pattern]) => new RegExp(`^(?:${pattern.source})$`).test(name))?.[1] ?? [])

function takeMaterial(text: Text, asks: Ask[]): MaterialId | null {
  const options = text.takeOneOf(MATERIAL_WORDS)
  if (options) {
    if (options.length > 1)
      asks.push({
        field: 'material',
        says: 'Which nylon?',
        options: options.map(value => ({ value, label: value })),
      })
    const other = text.takeOneOf(MATERIAL_WORDS)
    if (other && other[0] !== options[0])
      asks.push({
        field: 'material',
        says: 'Two materials are named: which is it?',
        options: [options[0]!, other[0]!].map(value => ({ value, label: value })),
      })
    return options[0]!
  }
  for (const word of text.left()) {
    const close = near(word, [...Object.keys(MATERIALS), 'nylon', 'polycarbonate', 'polypropylene'])
    const ids = close.flatMap(name => materialsOf(name))
    if (ids.length === 0) continue
    text.take(new RegExp(word.replaceAll(/[^\w-]/g, '.')))
    asks.push({
      field: 'material',
      says: `“${word}”: is that ${ids[0]}?`,
      options: ids.map(value => ({ value, label: value })),
    })
    return ids[0]!
  }
  return null
}

function takeColour(text: Text, asks: Ask[]): string | null {
  const found = text.take(COLOUR)
  if (found) {
    // "black and white": two-coloured; the first draws it, both name it
    return found[0].toLowerCase()
  }
  for (const word of text.left()) {
    const close = near(word, Object.keys(COLOUR_WORDS))
    if (close.length > 0) {
      text.take(new RegExp(word.replaceAll(/[^\w-]/g, '.')))
      asks.push({
        field: 'colour',
        says: `“${word}”: which colour is that?`,
        options: close.map(value => ({ value: COLOUR_WORDS[value]!, label: value })),
      })
      return close[0]!
    }
  }
  return null
}
