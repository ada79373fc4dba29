import { CONTAINERS } from '#core/container/container.ts'
import { HOLDERS } from '#core/container/holder.ts'
import { LIDS } from '#core/container/lid.ts'
import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import { SPOOL_CLASSES } from '#core/filament/spool-class.ts'
import { MATERIAL_IDS } from '#core/filament/material.ts'
import { HEAT_SOURCES } from '#core/renewal/heat-source.ts'
import { CLIMATES } from '#core/room/climate.ts'
import { FILAMENT_HUES } from '#draw/palette.ts'
import type { WantedKind } from '#formats/quick/wanted.ts'
import { HOLDER_BODY_LIST, SPOOL_BODY_LIST, WALL_LIST } from '#records/picklists.ts'

type Choices = readonly (readonly [string, string])[]
interface Numeric {
  readonly in: 'number' | 'whole' | 'percent' | 'weight' | 'length' | 'temperature'
  readonly min: number
  readonly max: number
}
/** One fact of a thing, as it is asked for in a form. */
export interface WantedField {
  readonly key: string
  readonly label: string
  readonly as: 'text' | 'day' | 'place' | Numeric | { readonly choices: Choices }
  /** May be left empty: nobody knows. */
  readonly optional?: true
  /** What to do about a value that does not fit. */
  readonly remedy: string
}

const named = (record: Readonly<Record<string, { readonly name: string }>>): Choices =>
  Object.entries(record).map(([key, { name }]) => [key, name] as const)
const same = (list: readonly string[]): Choices => list.map(item => [item, item] as const)

/** Moulded ones say seldom what they are of: on the flange, in a triangle, where they do. */
const BODY_WORDS: Readonly<Record<(typeof SPOOL_BODY_LIST)[number], string>> = {
  plastic: 'plastic, which is not told',
  board: 'board',
  printed: 'printed',
  PS: 'polystyrene (PS)',
  ABS: 'ABS',
  PC: 'polycarbonate (PC)',
  PP: 'polypropylene (PP)',
}

const COUNT: WantedField = {
  key: 'count',
  label: 'How many alike',
  as: { in: 'whole', min: 1, max: 60 },
  remedy: 'type how many there are.',
}
const name = (what: string): WantedField => ({
  key: 'name',
  label: 'Name',
  as: 'text',
  remedy: `give the ${what} a name of 1 to 60 letters.`,
})
const PLACE: WantedField = { key: 'place', label: 'Where', as: 'place', remedy: 'pick one of the list.' }
const pick = 'pick one of the list.'

