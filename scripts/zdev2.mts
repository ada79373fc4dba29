import { readFileSync, writeFileSync } from 'node:fs'
import { packed } from '../src/testing/histories/packed.ts'
import { DEVELOPED, toldTruly } from '../src/testing/histories/sets.ts'
const all = JSON.parse(readFileSync('.tmp/dev.json', 'utf8'))
all['truly'] = [
  ...all['truly'].slice(0, 160),
  ...Array.from({ length: 200 }, (_, i) => packed(toldTruly(160 + i, DEVELOPED))),
]
writeFileSync('.tmp/dev.json', JSON.stringify(all))
