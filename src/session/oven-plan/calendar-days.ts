import type { OvenCalendarDay } from '#formats/calendar/write-oven-days.ts'
import type { Keeping } from '#store/keeping.ts'
import type { IsoDay } from '#units/calendar-day.ts'

/** A day at the oven as a calendar is told of it. */
export interface OvenEvent extends OvenCalendarDay {
  readonly boxIds: readonly string[]
}
type Planned = Omit<OvenEvent, 'uid' | 'sequence' | 'isCancelled'>
type Given = Keeping['ovenDays']

const saying = ({ beginsMin, minutes, summary, description }: Omit<Planned, 'day' | 'boxIds'>): string =>
  [beginsMin, minutes, summary, description].join('\n')

/**
 * Planned days as calendar entries. A day keeps the mark it was given out with: first those still on their day, then those
 * that have most boxes in common. What changed raises its sequence (RFC 5545, 3.8.7.4); what is planned no more is cancelled;
 * days that are past are let be.
 */
export function ovenEvents(planned: readonly Planned[], given: Given, today: IsoDay): OvenEvent[] {
  const open = new Map(Object.entries(given).filter(([, one]) => one.day >= today))
  const marks = new Map<Planned, string>()
  const take = (one: Planned, uid: string) => {
    marks.set(one, uid)
    open.delete(uid)
  }
  for (const one of planned) {
    const same = [...open].find(([, before]) => before.day === one.day)
    if (same) take(one, same[0])
  }
  for (const one of planned) {
    if (marks.has(one)) continue
    const shared = (before: Given[string]) => before.boxIds.filter(id => one.boxIds.includes(id)).length
    const [nearest] = [...open]
      .filter(([, before]) => shared(before) > 0)
      .sort((a, b) => shared(b[1]) - shared(a[1]) || (a[0] < b[0] ? -1 : 1))
    if (nearest) take(one, nearest[0])
  }
  const used = new Set([...Object.keys(given), ...marks.values()])
  const events = planned.map((one): OvenEvent => {
    const uid = marks.get(one) ?? freeMark(one.day, used)
    used.add(uid)
    const before = given[uid]
    const isSame = before !== undefined && before.day === one.day && before.says === saying(one)
    const sequence = before === undefined ? 0 : isSame ? before.sequence : before.sequence + 1
    return { ...one, uid, sequence, isCancelled: false }
  })
  const gone = [...open].map(([uid, before]): OvenEvent => {
    const [beginsMin, minutes, summary, ...description] = before.says.split('\n')
    return {
      uid,
      day: before.day,
      boxIds: [],
      beginsMin: Number(beginsMin) || 0,
      minutes: Number(minutes) || 0,
      summary: summary ?? '',
      description: description.join('\n'),
      // given out once as cancelled it says the same ever after
      sequence: before.boxIds.length === 0 ? before.sequence : before.sequence + 1,
      isCancelled: true,
    }
  })
  return [...events, ...gone]
}

function freeMark(day: IsoDay, used: ReadonlySet<string>): string {
  let mark = `oven-${day}`
  for (let n = 2; used.has(mark); n++) mark = `oven-${day}-${n}`
  return mark
}

/** What is remembered of the events once they are given out. */
export const givenEvents = (events: readonly OvenEvent[], before: Given): Given => ({
  ...before,
  ...Object.fromEntries(
    events.map(event => [
      event.uid,
      {
        day: event.day,
        boxIds: event.isCancelled ? [] : [...event.boxIds],
        says: saying(event),
        sequence: event.sequence,
      },
    ]),
  ),
})
