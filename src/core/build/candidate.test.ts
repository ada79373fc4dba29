import { describe, expect, test } from '@jest/globals'
import { vapourDensityOfRhGPerM3 } from '../air/vapour.ts'
import { wallAreaM2, wallConductanceLPerH } from '../container/wall.ts'
import { insideVolumeL } from '../container/container.ts'
import { USUAL_CLEARANCES, USUAL_SUPPORT } from './arrangement.ts'
import { judgeCandidate, mgPerDay, type Candidate, type Wish } from './candidate.ts'
import { insideL, surfaceM2, type Inside } from './inside.ts'
import { sizeQuestion } from './size-questions.ts'

const tote: Inside = {
  section: 'rectangular',
  rimMm: [370, 280],
  baseMm: [340, 256],
  heightMm: 270,
  blocks: [],
}
const candidate = (change: Partial<Candidate> = {}): Candidate => ({
  inside: tote,
  sizeWithin: 0,
  wall: 'PP',
  wallThicknessMm: 1.8,
  lid: 'foam',
  ...change,
})
const wish = (count: number, change: Partial<Wish> = {}): Wish => ({
  spools: Array.from({ length: count }, (_, i) => ({
    id: `s${i}`,
    name: `s${i}`,
    rimDiameterMm: 200,
    widthMm: 66,
    boreMm: 52,
    solidsL: 1,
  })),
  kinds: ['axle', 'rim', 'lying'],
  clearances: USUAL_CLEARANCES,
  support: USUAL_SUPPORT,
  outlets: 0,
  room: { temperatureC: 20, relativeHumidityPercent: 60 },
  targetRhPercent: 20,
  openingsPerMonth: 4,
  ...change,
})

describe('a container that might do', () => {
  test('takes what fits; one more wants the length it is short of, and with that it goes in', () => {
    const report = judgeCandidate(candidate(), wish(5))
    expect(report.found?.count).toBe(4)
    const { oneMoreWantsMm } = report
    const longer = (by: number) =>
      judgeCandidate(
        candidate({ inside: { ...tote, rimMm: [370 + by, 280], baseMm: [340 + by, 256] } }),
        wish(5),
      ).found?.count
    expect(oneMoreWantsMm).toBeGreaterThan(0)
    expect(longer(oneMoreWantsMm!)).toBe(5)
    expect(longer(oneMoreWantsMm! - 1)).toBe(4)
    expect(judgeCandidate(candidate(), wish(4)).oneMoreWantsMm).toBeNull()
    expect(report.boxesForAll).toBe(2)
  })
  test('an outline not measured takes a range; measured it takes one number', () => {
    const pencil = judgeCandidate(candidate({ sizeWithin: 0.08 }), wish(6))
    expect(pencil.fewest).toBeLessThan(pencil.most)
    const known = judgeCandidate(candidate(), wish(6))
    expect([known.fewest, known.most]).toEqual([known.found?.count, known.found?.count])
  })
  test('water by the walls is the wall’s own conductance times the drive; the lid’s range is that of practice', () => {
    const report = judgeCandidate(candidate(), wish(4, { outlets: 2 }))
    const drive =
      vapourDensityOfRhGPerM3({ temperatureC: 20, relativeHumidityPercent: 60 }) -
      vapourDensityOfRhGPerM3({ temperatureC: 20, relativeHumidityPercent: 20 })
    expect(report.driveGPerM3).toBeCloseTo(drive)
    const by = Object.fromEntries(report.ways.map(way => [way.by, way]))
    expect(by['walls']!.usualLPerH).toBeCloseTo(wallConductanceLPerH('PP', surfaceM2(tote), 1.8, 20))
    expect(by['lid']).toMatchObject({ lowLPerH: 0.2, highLPerH: 1 })
    // two couplers at the middle of their range, and one left open at most
    expect(by['outlets']!.usualLPerH).toBeCloseTo(2 * Math.sqrt(0.02 * 0.08))
    expect(by['outlets']!.highLPerH).toBeGreaterThan(0.16 + 0.2)
    // 0.447 L/h · 6.9 g/m³ · 24 h
    expect(mgPerDay(by['lid']!.usualLPerH, drive)).toBeCloseTo(Math.sqrt(0.2) * drive * 24)
  })
  test('openings let in vapour of the free air only: smaller boxes take less', () => {
    const large = judgeCandidate(candidate(), wish(1))
    const small = judgeCandidate(
      candidate({ inside: { ...tote, rimMm: [110, 230], baseMm: [105, 220] } }),
      wish(1),
    )
    expect(small.found?.count).toBe(1)
    expect(small.openingsGPerMonth).toBeLessThan(large.openingsGPerMonth / 3)
    expect(large.freeAirL).toBeCloseTo(large.insideL - 1)
  })
  test('nothing that goes in: no tightest place, no count, and the rest is still told', () => {
    const none = judgeCandidate(
      candidate({ inside: { ...tote, heightMm: 150 } }),
      wish(2, { kinds: ['axle'] }),
    )
    expect(none).toMatchObject({ found: null, fewest: 0, tightest: null, boxesForAll: null })
    expect(none.ways.length).toBe(2)
  })
})

describe('the inside', () => {
  test('volume and surface agree with the container’s own formulas where both ends taper alike', () => {
    const share = 0.88
    const inside: Inside = { ...tote, baseMm: [370 * share, 280 * share] }
    const size = { widthMm: 370, depthMm: 280, heightMm: 270 }
    expect(insideL(inside)).toBeCloseTo(insideVolumeL('rectangular', size, share), 6)
    // that formula takes walls as upright; they lean by less than a hundredth of their height
    expect(surfaceM2(inside) / wallAreaM2(size, share)).toBeCloseTo(1, 1)
  })
  test('a round one is π/4 of the square about it', () => {
    const round: Inside = { ...tote, section: 'round', rimMm: [290, 290], baseMm: [290, 290] }
    expect(insideL(round)).toBeCloseTo((Math.PI / 4) * 0.29 * 0.29 * 0.27 * 1000)
    expect(surfaceM2(round)).toBeCloseTo(Math.PI * 0.29 * 0.27 + (Math.PI / 2) * 0.29 ** 2)
  })
})

describe('sizes that can’t be meant', () => {
  test('inches typed as millimetres: both readings', () => {
    const question = sizeQuestion({ ...tote, rimMm: [22, 11], baseMm: [20, 10], heightMm: 12 }, null)
    expect(question?.kind).toBe('inches')
    if (question?.kind !== 'inches') return
    question.asInches.forEach((mm, i) => expect(mm).toBeCloseTo([558.8, 279.4, 304.8][i]!))
    expect(question.asInchesL / question.asMmL).toBeCloseTo(25.4 ** 3)
  })
  test('litres that contradict the lengths: what the lengths hold, and the height the litres would want', () => {
    const question = sizeQuestion(tote, 45)
    expect(question?.kind).toBe('litres')
    if (question?.kind !== 'litres') return
    expect(insideL({ ...tote, heightMm: question.heightMm })).toBeCloseTo(45)
    // makers round, and count to the brim
    expect(sizeQuestion(tote, 1.15 * insideL(tote))).toBeNull()
    expect(sizeQuestion(tote, null)).toBeNull()
  })
})
