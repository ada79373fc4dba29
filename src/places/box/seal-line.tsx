import { Link } from 'react-router'
import type { BoxView } from '#journal/box-view.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { shortDayText } from '#ui/dates.ts'
import { sealRangeText, sealWords } from '#ui/seal-words.ts'
import hand from '#ui/hand.module.css'

/** A seal test that is under way, or what the last one of this lid found. */
export function SealLine({
  view: { box },
  nowMs,
  zone,
}: {
  readonly view: BoxView
  readonly nowMs: number
  readonly zone: string
}) {
  const { base } = useJournalTools()
  const proved = box.lids.at(-1)?.proved
  if (box.proving)
    return (
      <p data-part="seal-line">
        Its seal is being proved since {shortDayText(box.proving.atMs, nowMs, zone)}.{' '}
        <Link to={`${base}/box/${box.boxId}/seal`}>Go on with it</Link>
      </p>
    )
  if (!proved) return null
  return (
    <p data-part="seal-line" className={hand.aside}>
      Its seal was proved on {shortDayText(proved.atMs, nowMs, zone)}: {sealRangeText(proved.result)},{' '}
      {sealWords(proved.result)}.
    </p>
  )
}
