import type { Grams, PercentRh, WeightPercent } from '#units/quantity.ts'
import { percentFromFraction } from '#units/ratio.ts'
import { secondsFromDays } from '#units/time.ts'
import { saturationDensityGPerL } from '../air/vapour.ts'
import { gramsPast, lengthM, NEXT_PRINT_G, ringRhPercent, spoolMoisture } from '../filament/rings.ts'
import type { FilamentDiameterMm } from '../filament/strand.ts'
import { equilibriumMoisturePercent } from '../filament/sorption.ts'
import { simulate } from '../network/simulate.ts'
import { steadyAir, timeToLimit, TIME_RINGS, type TimeToLimit } from '../ask/spool-time.ts'
import type { BoxFacts, SpoolFacts } from '../evidence/facts.ts'
import { isPresent } from '../model/box-model.ts'
import { historyNetwork, modelOfDraw } from './model-of-draw.ts'
import { ENSEMBLE_TOLERANCES } from './posterior.ts'
import type { DrawValues } from './unknowns.ts'
import { spreadOf, type Spread } from './weighted.ts'

/** A spool of a box looked at ring by ring. */
export interface SpoolDetail {
  readonly id: string
  /** Mean over the full strand of the next print's filament: what its word is judged on. */
  readonly nextPercent: WeightPercent
  readonly nextG: Grams
  readonly nextSpread: Spread
  /** Metres from the outside in that stand past the limit while the next print as a whole does not; else 0. */
  readonly pastM: number
  readonly diameterMm: FilamentDiameterMm
  readonly meanPercent: WeightPercent
  readonly meanSpread: Spread
  readonly corePercent: WeightPercent
  /** The limit above which prints usually suffer; null where they never do: then there are no times. */
  readonly limitPercent: WeightPercent | null
  /** The next print in the box's air as it is now: how long they stay printable, or how long the spool dries. */
  readonly here: TimeToLimit | null
  /** The next print in the open room. */
  readonly open: TimeToLimit | null
  readonly boxRhPercent: PercentRh
  readonly roomRhPercent: PercentRh
}

/** The journal does not tell diameters yet. */
const DIAMETER_MM: FilamentDiameterMm = 1.75
const LOOKS_AHEAD_S = secondsFromDays(200)

/**
 * Every spool now inside, ring by ring: the whole history run again with rings for each of a few draws.
 * @param draws the middle one first, then a few of like weight: their spread is the range
 */
export function spoolDetails(facts: BoxFacts, draws: readonly DrawValues[]): SpoolDetail[] {
  const runs = draws.flatMap(values => {
    const model = modelOfDraw(facts, values)
    const network = historyNetwork(facts, model, TIME_RINGS)
    const run = simulate(
      network,
      { fromS: facts.fromS, toS: facts.nowS, outputS: [facts.nowS] },
      ENSEMBLE_TOLERANCES,
    )
    return run.outcome === 'finished' ? [{ network, run, surroundings: model.surroundings }] : []
  })
  const [middle] = runs
  if (!middle) return []
  const point = { temperatureC: 0, vapourDensityGPerL: 0 }
  middle.surroundings.at(facts.nowS, point)
  const { temperatureC } = point
  const roomRhPercent = percentFromFraction(point.vapourDensityGPerL / saturationDensityGPerL(temperatureC))
  const boxRhPercent = middle.run.airRhPercent[0]!
  const even = Float64Array.from(runs, () => 1 / runs.length)
  return facts.spools
    .map((spool, place) => ({ spool, place }))
    .filter(({ spool }) => isPresent(spool, facts.nowS) && spool.filamentG > 0)
    .map(({ spool, place }) => {
      const layoutOf = (network: typeof middle.network) => network.spoolPlaces[place]!.layout!
      const moistures = runs.map(({ network, run }) => spoolMoisture(layoutOf(network), run.waterG))
      const layout = layoutOf(middle.network)
      const now = moistures[0]!
      const { material } = spool
      const limitPercent = material.troubleAbovePercent
      const isPast = limitPercent !== null && now.nextPercent > limitPercent
      const rings = ringRhPercent(layout, middle.run.waterG, material)
      const inAir = (airRhPercent: PercentRh): TimeToLimit | null =>
        limitPercent === null
          ? null
          : timeToLimit(
              {
                spool: bare(spool),
                wetRhPercent: rings,
                air: steadyAir(temperatureC, airRhPercent),
              },
              // uptake is judged on the next print, drying on the mean
              isPast ? 'mean' : 'next',
              limitPercent,
              equilibriumMoisturePercent(material, airRhPercent),
              LOOKS_AHEAD_S,
            )
      return {
        id: spool.id,
        nextPercent: now.nextPercent,
        nextG: Math.min(NEXT_PRINT_G, spool.filamentG),
        nextSpread: spreadOf(
          moistures.map(m => m.nextPercent),
          even,
        ),
        diameterMm: DIAMETER_MM,
        pastM:
          limitPercent === null || isPast
            ? 0
            : lengthM(material, DIAMETER_MM, gramsPast(layout, middle.run.waterG, limitPercent)),
        meanPercent: now.meanPercent,
        meanSpread: spreadOf(
          moistures.map(m => m.meanPercent),
          even,
        ),
        corePercent: now.corePercent,
        limitPercent,
        here: inAir(boxRhPercent),
        open: isPast ? null : inAir(roomRhPercent),
        boxRhPercent,
        roomRhPercent,
      }
    })
}

const bare = (spool: SpoolFacts) => ({
  id: spool.id,
  material: spool.material,
  size: spool.size,
  filamentG: spool.filamentG,
  diameterMm: DIAMETER_MM,
  flanges: 'closed' as const,
})
