import type { Grams, Seconds, WeightPercent } from '#units/quantity.ts'
import { fractionFromPercent } from '#units/ratio.ts'
import { moistureInAir, type SpoolInAir } from './spool-time.ts'

/** One weighing of a spool, its cardboard allowed for: filament and water. */
export interface SpoolWeighing {
  readonly atS: Seconds
  readonly filamentAndWaterG: Grams
}

export interface WeightFit {
  readonly slitShare: number
  /** c50 of the material as this spool shows it. */
  readonly moistureAt50Percent: WeightPercent
  /** Root mean square of what the fit leaves, g. */
  readonly residualG: Grams
  readonly outcome: 'fitted' | 'too few weighings' | 'no change to fit'
}

const FEWEST = 3
const LEAST_CHANGE_G = 0.3

/**
 * Slit transport and c50 from a person's own weights of one spool in known air: the fit compares changes of weight, so
 * neither the dry weight nor the empty spool need be known.
 * @param weighings in order of time, the first at the start of the run
 * @param wetRhPercent what the spool was in equilibrium with at the first
 */
export function fitWeights(
  at: Omit<SpoolInAir, 'slitShare'>,
  weighings: readonly SpoolWeighing[],
): WeightFit {
  const { material } = at.spool
  const usual = { slitShare: 0.07, moistureAt50Percent: material.moistureAt50Percent, residualG: 0 }
  if (weighings.length < FEWEST) return { ...usual, outcome: 'too few weighings' }
  const firstG = weighings[0]!.filamentAndWaterG
  const changeG = weighings.map(weighing => weighing.filamentAndWaterG - firstG)
  if (Math.max(...changeG.map(Math.abs)) < LEAST_CHANGE_G) return { ...usual, outcome: 'no change to fit' }
  const atS = weighings.map(weighing => weighing.atS)
  const predict = (slitShare: number, scale: number): number[] => {
    const scaled = {
      ...material,
      moistureAt50Percent: material.moistureAt50Percent * scale,
      saturatedMoisturePercent: material.saturatedMoisturePercent * scale,
    }
    const run = moistureInAir({ ...at, spool: { ...at.spool, material: scaled }, slitShare }, atS)
    return run.map(m => fractionFromPercent(m.meanPercent - run[0]!.meanPercent) * at.spool.filamentG)
  }
  const missG = (logSlit: number, logScale: number): Grams => {
    const predicted = predict(Math.exp(logSlit), Math.exp(logScale))
    return Math.sqrt(
      predicted.reduce((sum, value, i) => sum + (value - changeG[i]!) ** 2, 0) / predicted.length,
    )
  }
  // two unknowns and runs of milliseconds: a grid that closes in is as sure as anything and never gets lost
  let [slit, scale] = [Math.log(0.07), 0]
  let width = 1.2
  let best = missG(slit, scale)
  for (let round = 0; round < 7; round++, width *= 0.5) {
    const [centreSlit, centreScale] = [slit, scale]
    for (const a of [-1, -0.5, 0, 0.5, 1])
      for (const b of [-1, -0.5, 0, 0.5, 1]) {
        const miss = missG(centreSlit + a * width, centreScale + b * width * 0.6)
        if (miss < best) [best, slit, scale] = [miss, centreSlit + a * width, centreScale + b * width * 0.6]
      }
  }
  return {
    slitShare: Math.exp(slit),
    moistureAt50Percent: material.moistureAt50Percent * Math.exp(scale),
    residualG: best,
    outcome: 'fitted',
  }
}
