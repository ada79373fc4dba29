import { describe, expect, test } from '@jest/globals'
import { simulate } from '../network/simulate.ts'
import { futureModel, historyNetwork, modelOfDraw } from './model-of-draw.ts'
import { chiSquareLimit } from './contradiction.ts'
import type { BoxFacts } from '../evidence/facts.ts'
import { chargeRhAtTargetPercent, greatestLeakLPerH, steadyRhPercent } from '../container/steady.ts'
import { boxNetwork } from '../assemble/box-network.ts'
import { isSameWay } from '../model/box-model.ts'
import { runDraw } from './run-draw.ts'
import { streamsOf } from './state-now.ts'
import { evenPoints } from './even-points.ts'
import { logLikelihood, observationsOf } from './likelihood.ts'
import { normalCdf, normalQuantile } from '../normal.ts'
import { seededRandom } from './random.ts'
import { estimateBox, estimateGrams } from './estimate-box.ts'
import { syntheticBox } from '#testing/synthetic-box.ts'
import { drawValues, unknownsOf } from './unknowns.ts'
import { evenPicks, weightedCorrelationSquared, weightedQuantile } from './weighted.ts'

const DAY = 86_400
const made = (seed: number, days: number, change: Partial<BoxFacts> = {}) => {
  const { facts, ...rest } = syntheticBox(seededRandom(seed), days, 6)
  return { facts: { ...facts, ...change }, ...rest }
}

describe('five months of readings', () => {
  const { facts, truth } = made(19 * 7919, 150)
  const report = estimateBox(facts, { seed: 4 })
  test('at least 200 draws, at least 50 of them effective', () => {
    expect(report.draws).toBeGreaterThanOrEqual(200)
    expect(report.effectiveDraws).toBeGreaterThanOrEqual(50)
    expect(report.likelihoodPower).toBe(1)
  })
  test('narrows the leak, and keeps the true one inside', () => {
    const { low, high } = report.leakLPerH
    expect(high / low).toBeLessThan(facts.leak.highLPerH / facts.leak.lowLPerH)
    expect(truth.leakLPerH).toBeGreaterThan(low / 1.5)
    expect(truth.leakLPerH).toBeLessThan(high * 1.5)
  })
  test('dates are in order, none before now, and the causes are named by weight', () => {
    const { low, middle, high } = report.leaves!.spread
    expect(low).toBeGreaterThanOrEqual(facts.nowS)
    expect(middle).toBeGreaterThanOrEqual(low)
    expect(high).toBeGreaterThanOrEqual(middle)
    expect(report.causes[0]!.share).toBeGreaterThanOrEqual(report.causes.at(-1)!.share)
  })
  test('no contradiction where there is none', () => expect(report.contradiction).toBeNull())
  test('the same facts and seed give the same report', () =>
    expect(JSON.stringify(estimateBox(facts, { seed: 4 }))).toBe(JSON.stringify(report)))
  test('knowing one thing never widens the best of the offers', () => {
    const { low, high } = report.leaves!.spread
    const best = report.worth[0]!.spread
    expect(best.high - best.low).toBeLessThanOrEqual(high - low)
  })
})

test('streams are what the network carries: an hour of it, link by link', () => {
  for (const seed of [3, 8, 12]) {
    const { facts } = made(seed, 40)
    const unknowns = unknownsOf(facts)
    const draw = runDraw(facts, unknowns, [], new Float64Array(unknowns.length))
    const standing = { ...draw, now: draw.now! }
    const span = { fromS: facts.nowS, toS: facts.nowS + 3600 }
    const network = boxNetwork(futureModel(standing), span, 0)
    const run = simulate(network, { ...span, outputS: [span.toS] })
    const streams = streamsOf(standing)
    network.links.forEach((link, l) => {
      const carried = run.flowG[l]! * 24 * 1000
      const stream = streams.find(item => isSameWay(item.way, link.way))!
      // over an hour the box hardly moves; what is next to nothing may be off by a little
      expect(Math.abs(stream.mgPerDay - carried)).toBeLessThan(0.03 * Math.abs(carried) + 0.3)
    })
  }
})

test('a stop is obeyed', () => {
  let asked = 0
  estimateBox(made(3, 30).facts, { seed: 1, shouldStop: () => ++asked > 20 })
  expect(asked).toBeLessThan(60)
})

