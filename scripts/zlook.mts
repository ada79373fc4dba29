import { readFileSync } from 'node:fs'
import { unpacked } from '../src/testing/histories/packed.ts'
import { seededRandom } from '../src/core/estimate/random.ts'
import { between } from '../src/testing/histories/setting.ts'
const list = JSON.parse(readFileSync(`.tmp/dev/display.json`, 'utf8')).map(unpacked)
for (const i of [1, 2, 6, 11, 19, 0, 3]) {
  const { facts, seed } = list[i]
  const random = seededRandom(seed * 31 + 11)
  const atShare = between(random, 0.35, 0.6)
  const at = facts.fromS + atShare * (facts.nowS - facts.fromS)
  const shift = between(random, 8, 15)
  const day = (s: number) => ((s - facts.fromS) / 86400).toFixed(0)
  console.log(
    i,
    'shift',
    shift.toFixed(1),
    '@',
    day(at),
    'of',
    day(facts.nowS),
    'target',
    facts.targetRhPercent,
  )
  console.log(
    facts.readings
      .filter((r: any) => r.settled)
      .map((r: any) => `${day(r.atS)}:${r.displayId}${r.relativeHumidityPercent}`)
      .join(' '),
  )
}
