import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { openingsEvery, someBox as box, someCharge, someSpool as spool } from '#testing/box-models.ts'
import { steadyAir } from '../ask/spool-time.ts'
import { DESICCANTS, type DesiccantKind } from '../desiccant/catalogue.ts'
import type { BoxModel } from '../model/box-model.ts'
import { ROOM, type Network } from '../network/network.ts'
import { simulate } from '../network/simulate.ts'
import { CLIMATES } from '../room/climate.ts'
import { profileSeries, sampledSurroundings } from '../room/sampled-room.ts'
import { loadingAtRhGPerG } from '../sorbent/sorbent.ts'
import { boxNetwork } from './box-network.ts'
import { modelFrom, stateAt } from './state.ts'

const DAY = 86_400
const run = (of: BoxModel, days: number, rings = 6, points = 40) =>
  simulate(boxNetwork(of, { fromS: 0, toS: days * DAY }, rings), {
    fromS: 0,
    toS: days * DAY,
    outputS: Float64Array.from({ length: points }, (_, i) => ((i + 1) / points) * days * DAY),
  })

describe('the lumped spool, for whoever needs only the box air', () => {
  test.each([
    [
      'one damp spool in a jar',
      box({ insideL: 4, spools: [spool('PLA', 45)], surroundings: steadyAir(21, 52) }),
    ],
    [
      'four spools in a tote',
      box({
        insideL: 16,
        spools: [
          spool('PLA', 44, { cardboardG: 210 }),
          spool('PETG', 40),
          spool('ASA', 38),
          spool('TPU', 30),
        ],
      }),
    ],
    [
      'nylon',
      box({
        charges: [someCharge({ dryMassG: 240, loadingGPerG: 0.01, conductanceLPerH: 11 })],
        spools: [spool('PA6', 25), spool('PC', 48)],
      }),
    ],
  ])('stays within 3 %% RH of twelve rings at 24 h, 7 d and 30 d: %s', (_name, of) => {
    const at = { fromS: 0, toS: 30 * DAY, outputS: [DAY, 7 * DAY, 30 * DAY] }
    const lumped = simulate(boxNetwork(of, at, 0), at).airRhPercent
    const ringed = simulate(boxNetwork(of, at, 12), at).airRhPercent
    lumped.forEach((rh, i) => expect(Math.abs(rh - ringed[i]!)).toBeLessThan(3))
  })
})

const kinds = Object.keys(DESICCANTS) as DesiccantKind[]
const anyBox = fc.record({
  kind: fc.constantFrom(...kinds),
  second: fc.constantFrom(...kinds),
  rings: fc.constantFrom(0, 4),
  grams: fc.double({ min: 5, max: 900, noNaN: true }),
  beadsRh: fc.double({ min: 0.5, max: 60, noNaN: true }),
  leak: fc.double({ min: 0.01, max: 12, noNaN: true }),
  airRh: fc.double({ min: 5, max: 90, noNaN: true }),
  wet: fc.double({ min: 3, max: 80, noNaN: true }),
  material: fc.constantFrom('PLA', 'PA6', 'TPU', 'HIPS', 'PVA', 'PP' as const),
  flanges: fc.constantFrom('closed', 'spoked' as const),
  board: fc.constantFrom(0, 220),
  swingK: fc.double({ min: 0, max: 12, noNaN: true }),
  climate: fc.constantFrom('damp', 'hot', 'heated' as const),
  everyDays: fc.double({ min: 0.6, max: 9, noNaN: true }),
})