test('readings that no draw can explain are a contradiction, with which', () => {
  // told a tight lid, new beads, dry spools; the display climbs to 60 % in three weeks
  const { facts } = made(3, 42)
  const told: BoxFacts = {
    ...facts,
    leak: { lowLPerH: 0.02, highLPerH: 0.2, name: 'clips and rubber', knowledge: 'told' },
    readings: [14, 52, 55, 18, 60, 13].map((rh, i) => ({
      atS: facts.fromS + (i + 1) * 7 * DAY,
      temperatureC: 15,
      relativeHumidityPercent: rh,
      settled: true,
    })),
  }
  const report = estimateBox(told, { seed: 2 })
  const { contradiction } = report
  expect(contradiction!.chiSquare).toBeGreaterThan(contradiction!.limit)
  expect(told.readings.map(r => r.atS)).toContain(contradiction!.worst.atS)
  expect(contradiction!.strained).not.toBe('')
})

test('χ² limit: 0.1 % points of the tables (Abramowitz & Stegun 26.8): 16.27 at 3, 29.59 at 10, 52.62 at 25', () => {
  for (const [n, limit] of [
    [3, 16.27],
    [10, 29.59],
    [25, 52.62],
  ] as const)
    expect(Math.abs(chiSquareLimit(n) / limit - 1)).toBeLessThan(0.02)
})

describe('grams wanted', () => {
  const { facts } = made(19 * 7919, 60)
  const list = estimateGrams(facts, { seed: 4, drawsPerRound: 100 }, [4, 8, 16])
  const grams = (remedy: string, weeks: number) =>
    list.find(w => w.remedy === remedy && w.weeks === weeks)!.grams ?? 5000
  test('longer wants more, and no remedy wants more than none', () => {
    for (const remedy of ['as it is', 'dry the damp spools', 'a better seal']) {
      expect(grams(remedy, 8)).toBeGreaterThanOrEqual(grams(remedy, 4))
      expect(grams(remedy, 16)).toBeGreaterThanOrEqual(grams(remedy, 8))
      expect(grams(remedy, 8)).toBeLessThanOrEqual(grams('as it is', 8) * 1.04)
    }
  })
})

test('a floor reading is answered by anything below it', () => {
  const { facts } = made(5, 30, {})
  const [observation] = observationsOf({
    ...facts,
    readings: [{ atS: facts.nowS, temperatureC: 15, relativeHumidityPercent: 10, settled: true }],
  })
  expect(observation!.censored).toBe(true)
  const at = (rh: number) => logLikelihood([observation!], [rh])
  expect(at(4)).toBeCloseTo(at(1), 2)
  expect(at(20)).toBeLessThan(at(4) - 3)
})

test('an unsettled reading is kept out of the reckoning', () => {
  const { facts } = made(5, 30)
  expect(
    observationsOf({ ...facts, readings: facts.readings.map(r => ({ ...r, settled: false })) }),
  ).toHaveLength(0)
})

test('the history of random boxes closes its books to 1e-9 of what moved', () => {
  for (let seed = 1; seed <= 12; seed++) {
    const { facts, truth } = made(seed, 120, { openings: [] })
    const charge = facts.charges[0]!
    const eventful: BoxFacts = {
      ...facts,
      openings: [{ atS: facts.fromS + 9 * DAY, openSeconds: 40 }],
      charges: [
        {
          ...charge,
          outS: facts.fromS + 50 * DAY,
          heatings: [{ atS: facts.fromS + 30 * DAY, temperatureC: 110 }],
        },
        { ...charge, id: 'next', inS: facts.fromS + 50 * DAY },
      ],
      spools: facts.spools.map((spool, i) =>
        i === 0 ? { ...spool, inS: facts.fromS + 20 * DAY, cardboardG: 210 } : spool,
      ),
    }
    const unknowns = unknownsOf(eventful)
    const middle = drawValues(eventful, unknowns, new Float64Array(unknowns.length))
    const { leakLPerH } = truth
    const network = historyNetwork(
      eventful,
      modelOfDraw(eventful, { ...middle, leakLPerH, residueGPerG: 0.01 }),
    )
    const run = simulate(network, {
      fromS: facts.fromS,
      toS: facts.nowS,
      outputS: [facts.nowS],
    })
    expect(run.outcome).toBe('finished')
    expect(Math.abs(run.closureG)).toBeLessThan(1e-9 * run.movedG)
    const renewal = network.events.findIndex(event => event.kind === 'setWater')
    expect(run.eventWaterG[renewal]).toBeLessThan(0)
  }
})

