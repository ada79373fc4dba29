import { expect, test } from '@jest/globals'
import { degreesText } from './heat-text.ts'
import { measures } from './measures.ts'

const inScale = (temperatureScale: 'C' | 'F') =>
  measures({ temperatureScale, lengthUnit: 'mm', weightUnit: 'g', volumeUnit: 'L' })

test.each([
  ['C', 43, '43 °C'],
  ['C', 43.4, '43 °C'],
  ['C', -3.6, '−4 °C'],
  ['F', 43, '109 °F'],
  ['F', 38, '100 °F'],
  ['F', 120, '248 °F'],
  ['F', 121.111, '250 °F'],
] as const)('a setting is whole degrees of its own scale: %s, %d', (scale, celsius, text) => {
  expect(degreesText(inScale(scale), celsius).replaceAll('\u2006', ' ')).toBe(text)
})
