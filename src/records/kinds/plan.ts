import * as v from 'valibot'
import {
  ARRANGEMENT_LIST,
  CONTAINER_LIST,
  LID_LIST,
  MATERIAL_LIST,
  SPOOL_BODY_LIST,
  SPOOL_CLASS_LIST,
  WALL_LIST,
} from '../picklists.ts'
import { finite, idField, knowledgeField, lengthField, nameField } from '../fields.ts'

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
    body: v.picklist(SPOOL_BODY_LIST),
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
})
export const planKinds = {
  'plan.made': made,
  'plan.changed': v.strictObject({ ...v.partial(made).entries, planId: idField }),
  'plan.retired': v.strictObject({ planId: idField }),
} as const
export type Plan = v.InferOutput<typeof made>
export type PlanCandidate = v.InferOutput<typeof candidate>
export type PlanStanding = v.InferOutput<typeof standing>
export type PlanWish = v.InferOutput<typeof wish>
