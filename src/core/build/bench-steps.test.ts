import { describe, expect, test } from '@jest/globals'
import { cautionsAt } from '../renewal/cautions.ts'
import { USUAL_SUPPORT, type Arrangement } from './arrangement.ts'
import { drilledHoles } from './as-drilled.ts'
import { BENCH_DOINGS, benchSteps, type BenchFacts } from './bench-steps.ts'
import { USUAL_TUBE } from './fittings.ts'
import { stripReport } from './foam-strip.ts'
import { holesOf, usualOutlets } from './holes.ts'
import { costOf, inchTwin, partsOf, type PartFacts } from './parts.ts'
import { rodCuts } from './rod-cut.ts'

const inside = {
  section: 'rectangular' as const,
  rimMm: [380, 280] as const,
  baseMm: [350, 250] as const,
  heightMm: 260,
  blocks: [],
}
const arrangement: Arrangement = {
  kind: 'axle',
  axis: 0,
  lines: [
    {
      at: [0, 0, 140],
      spools: [
        { id: 'a', alongMm: -60 },
        { id: 'b', alongMm: 60 },
      ],
    },
  ],
}
const outlets = usualOutlets(inside, arrangement, 2, 'coupler-m5')
const drill = {
  inside,
  wallThicknessMm: 2,
  arrangement,
  support: USUAL_SUPPORT,
  outlets,
  ownFittings: [],
}
const holes = holesOf(drill)
const facts: BenchFacts = {
  isMeasured: true,
  holes,
  drilled: [],
  arrangement,
  outlets: 2,
  hasStrip: true,
  hasCharge: true,
  hasDisplay: true,
}
const ids = (change: Partial<BenchFacts> = {}) => benchSteps({ ...facts, ...change }).map(step => step.id)

describe('steps', () => {
  test('in the order of the work: mark before drilling, deburr before fitting, spools before beads, close last', () =>
    expect(ids()).toEqual([
      'mark',
      'drill A',
      'drill B',
      'drill 1',
      'drill 2',
      'deburr',
      'cut',
      'couple',
      'seal',
      'hang',
      'strip',
      'display',
      'load',
      'beads',
      'close',
    ]))
  test('each only once, and only where it is called for', () => {
    expect(new Set(ids()).size).toBe(ids().length)
    expect(
      ids({
        isMeasured: false,
        holes: [],
        outlets: 0,
        arrangement: { ...arrangement, kind: 'lying' },
        hasStrip: false,
        hasCharge: false,
        hasDisplay: false,
      }),
    ).toEqual(['measure', 'load', 'close'])
    expect(ids({ arrangement: { ...arrangement, kind: 'spindle' } })).toContain('bracket')
  })
  test('a hole that came out wrong is mended right after it', () => {
    const [a] = holes
    const drilled = drilledHoles(
      holes,
      [
        {
          hole: 'A',
          downMm: a!.place.downMm + 3,
          edgeMm: a!.place.edgeMm,
          drillMm: 12.5,
          mend: null,
        },
      ],
      { inside },
      2,
    )
    expect(ids({ drilled }).slice(1, 3)).toEqual(['drill A', 'mend A'])
  })
  test('what can hurt says so at its step, and nowhere else', () => {
    const at = (step: (typeof BENCH_DOINGS)[number]) => cautionsAt({ step }).map(({ id }) => id)
    expect(at('drill')).toEqual(['drilling'])
    expect(at('file')).toEqual(['edges'])
    expect(at('cut the rod')).toEqual(['edges'])
    expect(at('couple')).toEqual(['hand-tight'])
    expect(at('seal holes')).toEqual(['hot-glue', 'solvent'])
    const doings = benchSteps(facts).flatMap(step => step.doing ?? [])
    expect(new Set(doings)).toEqual(new Set(BENCH_DOINGS))
    expect(cautionsAt({ step: 'choose a box' }).map(({ id }) => id)).toEqual(['food-box'])
  })
})

describe('parts', () => {
  const spools = [
    { id: 'a', name: 'A', boreMm: 52, widthMm: 66, weightG: 1200 },
    { id: 'b', name: 'B', boreMm: 16, widthMm: 66, weightG: 1200 },
  ]
  const rod = { material: 'steel' as const, diameterMm: 12, boreMm: 0 }
  const of: PartFacts = {
    container: { name: 'tote', price: 26 },
    arrangement,
    cuts: rodCuts(inside, 2, arrangement, spools, rod, 11),
    rod,
    spools,
    outlets: outlets.map((one, i) => ({ ...one, capped: i === 1 })),
    ownFittings: [],
    tube: USUAL_TUBE,
    strip: stripReport(inside, 2, { clips: 8, heightMm: 6 }),
    filling: { name: 'silica gel', grams: 150, pieces: 3 },
    hasDisplay: true,
    prices: [
      { part: 'rod', price: 4.5 },
      { part: 'collars', price: 0.8 },
      { part: 'gone', price: 9 },
    ],
  }
  const parts = partsOf(of)
  const by = (id: string) => parts.find(part => part.id === id)
  test('counts what the plan asks for', () => {
    expect(by('rod')).toMatchObject({ count: 1, lengthMm: of.cuts[0]!.cutMm, price: 4.5 })
    // two ends; a collar on either side of both spools, one between
    expect([by('caps')!.count, by('collars')!.count]).toEqual([2, 3])
    // only the wide bore wants one
    expect(by('bushings')!.count).toBe(1)
    expect(by('coupler-m5')!.count).toBe(2)
    expect(by('tube')).toMatchObject({ count: 1, lengthMm: 1200 })
    expect(by('outlet caps')!.count).toBe(1)
    expect(by('beads')).toMatchObject({ count: 3, grams: 50 })
  })
  test('the cost is what has a price; the rest is counted', () => {
    const { sum, unpriced } = costOf(parts)
    expect(sum).toBeCloseTo(26 + 4.5 + 3 * 0.8, 9)
    expect(unpriced).toBe(parts.length - 3)
  })
  test('a box with nothing in it is a container and no more', () => {
    const bare = partsOf({
      ...of,
      arrangement: null,
      cuts: [],
      outlets: [],
      strip: null,
      filling: null,
      hasDisplay: false,
    })
    expect(bare.map(part => part.id)).toEqual(['container'])
  })
  test('inch sizes that take a metric one’s place, from a table of sizes (common practice)', () => {
    expect(inchTwin(12.5)).toMatchObject({ name: '1/2' })
    expect(inchTwin(5)).toMatchObject({ name: '13/64' })
    expect(inchTwin(3.8)).toMatchObject({ name: '5/32' })
    expect(inchTwin(41.3)).toMatchObject({ name: '1 5/8' })
    expect(inchTwin(60)).toBeNull()
  })
})