describe('random boxes, schedules and rooms', () => {
  test('water closes to 1e-9 of what moved, nothing negative, RH within 0–100', () => {
    fc.assert(
      fc.property(anyBox, given => {
        const days = 12
        const beads = (kind: DesiccantKind, id: string) => {
          const { sorbent } = DESICCANTS[kind]
          return someCharge({
            id,
            sorbent,
            dryMassG: given.grams,
            loadingGPerG: loadingAtRhGPerG(sorbent, {
              relativeHumidityPercent: given.beadsRh,
              temperatureC: 15,
            }),
            conductanceLPerH: 9,
          })
        }
        const result = run(
          box({
            inlets: [{ by: 'lid', conductanceLPerH: given.leak }],
            airRhPercent: given.airRh,
            // two kinds side by side, the second coming and going
            charges: [
              beads(given.kind, 'c'),
              { ...beads(given.second, 'd'), inS: 3.2 * DAY, outS: 9 * DAY, solidsL: 0.2 },
            ],
            spools: [
              spool(given.material, given.wet, { cardboardG: given.board, flanges: given.flanges }),
              spool('PETG', given.wet, {
                inS: 2 * DAY,
                outS: 7.5 * DAY,
                solidsL: 0.8,
                flanges: given.flanges,
              }),
            ],
            openings: openingsEvery(given.everyDays, 40, days),
            surroundings: sampledSurroundings(
              profileSeries(CLIMATES[given.climate].profile, given.swingK, 0, days * DAY),
            ),
          }),
          days,
          given.rings,
        )
        expect(result.outcome).toBe('finished')
        expect(Math.abs(result.closureG)).toBeLessThan(1e-9 * result.movedG)
        expect(Math.min(...result.waterG)).toBeGreaterThanOrEqual(-1e-9)
        expect(Math.min(...result.airRhPercent)).toBeGreaterThan(0)
        expect(Math.max(...result.airRhPercent)).toBeLessThanOrEqual(100)
        expect(result.condensed).toBe(result.mostDewG > 0)
      }),
      { seed: 17, numRuns: 40 },
    )
  })

  const steady = fc.record({
    leak: fc.double({ min: 0.02, max: 6, noNaN: true }),
    grams: fc.double({ min: 20, max: 400, noNaN: true }),
    wet: fc.double({ min: 5, max: 50, noNaN: true }),
    room: fc.double({ min: 55, max: 90, noNaN: true }),
  })
  const dryBox = (g: { leak: number; grams: number; wet: number; room: number }): BoxModel =>
    box({
      inlets: [{ by: 'lid', conductanceLPerH: g.leak }],
      charges: [someCharge({ dryMassG: g.grams, loadingGPerG: 0 })],
      spools: [spool('PLA', g.wet)],
      airRhPercent: 50,
      surroundings: steadyAir(20, g.room),
    })
  test('adding fully dry beads never raises RH, at any time', () => {
    fc.assert(
      fc.property(steady, given => {
        const more = run(
          {
            ...dryBox(given),
            charges: [...dryBox(given).charges, { ...dryBox(given).charges[0]!, id: 'd' }],
          },
          40,
        ).airRhPercent
        run(dryBox(given), 40).airRhPercent.forEach((rh, i) => expect(more[i]!).toBeLessThan(rh + 0.1))
      }),
      { seed: 3, numRuns: 25 },
    )
  })
  test('a tighter lid never makes it wetter while the room is the damper', () => {
    fc.assert(
      fc.property(steady, given => {
        const tight = run(dryBox({ ...given, leak: given.leak / 3 }), 40).airRhPercent
        run(dryBox(given), 40).airRhPercent.forEach((rh, i) => expect(tight[i]!).toBeLessThan(rh + 0.1))
      }),
      { seed: 4, numRuns: 25 },
    )
  })
})

test('the order of nodes does not matter, rings, strands and side links included', () => {
  const plain = boxNetwork(
    box({ spools: [spool('PLA', 44, { flanges: 'spoked' }), spool('PA6', 20, { cardboardG: 200 })] }),
    { fromS: 0, toS: 30 * DAY },
    5,
  )
  // children may come in any order as long as each parent comes first: branches swapped whole
  const order = plain.nodes.map((_, i) => i)
  const branch = order.filter(i => plain.nodes[i]!.id.startsWith('PLA'))
  const shuffled = [0, ...order.filter(i => i > 0 && !branch.includes(i)), ...branch]
  const to = (i: number) => (i === ROOM ? ROOM : shuffled.indexOf(i))
  const swapped: Network = {
    ...plain,
    nodes: shuffled.map(i => plain.nodes[i]!),
    links: plain.links.map(link => ({ ...link, a: to(link.a), b: to(link.b) })).toReversed(),
    strands: plain.strands!.map(link => ({ ...link, a: to(link.a), b: to(link.b) })),
  }
  const request = { fromS: 0, toS: 30 * DAY, outputS: [DAY, 30 * DAY] }
  const [one, other] = [simulate(plain, request), simulate(swapped, request)]
  one.airRhPercent.forEach((rh, i) => expect(other.airRhPercent[i]!).toBeCloseTo(rh, 6))
})

