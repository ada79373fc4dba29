// The zero of the Celsius scale and a bare hundred belong to src/units alone; everywhere else a conversion is named.
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from './set-up.mjs'

const SUSPECT = /273\.15|[^\w.](?:\/|\*) 100\b(?!\d)/
const bad = []
for (const file of readdirSync(join(root, 'src/core'), { recursive: true }).map(String)) {
  if (!/\.ts$/.test(file) || /\.test\.ts$/.test(file)) continue
  readFileSync(join(root, 'src/core', file), 'utf8')
    .split('\n')
    .forEach((line, i) => {
      const code = line.replace(/\/\/.*|^\s*\*.*/, '')
      if (SUSPECT.test(` ${code}`)) bad.push(`src/core/${file}:${i + 1}: ${line.trim()}`)
    })
}
if (bad.length > 0) {
  console.error(`Name these conversions (src/units):\n${bad.join('\n')}`)
  process.exit(1)
}
