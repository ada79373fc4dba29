import type { Act } from '#records/act.ts'
import { foldPlaced } from '#journal/fold.ts'
import { inForce, type Placed } from '#journal/in-force.ts'
import type { State } from '#journal/state.ts'
import { isGiven, undoSteps, type UndoSteps } from '#journal/undo.ts'
import { isAhead, writtenAhead } from '#journal/written-at.ts'
import type { DamagedRecord } from '#store/journal-store.ts'

export interface JournalView {
  /** Acts as kept here, bringings as one doing each. */
  readonly kept: readonly Act[]
  /** Entries that stand, in order of when they happened. */
  readonly placed: readonly Placed[]
  readonly state: State
  readonly nowMs: number
  readonly damaged: readonly DamagedRecord[]
  readonly undo: UndoSteps
  /** What a clock ahead of this one wrote; null: nothing. */
  readonly ahead: ReturnType<typeof writtenAhead>
  /** The browser’s storage was emptied under the open page: some of what is shown is in this page only. */
  readonly isEmptied: boolean
}

/** A replacement whose set-aside state is swept has nothing to go back to. */
const isSwept = (act: Act, here: ReadonlySet<string>): boolean =>
  act.setsAside !== undefined && act.setsAside.length > 0 && !act.setsAside.some(id => here.has(id))

export function journalViewOf(
  kept: readonly Act[],
  damaged: readonly DamagedRecord[],
  nowMs: number,
  isEmptied = false,
): JournalView {
  const placed = inForce(kept)
  const here = new Set(kept.map(act => act.id))
  return {
    kept,
    placed,
    state: foldPlaced(placed),
    nowMs,
    damaged,
    undo: undoSteps(kept, act => isGiven(act) || isSwept(act, here) || isAhead(act, nowMs)),
    ahead: writtenAhead(kept, nowMs),
    isEmptied,
  }
}
