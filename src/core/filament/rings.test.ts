import { describe, expect, test } from '@jest/globals'
import { vapourDiffusivityM2PerS } from '../air/diffusivity.ts'
import { saturationDensityGPerL } from '../air/vapour.ts'
import {
  ROOM,
  steadySurroundings,
  type NetworkLink,
  type NetworkNode,
  type StrandLink,
} from '../network/network.ts'
import { simulate } from '../network/simulate.ts'
import { MATERIALS } from './catalogue.ts'
import type { Material } from './material.ts'
import {
  addRings,
  type SpoolWay,
  lengthMassG,
  ringMassesG,
  spoolMoisture,
  voidShare,
  type RingedSpool,
} from './rings.ts'
import { moistureAtActivityPercent, sorptionIsotherm } from './sorption.ts'
import { cylinderUptake } from './strand.ts'
import { FLANGE_MM, USUAL_SPOOL, windingRadiusMm } from './winding.ts'

const DAY = 86_400
const T = 23
const SAT = saturationDensityGPerL(T)
const spool = (change: Partial<RingedSpool> = {}): RingedSpool => ({
  id: 's',
  material: MATERIALS.PLA,
  size: USUAL_SPOOL,
  filamentG: 1000,
  diameterMm: 1.75,
  flanges: 'closed',
  slitShare: 0.07,
  rings: 10,
  ...change,
})

/** A spool in air held at one RH by a wide opening. */
function inAir(of: RingedSpool, wetRh: number, airRh: number, outputS: ArrayLike<number>) {
  const nodes: NetworkNode[] = [
    { id: 'air', store: { kind: 'air', volumeL: 1000 }, initialWaterG: (airRh / 100) * SAT * 1000 },
  ]
  const links: NetworkLink<SpoolWay>[] = [
    { way: { by: 'spool', id: 'x' }, a: 0, b: ROOM, conductanceLPerH: 1e8 },
  ]
  const strands: StrandLink[] = []
  const layout = addRings(of, wetRh, T, { nodes, links, strands })
  const run = simulate(
    {
      nodes,
      links,
      strands,
      events: [],
      surroundings: steadySurroundings({ temperatureC: T, vapourDensityGPerL: (airRh / 100) * SAT }),
    },
    { fromS: 0, toS: outputS[outputS.length - 1]!, outputS },
    { relativeTolerance: 1e-6, absoluteToleranceG: 1e-6, airToleranceRhPercent: 1e-3 },
  )
  return {
    run,
    rows: Array.from(run.atS, (_, row) => spoolMoisture(layout, run.waterG, row * nodes.length)),
  }
}

describe('the winding', () => {
  test('void share follows the weight and measures, about .25–.40', () => {
    const { size } = spool()
    expect(voidShare(MATERIALS.PLA, size)).toBeGreaterThan(0.2)
    expect(voidShare(MATERIALS.PLA, size)).toBeLessThan(0.45)
    expect(voidShare(MATERIALS.PLA, { ...size, fullFilamentG: 1100 })).toBeLessThan(
      voidShare(MATERIALS.PLA, size),
    )
  })
  test('the first ring is ten metres, the rest thicken inwards and sum to the spool', () => {
    const masses = ringMassesG(spool())
    expect(masses[0]).toBeCloseTo(lengthMassG(MATERIALS.PLA, 1.75, 10), 6)
    expect(masses.reduce((a, b) => a + b)).toBeCloseTo(1000, 6)
    for (let i = 1; i < masses.length; i++) expect(masses[i]!).toBeGreaterThan(masses[i - 1]!)
  })
  test('2.85 mm filament: ten metres weigh more, the strand answers more slowly', () => {
    const thick = spool({ diameterMm: 2.85 })
    expect(ringMassesG(thick)[0]! / ringMassesG(spool())[0]!).toBeCloseTo((2.85 / 1.75) ** 2, 6)
    const at = [2 * DAY]
    expect(inAir(thick, 50, 10, at).rows[0]!.nextPercent).toBeGreaterThan(
      inAir(spool(), 50, 10, at).rows[0]!.nextPercent,
    )
  })
  test('open flanges let the core answer sooner', () => {
    const at = [4 * DAY]
    const [closed, spoked] = [inAir(spool(), 50, 10, at), inAir(spool({ flanges: 'spoked' }), 50, 10, at)]
    expect(spoked.rows[0]!.corePercent).toBeLessThan(closed.rows[0]!.corePercent - 0.02)
    expect(Math.abs(spoked.run.closureG)).toBeLessThan(1e-9 * spoked.run.movedG)
  })
  test('the next print takes up first, the core last; all end at the isotherm', () => {
    const { rows } = inAir(spool(), 5, 50, [0.5 * DAY, 400 * DAY])
    expect(rows[0]!.nextPercent).toBeGreaterThan(rows[0]!.meanPercent)
    expect(rows[0]!.meanPercent).toBeGreaterThan(rows[0]!.corePercent)
    const end = moistureAtActivityPercent(sorptionIsotherm(MATERIALS.PLA), 0.5)
    for (const value of Object.values(rows[1]!)) expect(value).toBeCloseTo(end, 4)
  })
})

