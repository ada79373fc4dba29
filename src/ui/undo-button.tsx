import { useJournal } from '#session/journal-query.ts'
import { useUndo } from '#session/writing.ts'
import hand from './hand.module.css'

/** Undo of what was done last, and redo of what was taken back last. */
export function UndoButtons() {
  const { undo } = useJournal()
  const { withdraw, redo, isPending } = useUndo()
  return (
    <>
      {undo.undo && (
        <button
          type="button"
          className={`${hand.quiet} ${hand.undo}`}
          data-part="undo"
          disabled={isPending}
          onClick={() => void withdraw()}
          title={undo.undo.what}
        >
          Undo<span className={hand.wideOnly}>: {undo.undo.what}</span>
        </button>
      )}
      {undo.redo && (
        <button
          type="button"
          className={`${hand.quiet} ${hand.undo}`}
          data-part="undo"
          disabled={isPending}
          onClick={() => void redo()}
          title={undo.redo.act.what}
        >
          Redo<span className={hand.wideOnly}>: {undo.redo.act.what}</span>
        </button>
      )}
    </>
  )
}
