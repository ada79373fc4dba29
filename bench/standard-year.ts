import { DESICCANTS } from '../src/core/desiccant/catalogue.ts'
import { MATERIALS } from '../src/core/filament/catalogue.ts'
import { addRings } from '../src/core/filament/rings.ts'
import { USUAL_SPOOL } from '../src/core/filament/winding.ts'
import { saturationDensityGPerL } from '../src/core/air/vapour.ts'
import {
  ROOM,
  type Network,
  type NetworkLink,
  type NetworkNode,
  type StrandLink,
} from '../src/core/network/network.ts'
import { waterAtRhG } from '../src/core/network/water-store.ts'

const DAY = 86_400
const YEAR_DAYS = 365

/** The standard year: a 20 L box, spools of rings with strands, two charges, a room sampled hourly, 52 openings. */
export function standardYear(spools = 5, rings = 10): Network {
  const nodes: NetworkNode[] = []
  const links: NetworkLink[] = []
  const strands: StrandLink[] = []
  const t0 = 18
  nodes.push({
    id: 'air',
    store: { kind: 'air', volumeL: 14 },
    initialWaterG: 0.45 * saturationDensityGPerL(t0) * 14,
  })
  links.push({ way: 'lid', a: 0, b: ROOM, conductanceLPerH: 0.35 })
  links.push({ way: 'wall', a: 0, b: ROOM, conductanceLPerH: 0.02 })
  for (const [i, grams] of [150, 90].entries()) {
    const store = {
      kind: 'sorbent',
      sorbent: DESICCANTS['silica-a'].sorbent,
      dryMassG: grams,
      capacityFactor: 1,
      of: 'beads',
    } as const
    const node = nodes.push({ id: `charge${i}`, store, initialWaterG: waterAtRhG(store, 3, t0) }) - 1
    links.push({ way: 'charge', a: node, b: 0, conductanceLPerH: 7 })
  }
  const materials = ['PLA', 'PETG', 'PA6', 'TPU', 'ASA'] as const
  for (let s = 0; s < spools; s++)
    addRings(
      {
        id: `s${s}`,
        material: MATERIALS[materials[s % 5]!],
        size: USUAL_SPOOL,
        filamentG: 950 - 60 * (s % 5),
        diameterMm: 1.75,
        flanges: 'closed',
        slitShare: 0.07,
        rings,
      },
      30 + 3 * (s % 5),
      t0,
      { nodes, links, strands },
    )
  const hours = YEAR_DAYS * 24 + 2
  const temperature = Float64Array.from(
    { length: hours },
    (_, h) =>
      17 +
      5 * Math.sin((2 * Math.PI * h) / 8766) +
      2.5 * Math.sin((2 * Math.PI * h) / 24) +
      0.7 * Math.sin(h * 1.7),
  )
  const density = Float64Array.from(
    { length: hours },
    (_, h) =>
      saturationDensityGPerL(17) *
      (0.55 + 0.12 * Math.sin((2 * Math.PI * h) / 8766) + 0.05 * Math.sin(h / 40)),
  )
  return {
    nodes,
    links,
    strands,
    events: Array.from({ length: 52 }, (_, w) => ({
      atS: (w * 7 + 3.4) * DAY,
      kind: 'exchange' as const,
      node: 0,
      share: 0.6,
      way: 'openings',
    })),
    surroundings: {
      samples: { fromS: 0, everyS: 3600 },
      at(timeS, out) {
        const position = Math.min(Math.max(timeS / 3600, 0), hours - 1.001)
        const i = position | 0
        const share = position - i
        out.temperatureC = temperature[i]! + share * (temperature[i + 1]! - temperature[i]!)
        out.vapourDensityGPerL = density[i]! + share * (density[i + 1]! - density[i]!)
      },
    },
  }
}
