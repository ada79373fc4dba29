import * as v from 'valibot'
import { CONTAINER_LIST, LID_LIST } from '../picklists.ts'
import { finite, idField, knowledgeField, lengthField, nameField } from '../fields.ts'

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
  'box.opened': v.strictObject({ boxId: idField, openSeconds: finite(1, 86_400) }),
} as const
export type Box = v.InferOutput<typeof made>
