/** Share of an instrument's error that stays the same from reading to reading; the rest is new each time. */
export const OFFSET_SHARE = 0.8
