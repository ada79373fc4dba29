import { roomForSpools } from './stance.ts'
import type { State } from '#journal/state.ts'

/** Spools about to go into a box. */
interface Coming {
  readonly count: number
  readonly widthMm: number
  readonly rimDiameterMm: number
}

/** "Launch takes about 7 such spools side by side; with these it holds 12."; null where there is room. */
export function crowdedText(state: State, boxId: string, coming: Coming): string | null {
  const box = state.boxes.get(boxId)
  if (!box) return null
  const room = roomForSpools(box, coming.widthMm, coming.rimDiameterMm)
  const inside = [...state.spools.values()].filter(
    ({ where }) => where.at === 'box' && where.boxId === box.boxId,
  ).length
  const then = inside + coming.count
  return then <= room
    ? null
    : `${box.name} takes about ${room === 1 ? 'one such spool' : `${room} such spools`} side by side; with ${coming.count === 1 ? 'this it holds' : 'these it holds'} ${then}.`
}
