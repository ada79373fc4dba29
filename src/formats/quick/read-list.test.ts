import { describe, expect, test } from '@jest/globals'
import { readList } from './read-list.ts'
import type { QuickContext } from './wanted.ts'

const context: QuickContext = {
  today: new Date(2026, 10, 26, 12),
  boxes: [{ id: 'b1', name: 'Launch' }],
  lengthUnit: 'mm',
}
const wanted = (text: string) =>
  readList(text, context).rows.flatMap(row => row.reading.things.map(thing => thing.wanted))

describe('a pasted list', () => {
  test('a line for each thing; a box named on one line is known on the next', () => {
    const [box, spool] = wanted('tote "Scull" 45 L foam strip\n\n4 PLA white 1 kg into Scull')
    expect(box).toMatchObject({ kind: 'box', name: 'Scull', container: 'tote', lid: 'foam' })
    expect(spool).toMatchObject({ kind: 'spool', count: 4, place: 'box:new:Scull' })
  })
  test.each([
    ['commas', ','],
    ['semicolons', ';'],
    ['tabs', '\t'],
  ])('a table with headings, by %s', (_, between) => {
    const table = [
      ['Material', 'Colour', 'Net weight', 'Empty', 'Maker', 'Opened', 'Box'],
      ['PETG', 'teal', '820', '180', 'Quayside', '2026-11-03', 'Launch'],
      ['PLA', 'dark green', '1 kg', '', '', '', ''],
    ]
    const [petg, pla] = wanted(table.map(row => row.join(between)).join('\n'))
    expect(petg).toMatchObject({
      material: 'PETG',
      colour: 'teal',
      filamentG: 820,
      emptyG: 180,
      maker: 'Quayside',
      openedOn: '2026-11-03',
      place: 'box:b1',
    })
    expect(pla).toMatchObject({
      material: 'PLA',
      colour: 'moss',
      filamentG: 1000,
      maker: null,
      place: 'open',
    })
  })
  test('a heading names the unit of its figures', () => {
    const [spool] = wanted('Material,Net kg,Bore mm\nPLA,0.75,54')
    expect(spool).toMatchObject({ filamentG: 750, boreMm: 54 })
  })
  test('a line nobody can read keeps its number and says what to write', () => {
    const { rows } = readList('PLA white\nwhat is this', context)
    expect(rows[1]).toMatchObject({
      line: 2,
      reading: { things: [], help: expect.stringMatching(/Say what it is/) },
    })
  })
  test('more lines than are taken at once are counted, not dropped without a word', () => {
    const list = readList(Array.from({ length: 520 }, () => 'PLA white').join('\n'), context)
    expect(list.rows).toHaveLength(500)
    expect(list.leftOut).toBe(20)
  })
  test('nothing is nothing', () => expect(readList('  \n ', context)).toEqual({ rows: [], leftOut: 0 }))
})
