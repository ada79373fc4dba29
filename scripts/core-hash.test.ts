import { afterAll, beforeEach, expect, test } from '@jest/globals'
import { stop } from 'esbuild'
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { coreHash } from './core-hash.mjs'

const folder = mkdtempSync(join(tmpdir(), 'veld-hash-'))
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true })
  // the bundler's own process would outlive the test
  await stop()
})

const AIR = `export const half = (x: number): number => x / 2
export const twice = (x: number): number => x * 2
`
const write = (file: string, text: string) => {
  mkdirSync(join(folder, file, '..'), { recursive: true })
  writeFileSync(join(folder, file), text)
}
const hash = () => coreHash(['run.ts'], folder)
beforeEach(() => {
  write('src/core/air.ts', AIR)
  write('run.ts', `import { half } from './src/core/air.ts'\nconsole.log(half(3))\n`)
})

test.each([
  ['another comment', AIR.replace('export', '// of a share\nexport')],
  ['another layout', AIR.replace(' => x / 2', ' =>\n  x / 2')],
  ['another type', AIR.replace('x: number', 'x: 3')],
  ['what the run never calls', AIR.replace('x * 2', 'x + x')],
])('the same with %s', async (_, text) => {
  const before = await hash()
  write('src/core/air.ts', text)
  expect(await hash()).toBe(before)
})

test('another where a function it calls is another, through others too', async () => {
  const before = await hash()
  write('src/core/air.ts', AIR.replace('x / 2', 'x / 2.001'))
  const changed = await hash()
  expect(changed).not.toBe(before)
  write('src/core/air.ts', AIR.replace('x / 2', 'twice(x) / 4'))
  const through = await hash()
  write('src/core/air.ts', AIR.replace('x / 2', 'twice(x) / 4').replace('x * 2', 'x * 2.001'))
  expect(new Set([before, changed, through, await hash()]).size).toBe(4)
})

test('what is not of the core does not count', async () => {
  const before = await hash()
  write('run.ts', `import { half } from './src/core/air.ts'\nconsole.log('now', half(4))\n`)
  expect(await hash()).toBe(before)
})
