import type { Act } from '#records/act.ts'
import { boathouseLoft } from '#demo/loft.ts'
import { BOXES, type LoftBox } from '#demo/loft-boxes.ts'

/** The loft's own nine with nothing amiss, so that all of them can be planned. */
const SOUND: Readonly<Record<string, Partial<LoftBox>>> = {
  launch: { truth: { leakLPerH: 0.5 }, events: [], beadsG: 210 },
  skeg: { truth: { leakLPerH: 0.12 } },
  rigger: { lid: 'clips', truth: { leakLPerH: 0.3 } },
  ferry: { events: [], beadsG: 95 },
  bilge: { lid: 'foam', truth: { leakLPerH: 0.5 }, beadsG: 150 },
  oarlock: {
    lid: 'clips',
    sinceDays: 60,
    beadsG: 70,
    beadsKnown: 'assumed',
    freshness: 'heated',
    neverRead: false,
    truth: { leakLPerH: 0.14 },
  },
}
/** Five more, each a little different. */
const more = (
  id: string,
  name: string,
  like: number,
  leftMm: number,
  part: Partial<LoftBox> & Pick<LoftBox, 'beadsG' | 'truth' | 'sinceDays'>,
): LoftBox => ({ ...BOXES[like]!, id, name, board: 2, leftMm, events: [], ...part })

const FOURTEEN: readonly LoftBox[] = [
  ...BOXES.map(box => ({ ...box, ...SOUND[box.id] })),
  more('gaff', 'Gaff', 1, 40, { beadsG: 62, sinceDays: 80, truth: { leakLPerH: 0.24 } }),
  more('tiller', 'Tiller', 1, 520, { beadsG: 60, sinceDays: 52, truth: { leakLPerH: 0.27 } }),
  more('cleat', 'Cleat', 0, 980, { beadsG: 28, sinceDays: 66, truth: { leakLPerH: 0.19 } }),
  more('painter', 'Painter', 4, 1240, {
    beadsG: 64,
    sinceDays: 44,
    unreadDays: 0,
    truth: { leakLPerH: 0.15 },
  }),
  more('keel', 'Keel', 5, 1500, { beadsG: 130, sinceDays: 100, lid: 'clips', truth: { leakLPerH: 0.32 } }),
]

/** Fourteen boxes, Saturdays, one oven, two spares, a fortnight away: what a plan of renewals is tried on. */
export function fourteenBoxes(nowMs: number, zone: string): Act[] {
  const text = JSON.stringify(boathouseLoft(nowMs, zone, FOURTEEN)).replaceAll('"demo-', '"own-')
  return JSON.parse(text) as Act[]
}
