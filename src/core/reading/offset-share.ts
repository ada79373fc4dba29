/** Share of an instrument's error that stays the same from reading to reading; the rest is new each time. */
export const OFFSET_SHARE = 0.8

/** Of a display's error, what is new at each reading, one standard deviation. @param accuracyRh ± as two of them */
export const newEachTimeRh = (accuracyRh: number): number =>
  (accuracyRh / 2) * Math.sqrt(1 - OFFSET_SHARE ** 2)
