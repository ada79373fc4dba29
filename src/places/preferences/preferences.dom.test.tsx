import { afterEach, describe, expect, test } from '@jest/globals'
import { cleanup, fireEvent, screen } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import { boxView } from '#journal/box-view.ts'
import { fold } from '#journal/fold.ts'
import type { Preferences } from '#store/preferences.ts'
import { measures } from '#ui/measures.ts'
import { BoxFigure } from '../box/box-figure.tsx'
import { GramsLine } from '../box/grams-line.tsx'
import { NOW, renderPlace } from '#testing/place-harness.tsx'
import PreferencesPlace from './preferences-place.tsx'

afterEach(cleanup)
const view = boxView(fold(boathouseLoft(NOW, 'UTC')), 'launch', NOW)!
const inches: Partial<Preferences> = {
  lengthUnit: 'in',
  weightUnit: 'oz',
  volumeUnit: 'qt',
  temperatureScale: 'F',
}

describe('units', () => {
  const imperial = measures({ temperatureScale: 'F', lengthUnit: 'in', weightUnit: 'oz', volumeUnit: 'qt' })
  // exact definitions: inch 25.4 mm, avoirdupois ounce 28.349523125 g, US liquid quart 0.946352946 L
  test.each([
    ['length', 254, '10.00\u2006in'],
    ['weight', 28.349523125 * 4, '4.00\u2006oz'],
    ['volume', 0.946352946 * 30, '30\u2006qt'],
    ['temperature', 20, '68.0\u2006°F'],
  ] as const)('%s %f is shown as %s and typed back', (quantity, value, text) => {
    expect(imperial[quantity].text(value)).toBe(text)
    expect(imperial[quantity].parse(text)).toBeCloseTo(value, 9)
    expect(imperial[quantity].parse(imperial[quantity].field(value))).toBeCloseTo(value, 1)
  })
  test('a field filled and not touched gives back what was kept, to what can be measured', () => {
    for (const grams of [7, 118, 240, 993])
      expect(imperial.weight.parse(imperial.weight.field(grams))).toBeCloseTo(grams, 1)
    for (const mm of [104, 398, 548])
      expect(imperial.length.parse(imperial.length.field(mm))).toBeCloseTo(mm, 1)
  })
})

describe('preferences', () => {
  test('each is chosen by its word, the chosen one is marked, the sample follows', async () => {
    renderPlace(<PreferencesPlace />, { preferences: inches })
    expect(await screen.findByText(/15\.16.in, 19.qt, with 8\.47.oz of beads at 46\.4.°F/)).toBeTruthy()
    expect(screen.getByLabelText<HTMLInputElement>('inches').checked).toBe(true)
    expect(screen.getByLabelText<HTMLInputElement>('millimetres').checked).toBe(false)
    fireEvent.change(screen.getByLabelText(/A kilogram of new beads/), { target: { value: 'much' } })
    expect(screen.getByText(/A price is a number from 0 to 100 000/)).toBeTruthy()
  })
  test('drawings and sentences follow; grams wanted are money where a price is told', () => {
    renderPlace(
      <>
        <BoxFigure view={view} report={undefined} />
        <GramsLine
          view={view}
          failed={false}
          wanted={[{ remedy: 'as it is', weeks: 8, grams: 200, perDraw: [190, 200] }] as never}
        />
      </>,
      { preferences: { ...inches, beadsPricePerKg: 16, currency: 'GBP' } },
    )
    const text = document.body.textContent.replaceAll('\u2006', ' ')
    expect(text).toMatch(/21\.57 in/)
    expect(text).toMatch(/\d+ qt/)
    expect(text).toMatch(/7\.05 oz \(6\.70–7\.05\), £3\.20 would hold 8 weeks/)
    expect(text).not.toMatch(/\d g\b|\bmm\b/)
  })
})
