import { describe, expect, test } from '@jest/globals'
import { drainLPerH } from '../container/drain.ts'
import { holeLPerH, tubeLPerH } from '../container/hole.ts'
import { LIDS } from '../container/lid.ts'
import { wallConductanceLPerH } from '../container/wall.ts'
import { MATERIALS } from '../filament/catalogue.ts'
import { USUAL_SUPPORT } from './arrangement.ts'
import { drilledHoles } from './as-drilled.ts'
import { broughtG, holderFit, loadingsHeld, waterBrought } from './charge-sums.ts'
import { USUAL_TUBE } from './fittings.ts'
import { bulgeMm, flangeMm4, stripReport } from './foam-strip.ts'
import { holesOf, usualOutlets, type DrillFacts } from './holes.ts'
import { surfaceM2, type Inside } from './inside.ts'
import {
  drainBetween,
  improvements,
  openingsMgPerDay,
  sealItems,
  sealTotal,
  type SealFacts,
} from './seal-budget.ts'

const inside: Inside = {
  section: 'rectangular',
  rimMm: [380, 280],
  baseMm: [350, 250],
  heightMm: 260,
  blocks: [],
}
const arrangement = {
  kind: 'axle' as const,
  axis: 0 as const,
  lines: [{ at: [0, 0, 140] as const, spools: [] }],
}
const drillOf = (fitting: string, capped = false): DrillFacts => ({
  inside,
  wallThicknessMm: 2,
  arrangement,
  support: USUAL_SUPPORT,
  outlets: usualOutlets(inside, null, 2, fitting).map(one => ({ ...one, capped })),
  ownFittings: [],
})
const factsOf = (drill: DrillFacts, more: Partial<SealFacts> = {}): SealFacts => ({
  drill,
  holes: holesOf(drill),
  drilled: [],
  lid: 'foam',
  wall: 'PP',
  tube: USUAL_TUBE,
  temperatureC: 23,
  ...more,
})
const item = (facts: SealFacts, kind: string) => sealItems(facts).find(one => one.kind === kind)

describe('the seal budget', () => {
  test('each item is the core’s own: lid, walls, coupler, tube, hole', () => {
    const facts = factsOf(drillOf('coupler-m5'))
    expect(item(facts, 'lid')).toMatchObject({
      lowLPerH: LIDS.foam.lowLPerH,
      highLPerH: LIDS.foam.highLPerH,
    })
    expect(item(facts, 'walls')!.usualLPerH).toBeCloseTo(
      wallConductanceLPerH('PP', surfaceM2(inside), 2, 23),
      12,
    )
    // two couplers of 0.02–0.08 L/h, common practice
    expect(item(facts, 'outlets')).toMatchObject({ count: 2, lowLPerH: 0.04, highLPerH: 0.16 })
    const tubes = item(factsOf(drillOf('tube')), 'outlets')!
    expect(tubes.lowLPerH).toBeCloseTo(
      2 * (0.001 + tubeLPerH({ boreMm: 2, lengthMm: 600, filamentMm: 1.75 })),
      12,
    )
    expect(item(factsOf(drillOf('tube', true)), 'capped outlets')).toMatchObject({ lowLPerH: 0.002 })
    const total = sealTotal(sealItems(facts))
    expect(total.usualLPerH).toBeCloseTo(
      sealItems(facts).reduce((sum, one) => sum + one.usualLPerH, 0),
      12,
    )
  })
  test('a coupler in a hole 1 mm too wide leaves a ring: a hole of its area', () => {
    const drill = drillOf('coupler-m5')
    const holes = holesOf(drill)
    const [, , outlet] = holes
    const drilled = drilledHoles(
      holes,
      [
        {
          hole: '1',
          downMm: outlet!.place.downMm,
          edgeMm: outlet!.place.edgeMm,
          drillMm: 6,
          mend: null,
        },
      ],
      { inside },
      2,
    )
    const ring = item(factsOf(drill, { drilled }), 'rings')!
    // √(6² − 5²) = 3.317 mm
    expect(ring.usualLPerH).toBeCloseTo(holeLPerH({ diameterMm: 3.3166, wallMm: 2, temperatureC: 23 }), 4)
    const helps = improvements(factsOf(drill, { drilled }), { perMonth: 4, freeAirL: 20 }, 12)
    expect(helps.map(one => one.id)).toContain('seal the rings')
  })
  test('what helps is less than what comes in now, the most first', () => {
    const facts = factsOf(drillOf('coupler-m5'))
    const openings = { perMonth: 8, freeAirL: 20 }
    const now = sealTotal(sealItems(facts)).usualLPerH * 12 * 24 + openingsMgPerDay(8, 20, 12)
    const left = improvements(facts, openings, 12).map(one => one.mgPerDay)
    expect(left).toEqual(left.toSorted((a, b) => a - b))
    expect(left.every(mg => mg < now)).toBe(true)
    expect(left.length).toBeGreaterThan(2)
  })
  test('two holes at different heights drain as the core says; level ones do not', () => {
    const holes = holesOf(drillOf('coupler-m5'))
    const air = { vapourPressureDifferencePa: 1200, temperatureC: 20 }
    const drain = drainBetween(holes, 2, air)!
    expect(drain.heightMm).toBeCloseTo(260 - 40 - 140, 6)
    expect(drain.lPerH).toBeCloseTo(
      drainLPerH({ ...air, diameterMm: 5, wallMm: 2, heightMm: 80, temperatureDifferenceK: 0 }),
      12,
    )
    expect(drainBetween(holes.slice(0, 2), 2, air)).toBeNull()
  })
})

