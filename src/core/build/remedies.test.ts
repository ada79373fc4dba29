import { describe, expect, test } from '@jest/globals'
import { asked, boxOf, spoolOf } from '#testing/packing.ts'
import type { Arrangement } from './arrangement.ts'
import { clearancesOf, liftRoomMm, missingMm, shortagesOf, standingSpools } from './clearances.ts'
import { findArrangement } from './find-arrangement.ts'
import { remediesFor } from './remedies.ts'

const spools = [spoolOf('a', 200, 66), spoolOf('b', 200, 66)]
const of = asked(boxOf([300, 230], [300, 230], 240))
/** Two on a rod, the rod so high, the second so far along. */
const hung = (rodMm: number, secondMm: number): Arrangement => ({
  kind: 'axle',
  axis: 0,
  lines: [
    {
      at: [0, 0, rodMm],
      spools: [
        { id: 'a', alongMm: -60 },
        { id: 'b', alongMm: secondMm },
      ],
    },
  ],
})
const short = (arrangement: Arrangement) => shortagesOf(clearancesOf(arrangement, spools, of))

describe('a conflict says what is missing, and a way out that works', () => {
  test('worked by hand: a rod at 152 leaves 8 under the lid of the 10 asked', () => {
    // the middle hangs 20 below: 152 − 20 + 100 = 232 of 240
    const [worst] = short(hung(152, 60))
    expect(worst).toMatchObject({ to: { what: 'face', face: 'lid' }, asks: 'lidMm', askedMm: 10 })
    expect(worst!.isMm).toBeCloseTo(8)
    expect(missingMm(worst!)).toBeCloseTo(2)
    const remedies = remediesFor(hung(152, 60), spools, of, null)
    expect(remedies[0]).toMatchObject({ kind: 'rod', byMm: -2 })
    expect(remedies.at(-1)).toMatchObject({ kind: 'ask less', byMm: 8 })
  })
  test('every remedy offered leaves nothing short', () => {
    for (const arrangement of [hung(152, 60), hung(140, 8), hung(140, 113), hung(124, 60)])
      for (const remedy of remediesFor(
        arrangement,
        spools,
        of,
        findArrangement('axle', spools, of)!.arrangement,
      ))
        expect(shortagesOf(clearancesOf(remedy.arrangement, spools, remedy.asked))).toEqual([])
  })
  test('too near each other: moved along, or put as Veld would', () => {
    // 68 apart, 66 wide: 2 between of the 6 asked
    const remedies = remediesFor(hung(140, 8), spools, of, findArrangement('axle', spools, of)!.arrangement)
    expect(remedies.map(remedy => remedy.kind)).toEqual(['along', 'arrange', 'leave out', 'ask less'])
    expect(Math.abs(remedies[0]!.byMm)).toBe(4)
  })
  test('through each other: asking less is no way out', () => {
    const kinds = remediesFor(hung(140, -40), spools, of, null).map(remedy => remedy.kind)
    expect(kinds).not.toContain('ask less')
    expect(kinds).toContain('leave out')
  })
  test('nothing short, nothing to mend', () =>
    expect(remediesFor(hung(140, 60), spools, of, null)).toEqual([]))
})

describe('lifting a spool out', () => {
  const lift = (blocks: Parameters<typeof boxOf>[3]) => {
    const ledged = asked(boxOf([300, 230], [300, 230], 260, blocks))
    const [one] = standingSpools(hung(140, 60), spools, ledged)
    return liftRoomMm(one!, ledged)
  }
  test('between straight walls it has the room of the walls', () =>
    expect(lift([])).toEqual({ over: null, roomMm: 15 }))
  test('a ledge over it takes of that, and is named', () => {
    const ledge = { name: 'ledge', from: [-150, 105, 230], to: [150, 115, 240] } as const
    // the middle passes the ledge: 105 − 100
    expect(lift([ledge])).toEqual({ over: 'ledge', roomMm: 5 })
  })
})
