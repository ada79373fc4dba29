import { describe, expect, test } from '@jest/globals'
import { measures } from './measures.ts'

const metric = measures({ temperatureScale: 'C', lengthUnit: 'mm', weightUnit: 'g', volumeUnit: 'L' })
const other = measures({ temperatureScale: 'F', lengthUnit: 'in', weightUnit: 'oz', volumeUnit: 'qt' })

describe('a unit that is typed is meant', () => {
  test.each([
    ['5 oz in a field of grams', metric.weight.parse('5 oz'), 141.747_615_625],
    ['142 g in a field of ounces', other.weight.parse('142 g'), 142],
    ['150 °F in a field of °C', metric.temperature.parse('150 °F'), 65.555_555_6],
    ['150f', metric.temperature.parse('150f'), 65.555_555_6],
    ['65 C in a field of °F', other.temperature.parse('65 C'), 65],
    ['2 in in a field of millimetres', metric.length.parse('2 in'), 50.8],
    ['50,8 mm in a field of inches', other.length.parse('50,8 mm'), 50.8],
    ['4 L in a field of quarts', other.volume.parse('4 L'), 4],
    ['its own', metric.weight.parse('12,5 g'), 12.5],
    ['none', other.weight.parse('2'), 56.699_046_25],
  ])('%s', (_what, found, expected) => expect(found).toBeCloseTo(expected, 6))
  test.each([
    ['millimetres in a field of grams', metric.weight.parse('5 mm')],
    ['grams in a field of degrees', metric.temperature.parse('55 g')],
    ['litres in a field of millimetres', metric.length.parse('5 L')],
    ['no number at all', metric.weight.parse('g')],
    ['nothing', metric.weight.parse('')],
  ])('%s is no value', (_what, found) => expect(found).toBeNaN())
})
