import { expect, test } from '@jest/globals'
import { renderHook } from '@testing-library/react'
import * as v from 'valibot'
import { dropDraft, readDraft, useDraft } from './draft.ts'

const schema = v.object({ humidity: v.pipe(v.string(), v.maxLength(5)) })
const at = (nowMs: number) => readDraft('a', schema, { nowMs, mostAgeMs: 1000 })
const type = (typed: object | null, nowMs = 5000) => {
  const clock = () => nowMs
  renderHook(() => useDraft('a', typed, clock))
}

test('what is typed is there again, for so long, and gone once it is kept', () => {
  type({ humidity: '31' })
  expect(at(5500)).toEqual({ humidity: '31' })
  expect(at(7000)).toBeNull()
  dropDraft('a')
  expect(at(5500)).toBeNull()
  type(null)
  expect(at(5500)).toBeNull()
})

test.each([
  ['no JSON', 'x'],
  ['another shape', JSON.stringify({ atMs: 5000, typed: { humidity: 31 } })],
  ['longer than a field', JSON.stringify({ atMs: 5000, typed: { humidity: '123456' } })],
  ['no time', JSON.stringify({ typed: { humidity: '31' } })],
  ['far too long', JSON.stringify({ atMs: 5000, typed: { humidity: 'x'.repeat(20_000) } })],
])('%s is no draft', (_, raw) => {
  window.sessionStorage.setItem('veld draft a', raw)
  expect(at(5000)).toBeNull()
})

test('a browser that refuses keeps none, and nothing breaks', () => {
  const descriptor = Object.getOwnPropertyDescriptor(window, 'sessionStorage')!
  Object.defineProperty(window, 'sessionStorage', {
    configurable: true,
    get: () => {
      throw new DOMException('denied', 'SecurityError')
    },
  })
  type({ humidity: '31' })
  expect(at(5000)).toBeNull()
  dropDraft('a')
  Object.defineProperty(window, 'sessionStorage', descriptor)
})
