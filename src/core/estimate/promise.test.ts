import { describe, expect, test } from '@jest/globals'
import { secondsFromHours } from '#units/time.ts'
import { syntheticBox } from '#testing/synthetic-box.ts'
import { boxNetwork } from '../assemble/box-network.ts'
import { LIDS, type LidKind } from '../container/lid.ts'
import type { BoxFacts } from '../evidence/facts.ts'
import { simulate } from '../network/simulate.ts'
import { atHours, firstDay, firstDayMiss, PROMISED_HOURS, type FirstDay } from './promise.ts'
import { futureModel } from './model-of-draw.ts'
import { runDraw } from './run-draw.ts'
import { seededRandom, type RandomSource } from './random.ts'
import { unknownsOf } from './unknowns.ts'

const FLOOR = 10
/** A box as it is closed: nothing was read yet. */
function justClosed(seed: number, lid: LidKind): BoxFacts {
  const { facts } = syntheticBox(seededRandom(seed), 60, 7)
  const { lowLPerH, highLPerH } = LIDS[lid]
  return {
    ...facts,
    nowS: facts.fromS + 1,
    readings: [],
    leak: { ...facts.leak, lowLPerH, highLPerH },
  }
}

/** What a display showed 1, 6, 24 and 72 h after: whole per cent, its lag, its own error, its floor. */
function shown(facts: BoxFacts, random: RandomSource, leakTimes: number): number[] {
  const unknowns = unknownsOf(facts)
  const draw = runDraw(
    facts,
    unknowns,
    [],
    Float64Array.from(unknowns, () => random.normal()),
  )
  const lagHours = 0.2 + 0.6 * random.uniform()
  const future = futureModel({ model: draw.model, now: draw.now! })
  const model = {
    ...future,
    openings: [{ atS: facts.nowS + 1, openSeconds: 300 }],
    inlets: future.inlets.map(inlet =>
      inlet.by === 'lid'
        ? { by: 'lid' as const, conductanceLPerH: leakTimes * draw.values.leakLPerH }
        : inlet,
    ),
  }
  const steps = Array.from({ length: 432 }, (_, i) => (i + 1) / 6)
  const toS = facts.nowS + secondsFromHours(72)
  const run = simulate(boxNetwork(model, { fromS: facts.nowS, toS }, 0), {
    fromS: facts.nowS,
    toS,
    outputS: steps.map(hours => facts.nowS + secondsFromHours(hours)),
  })
  let sensor = draw.airRhNowPercent
  const sensors = steps.map(
    (_, i) => (sensor += (run.airRhPercent[i]! - sensor) * (1 - Math.exp(-1 / 6 / lagHours))),
  )
  return PROMISED_HOURS.map(hours =>
    Math.max(
      FLOOR,
      Math.round(sensors[steps.indexOf(hours)]! + draw.values.offsetsRh[0]! + 1.5 * random.normal()),
    ),
  )
}

const within = (promise: FirstDay, list: readonly number[]): boolean[] =>
  PROMISED_HOURS.map((hours, i) => {
    const low = atHours(promise, promise.lowRh, hours)!
    const high = Math.max(FLOOR, atHours(promise, promise.highRh, hours)!)
    return list[i]! <= high && (list[i]! >= low || list[i]! <= FLOOR)
  })

/** Of 100 readings, how many lie in their band, and how many boxes have all four there: as it leaks, and at ten times. */
function score(lid: LidKind, boxes: number) {
  const random = seededRandom(77)
  const all = Array.from({ length: boxes }, (_, seed) => {
    const facts = justClosed(500 + seed, lid)
    const promise = firstDay(facts)
    return [1, 10].map(times =>
      Array.from({ length: 10 }, () => within(promise, shown(facts, random, times))),
    )
  })
  const share = (list: readonly boolean[]) => (100 * list.filter(Boolean).length) / list.length
  const of = (index: number) => {
    const list = all.flatMap(one => one[index]!)
    return { readings: share(list.flat()), boxes: share(list.map(four => four.every(Boolean))) }
  }
  return { asItIs: of(0), tenTimes: of(1) }
}

describe('what the display should show in the first days', () => {
  test('truths drawn from the priors lie in their band, more than 85 readings of 100; ten times the leak does not', () => {
    const snap = score('snap', 10)
    expect(snap.asItIs.readings).toBeGreaterThanOrEqual(85)
    expect(snap.tenTimes.boxes).toBeLessThanOrEqual(25)
    // a tight lid at ten times its leak is a usual one: on the first days no display of ±5 could tell
    expect(score('clips', 4).asItIs.readings).toBeGreaterThanOrEqual(85)
  })

  const facts = justClosed(500, 'snap')
  const promise = firstDay(facts)
  const reading = (hours: number, rhPercent: number) => ({
    atS: promise.closedS + secondsFromHours(hours),
    rhPercent,
  })
  const along = (cause: string, by = 0) =>
    PROMISED_HOURS.map(hours => {
      const other = promise.otherwise.find(one => one.cause === cause)!
      return reading(hours, atHours(promise, other.rhPercent, hours)! + by)
    })
  test('the band narrows towards the middle, hour by hour', () => {
    promise.hours.forEach((_, i) => {
      expect(promise.lowRh[i]).toBeLessThanOrEqual(promise.middleRh[i]!)
      expect(promise.highRh[i]).toBeGreaterThanOrEqual(promise.middleRh[i]!)
    })
    expect(promise.middleRh[0]).toBeGreaterThan(promise.middleRh.at(-1)!)
    expect(atHours(promise, promise.middleRh, 80)).toBeNull()
    expect(atHours(promise, promise.middleRh, 0.1)).toBeNull()
  })
  test('readings inside it are no surprise; at the floor a display can say no less', () => {
    expect(
      firstDayMiss(
        promise,
        PROMISED_HOURS.map(h => reading(h, atHours(promise, promise.middleRh, h)!)),
        FLOOR,
      ),
    ).toBeNull()
    expect(firstDayMiss(promise, [reading(72, FLOOR)], FLOOR)).toBeNull()
    expect(firstDayMiss(promise, [], FLOOR)).toBeNull()
  })
  test.each(['leak', 'damp'] as const)('readings as with %s say so', cause => {
    const miss = firstDayMiss(promise, along(cause, 3), FLOOR)
    expect(miss?.cause).toBe(cause)
  })
  test('a display that stands apart from the first hour on', () =>
    expect(
      firstDayMiss(
        promise,
        PROMISED_HOURS.map(h => reading(h, atHours(promise, promise.middleRh, h)! + 12)),
        FLOOR,
      )?.cause,
    ).toBe('display'))
  test('equal facts, equal promises', () => expect(firstDay(facts)).toEqual(promise))
})
