import type { Celsius, Grams, PercentRh, Seconds, WeightPercent } from '#units/quantity.ts'
import { secondsFromDays } from '#units/time.ts'
import { steadyAir, timeToLimit, type TimeToLimit } from '../ask/spool-time.ts'
import { gramsPast, lengthM, ringMassesG } from '../filament/rings.ts'
import type { SpoolSize } from '../filament/winding.ts'
import { equilibriumMoisturePercent } from '../filament/sorption.ts'
import { runFound, type RunAsked } from './drying-run.ts'
import { spoolLife, type SpoolLife, type SpoolLifeFacts } from './life.ts'
import { cornersOf, materialOf, type OwnMake, type Ranged } from './telling.ts'

/** Air as it stands now and is taken to stay. */
export interface StandingAir {
  readonly temperatureC: Celsius
  readonly rhPercent: PercentRh
}
/** Everything the interface asks of one spool: plain data, fit for a message. */
export interface SpoolAsked {
  readonly life: SpoolLifeFacts
  /** Where it is; null: sealed in its bag, or used up. */
  readonly here: StandingAir | null
  readonly room: StandingAir | null
  /** Its last drying that the scale followed; left out: none. */
  readonly weighed?: { readonly asked: RunAsked; readonly endedS: Seconds }
}

/** A spool looked at ring by ring, as its whole life left it. */
export interface SpoolReport {
  readonly id: string
  readonly course: Pick<SpoolLife, 'atS' | 'next' | 'mean'>
  readonly size: SpoolSize
  readonly filamentG: Grams
  readonly waterG: Grams
  /** Mean over the full strand of the next print's filament: what its word is judged on. */
  readonly nextG: Grams
  readonly next: Ranged
  readonly mean: Ranged
  readonly corePercent: WeightPercent
  /** RH each ring is in balance with, from the outside in: what other clocks start from. */
  readonly ringsRhPercent: readonly PercentRh[]
  /** Metres from the outside in that stand past the limit while the next print as a whole does not; else 0. */
  readonly pastM: number
  /** The limit above which prints usually suffer; null where they never do: then there are no times. */
  readonly limitPercent: WeightPercent | null
  /** The next print in the air it is in: how long it stays printable, or how long the spool dries; null: no air, or no limit. */
  readonly here: TimeToLimit | null
  /** The next print in the open room; null where it is past its limit already. */
  readonly open: TimeToLimit | null
  readonly hereRhPercent: PercentRh | null
  /** What the scale told of this spool while it dried; null: as its make usually is. */
  readonly own: OwnMake | null
}

const LOOKS_AHEAD_S = secondsFromDays(200)

/** @returns null where there is no filament, or a run did not finish */
export function spoolReport({ life: facts, here, room, weighed }: SpoolAsked): SpoolReport | null {
  const fitted = (weighed && runFound(weighed.asked)?.fitted) ?? null
  const life = spoolLife(
    weighed && fitted ? { ...facts, fitted: { ...fitted, untilS: weighed.endedS } } : facts,
  )
  if (!life) return null
  const { now } = life
  const { material, diameterMm } = facts.spool
  const limitPercent = material.troubleAbovePercent
  const isPast = limitPercent !== null && now.next.middle > limitPercent
  const own = fitted && { speedZ: fitted.speedZ, holdsZ: fitted.holdsZ, boardZ: fitted.boardZ }
  const [middle] = cornersOf(own)
  const ownMaterial = materialOf(material, middle)
  const spool = { ...facts.spool, material: ownMaterial, filamentG: now.filamentG }
  const inAir = (air: StandingAir | null): TimeToLimit | null =>
    limitPercent === null || air === null
      ? null
      : timeToLimit(
          {
            spool,
            wetRhPercent: now.ringsRhPercent,
            air: steadyAir(air.temperatureC, air.rhPercent),
          },
          // uptake is judged on the next print, drying on the mean
          isPast ? 'mean' : 'next',
          limitPercent,
          equilibriumMoisturePercent(ownMaterial, air.rhPercent),
          LOOKS_AHEAD_S,
        )
  const layout = {
    id: spool.id,
    first: 0,
    ringMassG: ringMassesG({ ...spool, slitShare: 0, rings: now.ringsRhPercent.length }),
  }
  return {
    id: spool.id,
    course: { atS: life.atS, next: life.next, mean: life.mean },
    size: facts.spool.size,
    filamentG: now.filamentG,
    waterG: now.waterG,
    nextG: now.nextG,
    next: now.next,
    mean: now.mean,
    corePercent: now.corePercent,
    ringsRhPercent: now.ringsRhPercent,
    pastM:
      limitPercent === null || isPast
        ? 0
        : lengthM(material, diameterMm, gramsPast(layout, now.nodesG, limitPercent)),
    limitPercent,
    here: inAir(here),
    open: isPast ? null : inAir(room),
    hereRhPercent: here?.rhPercent ?? null,
    own,
  }
}
