import { basename } from 'node:path'
import TestSequencer from '@jest/test-sequencer'

/** Files that take longest, though they are not the largest: one begun last would have the others wait for it. */
const LONGEST = [
  'plan.test.ts',
  'kit.test.ts',
  'access.test.ts',
  'keeping.test.ts',
  'narrow.test.ts',
  'dom-1.mjs',
  'dom-2.mjs',
  'dom-3.mjs',
  'spools.dom.test.tsx',
]

const placeOf = test => {
  const at = LONGEST.indexOf(basename(test.path))
  return at < 0 ? LONGEST.length : at
}

export default class extends TestSequencer {
  sort(tests) {
    return super.sort(tests).sort((a, b) => placeOf(a) - placeOf(b))
  }
}
