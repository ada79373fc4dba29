import { writeFileSync } from 'node:fs'
import { packed } from '../src/testing/histories/packed.ts'
import {
  CASE_CAUSES,
  clearCases,
  DEVELOPED,
  toldTruly,
  toldWrongly,
  WRONGS,
} from '../src/testing/histories/sets.ts'
const all: Record<string, unknown[]> = {}
all['truly'] = Array.from({ length: 160 }, (_, i) => packed(toldTruly(i, DEVELOPED)))
for (const w of WRONGS) all[w] = Array.from({ length: 20 }, (_, i) => packed(toldWrongly(w, i, DEVELOPED)))
writeFileSync('.tmp/dev.json', JSON.stringify(all))
for (const c of ['leak', 'display', 'opened', 'damp', 'spent'] as const) {
  all[c] = []
  for (const h of clearCases(c, DEVELOPED)) {
    all[c].push(packed(h))
    if (all[c].length >= (c === 'damp' ? 12 : 16)) break
  }
  writeFileSync('.tmp/dev.json', JSON.stringify(all))
}
