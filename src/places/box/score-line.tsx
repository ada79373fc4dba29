import { useMemo } from 'react'
import { Link } from 'react-router'
import type { BoxView } from '#journal/box-view.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useScore } from '#session/score.ts'
import { scoreSentence } from '#ui/score-words.ts'
import hand from '#ui/hand.module.css'

/** How the dates given for this box came true, as far as that was reckoned before. */
export function ScoreLine({ view }: { readonly view: BoxView }) {
  const { base } = useJournalTools()
  const { boxId, name } = view.box
  const ids = useMemo(() => [boxId], [boxId])
  const { dates, done, of } = useScore(ids)
  if (of === 0) return null
  const isKnown = done > 0 && dates.some(date => date.score !== 'open')
  return (
    <Link to={`${base}/almanac/score?box=${boxId}`} className={hand.worded} data-part="score-line">
      {isKnown ? scoreSentence(dates, `given for ${name}`) : `How the dates of ${name} came true`}
    </Link>
  )
}