describe('floor', () => {
  const air = { roomRhPercent: 70, leakLPerH: 4, holderLPerH: 16 }
  test('leak against holder', () =>
    expect(steadyRhPercent({ ...air, chargeRhPercent: 5 })).toBeCloseTo(18, 10))
  test('its inverses', () => {
    expect(chargeRhAtTargetPercent({ ...air, targetRhPercent: 18 })).toBeCloseTo(5, 10)
    expect(
      greatestLeakLPerH({ targetRhPercent: 18, chargeRhPercent: 5, roomRhPercent: 70, holderLPerH: 16 }),
    ).toBeCloseTo(4, 10)
    expect(
      greatestLeakLPerH({ targetRhPercent: 5, chargeRhPercent: 6, roomRhPercent: 70, holderLPerH: 16 }),
    ).toBe(0)
  })
})

test('unknowns: only what applies is asked, and draws stay inside what was told', () => {
  const { facts } = made(2, 30)
  const ids = unknownsOf(facts).map(u => u.id)
  // told by weight on the packet: shared by every weighing, and nothing to ask
  expect(unknownsOf(facts).find(u => u.id === 'mass')).toMatchObject({ asks: null })
  const [charge] = facts.charges
  const measured = { ...facts, charges: [{ ...charge!, massKnowledge: 'measured' as const }] }
  expect(unknownsOf(measured).map(u => u.id)).not.toContain('mass')
  expect(ids).not.toContain('residue')
  for (const z of [-6, -1, 0, 1, 6]) {
    const values = drawValues(facts, unknownsOf(facts), new Float64Array(ids.length).fill(z))
    expect(values.leakLPerH).toBeGreaterThanOrEqual(facts.leak.lowLPerH * 0.999)
    expect(values.leakLPerH).toBeLessThanOrEqual(facts.leak.highLPerH * 1.001)
  }
})

test('weighted statistics', () => {
  // a normal's own quantiles from many even draws; a constant is itself; the order of the values is nothing
  const even = Array.from({ length: 999 }, (_, i) => normalQuantile((i + 1) / 1000))
  const same = even.map(() => 1 / even.length)
  for (const share of [0.1, 0.5, 0.9])
    expect(Math.abs(weightedQuantile(even, same, share) - normalQuantile(share))).toBeLessThan(0.01)
  expect(weightedQuantile(even.toReversed(), same, 0.9)).toBeCloseTo(weightedQuantile(even, same, 0.9), 12)
  expect(weightedQuantile([4, 4, 4], [0.2, 0.5, 0.3], 0.1)).toBeCloseTo(4, 12)
  // weight moves it: nearly all on the first
  expect(weightedQuantile([5, 1, 3], [0.001, 0.998, 0.001], 0.5)).toBeCloseTo(1, 1)
  expect(weightedCorrelationSquared([1, 2, 3], [2, 4, 6], [0.2, 0.5, 0.3])).toBeCloseTo(1, 12)
  expect(evenPicks([10, 20, 30, 40], [0.25, 0.25, 0.25, 0.25], 2)).toEqual([0, 2])
})

test('the normal’s quantile is the inverse of its distribution function', () => {
  for (const z of [-3.2, -1.1, -0.02, 0.7, 2.9]) expect(normalQuantile(normalCdf(z))).toBeCloseTo(z, 4)
})

test('even points spread more evenly than chance: means of a hundred near nothing, spreads near one', () => {
  const points = evenPoints(6, seededRandom(3))
  const drawn = Array.from({ length: 100 }, () => points.next())
  for (let i = 0; i < 6; i++) {
    const mean = drawn.reduce((sum, z) => sum + z[i]!, 0) / 100
    const square = drawn.reduce((sum, z) => sum + z[i]! ** 2, 0) / 100
    expect(Math.abs(mean)).toBeLessThan(0.04)
    expect(Math.abs(square - 1)).toBeLessThan(0.12)
  }
})
