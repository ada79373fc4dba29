import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Act, Maker } from '#records/act.ts'
import { makeBringing } from '#journal/merge.ts'
import { arbitraryJournal, inBytes, START } from '#testing/fixtures/arbitrary-journal.ts'
import { presentActs } from '#journal/in-force.ts'
import { readBackup } from './read-backup.ts'
import { writeBackup } from './write-backup.ts'

const runs = { seed: 5, numRuns: 120 }

test('saved, wiped, brought in, saved again: the same files but for the day', () => {
  fc.assert(
    fc.property(arbitraryJournal('a'), acts => {
      const save = (list: readonly Act[]) =>
        writeBackup(presentActs(list), { journal: 'own', savedAtMs: START })
      const first = save(acts)
      const read = readBackup(first)
      if (!read.ok) throw new Error(read.problem.message)
      const maker: Maker = { nowMs: () => START, zone: 'UTC', newId: () => 'again' }
      const again = [
        makeBringing(
          maker,
          'all of it',
          // as the store keeps them: the bytes that came
          read.acts.map(item => item.raw as unknown as Act),
        ),
      ]
      expect([...save(again)]).toEqual([...first])
      expect(inBytes(again)).toBe(inBytes(acts))
    }),
    runs,
  )
})
