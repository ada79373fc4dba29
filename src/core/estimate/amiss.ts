import type { Seconds } from '#units/quantity.ts'

/** Something that happened and was not told: what the readings may be explained by, when it was, and how much of it. */
export type Amiss =
  /** The lid leaks so many times more from then on. */
  | { readonly kind: 'leak'; readonly atS: Seconds; readonly factor: number }
  /** So much of the room's air went through it while the lid was off. */
  | { readonly kind: 'opened'; readonly atS: Seconds; readonly freeAirs: number }
  /** The beads inside were heated and put back. */
  | { readonly kind: 'renewed'; readonly atS: Seconds }
  /** Spools that came in then were as damp as this, not as told. */
  | { readonly kind: 'damp'; readonly atS: Seconds; readonly rhPercent: number }
  /** One display shows so much more from then on. */
  | {
      readonly kind: 'display'
      readonly atS: Seconds
      readonly displayId: string
      readonly rhPercent: number
    }

export type AmissKind = Amiss['kind']
