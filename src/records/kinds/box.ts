import * as v from 'valibot'
import { CONTAINER_LIST, LID_LIST, SEAL_METHOD_LIST, UNREAD_LIST, WALL_LIST } from '../picklists.ts'
import { finite, idField, knowledgeField, lengthField, nameField, told } from '../fields.ts'

/** Where it stands: a board, counted from the top, and millimetres from its left end. */
const place = { board: finite(0, 20), leftMm: finite(0, 20_000) }

const made = v.strictObject({
  boxId: idField,
  name: nameField,
  container: v.picklist(CONTAINER_LIST),
  widthMm: lengthField,
  depthMm: lengthField,
  heightMm: lengthField,
  sizeKnown: knowledgeField,
  /** Where it is not the outline's usual one. */
  wall: told(v.picklist(WALL_LIST)),
  wallThicknessMm: told(finite(0.02, 50)),
  /** Base against rim, where it was measured. */
  baseShare: told(finite(0.3, 1.3)),
  /** The plan it was built from. */
  planId: told(idField),
  lid: v.picklist(LID_LIST),
  lidKnown: knowledgeField,
  openingsPerMonth: finite(0, 300),
  openingsKnown: knowledgeField,
  roomId: idField,
  ...place,
})
export const boxKinds = {
  'box.made': made,
  'box.changed': v.strictObject({ ...v.partial(made).entries, boxId: idField }),
  'box.moved': v.strictObject({ boxId: idField, ...place }),
  /** Another lid or gasket from now on; what leaked before leaked as it did. */
  'box.sealed': v.strictObject({ boxId: idField, lid: v.picklist(LID_LIST), lidKnown: knowledgeField }),
  /** A seal test begun: a tray of beads weighed and shut in, or a display read in the closed, empty box. */
  'box.sealTestBegun': v.strictObject({
    boxId: idField,
    method: v.picklist(SEAL_METHOD_LIST),
    /** The tray as it went in, and the one left in the open beside it. */
    trayG: v.nullable(finite(1, 10_000)),
    controlG: v.nullable(finite(1, 10_000)),
    startPercent: v.nullable(finite(0, 100)),
  }),
  /** What it came to, L/h of the lid, 10–90 %; null: given up. */
  'box.sealTested': v.strictObject({
    boxId: idField,
    result: v.nullable(
      v.strictObject({
        method: v.picklist(SEAL_METHOD_LIST),
        hours: finite(0.5, 5000),
        lowLPerH: finite(0, 1000),
        middleLPerH: finite(0, 1000),
        highLPerH: finite(0, 1000),
        couldTell: v.boolean(),
        /** What was read at its end. */
        gainG: v.nullable(finite(-1000, 10_000)),
        endPercent: v.nullable(finite(0, 100)),
        roomPercent: v.nullable(finite(0, 100)),
      }),
    ),
  }),
  /** Given away, broken, taken apart; nothing is in it any more. */
  'box.retired': v.strictObject({ boxId: idField }),
  /** Its display could not be read. */
  'box.unread': v.strictObject({ boxId: idField, why: v.picklist(UNREAD_LIST) }),
  'box.opened': v.strictObject({ boxId: idField, openSeconds: finite(1, 86_400) }),
} as const
type Payload = Record<string, unknown>
/** Version 2 knows walls of another stuff or thickness. */
const allowWall = (payload: Payload): Payload => payload
export const boxUpgraders = { 'box.made': [allowWall], 'box.changed': [allowWall] } as const
export type SealTestBegun = v.InferOutput<(typeof boxKinds)['box.sealTestBegun']>
export type SealTestResult = NonNullable<v.InferOutput<(typeof boxKinds)['box.sealTested']>['result']>
export type Box = v.InferOutput<typeof made>
