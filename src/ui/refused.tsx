import { NotKept } from '#session/keep-act.ts'
import hand from './hand.module.css'
/** Why a browser refused a write, in words. */
export function refusalText(error: unknown): string {
  const name = error instanceof Error || error instanceof DOMException ? error.name : ''
  if (/quota/i.test(name) || /quota/i.test(String(error))) return 'its storage is full'
  return (error instanceof Error && error.message) || name || 'it gave no reason'
}

/** A refused write: what is on screen is still there, and what to do. */
export const Refused = ({ error, remedy }: { readonly error: unknown; readonly remedy: string }) => (
  <p className={hand.notice} role="alert">
    {error instanceof NotKept
      ? `It is not kept: ${error.message}. What is typed stays here.`
      : `The browser refused to keep it: ${refusalText(error)}. Nothing is lost: it stays here. Free some space, or save a file of your journal, and ${remedy}.`}
  </p>
)
