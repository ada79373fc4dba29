import { expect, test } from '@jest/globals'
import { bestWay, type WaysKnown } from './four-ways.ts'

const known = (part: Partial<WaysKnown>): WaysKnown => ({
  isPast: false,
  where: 'open',
  hereDays: 3,
  boxDays: null,
  driesDays: null,
  heatDays: 0.3,
  ...part,
})
test.each([
  ['sealed and fit to print', { where: 'bag' }, 'leave'],
  ['in the open, and it never suffers there', { hereDays: null }, 'leave'],
  ['in the open for weeks yet', { hereDays: 40 }, 'leave'],
  ['in the open, and a box keeps it', {}, 'box'],
  ['in the open, and no box is better', { boxDays: 2 }, 'leave'],
  ['in the open without any box', { boxDays: undefined }, 'leave'],
  ['damp, and a box dries it in a week', { isPast: true, driesDays: 7 }, 'let dry'],
  ['damp, and a box takes a month', { isPast: true, driesDays: 30 }, 'heat'],
  ['damp nylon no box dries', { isPast: true, driesDays: null }, 'heat'],
  ['damp, no heat does it, a box takes a month', { isPast: true, driesDays: 30, heatDays: null }, 'let dry'],
  ['damp, and nothing here does it', { isPast: true, heatDays: null }, 'leave'],
] as const)('%s', (_what, part, way) => expect(bestWay(known(part))).toBe(way))
