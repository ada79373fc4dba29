import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, test } from '@jest/globals'
import { ASKS } from './asks.ts'
import { runCheck, type CheckGroup } from './run-check.ts'

const folder = 'docs/cases'
const groups = readdirSync(folder).map(
  file => JSON.parse(readFileSync(`${folder}/${file}`, 'utf8')) as CheckGroup,
)

describe.each(groups.map(group => [group.title, group] as const))('outside checks: %s', (_title, group) => {
  test.each(group.cases.map(item => [item.what, item] as const))('%s', (_what, item) => {
    const { value, low, high } = runCheck(item)
    expect(value).toBeGreaterThanOrEqual(low)
    expect(value).toBeLessThanOrEqual(high)
    expect(item.source.length).toBeGreaterThan(5)
  })
})

test('every ask is used, every id is its own', () => {
  const cases = groups.flatMap(group => group.cases)
  expect([...new Set(cases.map(item => item.ask))].sort()).toEqual(Object.keys(ASKS).sort())
  expect(new Set(cases.map(item => item.id)).size).toBe(cases.length)
})