describe('foam strip', () => {
  test('by hand: 4 sides, 6 clips, a beam held at both ends', () => {
    const report = stripReport(inside, 2, { clips: 6, heightMm: 6 })
    expect(report.pieces).toEqual([380, 380, 280, 280])
    expect(report.lengthMm).toBe(1320)
    // 2·8³/12 = 85.33 mm⁴; 0.05·100⁴/(384·1400·85.33) = 0.109 mm between clips 100 mm apart
    expect(flangeMm4(2)).toBeCloseTo(85.33, 2)
    expect(bulgeMm(100, 2)).toBeCloseTo(0.109, 3)
  })
  test('more clips close what gapes; none is refused', () => {
    const few = stripReport(inside, 1.2, { clips: 4, heightMm: 5 })
    expect(few.closes).toBe(false)
    expect(stripReport(inside, 1.2, { clips: few.clipsWanted, heightMm: 5 }).closes).toBe(true)
    expect(stripReport(inside, 1.2, { clips: few.clipsWanted - 1, heightMm: 5 }).closes).toBe(false)
    expect(() => stripReport(inside, 1.2, { clips: 0, heightMm: 5 })).toThrow(RangeError)
  })
})

describe('the charge', () => {
  const room = { temperatureC: 21, relativeHumidityPercent: 58 }
  test('a tighter box lets the same beads take up more; a target below what they can do takes up nothing', () => {
    const tight = loadingsHeld('silica-a', 'packet', 0.1, room, 20, 0.03)
    const leaky = loadingsHeld('silica-a', 'packet', 2, room, 20, 0.03)
    expect(tight.atTargetGPerG).toBeGreaterThan(leaky.atTargetGPerG)
    const never = loadingsHeld('silica-a', 'packet', 20, room, 20, 0.03)
    expect(never.atTargetGPerG).toBe(never.freshGPerG)
  })
  test('damp spools bring grams; board brings more for its weight; settled ones nothing', () => {
    const spool = { name: 'x', material: MATERIALS.PLA, filamentG: 1000, cardboardG: 0 }
    const plain = broughtG(waterBrought([spool], room, 20))
    const board = broughtG(waterBrought([{ ...spool, cardboardG: 150 }], room, 20))
    expect(plain).toBeGreaterThan(1)
    expect(board - plain).toBeGreaterThan(plain)
    expect(broughtG(waterBrought([spool], { ...room, relativeHumidityPercent: 20 }, 20))).toBe(0)
  })
  test('beads of 0.72 g/mL fill 139 mL for 100 g; packets want more room', () => {
    const tray = { lengthMm: 60, depthMm: 60, heightMm: 50 }
    const loose = holderFit('silica-a', 'tray', 100, tray)
    expect(loose.beadsMl).toBeCloseTo(138.9, 1)
    expect(loose.fits).toBe(true)
    expect(holderFit('silica-a', 'packet', 100, tray).fits).toBe(false)
  })
})
