import { describe, expect, test } from '@jest/globals'
import { boathouseLoft } from '#testing/loft-once.ts'
import { makeAct, type Draft } from '#records/act.ts'
import { historyData } from './history-data.ts'
import { judge } from '#session/judgement.ts'
import { boxView } from '#journal/box-view.ts'
import { fold } from '#journal/fold.ts'

const NOW = Date.UTC(2025, 10, 8, 10)
const DAY = 86_400_000
let count = 0
const maker = { nowMs: () => NOW, zone: 'UTC', newId: () => `n${++count}` }
const acts = boathouseLoft(NOW, 'UTC')
const view = (drafts: readonly Draft[], boxId: string, atMs = NOW) =>
  boxView(fold([...acts, makeAct(maker, 'x', drafts)]), boxId, atMs)!
const heat = (boxId: string, atMs: number): Draft => ({
  kind: 'charge.heated',
  atMs,
  payload: { chargeId: `${boxId}-beads`, temperatureC: 115, hours: 2, oven: 'electric', roomId: null },
})
const HOUR = 3_600_000

describe('a renewal', () => {
  test('a box over its target is settling once it is renewed, until it is read', () => {
    expect(judge(view([], 'rigger'), undefined, NOW).word).toBe('over since')
    const renewed = view([heat('rigger', NOW - HOUR)], 'rigger')
    expect(judge(renewed, undefined, NOW)).toEqual({ word: 'settling', readS: (NOW - HOUR + DAY) / 1000 })
    const read: Draft = {
      kind: 'reading.taken',
      atMs: NOW + 2 * DAY,
      payload: {
        place: { in: 'box', boxId: 'rigger' },
        instrumentId: 'round-display',
        relativeHumidityPercent: 60,
        temperatureC: 7,
        temperatureKnown: 'measured',
      },
    }
    const later = view([heat('rigger', NOW - HOUR), read], 'rigger', NOW + 2 * DAY)
    expect(judge(later, undefined, NOW + 2 * DAY).word).toBe('over since')
  })
  test('a weighing from before it no longer opens a blind box’s eyes', () => {
    const weigh: Draft = {
      kind: 'charge.weighed',
      atMs: NOW - 2 * HOUR,
      payload: { chargeId: 'skeg-beads', grossG: 130, tareG: 0, scaleErrorG: 1 },
    }
    expect(view([weigh], 'skeg').hasWeighing).toBe(true)
    expect(view([weigh, heat('skeg', NOW - HOUR)], 'skeg').hasWeighing).toBe(false)
  })
  test('a swap leaves the earlier renewals on the chart', () => {
    const before = historyData(view([], 'ferry'), undefined, NOW, 'UTC').events.filter(
      ({ kind }) => kind === 'heat',
    )
    expect(before.length).toBeGreaterThan(0)
    const swapped = view(
      [
        {
          kind: 'charge.replaced',
          atMs: NOW - HOUR,
          payload: { boxId: 'ferry', outChargeId: 'ferry-beads', inChargeId: 'spare-beads-1' },
        },
      ],
      'ferry',
    )
    const after = historyData(swapped, undefined, NOW, 'UTC').events.filter(({ kind }) => kind === 'heat')
    expect(after).toEqual(expect.arrayContaining(before))
    expect(after).toHaveLength(before.length + 1)
  })
})
