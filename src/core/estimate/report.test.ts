import { MATERIALS } from '../filament/catalogue.ts'
import { describe, expect, test } from '@jest/globals'
import { DESICCANTS } from '../desiccant/catalogue.ts'
import { equilibriumMoisturePercent } from '../filament/sorption.ts'
import { loadingAtRhGPerG } from '../sorbent/sorbent.ts'
import type { BoxFacts } from '../evidence/facts.ts'
import { seededRandom } from './random.ts'
import { estimateBox } from './estimate-box.ts'
import { syntheticBox } from '#testing/synthetic-box.ts'

const DAY = 86_400
const { facts } = syntheticBox(seededRandom(31 * 7919), 90, 6)
const report = estimateBox(facts, { seed: 8, drawsPerRound: 80 })
const reckon = (change: Partial<BoxFacts>, seed = 8) =>
  estimateBox({ ...facts, ...change }, { seed, drawsPerRound: 80 })

describe('what the strictest spool costs', () => {
  const [one] = facts.spools
  const present = [one!, { ...one!, id: 'second' }, { ...one!, id: 'third' }]
  const mixed = present.map((spool, i) => ({
    ...spool,
    material: MATERIALS[i === 0 ? 'PETG' : 'ABS'],
  }))
  test('the next target, the spools in the way, and a date no earlier than the box’s own', () => {
    const { strictest, leaves } = reckon({ spools: mixed, targetRhPercent: 20 })
    expect(strictest).toMatchObject({ nextTargetRhPercent: 25, spoolIds: [mixed[0]!.id] })
    expect(strictest!.leaves.spread.low).toBeGreaterThanOrEqual(leaves!.spread.low)
  })
  test('nothing where all want the same', () => {
    const same = present.map(spool => ({ ...spool, material: MATERIALS.PETG }))
    expect(reckon({ spools: same, targetRhPercent: 20 }).strictest).toBeNull()
    expect(reckon({ spools: mixed, targetRhPercent: null }).strictest).toBeNull()
  })
})

describe('the figures of one page agree with each other', () => {
  test('streams in, less what spools and beads take, is next to nothing: the air holds hardly any water', () => {
    const sum = report.streams.reduce((total, stream) => total + stream.mgPerDay, 0)
    const moved = report.streams.reduce((total, stream) => total + Math.abs(stream.mgPerDay), 0)
    expect(Math.abs(sum)).toBeLessThan(0.15 * moved)
  })
  test('fresh beads hold less than what is left to the notch, and the notch less than all they can', () => {
    const [charge] = report.charges
    expect(charge!.freshG).toBeLessThan(charge!.notchG!)
    const most = DESICCANTS['silica-rd'].sorbent.mostGPerG * charge!.dryMassG
    expect(charge!.notchG).toBeLessThan(most)
    expect(charge!.waterG).toBeGreaterThan(charge!.spread.low)
    expect(charge!.waterG).toBeLessThan(charge!.spread.high)
  })
  test('the notch lies below what the beads would hold at the target itself, by what the leak costs', () => {
    const [charge] = report.charges
    const atTarget = loadingAtRhGPerG(DESICCANTS['silica-a'].sorbent, {
      relativeHumidityPercent: facts.targetRhPercent!,
      temperatureC: report.temperatureC,
    })
    expect(charge!.notchLoadingGPerG).toBeLessThan(atTarget)
    expect(charge!.notchSpread!.low).toBeLessThanOrEqual(charge!.notchG!)
    expect(charge!.notchG).toBeLessThanOrEqual(charge!.notchSpread!.high)
  })
  test('one charge alone is all there is; two together hold what each does', () => {
    expect(report.held).toEqual(report.charges[0])
    const [charge] = facts.charges
    const two = reckon({ charges: [charge!, { ...charge!, id: 'second', kind: 'clay', dryMassG: 60 }] })
    expect(two.charges).toHaveLength(2)
    expect(two.held!.ids).toEqual(['charge', 'second'])
    const sum = two.charges.reduce((total, one) => total + one.waterG, 0)
    expect(Math.abs(two.held!.waterG / sum - 1)).toBeLessThan(0.05)
    expect(two.held!.notchG).toBeGreaterThan(two.charges[0]!.notchG!)
  })
  test('a spool lies between where it began and where this air would bring it', () => {
    for (const spool of report.spools) {
      const { material } = facts.spools.find(item => item.id === spool.id)!
      const ends = equilibriumMoisturePercent(material, spool.boxRhPercent)
      const began = equilibriumMoisturePercent(material, 45)
      expect(spool.moisturePercent).toBeGreaterThan(0.5 * Math.min(ends, began))
      expect(spool.moisturePercent).toBeLessThan(1.05 * Math.max(ends, began))
    }
  })
  test('shares and dates rise together; the expected readings too', () => {
    const dates = report.leaves!.sharesOfDates.map(item => item.atS)
    expect(dates).toEqual([...dates].sort((a, b) => a - b))
    expect(dates[1]).toBe(report.leaves!.spread.low)
    expect(report.expectedRhPercent).toEqual([...report.expectedRhPercent].sort((a, b) => a - b))
  })
  test('the past curve runs from the first entry to now', () => {
    expect(report.past.atS.at(-1)).toBeCloseTo(facts.nowS, 0)
    report.past.middle.forEach((rh, i) => {
      expect(rh).toBeGreaterThanOrEqual(report.past.low[i]!)
      expect(rh).toBeLessThanOrEqual(report.past.high[i]!)
    })
  })
})

