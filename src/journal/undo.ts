import type { Act } from '#records/act.ts'
import { inWritingOrder } from './in-force.ts'

/** Acts the demonstration was made with, which nobody did here. */
export const isGiven = (act: Act): boolean => /^demo-\d+$/.test(act.id)

export interface UndoSteps {
  /** The act that undo takes back. */
  readonly undo: Act | null
  /** What was taken back last, and the withdrawal that redo takes back. */
  readonly redo: { readonly act: Act; readonly withdrawal: Act } | null
}

/**
 * What undo and redo would do, read from the journal itself, so that both outlive a reload. Something new done after
 * an undo ends what could be redone, as everywhere.
 * @param kept acts of this journal, bringings as what they are: one doing
 * @param isApart acts nobody here did, such as the demonstration's
 */
export function undoSteps(kept: readonly Act[], isApart: (act: Act) => boolean = () => false): UndoSteps {
  const done: Act[] = []
  const undone: { act: Act; withdrawal: Act }[] = []
  for (const act of inWritingOrder(kept)) {
    if (isApart(act)) continue
    const isPlain = act.withdraws === undefined || act.entries.length > 0
    // what is taken back is nearly always the last: search from the end
    const taken = isPlain ? -1 : done.findLastIndex(item => item.id === act.withdraws)
    const again = isPlain ? -1 : undone.findLastIndex(item => item.withdrawal.id === act.withdraws)
    if (taken >= 0) {
      undone.push({ act: done[taken]!, withdrawal: act })
      done.splice(taken, 1)
    } else if (again >= 0) {
      done.push(undone[again]!.act)
      undone.splice(again, 1)
    } else {
      done.push(act)
      undone.length = 0
    }
  }
  return { undo: done.at(-1) ?? null, redo: undone.at(-1) ?? null }
}
