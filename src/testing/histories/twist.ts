/** What happened and was told otherwise, or not at all; left out: as told. Shares run over the history, 0…1. */
export interface Twist {
  /** What the beads hold, against what is sold under their name. */
  readonly capacityFactor?: number
  /** How often the lid was really off, none of it logged. */
  readonly openingsPerMonth?: number
  /** The beads were heated and put back without a word. */
  readonly renewedAtShare?: number
  readonly driftRhPercentPerMonth?: number
  /** The lid leaks this many times more from then on. */
  readonly slip?: { readonly atShare: number; readonly factor: number }
  /** RH the spools told dry were in balance with. */
  readonly spoolsRhPercent?: number
  readonly roomWarmerK?: number
  /** From then on the readings come from another display, or from a spoilt one. */
  readonly shifted?: { readonly atShare: number; readonly rhPercent: number }
  /** The lid lay beside the box for so long. */
  readonly ajar?: { readonly atShare: number; readonly hours: number }
  /** Spools that came in then, told dry from a sealed bag. */
  readonly arrival?: { readonly atShare: number; readonly spools: number; readonly rhPercent: number }
}