describe('outside check: Crank, The Mathematics of Diffusion, ch. 5', () => {
  test('a strand in a winding without resistance follows the cylinder, within 1 %', () => {
    // a single turn so loose that its air is the room's: a straight isotherm, so that uptake is Crank's own
    const straight: Material = { ...MATERIALS.PLA, saturatedMoisturePercent: 0.7, moistureAt50Percent: 0.4 }
    const fourier = [0.02, 0.0631, 0.15, 0.2955, 0.5]
    const perS = straight.diffusivityAt23M2PerS / 0.875e-3 ** 2
    const { rows } = inAir(
      spool({ material: straight, slitShare: 1e6, rings: 1, filamentG: 1 }),
      1e-9,
      50,
      fourier.map(fo => fo / perS),
    )
    rows.forEach((row, i) =>
      expect(Math.abs(row.meanPercent / (0.4 * cylinderUptake(fourier[i]!)) - 1)).toBeLessThan(0.01),
    )
  })
  test('the series itself: half at Fo 0.0631 (tabulated), 1 at last, 2·√(4Fo/π) at first', () => {
    expect(cylinderUptake(0.0631)).toBeCloseTo(0.5, 3)
    expect(cylinderUptake(5)).toBeCloseTo(1, 9)
    expect(cylinderUptake(1e-4) / (4 * Math.sqrt(1e-4 / Math.PI) - 1e-4)).toBeCloseTo(1, 3)
  })
})

describe('rings against a fine annulus solved apart', () => {
  /** Diffusion through the slits into a store in local balance, backward Euler on 600 even shells. */
  function fineAnnulus(of: RingedSpool, slope: number, hours: number): number {
    const outer = windingRadiusMm(of.size, of.filamentG) / 1000
    const core = of.size.coreDiameterMm / 2000
    const width = (of.size.widthMm - 2 * FLANGE_MM) / 1000
    const n = 600
    const dr = (outer - core) / n
    const volume = Math.PI * (outer ** 2 - core ** 2) * width
    const diffusivity = of.slitShare * vapourDiffusivityM2PerS(T)
    // litres of air that hold as much as a cubic metre of winding, void and filament
    const capacity = voidShare(of.material, of.size) + (of.filamentG * slope) / 100 / SAT / 1000 / volume
    const steps = 1500
    const h = (hours * 3600) / steps
    const u = new Float64Array(n)
    const [lower, diagonal, rhs] = [new Float64Array(n), new Float64Array(n), new Float64Array(n)]
    for (let step = 0; step < steps; step++) {
      for (let i = 0; i < n; i++) {
        const inner = core + i * dr
        const cell = (Math.PI * ((inner + dr) ** 2 - inner ** 2) * capacity) / h
        const gIn = i === 0 ? 0 : (diffusivity * 2 * Math.PI * inner) / dr
        const gOut =
          i === n - 1
            ? 1 / (dr / 2 / (diffusivity * 2 * Math.PI * outer) + 1 / (3e-3 * 2 * Math.PI * outer))
            : (diffusivity * 2 * Math.PI * (inner + dr)) / dr
        diagonal[i] = cell + gIn + gOut
        lower[i] = gIn
        rhs[i] = cell * u[i]! + (i === n - 1 ? gOut : 0)
        if (i > 0) {
          const factor = gIn / diagonal[i - 1]!
          diagonal[i]! -= factor * gIn
          rhs[i]! += factor * rhs[i - 1]!
        }
      }
      u[n - 1] = rhs[n - 1]! / diagonal[n - 1]!
      for (let i = n - 2; i >= 0; i--) u[i] = (rhs[i]! + lower[i + 1]! * u[i + 1]!) / diagonal[i]!
    }
    let sum = 0
    for (let i = 0; i < n; i++) {
      const inner = core + i * dr
      sum += u[i]! * Math.PI * ((inner + dr) ** 2 - inner ** 2) * width
    }
    return sum / volume
  }
  // strands so quick that each ring is in local balance, and a straight isotherm
  const quick: Material = {
    ...MATERIALS.PLA,
    diffusivityAt23M2PerS: 1e-6,
    moistureAt50Percent: 0.4,
    saturatedMoisturePercent: 0.7,
  }
  const mean = (rings: number, spacing: 'even' | 'graded') =>
    inAir(spool({ material: quick, rings, spacing }), 1e-9, 50, [2 * DAY]).rows[0]!.meanPercent / 0.4
  const fine = fineAnnulus(spool({ material: quick }), 0.8, 48)

  test('ten graded rings stay within 1.5 % of it', () =>
    expect(Math.abs(mean(10, 'graded') / fine - 1)).toBeLessThan(0.015))
  test('converges as even rings double, at first order or better', () => {
    const errors = [5, 10, 20, 40].map(rings => Math.abs(mean(rings, 'even') - fine))
    for (let i = 1; i < errors.length; i++) expect(errors[i]!).toBeLessThan(errors[i - 1]! / 1.7)
    expect(errors.at(-1)! / fine).toBeLessThan(0.005)
  })
})
