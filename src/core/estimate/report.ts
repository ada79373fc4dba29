import type { Way } from '../model/box-model.ts'
import type { DateStanding } from './date-standing.ts'
import type { Wrong } from './wrong.ts'
import type { Account, Seen } from './accounts.ts'
import type { Posterior } from './posterior.ts'
import type { Contradiction } from './contradiction.ts'
import type { LeaveDates, SharesOfDates, Worth } from './forecast.ts'
import type { Spread } from './weighted.ts'

/** One way water takes: G·(c_from − c_to), in the draw nearest to the middle of all. */
export interface Stream {
  readonly way: Way
  readonly conductanceLPerH: number
  readonly fromGPerM3: number
  readonly toGPerM3: number
  /** Into the box air when positive. */
  readonly mgPerDay: number
  /** Of all draws. */
  readonly spread: Spread
}

/** A charge, or all that are inside together; each figure the middle of all draws. */
export interface ChargeNow {
  readonly ids: readonly string[]
  readonly dryMassG: number
  readonly capacityFactor: number
  readonly loadingGPerG: number
  readonly waterG: number
  readonly spread: Spread
  /** What they hold when the air stands at the target. */
  readonly notchLoadingGPerG: number | null
  readonly notchG: number | null
  readonly notchSpread: Spread | null
  readonly freshG: number
  readonly holderLPerH: number
}

export interface SpoolNow {
  readonly id: string
  readonly filamentG: number
  readonly moisturePercent: number
  readonly spread: Spread
  readonly waterG: number
  /** Where it would end in the air it has now. */
  readonly boxRhPercent: number
}

export interface Curve {
  readonly atS: readonly number[]
  readonly rhPercent: readonly number[]
}

export interface StrictestCost {
  readonly spoolIds: readonly string[]
  readonly nextTargetRhPercent: number
  readonly leaves: LeaveDates
  readonly sharesOfDates: SharesOfDates
}

export interface BoxReport {
  readonly nowS: number
  readonly targetRhPercent: number | null
  readonly draws: number
  readonly rounds: number
  readonly effectiveDraws: number
  /** Draws whose run into the future did not finish: they are in none of the dates. */
  readonly unfinishedDraws: number
  /** 1, or less where the readings had to be softened for enough draws to count. */
  readonly likelihoodPower: number
  /** Why the sampling stopped. */
  readonly ends: Posterior['ends']
  /** Everything as told, then what else explains the readings; shares sum to 1. */
  readonly accounts: readonly Account[]
  readonly seen: readonly Seen[]
  readonly contradiction: Contradiction | null
  /** The display stood at the target or over it when it last told of the box as it is. */
  readonly atTarget: boolean
  /** What may be wrong, the likeliest first; nothing while all is well. */
  readonly wrong: readonly Wrong[]
  /** Whether its date may be shown; null without a target. */
  readonly standing: DateStanding | null
  readonly leaves: (LeaveDates & { readonly sharesOfDates: SharesOfDates }) | null
  /** The spools with the strictest target, and when the box would leave the next one if they were taken out now. */
  readonly strictest: StrictestCost | null
  readonly causes: readonly { readonly id: string; readonly name: string; readonly share: number }[]
  readonly worth: readonly Worth[]
  /** What the display would show now: the 5, 10 … 95 % points. */
  readonly expectedRhPercent: readonly number[]
  readonly temperatureC: number
  readonly roomGPerM3: number
  readonly roomRhPercent: number
  readonly leakLPerH: Spread
  /** Its 5, 10 … 95 % points. */
  readonly leakSharesLPerH: readonly number[]
  /** All water that comes into the air, by whatever way. */
  readonly inflowMgPerDay: Spread
  readonly streams: readonly Stream[]
  readonly charges: readonly ChargeNow[]
  /** All charges together; null without any. */
  readonly held: ChargeNow | null
  readonly spools: readonly SpoolNow[]
  readonly floor: {
    readonly rhPercent: number
    readonly probabilityAboveTarget: number
    readonly chargeRhPercent: number
    readonly roomRhPercent: number
    readonly leakLPerH: number
    readonly holderLPerH: number
    readonly wouldDo: string
  } | null
  readonly past: {
    readonly atS: readonly number[]
    readonly low: readonly number[]
    readonly middle: readonly number[]
    readonly high: readonly number[]
  }
  readonly futures: readonly Curve[]
}