test('a box that is chilled below its dew point reports the frost, and its air stands as ice lets it', () => {
  const cold = box({
    charges: [],
    spools: [],
    airRhPercent: 85,
    surroundings: {
      at(timeS, out) {
        out.temperatureC = timeS > DAY ? -6 : 19
        out.vapourDensityGPerL = 0.012
      },
    },
  })
  const result = run(cold, 3)
  expect(result.condensed).toBe(true)
  expect(result.mostDewG).toBeGreaterThan(0.05)
  expect(result.airRhPercent.at(-1)).toBeCloseTo(94.3, 1)
  expect(Math.abs(result.closureG)).toBeLessThan(1e-9 * result.movedG)
})

describe('a state and the box from there on', () => {
  test.each([0, 6])('going on from the middle is the same as going through: %i rings', rings => {
    const of = box({
      charges: [someCharge(), someCharge({ id: 'd', sorbent: DESICCANTS['sieve-4a'].sorbent, inS: 4 * DAY })],
      spools: [spool('PLA', 40), spool('PA6', 30, { cardboardG: 200, outS: 6 * DAY })],
    })
    const through = { fromS: 0, toS: 20 * DAY, outputS: [10 * DAY, 20 * DAY] }
    const network = boxNetwork(of, through, rings)
    const whole = simulate(network, through)
    const middle = stateAt(of, network, whole.waterG, 10 * DAY)
    const later = modelFrom(of, middle)
    expect(later.charges.map(charge => charge.id)).toEqual(['c', 'd'])
    expect(later.spools.map(item => item.material.id)).toEqual(['PLA'])
    const rest = { fromS: 10 * DAY, toS: 20 * DAY, outputS: [20 * DAY] }
    const on = simulate(boxNetwork(later, rest, rings), rest)
    expect(Math.abs(on.airRhPercent[0]! - whole.airRhPercent[1]!)).toBeLessThan(0.05)
  })
})

describe('what holds no water is named, not divided by', () => {
  const end = (of: BoxModel) => run(of, 5, 6, 2)
  test('beads 0, spool 0, leak 0: the run ends, and everything in it is a number', () => {
    for (const of of [
      box({ charges: [someCharge({ dryMassG: 0 })] }),
      box({ spools: [spool('PLA', 40, { filamentG: 0, cardboardG: 200 })] }),
      box({ inlets: [{ by: 'lid', conductanceLPerH: 0 }] }),
      box({ inlets: [], charges: [], spools: [] }),
    ]) {
      const result = end(of)
      expect(result.outcome).toBe('finished')
      expect(result.airRhPercent.every(Number.isFinite)).toBe(true)
      expect(result.waterG.every(Number.isFinite)).toBe(true)
    }
  })
  test('no free air: an outcome of its own', () =>
    expect(end(box({ insideL: 0 }))).toMatchObject({ outcome: 'nothing to hold water', steps: 0 }))
})

describe('frost', () => {
  // outside check: ice over water at −20 °C, IAPWS R14-08(2011) over SR1-86(1992): 82.2 %
  test('at −20 °C the air stands at 82.2 % and no more; warmed, the frost goes back as vapour', () => {
    const of = box({
      charges: [],
      spools: [],
      inlets: [{ by: 'lid', conductanceLPerH: 0 }],
      airRhPercent: 80,
      surroundings: {
        at(timeS, out) {
          out.temperatureC = timeS < DAY || timeS > 3 * DAY ? 19 : -20
          out.vapourDensityGPerL = 0.012
        },
      },
    })
    const result = run(of, 4, 0, 4)
    expect(result.airRhPercent[1]).toBeCloseTo(82.2, 1)
    expect(result.mostDewG).toBeGreaterThan(0.1)
    expect(result.airRhPercent[3]).toBeCloseTo(80, 6)
  })
})
