import { afterEach, expect, test } from '@jest/globals'
import { cleanup, render, screen } from '@testing-library/react'
import { dateAnswer, shareAnswer, targetAnswer } from '#core/answers/answers.ts'
import { curveOf, ShareCurve } from './share-curve.tsx'

afterEach(cleanup)
const DAY_S = 86_400
const dates = Array.from({ length: 19 }, (_, i) => ({ share: (i + 1) / 20, atS: (10 + 3 * i) * DAY_S }))

test('a date’s shares are a curve that rises from the first to the last; nothing else is', () => {
  const curve = curveOf(dateAnswer('good until', 0.1, dates, 200).because)!
  expect(curve).toHaveLength(19)
  expect(curve[0]).toEqual({ share: 0.05, value: 10 * DAY_S })
  expect(curve.at(-1)!.share).toBeCloseTo(0.95)
  const sorted = curveOf(shareAnswer('grams', 'g', 0.5, [10, 20, 30, 40], 'one draw').because)!
  expect(sorted.map(point => point.share)).toEqual([0.25, 0.5, 0.75, 1])
  expect(curveOf(targetAnswer([{ name: 'PLA', rhPercent: 40 }]).because)).toBeNull()
})

test('dates that lie beyond the forecast’s end are no points of it, and the reason says so', () => {
  const late = dates.map(date => (date.share > 0.55 ? { ...date, atS: 400 * DAY_S } : date))
  const { because } = dateAnswer('middle date', 0.5, late, 200)
  const curve = curveOf(because)!
  expect(curve.at(-1)!.share).toBeCloseTo(0.55)
  expect(because.note).toMatch(/beyond a year/)
})

const drawn = (share: number, points = curveOf(dateAnswer('x', share, dates, 9).because)!) =>
  render(<ShareCurve points={points} share={share} text={value => `day ${Math.round(value / DAY_S)}`} />)

test('the share is read across to the curve and down to its value', () => {
  drawn(0.5)
  const picture = screen.getByRole('img')
  expect(picture.getAttribute('aria-label')).toBe(
    'Of all draws, 50 in a hundred come to day 37; the first to day 10, the last shown to day 64',
  )
  expect(screen.getByText('day 37')).toBeTruthy()
  expect(screen.getByText('day 10')).toBeTruthy()
  const dot = picture.querySelector('circle')!
  // half way up, half way along
  expect(Number(dot.getAttribute('cy'))).toBeCloseTo(66)
  expect(Number(dot.getAttribute('cx'))).toBeCloseTo(193)
})

test('an end that would lie under the value’s word gives way; a share beyond the curve has no dot', () => {
  drawn(0.05)
  expect(screen.getAllByText('day 10')).toHaveLength(1)
  cleanup()
  drawn(0.9, curveOf(dateAnswer('x', 0.9, dates.slice(0, 8), 9).because)!)
  expect(screen.getByRole('img').querySelector('circle')).toBeNull()
})

test('values that are all alike make no curve', () => {
  const flat = curveOf(shareAnswer('grams', 'g', 0.5, [5, 5, 5, 5], 'one draw').because)!
  const { container } = drawn(0.5, flat)
  expect(container.querySelector('svg')).toBeNull()
})
