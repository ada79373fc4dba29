import { expect, test } from '@jest/globals'
import { vapourDiffusivityM2PerS } from '../air/diffusivity.ts'
import { DESICCANTS } from '../desiccant/catalogue.ts'
import { byTable } from './by-temperature.ts'
import { lawFactor } from './law.ts'

const SMOOTH: readonly (readonly [string, (temperatureC: number) => number])[] = [
  ['silica gel', DESICCANTS['silica-a'].sorbent.perUnitGPerL],
  ['sieve', DESICCANTS['sieve-4a'].sorbent.perUnitGPerL],
  ['strong wall', lawFactor({ kind: 'arrhenius', activationKJPerMol: 60, referenceC: 23 })],
  ['diffusion', temperatureC => vapourDiffusivityM2PerS(temperatureC)],
]
test.each(SMOOTH)('%s off the table is the function itself within 1e-6', (_name, fn) => {
  const table = byTable(fn)
  expect(byTable(fn)).toBe(table)
  for (let temperatureC = -35; temperatureC < 150; temperatureC += 0.37)
    expect(Math.abs(table(temperatureC) / fn(temperatureC) - 1)).toBeLessThan(1e-6)
  expect(table(500)).toBe(fn(500))
})
