/** Displays out, weighed in, the oven loaded; and at the end weighed back and into the boxes. Common practice. */
export const BEFORE_MINUTES = 15
export const AFTER_MINUTES = 15
/** From one filling to the next: out, weighed, in. */
export const TURN_MINUTES = 10
/** Covered, until the beads can be handled. */
export const COOL_MINUTES = 45

/** Minutes of a day at the oven beside its fillings. @param aloneMinutes it may cool while nobody is there */
export const besideMinutes = (aloneMinutes: number): number =>
  BEFORE_MINUTES + AFTER_MINUTES + (aloneMinutes >= COOL_MINUTES ? 0 : COOL_MINUTES)

/** Minutes one filling takes of a day. */
export const fillingMinutes = (hotMinutes: number): number => hotMinutes + TURN_MINUTES

export interface DayAtOven {
  /** Spans of minutes from the beginning, in order; nothing is ever hot while a person is away. */
  readonly spans: readonly { readonly is: 'present' | 'alone'; readonly from: number; readonly to: number }[]
  readonly hot: readonly { readonly from: number; readonly to: number }[]
  readonly presentMinutes: number
  readonly aloneMinutes: number
  readonly minutes: number
}

/** A day at the oven, minute by minute. @param hotMinutes of each filling in turn; none: beads only change places */
export function dayAtOven(hotMinutes: readonly number[], aloneMinutes: number): DayAtOven {
  const hot: { from: number; to: number }[] = []
  let at = BEFORE_MINUTES
  for (const minutes of hotMinutes) {
    hot.push({ from: at, to: at + minutes })
    at += fillingMinutes(minutes)
  }
  const isAlone = aloneMinutes >= COOL_MINUTES && hot.length > 0
  const cooled = hot.length > 0 ? at + COOL_MINUTES : at
  const end = cooled + AFTER_MINUTES
  const spans: DayAtOven['spans'] = isAlone
    ? [
        { is: 'present', from: 0, to: at },
        { is: 'alone', from: at, to: cooled },
        { is: 'present', from: cooled, to: end },
      ]
    : [{ is: 'present', from: 0, to: end }]
  return {
    spans,
    hot,
    presentMinutes: isAlone ? at + AFTER_MINUTES : end,
    aloneMinutes: isAlone ? COOL_MINUTES : 0,
    minutes: end,
  }
}
