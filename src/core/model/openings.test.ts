import { expect, test } from '@jest/globals'
import { openingsEvery, someBox, someCharge, someSpool } from '#testing/box-models.ts'
import { boxNetwork } from '../assemble/box-network.ts'
import { simulate } from '../network/simulate.ts'
import { settledOpenings } from './openings.ts'

const DAY = 86_400

test('openings of a day together, as many free airs as they exchange; later ones stay what they are', () => {
  const openings = [0.1, 0.3, 0.8, 2, 9].map(day => ({ atS: day * DAY, openSeconds: 60 }))
  const share = 0.3 + 0.65 * (1 - Math.exp(-1))
  const settled = settledOpenings(openings, 5 * DAY, DAY)
  expect(settled.openings).toEqual([openings[4]])
  expect(settled.exchanges!.map(item => item.atS / DAY)).toEqual([0.1, 2])
  expect(settled.exchanges![0]!.freeAirs).toBeCloseTo(3 * share, 12)
})

test('four hundred openings: the same RH and beads once settled, in a fifth of the steps', () => {
  const days = 150
  const openings = openingsEvery(days / 400, 30, days)
  const box = someBox({
    openings,
    charges: [someCharge(), someCharge({ id: 'd', dryMassG: 60, conductanceLPerH: 3 })],
    spools: [someSpool('PLA', 40, { cardboardG: 100 })],
  })
  const settled = { ...box, ...settledOpenings(openings, days * DAY, DAY) }
  // a quarter day after an opening, when a display has settled
  const outputS = [30, 75, 149].map(day => openings.find(({ atS }) => atS > day * DAY)!.atS + DAY / 4)
  const span = { fromS: 0, toS: days * DAY, outputS }
  const networks = [box, settled].map(of => boxNetwork(of, span, 0))
  const [exact, fast] = networks.map(network => simulate(network, span))
  exact!.airRhPercent.forEach((rh, i) => expect(Math.abs(fast!.airRhPercent[i]! - rh)).toBeLessThan(0.4))
  const beads = networks[0]!.chargeNodes[0]! + 2 * networks[0]!.nodes.length
  expect(fast!.waterG[beads]! / exact!.waterG[beads]!).toBeCloseTo(1, 2)
  expect(fast!.steps).toBeLessThan(exact!.steps / 5)
  expect(Math.abs(fast!.closureG)).toBeLessThan(1e-9 * fast!.movedG)
})
