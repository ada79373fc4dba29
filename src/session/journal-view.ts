import type { Act } from '#records/act.ts'
import { foldPlaced } from '#journal/fold.ts'
import { inForce, type Placed } from '#journal/in-force.ts'
import type { State } from '#journal/state.ts'
import { undoSteps, type UndoSteps } from '#journal/undo.ts'
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
}

/** Acts the demonstration was made with, which nobody did here. */
const isGiven = (act: Act): boolean => /^demo-\d+$/.test(act.id)
/** A replacement whose set-aside state is swept has nothing to go back to. */
const isSwept = (act: Act, here: ReadonlySet<string>): boolean =>
  act.setsAside !== undefined && act.setsAside.length > 0 && !act.setsAside.some(id => here.has(id))

export function journalViewOf(
  kept: readonly Act[],
  damaged: readonly DamagedRecord[],
  nowMs: number,
): JournalView {
  const placed = inForce(kept)
  const here = new Set(kept.map(act => act.id))
  return {
    kept,
    placed,
    state: foldPlaced(placed),
    nowMs,
    damaged,
    undo: undoSteps(kept, act => isGiven(act) || isSwept(act, here)),
  }
}
