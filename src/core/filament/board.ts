import { saturationDensityGPerL } from '../air/vapour.ts'
import type { Sorbent } from '../sorbent/sorbent.ts'

/** Cardboard holds this at saturation, g/g, and passes this; common practice. */
const AT_SATURATION_G_PER_G = 0.15
export const BOARD_L_PER_H = 90

const perGPerG = 1 / AT_SATURATION_G_PER_G

/** Paper board of cores, flanges and labels: loading in proportion to RH. */
export const BOARD: Sorbent = {
  name: 'cardboard',
  source: 'common practice',
  provenance: 'practice',
  measuredC: [20, 25],
  mostGPerG: 1,
  straight: perGPerG,
  curveAt: () => ({ valueAt: loadingGPerG => loadingGPerG * perGPerG, slopeAt: () => perGPerG }),
  perUnitGPerL: saturationDensityGPerL,
}
