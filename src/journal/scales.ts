import { least } from '#units/extremes.ts'
import type { State } from './state.ts'

/** Where nobody told of a scale: a kitchen scale's. */
const USUAL_STEP_G = 1

/** The step of the scale things are weighed on: of the last one told of, that is still there. */
export const scaleStepG = (state: State): number =>
  [...state.scales.values()].findLast(scale => scale.retiredMs === null)?.stepG ?? USUAL_STEP_G

/** The finest scale there is: what is weighed for its own sake is weighed on that. */
export const finestStepG = (state: State): number => {
  const steps = [...state.scales.values()].filter(scale => scale.retiredMs === null).map(scale => scale.stepG)
  return steps.length === 0 ? USUAL_STEP_G : least(steps)
}
