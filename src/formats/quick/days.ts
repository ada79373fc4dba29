import * as chrono from 'chrono-node'
import type { Ask } from './wanted.ts'
import type { Text } from './text.ts'

/** A calendar day as it is written in files, from a local date. */
export const dayOf = (date: Date): string =>
  `${String(date.getFullYear()).padStart(4, '0')}-${String(date.getMonth() + 1).padStart(2, '0')}-${String(date.getDate()).padStart(2, '0')}`

const MOST_WORDS_BEFORE = 6

/**
 * The day something was done: "opened 3 days ago", "dried on 3 Nov", "opened 12.11.".
 * @returns null where the verb is not there; a day of null where the verb stands without one
 */
export function takeDay(
  text: Text,
  verb: RegExp,
  field: string,
  today: Date,
): { readonly day: string | null; readonly asks: readonly Ask[] } | null {
  const found = text.find(verb)
  if (!found) return null
  const start = found.index + found[0].length
  const after = text.rest.slice(start)
  const until = after.search(/[,;|]/)
  const fragment = until < 0 ? after : after.slice(0, until)
  const cut = (length: number): void => {
    text.rest = `${text.rest.slice(0, found.index)} | ${text.rest.slice(start + length)}`
  }
  const numeric = /^\s*(?:on|since|the)?\s*(\d{1,2})([./])(\d{1,2})(?:[./](\d{2,4})?)?(?![\w.])/.exec(
    fragment,
  )
  if (numeric) {
    cut(numeric[0].length)
    return numericDay(numeric, field, today)
  }
  const [parsed] = chrono.en.parse(fragment, { instant: today }, { forwardDate: false })
  if (!parsed || parsed.index > MOST_WORDS_BEFORE) {
    cut(0)
    return { day: null, asks: [] }
  }
  cut(parsed.index + parsed.text.length)
  return { day: dayOf(notLater(parsed.start.date(), today)), asks: [] }
}

/** What was done was done before: a day without a year is the last one of that name. */
function notLater(date: Date, today: Date): Date {
  const day = new Date(date)
  if (day.getTime() - today.getTime() > 86_400_000 / 2 && day.getFullYear() <= today.getFullYear() + 1)
    day.setFullYear(day.getFullYear() - 1)
  return day
}

/** 3.11. is the third of November everywhere; 3/11 is not, so it is asked. */
function numericDay(found: RegExpExecArray, field: string, today: Date): { day: string | null; asks: Ask[] } {
  const [a, b] = [Number(found[1]), Number(found[3])]
  const given = found[4] === undefined ? null : Number(found[4])
  const year = given === null ? today.getFullYear() : given < 100 ? 2000 + given : given
  const day = (dayNumber: number, month: number): string | null => {
    const date = new Date(year, month - 1, dayNumber, 12)
    if (date.getMonth() !== month - 1 || date.getDate() !== dayNumber) return null
    return dayOf(given === null ? notLater(date, today) : date)
  }
  const dayFirst = day(a, b)
  const monthFirst = found[2] === '/' ? day(b, a) : null
  const either = [dayFirst, monthFirst].filter(item => item !== null)
  const options = [...new Set(either)].map(value => ({ value, label: value }))
  return {
    day: options[0]?.value ?? null,
    asks: options.length > 1 ? [{ field, says: 'Day first, or month first?', options }] : [],
  }
}
