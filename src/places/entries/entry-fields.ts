import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import { HOLDERS } from '#core/container/holder.ts'
import { LIDS } from '#core/container/lid.ts'
import { MATERIAL_IDS } from '#core/filament/material.ts'
import { HEAT_SOURCES } from '#core/renewal/heat-source.ts'
import {
  CHECK_AIR_LIST,
  DRYING_AIR_LIST,
  HOLDER_BODY_LIST,
  PIECE_LIST,
  SCHOOL_LIST,
  SPOOL_BODY_LIST,
  UNREAD_LIST,
  WALL_LIST,
} from '#records/picklists.ts'
import { CLIMATES } from '#core/room/climate.ts'
import type { Entry } from '#records/entry.ts'
import { BEAD_COLOURS, FRESHNESS, INDICATORS, OVENS } from '#records/kinds/charge.ts'
import { WETNESS } from '#records/kinds/spool.ts'
import type { State } from '#journal/state.ts'
import { inShelfOrder } from '#journal/shelf-order.ts'

/** One thing an entry says that can be put right. */
export interface EntryField {
  readonly key: string
  readonly label: string
  readonly as:
    | 'text'
    | 'percent'
    | 'number'
    | 'temperature'
    | 'weight'
    | 'length'
    | { readonly choices: readonly (readonly [string, string])[] }
  /** The field that says how this one is known; typed by a person it is told. */
  readonly known?: string
  /** Offered only where it was told. */
  readonly ifTold?: boolean
}

const pairs = (values: readonly string[]) => values.map(value => [value, value] as const)
const named = (record: Readonly<Record<string, { readonly name: string }>>) =>
  Object.entries(record).map(([key, { name }]) => [key, name] as const)

const LID: EntryField = { key: 'lid', label: 'Lid', as: { choices: named(LIDS) }, known: 'lidKnown' }
const BOX: readonly EntryField[] = [
  { key: 'name', label: 'Name', as: 'text' },
  { key: 'widthMm', label: 'Inside width', as: 'length', known: 'sizeKnown' },
  { key: 'depthMm', label: 'Inside depth', as: 'length', known: 'sizeKnown' },
  { key: 'heightMm', label: 'Inside height', as: 'length', known: 'sizeKnown' },
  { key: 'wall', label: 'Walls of', as: { choices: pairs(WALL_LIST) }, ifTold: true },
  { key: 'wallThicknessMm', label: 'Wall thickness, mm', as: 'number', ifTold: true },
  LID,
  { key: 'openingsPerMonth', label: 'Opened, times a month', as: 'number', known: 'openingsKnown' },
]
const CHARGE: readonly EntryField[] = [
  { key: 'name', label: 'Name', as: 'text' },
  { key: 'dryMassG', label: 'Beads, dry', as: 'weight', known: 'massKnown' },
  { key: 'desiccant', label: 'Kind', as: { choices: named(DESICCANTS) } },
  { key: 'holder', label: 'Holder', as: { choices: named(HOLDERS) } },
  { key: 'freshness', label: 'How fresh', as: { choices: pairs(FRESHNESS) }, known: 'freshnessKnown' },
  { key: 'indicator', label: 'Their colour', as: { choices: pairs(INDICATORS) } },
  { key: 'pieces', label: 'Pieces', as: 'number', ifTold: true },
  { key: 'tareG', label: 'Empty holder', as: 'weight', ifTold: true },
  { key: 'fillLineG', label: 'Water until it is full', as: 'weight', ifTold: true },
  { key: 'body', label: 'Holder of', as: { choices: pairs(HOLDER_BODY_LIST) }, ifTold: true },
  { key: 'saysC', label: 'Its maker prints', as: 'temperature', ifTold: true },
]
const SPOOL: readonly EntryField[] = [
  { key: 'name', label: 'Name', as: 'text' },
  { key: 'material', label: 'Material', as: { choices: pairs(MATERIAL_IDS) } },
  { key: 'filamentG', label: 'Filament', as: 'weight', known: 'filamentKnown' },
  { key: 'emptyG', label: 'Empty spool', as: 'weight' },
  { key: 'cardboardG', label: 'Cardboard in it', as: 'weight' },
  { key: 'rimDiameterMm', label: 'Rim across', as: 'length', known: 'sizeKnown' },
  { key: 'widthMm', label: 'Width', as: 'length', known: 'sizeKnown' },
  { key: 'boreMm', label: 'Bore', as: 'length', ifTold: true },
  { key: 'body', label: 'Spool of', as: { choices: pairs(SPOOL_BODY_LIST) }, ifTold: true },
  { key: 'maker', label: 'Maker', as: 'text', ifTold: true },
  { key: 'preset', label: 'Print preset', as: 'text', ifTold: true },
  { key: 'wetness', label: 'How damp', as: { choices: pairs(WETNESS) }, known: 'wetnessKnown' },
]
const INSTRUMENT: readonly EntryField[] = [
  { key: 'name', label: 'Name', as: 'text' },
  { key: 'accuracyPercentRh', label: 'Error, ±', as: 'percent' },
  { key: 'floorPercentRh', label: 'Least it can show', as: 'percent' },
]
const SCALE: readonly EntryField[] = [
  { key: 'name', label: 'Name', as: 'text' },
  { key: 'stepG', label: 'Its step, g', as: 'number' },
]
const HEAT_SOURCE: readonly EntryField[] = [
  { key: 'name', label: 'Name', as: 'text' },
  { key: 'kind', label: 'Kind', as: { choices: named(HEAT_SOURCES) } },
  { key: 'lowestC', label: 'Lowest setting', as: 'temperature', ifTold: true },
  { key: 'highestC', label: 'Highest setting', as: 'temperature', ifTold: true },
  { key: 'watts', label: 'Draws, W', as: 'number', ifTold: true },
  { key: 'trays', label: 'Trays', as: 'number', ifTold: true },
  { key: 'trayAreaCm2', label: 'A tray, cm²', as: 'number', ifTold: true },
  { key: 'trayDepthMm', label: 'Depth of a tray', as: 'length', ifTold: true },
]
const ROOM: readonly EntryField[] = [{ key: 'name', label: 'Name', as: 'text' }]

