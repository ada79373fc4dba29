import type { PercentRh } from '#units/quantity.ts'
import { heatedRhPercent } from '../ask/heated-air.ts'
import { ringsInAir, steadyAir, TIME_RINGS } from '../ask/spool-time.ts'
import { secondsFromHours } from '#units/time.ts'
import type { SpoolFacts } from './facts.ts'
import type { RoomAir, WetnessTold } from './wetness.ts'

/** RH a spool is in balance with, all alike or ring by ring from the outside in. */
export type SpoolRh = PercentRh | readonly PercentRh[]

/** The driest and the dampest a spool may have been when it came in. */
export interface SpoolStart {
  readonly low: SpoolRh
  readonly high: SpoolRh
}

/** What a spool that was then dried may have stood at before: from its bag, or from the room. */
const BEFORE_DRYING_PERCENT = 30

const bare = (spool: SpoolFacts) => ({
  id: spool.id,
  material: spool.material,
  size: spool.size,
  filamentG: spool.filamentG,
  diameterMm: 1.75 as const,
  flanges: 'closed' as const,
})

/** What a drying at the material's own heat leaves, ring by ring: the outside first, the core last. */
function driedRh(spool: SpoolFacts, intake: RoomAir): SpoolStart {
  const { dryAtC, dryForHours } = spool.material
  const dried = (wetRhPercent: PercentRh, temperatureC: number, hours: number) =>
    ringsInAir(
      {
        spool: bare(spool),
        wetRhPercent,
        air: steadyAir(temperatureC, heatedRhPercent(intake, temperatureC)),
      },
      secondsFromHours(hours),
    )
  return {
    low: dried(Math.min(BEFORE_DRYING_PERCENT, intake.relativeHumidityPercent), dryAtC[1], dryForHours[1]),
    high: dried(intake.relativeHumidityPercent, dryAtC[0], dryForHours[0]),
  }
}

const toldRh = (spool: SpoolFacts, told: WetnessTold): SpoolStart =>
  told.kind === 'dried' ? driedRh(spool, told.intake) : { low: told.lowRhPercent, high: told.highRhPercent }

/** One spool's start does not change from draw to draw. */
const known = new WeakMap<SpoolFacts, SpoolStart>()

/**
 * How damp a spool was when it came in: what was told of it, carried through the air it has been in since. Its rings
 * travel with it: a move resets nothing.
 */
export function spoolStart(spool: SpoolFacts): SpoolStart {
  const before = known.get(spool)
  if (before) return before
  const { told, past } = spool.wetness
  let { low, high } = spool.filamentG > 0 ? toldRh(spool, told) : { low: 0, high: 0 }
  if (spool.filamentG > 0)
    for (const { forS, temperatureC, lowRhPercent, highRhPercent } of past) {
      const through = (wetRhPercent: SpoolRh, airRhPercent: PercentRh) =>
        ringsInAir({ spool: bare(spool), wetRhPercent, air: steadyAir(temperatureC, airRhPercent) }, forS)
      low = through(low, lowRhPercent)
      high = through(high, highRhPercent)
    }
  const start = { low, high }
  known.set(spool, start)
  return start
}

/** A state between two, ring by ring. @param share 0: the driest … 1: the dampest */
export function betweenRh({ low, high }: SpoolStart, share: number): SpoolRh {
  const at = (from: PercentRh, to: PercentRh): PercentRh => from + (to - from) * share
  if (typeof low === 'number' && typeof high === 'number') return at(low, high)
  const ring = (rh: SpoolRh, i: number) => (typeof rh === 'number' ? rh : rh[i]!)
  return Array.from({ length: TIME_RINGS }, (_, i) => at(ring(low, i), ring(high, i)))
}
