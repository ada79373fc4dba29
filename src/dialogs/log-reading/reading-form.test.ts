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
  expected: {
    rhPercent: { low: 18, middle: 21, high: 24 },
    nearC: [14, 13],
    accuracyPercentRh: 5,
    lastRhPercent: 21,
  },
  meant: false,
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

describe('a likely slip is asked about, as on the round', () => {
  test.each([
    ['nothing', { humidity: '0' }],
    ['share', { humidity: '0.34' }],
    ['jump', { humidity: '98' }],
    ['turned round', { humidity: '12' }],
  ])('%s', (kind, change) => {
    // 12 lies within what the display may show; further off it is asked about
    if (kind === 'turned round')
      return expect(
        check(
          { humidity: '52' },
          {
            expected: {
              ...context.expected,
              rhPercent: { low: 23, middle: 25, high: 27 },
              lastRhPercent: 25,
            },
          },
        ),
      ).toMatchObject({ kind: 'slip', slip: { kind } })
    expect(check(change)).toMatchObject({ kind: 'slip', slip: { kind } })
    expect(check(change, { meant: true })).toMatchObject({ kind: 'ready' })
  })
  test('RH and °C in each other’s field, where nothing is known of the place yet', () =>
    expect(
      check(
        { humidity: '21', temperature: '42' },
        { nearC: [], expected: { ...context.expected, rhPercent: null, nearC: [], lastRhPercent: null } },
      ),
    ).toMatchObject({ kind: 'slip', slip: { kind: 'swapped', rhPercent: 42, temperature: 21 } }))
})
