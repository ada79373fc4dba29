import { expect, test } from '@jest/globals'
import { boathouseLoft } from '#testing/loft-once.ts'
import { fold } from '#journal/fold.ts'
import { replacedBy } from './round-steps.ts'

const NOW = Date.UTC(2025, 10, 8, 10)
const acts = boathouseLoft(NOW, 'UTC')
const { readings } = fold(acts)

test('a stop taken again takes back what came with it, never a whole file or round', () => {
  const inRound = readings.find(reading => acts.find(act => act.id === reading.actId)!.entries.length > 3)!
  expect(replacedBy(inRound, acts)).toBe(inRound.id)
  const alone = readings.find(reading => acts.find(act => act.id === reading.actId)!.entries.length === 1)!
  expect(replacedBy(alone, acts)).toBe(alone.actId)
  // an act brought in from elsewhere is not here by itself
  expect(replacedBy({ ...alone, actId: 'of another journal' }, acts)).toBe(alone.id)
})
