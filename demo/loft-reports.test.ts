import { expect, test } from '@jest/globals'
import { readFileSync } from 'node:fs'
import { loftReports } from './loft-reports.ts'

/** Another machine may round a power elsewhere; a changed model moves figures far more. */
const ROUNDING = 1e-6

const numbersIn = (value: unknown, path = ''): [string, unknown][] =>
  typeof value === 'object' && value !== null
    ? Object.entries(value).flatMap(([key, item]) => numbersIn(item, `${path}/${key}`))
    : [[path, value]]

test('the demonstration reckons to what it did: dates, RH, grams', () => {
  const frozen: unknown = JSON.parse(
    readFileSync(new URL('fixtures/loft-reports.json', import.meta.url), 'utf8'),
  )
  const now = new Map(numbersIn(loftReports()))
  const before = numbersIn(frozen)
  expect([...now.keys()]).toEqual(before.map(([path]) => path))
  const moved = before.filter(([path, was]) => {
    const is = now.get(path)
    return typeof was === 'number' && typeof is === 'number'
      ? Math.abs(is - was) > ROUNDING * Math.max(1, Math.abs(was))
      : is !== was
  })
  expect(moved.map(([path, was]) => `${path}: ${String(was)} → ${String(now.get(path))}`)).toEqual([])
})
