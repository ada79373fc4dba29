import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { SIGN_NAMES, symptomsFound, type PrintSign, type PrintTrouble, type SignAnswer } from './symptoms.ts'

const seen = (signs: Partial<Record<PrintSign, 'yes' | 'no'>>): SignAnswer[] =>
  Object.entries(signs).map(([sign, one]) => ({ sign: sign as PrintSign, seen: one }))

describe('wet, or something else', () => {
  test.each<[string, PrintTrouble | null, SignAnswer[]]>([
    ['it sizzles and steams', 'wet', seen({ sizzles: 'yes', steam: 'yes' })],
    [
      'pits in straight walls, dull, this spool only, no heat mends it',
      'wet',
      seen({ pits: 'yes', dull: 'yes', 'other spools too': 'no', 'cooler helps': 'no' }),
    ],
    [
      'strings at travels, a cooler nozzle mends it',
      'heat or retraction',
      seen({ strings: 'yes', 'only at travels': 'yes', 'cooler helps': 'yes', sizzles: 'no' }),
    ],
    [
      'every spool prints thin',
      'printer',
      seen({ 'other spools too': 'yes', 'thin layers': 'yes', sizzles: 'no' }),
    ],
    [
      'it snaps, and prints quietly and clean',
      'brittle',
      seen({ snaps: 'yes', strings: 'no', sizzles: 'no', steam: 'no', pits: 'no' }),
    ],
    ['strings alone', null, seen({ strings: 'yes' })],
    ['nothing', null, []],
  ])('%s: %s', (_what, expected, answers) => expect(symptomsFound(answers, null).verdict).toBe(expected))

  test('drying that helped proves it, drying that changed nothing speaks against it most', () => {
    const strings = seen({ strings: 'yes' })
    expect(symptomsFound([...strings, ...seen({ 'drying helped': 'yes' })], null).verdict).toBe('wet')
    const against = symptomsFound([...strings, ...seen({ 'drying helped': 'no' })], 'expect trouble')
    expect(against.verdict).not.toBe('wet')
    const wet = against.ranked.find(one => one.trouble === 'wet')!
    expect(wet.speaksAgainst[0]).toBe('drying changed nothing')
    expect(wet.speaksFor).toContain('by its life so far its next print stands past its limit')
  })
  test('the same answers in any order say the same; a question is never asked twice', () => {
    const answers = fc.uniqueArray(
      fc.record({
        sign: fc.constantFrom(...SIGN_NAMES),
        seen: fc.constantFrom<'yes' | 'no'>('yes', 'no'),
      }),
      { selector: one => one.sign },
    )
    fc.assert(
      fc.property(answers, list => {
        const found = symptomsFound(list, null)
        expect(symptomsFound([...list].reverse(), null)).toEqual(found)
        if (list.length === SIGN_NAMES.length) expect(found.next).toBeNull()
        else expect(list.map(one => one.sign)).not.toContain(found.next!.sign)
        // what is listed for a trouble is never listed against it
        for (const { speaksFor, speaksAgainst } of found.ranked)
          for (const says of speaksFor) expect(speaksAgainst).not.toContain(says)
      }),
      { seed: 5, numRuns: 200 },
    )
  })
  test('more steam never makes it less wet', () => {
    const score = (list: SignAnswer[]) =>
      symptomsFound(list, null).ranked.find(one => one.trouble === 'wet')!.score
    const base = seen({ strings: 'yes', 'cooler helps': 'yes' })
    expect(score([...base, ...seen({ steam: 'yes' })])).toBeGreaterThan(score(base))
    expect(score([...base, ...seen({ steam: 'no' })])).toBeLessThan(score(base))
  })
})
