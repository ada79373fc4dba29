import * as v from 'valibot'
import type { OvenKind } from '#core/renewal/ways.ts'
import type { BeadColour } from '#core/evidence/colour.ts'
import type { Freshness } from '#core/evidence/freshness.ts'
import { DESICCANT_LIST, HOLDER_BODY_LIST, HOLDER_LIST } from '../picklists.ts'
import { beadsField, finite, heatingField, idField, knowledgeField, nameField, told } from '../fields.ts'

export const FRESHNESS = [
  'new',
  'heated',
  'colour changed',
  'in the air',
  'unknown',
] as const satisfies readonly Freshness[]

/** What their colour changes from; told apart because each has its own row of colours. */
export const INDICATORS = ['orange', 'blue', 'none', 'unknown'] as const
export type Indicator = (typeof INDICATORS)[number]
/** Colours a person can tell apart, driest first: orange beads end nearly black, blue ones end pink. */
export const BEAD_COLOURS = {
  orange: ['orange', 'amber', 'olive', 'near black'],
  blue: ['blue', 'violet', 'pink'],
} as const
const beadColours = [...BEAD_COLOURS.orange, ...BEAD_COLOURS.blue] as const satisfies readonly BeadColour[]

/** What heats the beads; a gas flame brings its own water. */
export const OVENS = [
  'electric',
  'gas',
  'dryer',
  'dehydrator',
  'microwave',
  'own heater',
  'sun',
  'printer bed',
  'unknown',
] as const satisfies readonly OvenKind[]
export type Oven = (typeof OVENS)[number]

const made = v.strictObject({
  chargeId: idField,
  name: nameField,
  desiccant: v.picklist(DESICCANT_LIST),
  dryMassG: beadsField,
  massKnown: knowledgeField,
  holder: v.picklist(HOLDER_LIST),
  freshness: v.picklist(FRESHNESS),
  freshnessKnown: knowledgeField,
  indicator: v.picklist(INDICATORS),
  /** Packets or bags that are renewed as one. */
  pieces: told(v.pipe(finite(1, 100), v.integer())),
  /** The empty holder on the scale. */
  tareG: told(finite(0, 5000)),
  /** Water a crystal pack takes up before it is full, or spills. */
  fillLineG: told(finite(1, 5000)),
  /** What the holder is made of, and the heat its maker prints on it. */
  body: told(v.picklist(HOLDER_BODY_LIST)),
  saysC: told(heatingField),
  saysHours: told(finite(0.05, 72)),
  /** The box it went into; null: put away. */
  boxId: v.nullable(idField),
})
export const chargeKinds = {
  'charge.made': made,
  'charge.changed': v.strictObject({ ...v.partial(v.omit(made, ['boxId'])).entries, chargeId: idField }),
  'charge.moved': v.strictObject({ chargeId: idField, boxId: v.nullable(idField) }),
  'charge.weighed': v.strictObject({
    chargeId: idField,
    grossG: finite(1, 10_000),
    /** Holder and packaging. */
    tareG: finite(0, 5000),
    scaleErrorG: finite(0.01, 50),
  }),
  'charge.heated': v.strictObject({
    chargeId: idField,
    /** At the beads; null where nobody can say, as in a microwave. */
    temperatureC: v.nullable(heatingField),
    hours: finite(0.01, 72),
    oven: v.picklist(OVENS),
    /** The room whose air the oven drew in; null: the room of its box. */
    roomId: v.nullable(idField),
    /** One of the kit; with the setting it stood at. */
    heatSourceId: told(idField),
    dialC: told(heatingField),
  }),
  'charge.looked': v.strictObject({ chargeId: idField, colour: v.picklist(beadColours) }),
  /** One comes out, another goes in. */
  'charge.replaced': v.strictObject({ boxId: idField, outChargeId: idField, inChargeId: idField }),
  /** Worn out or thrown away: it takes part in nothing any more. */
  'charge.retired': v.strictObject({ chargeId: idField }),
} as const
type Payload = Record<string, unknown>
/** Version 3 knows every desiccant, crystal packs and plug-in units, pieces, an empty holder's weight, a fill line. */
function allowEveryKind(payload: Payload): Payload {
  return payload
}
/** Version 4 knows what a holder is made of and what its maker prints on it, heat sources, and heat without a temperature. */
function allowHeatSources(payload: Payload): Payload {
  return payload
}
/** Steps from version 1 on, named by what they do; a released step is never edited. */
export const chargeUpgraders = {
  'charge.made': [
    function addIndicator(payload: Payload): Payload {
      return { ...payload, indicator: 'unknown' }
    },
    allowEveryKind,
    allowHeatSources,
  ],
  'charge.changed': [
    function allowIndicator(payload: Payload): Payload {
      return payload
    },
    allowEveryKind,
    allowHeatSources,
  ],
  'charge.heated': [
    function addOvenAndRoom(payload: Payload): Payload {
      return { ...payload, oven: 'unknown', roomId: null }
    },
    function allowOwnHeater(payload: Payload): Payload {
      return payload
    },
    allowHeatSources,
  ],
} as const
export type Charge = v.InferOutput<typeof made>
