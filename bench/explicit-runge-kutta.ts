import { percentFromFraction } from '../src/units/ratio.ts'
import { saturationDensityGPerL } from '../src/core/air/vapour.ts'
import { storeVapourDensityGPerL } from '../src/core/network/water-store.ts'
import { ROOM, type Network } from '../src/core/network/network.ts'

/** The plain way: classical Runge–Kutta of order 4 at the largest step the box air's time constant allows. */
export function explicitRungeKutta(network: Network, fromS: number, toS: number): number {
  const n = network.nodes.length
  const point = { temperatureC: 0, vapourDensityGPerL: 0 }
  const rate = (timeS: number, waterG: readonly number[]): number[] => {
    network.surroundings.at(timeS, point)
    const density = network.nodes.map((node, i) =>
      storeVapourDensityGPerL(node.store, waterG[i]!, point.temperatureC),
    )
    const out = Array.from({ length: n }, () => 0)
    for (const link of network.links) {
      const flow =
        link.conductanceLPerH *
        ((link.b === ROOM ? point.vapourDensityGPerL : density[link.b]!) - density[link.a]!)
      out[link.a]! += flow
      if (link.b !== ROOM) out[link.b]! -= flow
    }
    return out
  }
  const air = network.nodes[0]!.store
  const total = network.links
    .filter(link => link.b === 0 || link.a === 0)
    .reduce((sum, link) => sum + link.conductanceLPerH, 0)
  const stepH = (2.5 * (air.kind === 'air' ? air.volumeL : 1)) / total
  let water = network.nodes.map(node => node.initialWaterG)
  const steps = Math.ceil((toS - fromS) / 3600 / stepH)
  const h = (toS - fromS) / 3600 / steps
  const add = (a: readonly number[], b: readonly number[], f: number) =>
    a.map((value, i) => value + f * b[i]!)
  for (let s = 0; s < steps; s++) {
    const t = fromS + s * h * 3600
    const k1 = rate(t, water)
    const k2 = rate(t + h * 1800, add(water, k1, h / 2))
    const k3 = rate(t + h * 1800, add(water, k2, h / 2))
    const k4 = rate(t + h * 3600, add(water, k3, h))
    water = water.map((value, i) => value + (h / 6) * (k1[i]! + 2 * k2[i]! + 2 * k3[i]! + k4[i]!))
  }
  network.surroundings.at(toS, point)
  const saturated = saturationDensityGPerL(point.temperatureC)
  return percentFromFraction(storeVapourDensityGPerL(air, water[0]!, point.temperatureC) / saturated)
}
