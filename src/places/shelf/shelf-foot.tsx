import { Link } from 'react-router'
import { agoText } from '#ui/dates.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { lastBroughtMs, useKeeping } from '#session/keeping.ts'
import { useJournal } from '#session/journal-query.ts'
import hand from '#ui/hand.module.css'

/** How old the last saved file is, and the last bringing together: what there is outside this browser. */
export function ShelfFoot() {
  const { kept } = useJournal()
  const { base, maker } = useJournalTools()
  const [keeping] = useKeeping()
  if (!keeping) return <p className={hand.pageFoot} />
  const ago = (ms: number) => agoText(ms, maker.nowMs(), maker.zone)
  const brought = lastBroughtMs(kept)
  return (
    <p className={`${hand.pageFoot} ${hand.aside}`}>
      <span>
        {keeping.savedAtMs === null
          ? 'No file of this journal is saved yet.'
          : `Last saved to a file ${ago(keeping.savedAtMs)}.`}{' '}
        {brought === null
          ? 'Never brought together with another device.'
          : `Last brought together ${ago(brought)}.`}
      </span>
      <Link to={`${base}/files`} className={hand.worded}>
        Files
      </Link>
    </p>
  )
}
