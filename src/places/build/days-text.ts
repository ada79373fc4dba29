import { inWhole } from '#ui/format.ts'

/** A span as one says it. */
export const daysText = (days: number): string =>
  days < 1
    ? 'less than a day'
    : days < 21
      ? `${inWhole(days)} days`
      : days < 180
        ? `${inWhole(days / 7)} weeks`
        : days < 730
          ? `${inWhole(days / 30.44)} months`
          : 'over two years'
