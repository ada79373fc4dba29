import * as v from 'valibot'
import { CONTAINER_LIST, LID_LIST, UNREAD_LIST, WALL_LIST } from '../picklists.ts'
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
export type Box = v.InferOutput<typeof made>
