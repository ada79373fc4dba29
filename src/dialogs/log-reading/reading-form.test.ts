import { describe, expect, test } from '@jest/globals'
import { parseDecimal } from '#ui/decimal.ts'
import { checkReading, type FormContext, type ReadingForm } from './reading-form.ts'

const now = Date.parse('2026-03-29T10:00:00Z')
const form: ReadingForm = {
  place: 'box:b1',
  humidity: '21,5',
  temperature: '14.5',
  when: now,
  justOpened: false,
  meantC: null,
}
const context: FormContext = {
  nowMs: now,
  scale: 'C',
  instrumentId: 'i1',
  sinceMs: now - 9e9,
  nearC: [14, 13],
}
const check = (f: Partial<ReadingForm> = {}, c: Partial<FormContext> = {}) => {
  const checked = checkReading({ ...form, ...f }, { ...context, ...c })
  return checked.ok ? checked.kept : checked
}

test.each([
  ['19', 19],
  ['19,5', 19.5],
  [' 19.5 % ', 19.5],
  ['−3', -3],
  ['1e5', NaN],
  ['', NaN],
  ['1.2.3', NaN],
  ['12 °C', 12],
  ['abc', NaN],
])('%s is %d', (text, value) => expect(parseDecimal(text)).toEqual(value))

test('a decimal comma is taken', () =>
  expect(check()).toMatchObject({
    kind: 'ready',
    drafts: [
      {
        kind: 'reading.taken',
        payload: { relativeHumidityPercent: 21.5, temperatureC: 14.5, temperatureKnown: 'measured' },
      },
    ],
  }))

describe('refused, with the field and the remedy', () => {
  test.each([
    ['humidity', { humidity: '' }],
    ['humidity', { humidity: '120' }],
    ['humidity', { humidity: 'damp' }],
    ['temperature', { temperature: 'warm' }],
    ['temperature', { temperature: '-60' }],
    ['when', { when: now + 3_600_000 }],
    ['when', { when: NaN }],
    ['when', { when: now - 9e10 }],
  ])('%s', (field, change) => {
    const result = check(change)
    if (!('errors' in result)) throw new Error('not refused')
    expect(result.errors[field as 'when']).toMatch(/: /)
  })
})

describe('a slip of scale', () => {
  test('is asked about, both readings offered', () =>
    expect(check({ temperature: '58' })).toMatchObject({ kind: 'question', asTypedC: 58, typed: 58 }))
  test('is asked about the other way round in a °F field', () =>
    expect(check({ temperature: '15' }, { scale: 'F' })).toMatchObject({ kind: 'question', otherwiseC: 15 }))
  test('nothing is changed unasked, and the answer counts', () =>
    expect(check({ temperature: '58', meantC: 14.4 })).toMatchObject({
      kind: 'ready',
      drafts: [{ payload: { temperatureC: 14.4 } }],
    }))
  test('°F by preference is turned into °C', () =>
    expect(check({ temperature: '59' }, { scale: 'F' })).toMatchObject({
      kind: 'ready',
      drafts: [{ payload: { temperatureC: 15 } }],
    }))
})

test('left empty, the temperature is assumed from where the box last stood', () =>
  expect(check({ temperature: '' })).toMatchObject({
    drafts: [{ payload: { temperatureC: 14, temperatureKnown: 'assumed' } }],
  }))
test('a lid just opened is entered before the reading', () =>
  expect(check({ justOpened: true })).toMatchObject({
    drafts: [{ kind: 'box.opened' }, { kind: 'reading.taken' }],
  }))
test('a room is read too', () =>
  expect(check({ place: 'room:r1' })).toMatchObject({
    drafts: [{ payload: { place: { in: 'room', roomId: 'r1' } } }],
  }))
