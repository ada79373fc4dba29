import type { FirstDay, FirstDayCause } from '#core/estimate/promise.ts'

/** Hours after a closing, as people say them. */
export const afterWords = (hours: number): string =>
  hours === 24 ? 'a day' : hours === 72 ? 'three days' : `${hours} h`

/** What a reading outside the first days' band looks like, and the cheapest thing that tells. */
export const FIRST_DAY_WORDS: Readonly<
  Record<FirstDayCause, { readonly as: string; readonly test: string }>
> = {
  leak: {
    as: 'as if its lid let in much more than such a lid does',
    test: 'Look along the gasket for grit, a hair, a fold; read it again in a day.',
  },
  damp: {
    as: 'as if a spool had come in damp',
    test: 'Weigh the spool that came in, now and in three days: a damp one loses grams.',
  },
  display: {
    as: 'as if its display were off',
    test: 'An hour in one bag with another display tells.',
  },
  opened: {
    as: 'as if it had stood open since',
    test: 'Keep it shut, and read it again in a day: then it falls.',
  },
}

/** The first and the last of nine readings in ten, and the middle, as its display will show them. */
export const toldOf = (promise: FirstDay, shown: (rhPercent: number) => number) =>
  promise.told.map(({ hours, rhPercent }) => ({
    hours,
    points: rhPercent.map(shown),
  }))
