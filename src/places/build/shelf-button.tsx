import { Link } from 'react-router'
import { useJournalTools } from '#session/journal-context.tsx'
import type { useBuild } from './use-build.tsx'
import hand from '#ui/hand.module.css'
import css from './build.module.css'

/** Onto the shelf in one step; once it stands there, the way to it. */
export function ShelfButton({
  builder,
  isFilled,
  isReady,
}: {
  readonly builder: ReturnType<typeof useBuild>
  readonly isFilled: boolean
  readonly isReady: boolean
}) {
  const { base } = useJournalTools()
  if (builder.builtAs !== null)
    return (
      <Link
        to={`${base}/box/${builder.builtAs}`}
        className={isFilled ? `${hand.filled} ${css.filledLink}` : hand.worded}
        data-part="filled-link"
      >
        It stands on the shelf
      </Link>
    )
  return (
    <button
      type="button"
      className={isFilled ? hand.filled : hand.worded}
      disabled={!isReady || builder.isPending}
      onClick={builder.ask}
    >
      Put it on the shelf
    </button>
  )
}