/** What of an entry can be put right, in the order it is asked; a change offers only what it changed. */
export function fieldsOf(entry: Entry, state: State): EntryField[] {
  const boxes = inShelfOrder(state).map(box => [box.boxId, box.name] as const)
  const charges = [...state.charges.values()].map(charge => [charge.chargeId, charge.name] as const)
  const all = fieldsOfKind(entry.kind, boxes, charges)
  const payload = entry.payload as Record<string, unknown>
  const isChange = entry.kind.endsWith('.changed')
  return all.filter(field => {
    const isSaid = payload[field.key] !== undefined && payload[field.key] !== null
    return field.ifTold === true ? isSaid : !isChange || field.key in payload
  })
}

type Choices = readonly (readonly [string, string])[]
const PUT_AWAY: Choices = [['', 'put away']]

function fieldsOfKind(kind: Entry['kind'], boxes: Choices, charges: Choices): EntryField[] {
  switch (kind) {
    case 'reading.taken':
      return [
        { key: 'relativeHumidityPercent', label: 'Relative humidity', as: 'percent' },
        { key: 'temperatureC', label: 'Temperature', as: 'temperature', known: 'temperatureKnown' },
      ]
    case 'box.opened':
      return [{ key: 'openSeconds', label: 'Lid off for, seconds', as: 'number' }]
    case 'box.made':
    case 'box.changed':
      return [...BOX]
    case 'box.unread':
      return [{ key: 'why', label: 'Its display', as: { choices: pairs(UNREAD_LIST) } }]
    case 'box.sealTestBegun':
      return [
        { key: 'trayG', label: 'Tray as it went in', as: 'weight' },
        { key: 'startPercent', label: 'Display as it was shut, %', as: 'number' },
      ]
    case 'box.sealTested':
      return []
    case 'box.sealed':
      return [LID]
    case 'plan.made':
    case 'plan.changed':
      return [{ key: 'name', label: 'Name', as: 'text' }]
    case 'scale.made':
    case 'scale.changed':
      return [...SCALE]
    case 'heatSource.made':
    case 'heatSource.changed':
      return [...HEAT_SOURCE]
    case 'heatSource.measured':
      return [
        { key: 'dialC', label: 'Set to', as: 'temperature' },
        { key: 'advertisedC', label: 'Maker says', as: 'temperature', ifTold: true },
        { key: 'measuredC', label: 'Measured', as: 'temperature' },
        { key: 'swingC', label: 'Swings by, K', as: 'number' },
      ]
    case 'ovenDays.told':
      return [
        { key: 'presentMinutes', label: 'Minutes you are there', as: 'number' },
        { key: 'unattendedMinutes', label: 'Minutes it may cool alone', as: 'number' },
      ]
    case 'session.begun':
      return [{ key: 'dialC', label: 'Set to', as: 'temperature', ifTold: true }]
    case 'session.weighed':
      return [
        { key: 'grossG', label: 'On the scale', as: 'weight' },
        { key: 'tareG', label: 'Empty holder', as: 'weight' },
      ]
    case 'session.stepped':
    case 'session.ended':
    case 'ovenDays.wished':
    case 'renewal.wished':
    case 'ovenPlan.seen':
      return []
    case 'box.moved':
      return [
        { key: 'board', label: 'Board, from the top', as: 'number' },
        { key: 'leftMm', label: 'From its left end', as: 'length' },
      ]
    case 'charge.made':
    case 'charge.changed':
      return [...CHARGE]
    case 'charge.moved':
      return [{ key: 'boxId', label: 'Where to', as: { choices: [...boxes, ...PUT_AWAY] } }]
    case 'charge.replaced':
      return [
        { key: 'outChargeId', label: 'Came out', as: { choices: charges } },
        { key: 'inChargeId', label: 'Went in', as: { choices: charges } },
      ]
    case 'instrument.checked':
      return [
        { key: 'temperatureC', label: 'At', as: 'temperature' },
        { key: 'waitedHours', label: 'They waited, hours', as: 'number' },
        { key: 'air', label: 'In', as: { choices: pairs(CHECK_AIR_LIST) } },
      ]
    case 'charge.weighed':
      return [
        { key: 'grossG', label: 'On the scale', as: 'weight' },
        { key: 'tareG', label: 'Empty holder', as: 'weight' },
      ]
    case 'charge.heated':
      return [
        { key: 'temperatureC', label: 'At', as: 'temperature', ifTold: true },
        { key: 'hours', label: 'For, hours', as: 'number' },
        { key: 'oven', label: 'In', as: { choices: pairs(OVENS) } },
      ]
    case 'charge.looked':
      return [
        {
          key: 'colour',
          label: 'They looked',
          as: { choices: pairs([...BEAD_COLOURS.orange, ...BEAD_COLOURS.blue]) },
        },
      ]
    case 'charge.retired':
    case 'box.retired':
    case 'room.retired':
    case 'instrument.retired':
    case 'instrument.cell':
    case 'scale.retired':
    case 'heatSource.retired':
    case 'plan.retired':
      return []
    case 'spool.made':
    case 'spool.changed':
      return [...SPOOL]
    case 'spool.moved':
      return [
        {
          key: 'where',
          label: 'Where to',
          as: {
            choices: [
              ...boxes.map(([id, name]) => [`box:${id}`, name] as const),
              ...pairs(['printer', 'open', 'bag', 'used up']),
            ],
          },
        },
      ]
    case 'spool.dried':
      return [
        { key: 'temperatureC', label: 'At', as: 'temperature' },
        { key: 'hours', label: 'For, hours', as: 'number' },
        { key: 'air', label: 'Its air', as: { choices: pairs(DRYING_AIR_LIST) } },
      ]
    case 'spool.weighed':
      return [{ key: 'grossG', label: 'On the scale', as: 'weight' }]
    case 'drying.begun':
      return [
        { key: 'temperatureC', label: 'At', as: 'temperature' },
        { key: 'air', label: 'Its air', as: { choices: pairs(DRYING_AIR_LIST) } },
        { key: 'grossG', label: 'On the scale', as: 'weight', ifTold: true },
      ]
    case 'drying.weighed':
      return [{ key: 'grossG', label: 'On the scale', as: 'weight' }]
    case 'drying.heat':
      return [{ key: 'temperatureC', label: 'At', as: 'temperature', ifTold: true }]
    case 'drying.ended':
    case 'spool.checked':
      return []
    case 'spool.piece':
      return [
        { key: 'looks', label: 'It came out', as: { choices: pairs(PIECE_LIST) } },
        { key: 'settings', label: 'Settings', as: 'text' },
      ]
    case 'chamber.warmed':
      return [{ key: 'chamberL', label: 'Chamber, L', as: 'number' }]
    case 'spool.printed':
      return [{ key: 'grams', label: 'Printed', as: 'weight' }]
    case 'room.made':
    case 'room.changed':
      return [
        ...ROOM,
        { key: 'climate', label: 'Its air', as: { choices: named(CLIMATES) }, known: 'climateKnown' },
      ]
    case 'instrument.made':
    case 'instrument.changed':
      return [...INSTRUMENT]
    case 'value.overridden':
      return [
        { key: 'value', label: 'Value', as: 'number' },
        { key: 'material', label: 'Material', as: { choices: pairs(MATERIAL_IDS) } },
      ]
    case 'school.kept':
      return [{ key: 'school', label: 'Dried', as: { choices: pairs(SCHOOL_LIST) } }]
    case 'instrument.moved':
      return [{ key: 'boxId', label: 'Stays in', as: { choices: [...boxes, ['', 'carried round']] } }]
  }
}
