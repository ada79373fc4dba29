import type { BoxView } from '#journal/box-view.ts'
import { shortDayText } from '#ui/dates.ts'
import hand from '#ui/hand.module.css'

/** Its display could not be read last time: what to do, and that everything here is reckoned until then. */
export function UnreadLine({
  view,
  nowMs,
  zone,
}: {
  readonly view: BoxView
  readonly nowMs: number
  readonly zone: string
}) {
  if (!view.unread) return null
  const when = shortDayText(view.unread.atMs, nowMs, zone)
  return (
    <p className={hand.notice} data-part="unread">
      {view.unread.why === 'shows nothing'
        ? `Its display showed nothing on ${when}: give it a fresh coin cell, or read the box with another. Keep coin cells from children: swallowed, one burns within two hours.`
        : `Its display was not there on ${when}: put one in, or read the box with another.`}{' '}
      Until then everything here is reckoned from what was read before.
    </p>
  )
}
