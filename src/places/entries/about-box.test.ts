import { expect, test } from '@jest/globals'
import { boathouseLoft } from '#testing/loft-once.ts'
import { fold } from '#journal/fold.ts'
import { inForce } from '#journal/in-force.ts'
import { makeAct, type Draft } from '#records/act.ts'
import { isAbout } from './about-box.ts'

const NOW = Date.UTC(2025, 10, 8, 10)
const DAY = 86_400_000
let count = 0
const maker = { nowMs: () => NOW, zone: 'UTC', newId: () => `n${++count}` }
const weighed = (daysAgo: number): Draft => ({
  kind: 'charge.weighed',
  atMs: NOW - daysAgo * DAY,
  payload: { chargeId: 'cox-beads', grossG: 60, tareG: 0, scaleErrorG: 1 },
})
const heated = (daysAgo: number): Draft => ({
  kind: 'charge.heated',
  atMs: NOW - daysAgo * DAY,
  payload: { chargeId: 'cox-beads', temperatureC: 115, hours: 2, oven: 'electric', roomId: null },
})
const away = (daysAgo: number): Draft => ({
  kind: 'charge.moved',
  atMs: NOW - daysAgo * DAY,
  payload: { chargeId: 'cox-beads', boxId: null },
})

test('a box’s weighings and heatings are about it, those done elsewhere are not', () => {
  const acts = [
    ...boathouseLoft(NOW, 'UTC'),
    makeAct(maker, 'x', [weighed(9), heated(8), away(5), weighed(3), heated(2)]),
  ]
  const about = isAbout(fold(acts), 'cox')
  const kinds = inForce(acts)
    .filter(item => item.atMs >= NOW - 9 * DAY && about(item))
    .map(({ entry }) => entry.kind)
    .filter(kind => kind.startsWith('charge.'))
  expect(kinds).toEqual(['charge.weighed', 'charge.heated', 'charge.moved'])
  // and nothing of another box
  expect(
    inForce(acts)
      .filter(isAbout(fold(acts), 'skeg'))
      .every(({ entry }) => !entry.subjects.includes('cox')),
  ).toBe(true)
})
