import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { USUAL_CLEARANCES, USUAL_SUPPORT, type Arrangement, type PlannedSpool } from './arrangement.ts'
import { drilledHoles, drillRemedies, outOfLevelMm, type Drilled } from './as-drilled.ts'
import { fittingOf, leastBendMm, outletLeak, threadLostMm, USUAL_TUBE } from './fittings.ts'
import { holesOf, holeTroubles, usualOutlets, type DrillFacts, type Hole } from './holes.ts'
import type { Inside } from './inside.ts'
import { rodCuts } from './rod-cut.ts'
import { tilesOf, wallTemplate, OVERLAP_MM } from './template.ts'
import { flatWall, unrolled } from './unroll.ts'
import { pointOfPlace, type WallPlace } from './wall-place.ts'
import { holeLPerH, tubeLPerH } from '../container/hole.ts'

const tote: Inside = {
  section: 'rectangular',
  rimMm: [366, 290],
  baseMm: [336, 262],
  heightMm: 268,
  blocks: [],
}
const axle = (y: number, z: number, axis: 0 | 1 = 0): Arrangement => ({
  kind: 'axle',
  axis,
  lines: [{ at: axis === 0 ? [0, y, z] : [y, 0, z], spools: [] }],
})
const facts = (
  inside: Inside,
  arrangement: Arrangement | null,
  more: Partial<DrillFacts> = {},
): DrillFacts => ({
  inside,
  wallThicknessMm: 1.8,
  arrangement,
  support: USUAL_SUPPORT,
  outlets: [],
  ownFittings: [],
  ...more,
})

/*
 * Apart from the core: a wall as three corners of the outside, a mark found by going down it from the rim and along it
 * from an edge, as somebody with a rule would.
 */
type V = [number, number, number]
const minus = (a: V, b: V): V => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
const plus = (a: V, b: V, by: number): V => [a[0] + b[0] * by, a[1] + b[1] * by, a[2] + b[2] * by]
const unit = (a: V): V => plus([0, 0, 0], a, 1 / Math.hypot(...a))
function ruledPoint(inside: Inside, wallMm: number, { wall, downMm, edge, edgeMm }: WallPlace): V {
  const [rl, rd] = inside.rimMm.map(mm => mm / 2) as [number, number]
  const [bl, bd] = inside.baseMm.map(mm => mm / 2) as [number, number]
  const h = inside.heightMm
  // the outside stands off each wall by its thickness, square to it
  const out = (lean: number) => wallMm * Math.hypot(1, lean / h)
  const [ol, od] = [out(rl - bl), out(rd - bd)]
  const corner = (sx: number, sy: number, atRim: boolean): V => [
    sx * ((atRim ? rl : bl) + ol),
    sy * ((atRim ? rd : bd) + od),
    atRim ? h : 0,
  ]
  const signs: Record<string, [number, number]> = {
    'left end front edge': [-1, -1],
    'left end back edge': [-1, 1],
    'right end front edge': [1, -1],
    'right end back edge': [1, 1],
    'front left-end edge': [-1, -1],
    'front right-end edge': [1, -1],
    'back left-end edge': [-1, 1],
    'back right-end edge': [1, 1],
  }
  const [sx, sy] = signs[`${wall} ${edge}`]!
  const isEnd = wall === 'left end' || wall === 'right end'
  const [rimHere, baseHere] = [corner(sx, sy, true), corner(sx, sy, false)]
  const rimThere = isEnd ? corner(sx, -sy, true) : corner(-sx, sy, true)
  const alongRim = unit(minus(rimThere, rimHere))
  // straight down the wall from the rim: what of the edge is square to the rim
  const slope = minus(baseHere, rimHere)
  const dot = slope[0] * alongRim[0] + slope[1] * alongRim[1] + slope[2] * alongRim[2]
  // the edge as far down as the mark, and from it level along the wall
  const share = downMm / Math.hypot(...plus(slope, alongRim, -dot))
  return plus(plus(rimHere, slope, share), alongRim, edgeMm)
}

const box = fc.record({
  length: fc.integer({ min: 150, max: 600 }),
  depth: fc.integer({ min: 150, max: 400 }),
  height: fc.integer({ min: 120, max: 350 }),
  taper: fc.double({ min: 0.8, max: 1.05, noNaN: true }),
  taperDepth: fc.double({ min: 0.8, max: 1.05, noNaN: true }),
  across: fc.double({ min: -0.3, max: 0.3, noNaN: true }),
  up: fc.double({ min: 0.2, max: 0.85, noNaN: true }),
  axis: fc.constantFrom(0 as const, 1 as const),
  wall: fc.double({ min: 0.8, max: 4, noNaN: true }),
})

