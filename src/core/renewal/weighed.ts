import type { Celsius, Grams, GramsPerGram, PercentRh } from '#units/quantity.ts'
import { DESICCANTS, type DesiccantKind } from '../desiccant/catalogue.ts'
import { rhOverLoadingPercent } from '../sorbent/sorbent.ts'

export interface WeighedCharge {
  readonly waterG: Grams
  readonly loadingGPerG: GramsPerGram
  readonly rhPercent: PercentRh
  /** The 10 % and 90 % points: the scale's error and what makes of beads differ by. */
  readonly lowRhPercent: PercentRh
  readonly highRhPercent: PercentRh
}

/** Standard normal at 90 %. */
const TENTH = 1.2816

/**
 * A weighing as a reading of its own: loading, and the RH of air in equilibrium with it. Sees what a display at its
 * floor cannot.
 * @param waterG gross less holder less dry beads; less than nothing counts as nothing
 * @param sigmaG one standard deviation of that water
 */
export function weighedCharge(charge: {
  desiccant: DesiccantKind
  dryMassG: Grams
  waterG: Grams
  sigmaG: Grams
  temperatureC: Celsius
}): WeighedCharge {
  const { sorbent, capacitySpread } = DESICCANTS[charge.desiccant]
  const most = 0.98 * sorbent.mostGPerG
  const loadingGPerG = Math.min(Math.max(charge.waterG / charge.dryMassG, 0), most)
  const spread = TENTH * Math.hypot(charge.sigmaG / charge.dryMassG, capacitySpread * loadingGPerG)
  const rhAt = (loading: GramsPerGram) =>
    rhOverLoadingPercent(sorbent, {
      loadingGPerG: Math.min(Math.max(loading, 0), most),
      temperatureC: charge.temperatureC,
    })
  return {
    waterG: charge.waterG,
    loadingGPerG,
    rhPercent: rhAt(loadingGPerG),
    lowRhPercent: rhAt(loadingGPerG - spread),
    highRhPercent: rhAt(loadingGPerG + spread),
  }
}
