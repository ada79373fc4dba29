import { describe, expect, test } from '@jest/globals'
import { MATERIALS } from '../filament/catalogue.ts'
import { settlesAtS, USUAL_HYGROMETER } from '../reading/hygrometer.ts'
import { scaleSlip } from '../reading/scale-slip.ts'
import { judgeBox, type BoxEvidence } from './box.ts'
import { knowledgeWord } from './knowledge.ts'
import { readingWord } from './reading.ts'
import { spoolWord } from './spool.ts'

const DAY = 86_400
const at = (early: number, late: number) => ({
  earlyS: early * DAY,
  lateS: late * DAY,
  middleS: ((early + late) / 2) * DAY,
  shareNow: 0.1,
})
const word = (relativeHumidityPercent: number, target = 25, settled = true) =>
  readingWord(USUAL_HYGROMETER, { relativeHumidityPercent, settled }, target)

describe('reading', () => {
  // ±5 % taken as two standard deviations, target 25: holds up to 22, near 23–27, over from 28
  test.each([
    [15, 'holds'],
    [22, 'holds'],
    [23, 'near'],
    [25, 'near'],
    [27, 'near'],
    [28, 'over'],
    [60, 'over'],
  ])('%d %% of 25 is %s', (rh, expected) => expect(word(rh)).toBe(expected))
  test('too early while it settles', () => expect(word(15, 25, false)).toBe('too early'))
  test('blind at the floor with the target there', () => {
    expect(word(10, 10)).toBe('blind')
    expect(word(10, 15)).toBe('holds')
    expect(word(14, 10)).toBe('over')
  })
})

describe('box', () => {
  const evidence: BoxEvidence = {
    nowS: 1000 * DAY,
    targetRhPercent: 25,
    readingWord: 'holds',
    overSinceS: null,
    renewedS: null,
    settlesForS: DAY,
    hasCharge: true,
    hasWeighing: false,
    leaves: at(1040, 1090),
    floor: { rhPercent: 8, probabilityAboveTarget: 0.01, wouldDo: 'a foam strip' },
    amiss: null,
    contradicted: false,
    isFirstOver: false,
    readAgainS: null,
    atTarget: false,
  }
  test.each<[string, Partial<BoxEvidence>, string]>([
    ['weeks left', {}, 'good until'],
    ['within a fortnight', { leaves: at(1009, 1030) }, 'renew by'],
    ['the target may be lost already', { leaves: at(990, 1003) }, 'renew by'],
    ['a tail of the draws is over, the reading holds', { leaves: at(999, 1300) }, 'may be over'],
    ['the same, read near', { leaves: at(999, 1300), readingWord: 'near' }, 'renew by'],
    [
      'renewed an hour ago',
      { renewedS: 999.9 * DAY, readingWord: 'over', overSinceS: 980 * DAY },
      'settling',
    ],
    [
      'renewed, not read since',
      { renewedS: 990 * DAY, readingWord: 'over', overSinceS: 980 * DAY },
      'settling',
    ],
    ['renewed last week, held before', { renewedS: 990 * DAY }, 'good until'],
    ['renewed today, held before', { renewedS: 999.5 * DAY }, 'settling'],
    ['read over', { readingWord: 'over', overSinceS: 980 * DAY }, 'over since'],
    [
      'floor above target',
      { floor: { rhPercent: 16, probabilityAboveTarget: 0.95, wouldDo: 'a foam strip' } },
      "can't reach",
    ],
    ['never read', { readingWord: null }, 'not known'],
    ['blind', { readingWord: 'blind' }, 'not known'],
    ['blind but weighed', { readingWord: 'blind', hasWeighing: true }, 'good until'],
    [
      'its lid slipped',
      { amiss: { cause: 'leak', sinceS: 990 * DAY }, readingWord: 'over', overSinceS: 995 * DAY },
      'amiss',
    ],
    ['no account fits', { contradicted: true }, 'not known'],
    [
      'one reading over that fits nothing before it',
      { contradicted: true, isFirstOver: true, readingWord: 'over', overSinceS: 0 },
      'not known',
    ],
    [
      'a second one over',
      { contradicted: true, isFirstOver: false, readingWord: 'over', overSinceS: 0 },
      'over since',
    ],
    ['too wide to act by', { readAgainS: 1005 * DAY }, 'read again'],
    [
      'too wide, but its display stands at the target',
      { readAgainS: 1005 * DAY, atTarget: true, readingWord: 'near' },
      'renew by',
    ],
    ['no beads', { hasCharge: false }, 'not known'],
    ['no spool', { targetRhPercent: null }, 'not known'],
    ['no forecast yet', { leaves: null }, 'not known'],
  ])('%s', (_, change, expected) => expect(judgeBox({ ...evidence, ...change }).word).toBe(expected))
  test('a date never lies before today', () => {
    const judgement = judgeBox({ ...evidence, leaves: at(990, 995) })
    expect(judgement).toEqual({ word: 'renew by', dateS: 1000 * DAY, latestS: 1000 * DAY })
  })
})

test('knowledge: seen or reckoned', () => {
  expect(knowledgeWord(998.6 * DAY, 1000 * DAY)).toEqual({ word: 'seen', daysAgo: 1 })
  expect(knowledgeWord(970 * DAY, 1000 * DAY)).toEqual({ word: 'reckoned' })
  expect(knowledgeWord(null, 1000 * DAY)).toEqual({ word: 'reckoned' })
})

test('spool: clean, usable, expect trouble', () => {
  expect(spoolWord(MATERIALS.PLA, 0.1)).toBe('clean')
  expect(spoolWord(MATERIALS.PLA, 0.2)).toBe('usable')
  expect(spoolWord(MATERIALS.PLA, 0.46)).toBe('expect trouble')
  expect(spoolWord(MATERIALS.PP, 0.06)).toBe('usable')
})

test('a reading settles 6 h after an opening and 24 h after a new charge', () => {
  const taken = { atS: 10 * 3600, openedS: 5 * 3600, chargedS: null }
  expect(settlesAtS(USUAL_HYGROMETER, taken)).toBe(11 * 3600)
  expect(settlesAtS(USUAL_HYGROMETER, { ...taken, chargedS: 0 })).toBe(24 * 3600)
  expect(settlesAtS(USUAL_HYGROMETER, { ...taken, openedS: 0 })).toBeNull()
})

describe('a slip of scale', () => {
  test('64 in a °C field beside a loft at 17 °C was °F', () => {
    const slip = scaleSlip({ value: 64, scale: 'C', nearC: [17, 16] })
    expect(slip?.asTypedC).toBe(64)
    expect(slip?.otherwiseC).toBeCloseTo(17.8, 1)
  })
  test('18 in a °F field beside a loft at 17 °C was °C', () =>
    expect(scaleSlip({ value: 18, scale: 'F', nearC: [17] })?.otherwiseC).toBe(18))
  test('nothing to ask of a plausible value, a cold snap or a hot loft', () => {
    expect(scaleSlip({ value: 19, scale: 'C', nearC: [17] })).toBeNull()
    expect(scaleSlip({ value: 2, scale: 'C', nearC: [17] })).toBeNull()
    expect(scaleSlip({ value: 38, scale: 'C', nearC: [30] })).toBeNull()
  })
  test('with nothing known only the impossible is asked about', () => {
    expect(scaleSlip({ value: 68, scale: 'C', nearC: [] })?.otherwiseC).toBe(20)
    expect(scaleSlip({ value: 30, scale: 'C', nearC: [] })).toBeNull()
  })
})