describe('holes of a rod', () => {
  test('50 tapered boxes: the axle worked back from the table is level, and at the height asked', () => {
    fc.assert(
      fc.property(box, ({ length, depth, height, taper, taperDepth, across, up, axis, wall }) => {
        const inside: Inside = {
          section: 'rectangular',
          rimMm: [length, depth],
          baseMm: [length * taper, depth * taperDepth],
          heightMm: height,
          blocks: [],
        }
        const y = across * (axis === 0 ? depth : length)
        const holes = holesOf(facts(inside, axle(y, up * height, axis), { wallThicknessMm: wall }))
        const [a, b] = holes.map(hole => ruledPoint(inside, wall, hole.place)) as [V, V]
        expect(Math.abs(a[2] - b[2])).toBeLessThan(0.1)
        expect(Math.abs(a[2] - up * height)).toBeLessThan(0.1)
        const i = axis === 0 ? 1 : 0
        expect(Math.abs(a[i] - y)).toBeLessThan(0.1)
        expect(Math.abs(b[i] - y)).toBeLessThan(0.1)
      }),
      { numRuns: 50, seed: 20 },
    )
  })
  test('a mark read back is the point it was made for, on round walls too', () => {
    const pail: Inside = {
      section: 'round',
      rimMm: [300, 300],
      baseMm: [260, 260],
      heightMm: 330,
      blocks: [],
    }
    for (const inside of [tote, pail]) {
      const holes = holesOf(
        facts(inside, axle(17, 150), {
          outlets: usualOutlets(inside, axle(17, 150), 3, 'tube'),
        }),
      )
      expect(holes.map(hole => hole.id)).toEqual(['A', 'B', '1', '2', '3'])
      for (const hole of holes)
        pointOfPlace(inside, 1.8, hole.place).forEach((mm, i) => expect(mm).toBeCloseTo(hole.at[i]!, 6))
    }
  })

  // Worked by hand with a rule and a table of square roots.
  test('by hand 1: a tote, 103 plumb under its rim, is 103.2 along ends that lean 15 in 268', () => {
    // √(1 + (15/268)²) = 1.001565; 103 × that = 103.16. Depth at 165 up: 262 + 28 × 165/268 = 279.24; outside 1.8 × √(1 + (14/268)²) = 1.802 more a side: 282.84/2 = 141.42
    const [a, b] = holesOf(facts(tote, axle(0, 165))) as [Hole, Hole]
    expect(a.place.downMm).toBeCloseTo(103.16, 2)
    expect(a.place).toMatchObject({ wall: 'left end', edge: 'front edge' })
    expect(a.place.edgeMm).toBeCloseTo(141.42, 2)
    expect(b.place).toEqual({ ...a.place, wall: 'right end' })
    expect(a.drillMm).toBe(12.5)
  })
  test('by hand 2: upright walls are drilled as deep as they are plumb, 20 off the middle is 20 nearer one edge', () => {
    const straight: Inside = { ...tote, baseMm: tote.rimMm }
    // 290/2 + 2 of wall − 20 = 127
    const [a] = holesOf(facts(straight, axle(-20, 168), { wallThicknessMm: 2 })) as [Hole]
    expect(a.place.downMm).toBeCloseTo(100, 9)
    expect(a.place).toMatchObject({ edge: 'front edge' })
    expect(a.place.edgeMm).toBeCloseTo(127, 9)
  })
  test('by hand 3: a round pail, opposite holes are half its way round apart', () => {
    const pail: Inside = {
      section: 'round',
      rimMm: [300, 300],
      baseMm: [260, 260],
      heightMm: 200,
      blocks: [],
    }
    // at 100 up: 280 across inside, walls lean 20 in 200: 2 mm of wall are 2.01 level; 284.02 × π/4 = 223.07 each way from the front; 100 × √1.01 = 100.50 down
    const [a, b] = holesOf(facts(pail, axle(0, 100), { wallThicknessMm: 2 })) as [Hole, Hole]
    expect(a.place.edgeMm).toBeCloseTo(223.07, 2)
    expect(b.place.edgeMm).toBeCloseTo(223.07, 2)
    expect([a.place.edge, b.place.edge]).toEqual(['left of the front mark', 'right of the front mark'])
    expect(a.place.downMm).toBeCloseTo(100.5, 2)
  })
  test('a spindle is held by one wall; what stands or lies wants no hole', () => {
    const spindle: Arrangement = { ...axle(0, 150), kind: 'spindle' }
    expect(holesOf(facts(tote, spindle))).toHaveLength(1)
    expect(holesOf(facts(tote, { ...spindle, kind: 'rim' }))).toEqual([])
  })
})

