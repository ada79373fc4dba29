import { writeFileSync } from 'node:fs'
import { packed } from '../src/testing/histories/packed.ts'
import {
  clearCases,
  DEVELOPED,
  toldTruly,
  toldWrongly,
  WRONGS,
  CASE_CAUSES,
} from '../src/testing/histories/sets.ts'
const [part, n, skip] = [process.argv[2]!, Number(process.argv[3]), Number(process.argv[4] ?? 0)]
const list = []
if (part === 'truly') for (let i = skip; i < skip + n; i++) list.push(packed(toldTruly(i, DEVELOPED)))
else if ((WRONGS as readonly string[]).includes(part))
  for (let i = skip; i < skip + n; i++) list.push(packed(toldWrongly(part as never, i, DEVELOPED)))
else
  for (const h of clearCases(part as never, DEVELOPED)) {
    list.push(packed(h))
    if (list.length === n) break
  }
writeFileSync(`.tmp/dev/${part}.json`, JSON.stringify(list))
console.log(part, list.length)