describe('what is told moves the answer the way it should', () => {
  const blind = { readings: [] }
  const early = (change: Partial<BoxFacts>) => reckon({ ...blind, ...change }).leaves!.spread.middle
  const [charge] = facts.charges
  test('more beads last longer', () =>
    expect(early({ charges: [{ ...charge!, dryMassG: charge!.dryMassG * 2 }] })).toBeGreaterThanOrEqual(
      early({}),
    ))
  test('a leakier lid lasts shorter', () =>
    expect(early({ leak: { lowLPerH: 2, highLPerH: 10, name: 'snap lid', knowledge: 'told' } })).toBeLessThan(
      early({ leak: { lowLPerH: 0.02, highLPerH: 0.2, name: 'clips', knowledge: 'told' } }),
    ))
  test('beads heated last week hold less than they did', () => {
    const heated = reckon({
      ...blind,
      charges: [{ ...charge!, heatings: [{ atS: facts.nowS - 7 * DAY, temperatureC: 115 }] }],
    })
    expect(heated.charges[0]!.waterG).toBeLessThan(reckon(blind).charges[0]!.waterG)
  })
  test('a weighing settles what the beads hold', () => {
    const weighed = reckon({
      charges: [
        {
          ...charge!,
          massKnowledge: 'measured',
          weighings: [{ atS: facts.nowS - DAY, waterG: report.charges[0]!.waterG, sigmaG: 0.8 }],
        },
      ],
    })
    const width = ({ charges: [c] }: typeof report) => c!.spread.high - c!.spread.low
    expect(width(weighed)).toBeLessThan(width(report))
  })
  test('a snap lid on a strict target can’t reach it, and a better lid is named', () => {
    const hopeless = reckon({
      ...blind,
      targetRhPercent: 10,
      leak: { lowLPerH: 6, highLPerH: 10, name: 'snap lid', knowledge: 'told' },
    })
    expect(hopeless.floor!.probabilityAboveTarget).toBeGreaterThan(0.8)
    expect(hopeless.floor!.wouldDo).toMatch(/foam strip|clips|tight lid/)
  })
})

test('without a target there is no date, and nothing breaks', () => {
  const none = reckon({ targetRhPercent: null, spools: [] })
  expect(none.leaves).toBeNull()
  expect(none.worth).toEqual([])
  expect(none.floor).toBeNull()
})

test('a box made this minute is reckoned from its priors', () => {
  const newborn = reckon({
    fromS: facts.nowS,
    readings: [],
    charges: facts.charges.map(c => ({ ...c, inS: facts.nowS })),
    spools: facts.spools.map(s => ({ ...s, inS: facts.nowS })),
  })
  expect(newborn.effectiveDraws).toBeGreaterThan(75)
  expect(Number.isFinite(newborn.charges[0]!.waterG)).toBe(true)
})
