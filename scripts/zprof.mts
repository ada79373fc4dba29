import { readFileSync } from 'node:fs'
import { unpacked } from '../src/testing/histories/packed.ts'
import { ensembleOf } from '../src/core/estimate/estimate-box.ts'
const list = JSON.parse(readFileSync(`.tmp/dev/truly.json`, 'utf8')).map(unpacked)
for (const i of [3, 7, 10, 14, 18, 22]) ensembleOf(list[i].facts)
