import * as v from 'valibot'
import {
  ARRANGEMENT_LIST,
  BUILD_WALL_LIST,
  CONTAINER_LIST,
  DESICCANT_LIST,
  HOLDER_LIST,
  LID_LIST,
  MATERIAL_LIST,
  ROD_LIST,
  WISHED_BODY_LIST,
  SPOOL_CLASS_LIST,
  WALL_LIST,
} from '../picklists.ts'
import { beadsField, finite, idField, knowledgeField, lengthField, nameField } from '../fields.ts'

const whole = (min: number, max: number) => v.pipe(v.number(), v.integer(), v.minValue(min), v.maxValue(max))
const point = v.strictTuple([finite(-2000, 2000), finite(-2000, 2000), finite(-2000, 2000)])

/** A container that might do; lengths inside, at the rim and at the base. */
const candidate = v.strictObject({
  name: nameField,
  container: v.picklist(CONTAINER_LIST),
  rimLengthMm: lengthField,
  rimDepthMm: lengthField,
  baseLengthMm: lengthField,
  baseDepthMm: lengthField,
  heightMm: lengthField,
  /** Assumed: the outline's usual size, which may be off either way. */
  sizeKnown: knowledgeField,
  /** What its label says it holds. */
  litresTold: v.nullable(finite(0.2, 1000)),
  wall: v.picklist(WALL_LIST),
  wallThicknessMm: finite(0.02, 50),
  lid: v.picklist(LID_LIST),
  price: v.nullable(finite(0, 100_000)),
  /** Ledges, feet, wheel wells; from the middle of the floor. */
  blocks: v.pipe(v.array(v.strictObject({ name: nameField, from: point, to: point })), v.maxLength(8)),
})

/** A spool that is to go in: one of the kit, or so many of a size spools are sold in. */
const wish = v.variant('of', [
  v.strictObject({ of: v.literal('own'), spoolId: idField }),
  v.strictObject({
    of: v.literal('class'),
    sizeClass: v.picklist(SPOOL_CLASS_LIST),
    material: v.picklist(MATERIAL_LIST),
    body: v.picklist(WISHED_BODY_LIST),
    count: whole(1, 20),
  }),
  // of a size of its own, that nobody owns yet, or from somebody else's plan
  v.strictObject({
    of: v.literal('sized'),
    name: nameField,
    material: v.picklist(MATERIAL_LIST),
    body: v.picklist(WISHED_BODY_LIST),
    rimDiameterMm: finite(40, 500),
    widthMm: finite(10, 300),
    boreMm: finite(5, 200),
    filamentG: finite(1, 20_000),
    emptyG: finite(1, 5000),
    count: whole(1, 20),
  }),
])

/** Where spools stand, as somebody put them; the along of a spool and the across of its line, from the middle of the floor. */
const arrangement = v.strictObject({
  kind: v.picklist(ARRANGEMENT_LIST),
  axis: v.picklist([0, 1, 2]),
  lines: v.pipe(
    v.array(
      v.strictObject({
        at: point,
        spools: v.pipe(
          v.array(v.strictObject({ id: v.pipe(v.string(), v.maxLength(80)), alongMm: finite(-2000, 2000) })),
          v.maxLength(20),
        ),
      }),
    ),
    v.maxLength(12),
  ),
})
/** Something put on the floor: its lengths, and where its middle stands. */
const standing = v.strictObject({
  lengthMm: finite(5, 1000),
  depthMm: finite(5, 1000),
  heightMm: finite(5, 1000),
  alongMm: finite(-1000, 1000),
  acrossMm: finite(-1000, 1000),
})

