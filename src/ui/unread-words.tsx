import { useState } from 'react'
import type { Unread } from '#records/picklists.ts'
import hand from './hand.module.css'

/** Where a reading is asked for and there is none to give: why, in one more press. */
export function UnreadWords({ onSay }: { readonly onSay: (why: Unread) => void }) {
  const [asking, setAsking] = useState(false)
  if (!asking)
    return (
      <button type="button" className={hand.worded} onClick={() => setAsking(true)}>
        No reading to give
      </button>
    )
  return (
    <>
      <button type="button" className={hand.worded} onClick={() => onSay('shows nothing')}>
        It shows nothing
      </button>
      <button type="button" className={hand.worded} onClick={() => onSay('is not there')}>
        It is not there
      </button>
    </>
  )
}