describe('outlets', () => {
  const line: Arrangement = {
    kind: 'axle',
    axis: 0,
    lines: [{ at: [0, 0, 150], spools: [-90, 0, 90].map((alongMm, i) => ({ id: `s${i}`, alongMm })) }],
  }
  test('each straight before its spool, and known by it', () => {
    const outlets = usualOutlets(tote, line, 3, 'coupler-m5')
    expect(outlets.map(one => one.alongMm)).toEqual([-90, 0, 90])
    const holes = holesOf(facts(tote, line, { outlets })).slice(2)
    expect(holes.map(hole => (hole.for.what === 'outlet' ? hole.for.spoolId : null))).toEqual([
      's0',
      's1',
      's2',
    ])
    expect(holes.map(hole => hole.drillMm)).toEqual([5, 5, 5])
  })
  test('more tubes than spools are spread evenly', () =>
    expect(usualOutlets(tote, line, 5, 'tube').map(one => one.alongMm)).toEqual([-156, -78, 0, 78, 156]))
  test('what can’t be drilled is said: off its wall, into the rim, into its neighbour', () => {
    const at = (belowRimMm: number, alongMm: number) => ({
      wall: 'front' as const,
      belowRimMm,
      alongMm,
      fitting: 'coupler-m5',
      capped: false,
    })
    const troubles = (outlets: ReturnType<typeof at>[]) =>
      holeTroubles(holesOf(facts(tote, null, { outlets })), { inside: tote }).map(one => one.why)
    expect(troubles([at(40, -60), at(40, 60)])).toEqual([])
    expect(troubles([at(40, 190)])).toEqual(['off the wall'])
    expect(troubles([at(4, 0)])).toEqual(['into the rim'])
    expect(troubles([at(40, 0), at(40, 8)])).toEqual(['into its neighbour'])
  })
  test('drills by fitting, common practice; an own one is known by its id', () => {
    expect(fittingOf('tube').drillMm).toBe(3.8)
    expect(fittingOf('coupler-m5').drillMm).toBe(5)
    expect(fittingOf('round-display').drillMm).toBe(41.3)
    expect(fittingOf('own-x', [{ id: 'own-x', name: 'x', drillMm: 7, seals: 'cap' }]).drillMm).toBe(7)
  })
  test('a tight tube passes what the core’s tube does beside its cap; a capped one only the cap', () => {
    const tube = fittingOf('tube')
    const filled = tubeLPerH({ boreMm: 2, lengthMm: 600, filamentMm: 1.75 })
    const capped = outletLeak(tube, USUAL_TUBE, true)
    const open = outletLeak(tube, USUAL_TUBE, false)
    expect(open.usualLPerH - capped.usualLPerH).toBeCloseTo(filled, 12)
    // a bare hole of the same drill passes tens of times more: that is why it is worth sealing
    expect(holeLPerH({ diameterMm: 3.8, wallMm: 1.8 })).toBeGreaterThan(20 * open.usualLPerH)
    expect(outletLeak(fittingOf('coupler-m5'), USUAL_TUBE, false)).toMatchObject({
      lowLPerH: 0.02,
      highLPerH: 0.08,
    })
  })
  test('a tube of 4 mm bends no tighter than 40 mm; loading loses about half a metre and more (common practice)', () => {
    expect(leastBendMm(USUAL_TUBE)).toBe(40)
    expect(threadLostMm({ ...USUAL_TUBE, runMm: 300 })).toBe(550)
  })
})

