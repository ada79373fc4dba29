import { Refused } from './refused.tsx'
import hand from './hand.module.css'

/** The end of every small form: what to do when the browser refuses the write, and the one filled button. */
export function FormFoot({
  write,
}: {
  readonly write: { readonly isPending: boolean; readonly error: Error | null }
}) {
  return (
    <div className={hand.formFoot}>
      {write.error && <Refused error={write.error} remedy="press Keep it again" />}
      <button type="submit" className={hand.filled} disabled={write.isPending}>
        Keep it
      </button>
    </div>
  )
}