/** A hole for a tube or a display: plumb below the rim, along its wall from the middle. */
const outlet = v.strictObject({
  wall: v.picklist(BUILD_WALL_LIST),
  belowRimMm: finite(0, 2000),
  alongMm: finite(-4000, 4000),
  fitting: v.pipe(v.string(), v.minLength(1), v.maxLength(60)),
  capped: v.boolean(),
})
const holeField = v.pipe(v.string(), v.regex(/^(?:[A-Z]|[1-9][0-9]?)$/))
/** What came out at a hole, as it was marked: down the wall from the rim, and from the edge the plan names. */
const drilled = v.strictObject({
  hole: holeField,
  downMm: finite(-50, 3000),
  edgeMm: finite(-50, 5000),
  drillMm: finite(0.5, 100),
  mend: v.nullable(v.picklist(['shim', 'plug'])),
})
/** What is to lie in it from the first day. */
const filling = v.strictObject({
  desiccant: v.picklist(DESICCANT_LIST),
  holder: v.picklist(HOLDER_LIST),
  grams: beadsField,
  pieces: v.nullable(whole(1, 100)),
})
const fitting = v.strictObject({
  id: v.pipe(v.string(), v.minLength(1), v.maxLength(60)),
  name: nameField,
  drillMm: finite(0.5, 100),
  seals: v.picklist(['tube', 'coupler', 'membrane', 'cap']),
})

const made = v.strictObject({
  planId: idField,
  name: nameField,
  roomId: idField,
  spools: v.pipe(v.array(wish), v.maxLength(20)),
  /** How spools may stand in it. */
  ways: v.pipe(v.array(v.picklist(ARRANGEMENT_LIST)), v.minLength(1), v.maxLength(6)),
  outlets: whole(0, 12),
  openingsPerMonth: finite(0, 300),
  clearances: v.strictObject({
    lidMm: finite(0, 100),
    floorMm: finite(0, 100),
    betweenMm: finite(0, 100),
    endsMm: finite(0, 100),
    sidesMm: finite(0, 100),
  }),
  rodDiameterMm: finite(2, 60),
  candidates: v.pipe(v.array(candidate), v.maxLength(3)),
  chosen: whole(0, 2),
  /** Of the chosen one; null: as Veld arranges it. */
  arrangement: v.nullable(arrangement),
  charge: v.nullable(standing),
  display: v.nullable(standing),
  rod: v.strictObject({
    material: v.picklist(ROD_LIST),
    /** Of a tube; 0: solid. */
    boreMm: finite(0, 59),
    /** What stands out of each wall for a cap. */
    capMm: finite(0, 100),
  }),
  tube: v.strictObject({ boreMm: finite(1.8, 6), outerMm: finite(2, 10), runMm: finite(0, 5000) }),
  /** What outlets are fitted with while Veld places them. */
  fitting: v.pipe(v.string(), v.minLength(1), v.maxLength(60)),
  /** Fittings that are not in the house's table. */
  ownFittings: v.pipe(v.array(fitting), v.maxLength(20)),
  /** Null: as Veld places them. */
  outletsAt: v.nullable(v.pipe(v.array(outlet), v.maxLength(12))),
  drilled: v.pipe(v.array(drilled), v.maxLength(40)),
  /** Of a lid with a foam strip. */
  strip: v.strictObject({ clips: whole(1, 60), heightMm: finite(1, 30) }),
  filling: v.nullable(filling),
  /** Weeks between renewals that are wanted. */
  weeksWanted: finite(1, 104),
  /** Somebody said it does without. */
  without: v.pipe(v.array(v.picklist(['charge', 'display'])), v.maxLength(2)),
  /** Steps at the bench that are done, by their ids. */
  done: v.pipe(v.array(v.pipe(v.string(), v.minLength(1), v.maxLength(40))), v.maxLength(80)),
  /** What parts cost here, one of each. */
  prices: v.pipe(
    v.array(
      v.strictObject({
        part: v.pipe(v.string(), v.minLength(1), v.maxLength(60)),
        price: finite(0, 100_000),
      }),
    ),
    v.maxLength(80),
  ),
})
/** A plan as a file has it: what it is, without where it is kept. */
export const planInFile = v.omit(made, ['planId', 'roomId'])
export const planKinds = {
  'plan.made': made,
  'plan.changed': v.strictObject({ ...v.partial(made).entries, planId: idField }),
  'plan.retired': v.strictObject({ planId: idField }),
} as const
export type Plan = v.InferOutput<typeof made>
export type PlanCandidate = v.InferOutput<typeof candidate>
export type PlanStanding = v.InferOutput<typeof standing>
export type PlanDrilled = v.InferOutput<typeof drilled>
export type PlanFilling = v.InferOutput<typeof filling>
export type PlanOutlet = v.InferOutput<typeof outlet>
export type PlanWish = v.InferOutput<typeof wish>
