import type { Celsius, Pascal } from '#units/quantity.ts'
import { kelvinFromCelsius } from '#units/temperature.ts'
import { vapourDiffusivityM2PerS } from '../air/diffusivity.ts'
import { GAS_CONSTANT_J_PER_MOL_K, STANDARD_PRESSURE_PA } from '../air/vapour.ts'

/** How a conductance changes with temperature: with the diffusivity of vapour in air, or by Arrhenius. */
export type ConductanceLaw =
  | { readonly kind: 'diffusion'; readonly referenceC: Celsius; readonly of?: 'box' | 'spool' }
  | {
      readonly kind: 'arrhenius'
      readonly activationKJPerMol: number
      readonly referenceC: Celsius
      readonly of?: 'box' | 'spool'
    }

type OfTemperature = (temperatureC: Celsius) => number

/** Laws are few and met again by every draw: one function each. */
const known = new Map<string, OfTemperature>()
/** The same by the law itself, at sea level: most come as the very object they came as before. */
const knownAtSea = new WeakMap<ConductanceLaw, OfTemperature>()

/** A conductance at a temperature over that at the law's reference. The same law gives the same function. */
export function lawFactor(law: ConductanceLaw, pressurePa: Pascal = STANDARD_PRESSURE_PA): OfTemperature {
  if (pressurePa !== STANDARD_PRESSURE_PA) return byValue(law, pressurePa)
  const before = knownAtSea.get(law)
  if (before) return before
  const fn = byValue(law, pressurePa)
  knownAtSea.set(law, fn)
  return fn
}

function byValue(law: ConductanceLaw, pressurePa: Pascal): OfTemperature {
  const key =
    law.kind === 'diffusion'
      ? `${law.referenceC} ${pressurePa}`
      : `${law.referenceC} E ${law.activationKJPerMol}`
  const before = known.get(key)
  if (before) return before
  const fn = factorOf(law, pressurePa)
  known.set(key, fn)
  return fn
}

function factorOf(law: ConductanceLaw, pressurePa: Pascal): OfTemperature {
  if (law.kind === 'diffusion') {
    const reference = vapourDiffusivityM2PerS(law.referenceC)
    return temperatureC => vapourDiffusivityM2PerS(temperatureC, pressurePa) / reference
  }
  const perK = (-law.activationKJPerMol * 1000) / GAS_CONSTANT_J_PER_MOL_K
  const inverse = 1 / kelvinFromCelsius(law.referenceC)
  return temperatureC => Math.exp(perK * (1 / kelvinFromCelsius(temperatureC) - inverse))
}
