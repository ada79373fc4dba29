import type { Posterior } from './posterior.ts'
import type { Draw } from './run-draw.ts'

/** The draw that priors and observations together make likeliest. */
export function likeliest({ draws }: Pick<Posterior, 'draws'>): Draw {
  const misfit = ({ z, logLikelihood }: Draw) =>
    0.5 * z.reduce((sum, value) => sum + value * value, 0) - logLikelihood
  return draws.reduce((best, draw) => (misfit(draw) < misfit(best) ? draw : best))
}
