import { describe, expect, test } from '@jest/globals'
import { readWarmed } from './read-warmed.ts'

const read = (text: string, scale: 'C' | 'F' = 'C') => {
  const found = readWarmed(text, scale)
  return found.ok
    ? found.readings.map(one => [Number(one.temperatureC.toFixed(2)), one.relativeHumidityPercent])
    : found.message
}

describe('readings of a chamber', () => {
  test.each([
    ['typed with spaces', '22 41\n43 18\n'],
    ['with units', '22 °C 41 %\n43°C 18%'],
    ['with commas between', '22,41\n43,18'],
    ['with semicolons and decimal commas', '22,0;41\n43,0;18,0'],
    ['with a time before them', '10:00\t22\t41\n10:20\t43\t18'],
    ['from a logger with names', 'time,temperature (°C),relative humidity (%)\n1,22,41\n2,43,18'],
    ['names the other way round', 'RH %;Temp °F\n41;71.6\n18;109.4'],
  ])('%s', (_what, text) =>
    expect(read(text)).toEqual([
      [22, 41],
      [43, 18],
    ]),
  )
  test('decimal commas typed with spaces; one’s own scale where nothing is said', () => {
    expect(read('22,5 41,2\n43,5 18')).toEqual([
      [22.5, 41.2],
      [43.5, 18],
    ])
    expect(read('71.6 41\n109.4 18', 'F')).toEqual([
      [22, 41],
      [43, 18],
    ])
  })
  test.each([
    ['', /a reading a line/],
    ['22 41', /two at the least/],
    ['22 41\n43', /Line 2: type the temperature, then the humidity/],
    ['22 41\n43 180', /Line 2: “43 180” is no temperature and humidity; humidity is 0 to 100/],
    ['time,depth\n1,2', /The first line names the columns/],
    ['22 41\nhot dry', /Line 2/],
  ])('%j is refused by its line, with what to do', (text, message) => expect(read(text)).toMatch(message))
  test('a logger’s thousands are thinned evenly, first and last kept', () => {
    const many = Array.from({ length: 5000 }, (_, i) => `${20 + i / 100} ${(50 - i / 200).toFixed(3)}`).join(
      '\n',
    )
    const found = readWarmed(many, 'C')
    if (!found.ok) throw new Error(found.message)
    expect(found.readings).toHaveLength(400)
    expect(found.leftOut).toBe(4600)
    expect([found.readings[0]!.temperatureC, found.readings.at(-1)!.temperatureC]).toEqual([
      20,
      20 + 4999 / 100,
    ])
  })
  test('the same text gives the same readings, whatever it is', () => {
    for (const text of ['\u0000', '=1+1\t2', '"', 'a,b,c\n,,', '9e999 1\n1 1'])
      expect(() => readWarmed(text, 'C')).not.toThrow()
  })
})
