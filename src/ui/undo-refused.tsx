import { useState } from 'react'
import { NotKept } from '#session/keep-act.ts'
import { useRefusedUndo } from '#session/writing.ts'
import { refusalText } from './refused.tsx'
import hand from './hand.module.css'

/** What was to be taken back, or brought again, and is not: wherever on the page it was pressed. */
export function UndoRefused({ className }: { readonly className?: string | undefined }) {
  const refused = useRefusedUndo()
  const [seenAtMs, setSeenAtMs] = useState(0)
  if (!refused || refused.atMs <= seenAtMs) return null
  return (
    <p className={className} role="alert" data-part="undo-refused">
      It stands as it was: {refused.error instanceof NotKept ? '' : 'the browser refused, '}
      {refusalText(refused.error)}.
      <button type="button" className={hand.worded} onClick={() => setSeenAtMs(refused.atMs)}>
        Seen
      </button>
    </p>
  )
}