describe('as drilled', () => {
  const spools: PlannedSpool[] = [{ id: 's', name: 'S', rimDiameterMm: 200, widthMm: 66, boreMm: 52 }]
  const line: Arrangement = {
    kind: 'axle',
    axis: 0,
    lines: [{ at: [0, 0, 145], spools: [{ id: 's', alongMm: 0 }] }],
  }
  const asked = { inside: tote, clearances: USUAL_CLEARANCES, support: USUAL_SUPPORT }
  const holes = holesOf(facts(tote, line))
  const came = (change: Partial<Drilled> = {}): Drilled => ({
    hole: 'A',
    downMm: holes[0]!.place.downMm,
    edgeMm: holes[0]!.place.edgeMm,
    drillMm: 12.5,
    mend: null,
    ...change,
  })
  const judge = (...drilled: Drilled[]) => drilledHoles(holes, drilled, asked, 1.8)
  test('as drawn, good enough, off', () => {
    expect(judge(came())[0]).toMatchObject({ verdict: 'as drawn', offMm: 0 })
    expect(judge(came({ downMm: holes[0]!.place.downMm + 0.4 }))[0]!.verdict).toBe('good enough')
    expect(judge(came({ downMm: holes[0]!.place.downMm + 3 }))[0]!.verdict).toBe('off')
  })
  test('3 mm low at one end is 3 mm out of level, and a shim puts it right', () => {
    const low = judge(came({ downMm: holes[0]!.place.downMm + 3 }))
    expect(outOfLevelMm(0, holes, low)).toBeCloseTo(3, 1)
    const remedies = drillRemedies(low[0]!, line, holes, low, spools, asked)
    const by = Object.fromEntries(remedies.map(one => [one.kind, one]))
    expect(by['shim']).toMatchObject({ works: true })
    expect(by['match']!.outOfLevelMm).toBeLessThan(0.01)
    // 3 mm lie within the first hole: a second would run into it
    expect(by['plug']!.works).toBe(false)
    expect(by['leave']!.works).toBe(false)
    expect(outOfLevelMm(0, holes, judge(came({ downMm: holes[0]!.place.downMm + 3, mend: 'shim' })))).toBe(0)
  })
  test('20 mm off leaves wall enough for a second hole', () => {
    const off = judge(came({ edgeMm: holes[0]!.place.edgeMm - 20 }))
    expect(
      drillRemedies(off[0]!, line, holes, off, spools, asked).find(one => one.kind === 'plug'),
    ).toMatchObject({
      works: true,
    })
  })
})

describe('rod and templates', () => {
  test('cut: between the walls at its height, both walls, both caps', () => {
    // 336 + 30 × 165/268 = 354.47; a wall of 1.8 leaning 15 in 268 is 1.803 level; 354.47 + 2 × (1.803 + 11) = 380.08
    const [cut] = rodCuts(tote, 1.8, axle(0, 165), [], { material: 'steel', diameterMm: 12, boreMm: 0 }, 11)
    expect(cut!.insideMm).toBeCloseTo(354.47, 2)
    expect(cut!.cutMm).toBe(380)
  })
  test('walls unrolled share their edges, and the rim breaks by both leans', () => {
    const laid = unrolled(tote, 1.8, new Set(['left end', 'front', 'right end']))
    expect(laid.map(one => one.wall)).toEqual(['left end', 'front', 'right end'])
    const [left, front] = laid
    for (const [a, b] of [
      [left!.outline[1]!, front!.outline[0]!],
      [left!.outline[2]!, front!.outline[3]!],
    ] as const)
      expect(Math.hypot(a[0] - b[0], a[1] - b[1])).toBeLessThan(1e-9)
    // atan(15/268.4) + atan(14/268.4): 3.2° and 3.0°
    expect(Math.abs(left!.turnedDegrees)).toBeCloseTo(6.19, 1)
  })
  test('a round wall rolls out to its way round at every height', () => {
    const pail: Inside = {
      section: 'round',
      rimMm: [300, 300],
      baseMm: [260, 260],
      heightMm: 200,
      blocks: [],
    }
    const flat = flatWall(pail, 2, 'wall')
    const arc = (down: number, wide: number) => {
      let sum = 0
      for (let i = 0; i < 400; i++) {
        const [a, b] = [
          flat.point((i / 400 - 0.5) * wide, down),
          flat.point(((i + 1) / 400 - 0.5) * wide, down),
        ]
        sum += Math.hypot(a[0] - b[0], a[1] - b[1])
      }
      return sum
    }
    const round = Math.PI * (300 + 4 * Math.hypot(1, 0.1))
    expect(arc(0, round)).toBeCloseTo(round, 1)
  })
  test('templates: sheets overlap, cover all, and mark their joins alike', () => {
    const outlets = usualOutlets(tote, null, 4, 'coupler-m5')
    const holes = holesOf(facts(tote, null, { outlets }))
    const sheet = wallTemplate(tote, 1.8, 'front', holes, hole => hole.id)!
    expect(sheet.marks.filter(mark => mark.kind === 'circle')).toHaveLength(4)
    const tiles = tilesOf(sheet, 'A4')
    expect(tiles).toHaveLength(2)
    expect(tiles[0]!.joins).toEqual(tiles[1]!.joins)
    expect(tiles[1]!.from[0] - tiles[0]!.from[0]).toBeCloseTo(tiles[0]!.widthMm - OVERLAP_MM, 9)
    expect(tiles[1]!.from[0] + tiles[1]!.widthMm).toBeGreaterThanOrEqual(sheet.to[0])
    expect(wallTemplate(tote, 1.8, 'back', holes, hole => hole.id)).toBeNull()
  })
})