export const WANTED_FIELDS: Readonly<Record<WantedKind, readonly WantedField[]>> = {
  spool: [
    { key: 'material', label: 'Material', as: { choices: same(MATERIAL_IDS) }, remedy: pick },
    { key: 'colour', label: 'Drawn in', as: { choices: named(FILAMENT_HUES) }, remedy: pick },
    PLACE,
    COUNT,
    {
      key: 'filamentG',
      label: 'Filament on it',
      as: { in: 'weight', min: 1, max: 10_000 },
      remedy: 'type what the label says, or what is left.',
    },
    {
      key: 'wetness',
      label: 'How dry',
      as: {
        choices: [
          ['unknown', 'don’t know'],
          ['dried today', 'dried'],
          ['sealed bag', 'from a sealed bag'],
          ['weeks in the room', 'opened, weeks in the room'],
        ],
      },
      remedy: pick,
    },
    { key: 'openedOn', label: 'Opened on', as: 'day', optional: true, remedy: 'type a day up to today.' },
    { key: 'driedOn', label: 'Dried on', as: 'day', optional: true, remedy: 'type a day up to today.' },
    name('spool'),
    {
      key: 'maker',
      label: 'Maker',
      as: 'text',
      optional: true,
      remedy: 'type 1 to 60 letters, or leave it empty.',
    },
    {
      key: 'preset',
      label: 'Print preset',
      as: 'text',
      optional: true,
      remedy: 'type 1 to 60 letters, or leave it empty.',
    },
    {
      key: 'body',
      label: 'The spool is of',
      as: {
        choices: [['', 'don’t know'], ...SPOOL_BODY_LIST.map(body => [body, BODY_WORDS[body]] as const)],
      },
      optional: true,
      remedy: pick,
    },
    {
      key: 'grossG',
      label: 'On the scale, with the spool',
      as: { in: 'weight', min: 1, max: 12_000 },
      optional: true,
      remedy: 'type what the scale shows; it must be more than the empty spool.',
    },
    {
      key: 'emptyG',
      label: 'Empty spool',
      as: { in: 'weight', min: 0, max: 2000 },
      remedy: 'type what an empty one weighs.',
    },
    { key: 'strandMm', label: 'Strand, mm', as: { choices: same(['1.75', '2.85']) }, remedy: pick },
    {
      key: 'sizeClass',
      label: 'Size',
      as: { choices: [...named(SPOOL_CLASSES), ['own', 'measured below']] },
      remedy: pick,
    },
    {
      key: 'rimDiameterMm',
      label: 'Rim, across',
      as: { in: 'length', min: 20, max: 2000 },
      remedy: 'measure over the flanges.',
    },
    {
      key: 'widthMm',
      label: 'Width',
      as: { in: 'length', min: 20, max: 2000 },
      remedy: 'measure over both flanges.',
    },
    {
      key: 'boreMm',
      label: 'Bore',
      as: { in: 'length', min: 5, max: 200 },
      optional: true,
      remedy: 'measure the hole, or leave it empty.',
    },
  ],
  charge: [
    { key: 'desiccant', label: 'What it is', as: { choices: named(DESICCANTS) }, remedy: pick },
    {
      key: 'pieces',
      label: 'Packets in it',
      as: { in: 'whole', min: 1, max: 100 },
      remedy: 'type how many are renewed together.',
    },
    {
      key: 'gramsEach',
      label: 'In each, dry',
      as: { in: 'weight', min: 0.5, max: 5000 },
      remedy: 'type what is printed on it, or weigh it.',
    },
    PLACE,
    { key: 'holder', label: 'It lies in', as: { choices: named(HOLDERS) }, remedy: pick },
    {
      key: 'indicator',
      label: 'Colour when dry',
      as: {
        choices: [
          ['unknown', 'don’t know'],
          ['orange', 'orange, turning dark'],
          ['blue', 'blue, turning pink'],
          ['none', 'white, it does not turn'],
        ],
      },
      remedy: pick,
    },
    {
      key: 'freshness',
      label: 'How fresh',
      as: {
        choices: [
          ['unknown', 'don’t know'],
          ['new', 'new'],
          ['heated', 'heated lately'],
          ['colour changed', 'its colour has changed'],
          ['in the air', 'long in the air'],
        ],
      },
      remedy: pick,
    },
    COUNT,
    name('charge'),
    {
      key: 'tareG',
      label: 'Empty holder',
      as: { in: 'weight', min: 0, max: 5000 },
      optional: true,
      remedy: 'weigh it empty, or leave it empty.',
    },
    {
      key: 'fillLineG',
      label: 'Water until it is full',
      as: { in: 'weight', min: 1, max: 5000 },
      optional: true,
      remedy: 'take it from the pack, or leave it empty.',
    },
    {
      key: 'body',
      label: 'Its holder is of',
      as: { choices: [['', 'don’t know'], ...same(HOLDER_BODY_LIST)] },
      optional: true,
      remedy: pick,
    },
    {
      key: 'saysC',
      label: 'Its maker prints, heat to',
      as: { in: 'temperature', min: 30, max: 350 },
      optional: true,
      remedy: 'read it off the packet, or leave it empty.',
    },
    {
      key: 'saysHours',
      label: 'And for, hours',
      as: { in: 'number', min: 0.05, max: 72 },
      optional: true,
      remedy: 'read it off the packet, or leave it empty.',
    },
  ],
  display: [
    name('display'),
    PLACE,
    COUNT,
    {
      key: 'accuracyPercentRh',
      label: 'Error, ±',
      as: { in: 'percent', min: 0.1, max: 20 },
      remedy: 'take it from the leaflet; ±5 % is usual.',
    },
    {
      key: 'floorPercentRh',
      label: 'Least it can show',
      as: { in: 'percent', min: 0, max: 40 },
      remedy: 'take it from the leaflet; 10 % is usual.',
    },
  ],
  box: [
    { key: 'container', label: 'Outline', as: { choices: named(CONTAINERS) }, remedy: pick },
    name('box'),
    COUNT,
    {
      key: 'widthMm',
      label: 'Inside width',
      as: { in: 'length', min: 20, max: 2000 },
      remedy: 'measure inside, at the rim.',
    },
    {
      key: 'depthMm',
      label: 'Inside depth',
      as: { in: 'length', min: 20, max: 2000 },
      remedy: 'measure inside, at the rim.',
    },
    {
      key: 'heightMm',
      label: 'Inside height',
      as: { in: 'length', min: 20, max: 2000 },
      remedy: 'measure from the floor to the lid.',
    },
    { key: 'lid', label: 'Lid', as: { choices: named(LIDS) }, remedy: pick },
    {
      key: 'wall',
      label: 'Walls of',
      as: { choices: [['', 'as is usual for it'], ...same(WALL_LIST)] },
      optional: true,
      remedy: pick,
    },
    {
      key: 'wallThicknessMm',
      label: 'Walls, mm thick',
      as: { in: 'number', min: 0.02, max: 50 },
      optional: true,
      remedy: 'measure at the rim, or leave it empty.',
    },
    {
      key: 'openingsPerMonth',
      label: 'Opened, times a month',
      as: { in: 'number', min: 0, max: 300 },
      remedy: 'about once a week is 4.',
    },
  ],
  room: [name('room'), { key: 'climate', label: 'Its air', as: { choices: named(CLIMATES) }, remedy: pick }],
  'heat source': [
    { key: 'source', label: 'What it is', as: { choices: named(HEAT_SOURCES) }, remedy: pick },
    name('heat source'),
    {
      key: 'lowestC',
      label: 'Lowest setting',
      as: { in: 'temperature', min: 30, max: 350 },
      optional: true,
      remedy: 'read it off the dial, or leave it empty.',
    },
    {
      key: 'highestC',
      label: 'Highest setting',
      as: { in: 'temperature', min: 30, max: 350 },
      optional: true,
      remedy: 'read it off the dial, or leave it empty.',
    },
    {
      key: 'watts',
      label: 'Draws, W',
      as: { in: 'number', min: 0, max: 20_000 },
      optional: true,
      remedy: 'it is on its plate.',
    },
    {
      key: 'trays',
      label: 'Trays at once',
      as: { in: 'whole', min: 1, max: 40 },
      optional: true,
      remedy: 'at least one: count what fits with air between.',
    },
    {
      key: 'trayAreaCm2',
      label: 'One tray, cm²',
      as: { in: 'number', min: 10, max: 20_000 },
      optional: true,
      remedy: 'length times width, in centimetres.',
    },
    {
      key: 'trayDepthMm',
      label: 'Its depth',
      as: { in: 'length', min: 2, max: 500 },
      optional: true,
      remedy: 'measure its rim.',
    },
    {
      key: 'pricePerKwh',
      label: 'A kilowatt hour costs',
      as: { in: 'number', min: 0, max: 10_000 },
      optional: true,
      remedy: 'in the money of your preferences, or leave it empty.',
    },
    {
      key: 'food',
      label: 'Food is cooked in it',
      as: {
        choices: [
          ['', 'as is usual for it'],
          ['yes', 'yes'],
          ['no', 'no, never again'],
        ],
      },
      optional: true,
      remedy: pick,
    },
  ],
  scale: [
    name('scale'),
    {
      key: 'stepG',
      label: 'Its step, g',
      as: { in: 'number', min: 0.01, max: 50 },
      remedy: 'type the least difference it shows, such as 1 or 0.1.',
    },
  ],
}
