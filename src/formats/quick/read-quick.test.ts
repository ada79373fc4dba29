import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { readFileSync } from 'node:fs'
import { readQuick } from './read-quick.ts'
import type { QuickContext, Reading, Understood } from './wanted.ts'

const NAMES = ['Launch', 'Cox', 'Skeg', 'Stroke', 'Bow four', 'Ferry', 'Rigger']
const context: QuickContext = {
  today: new Date(2026, 10, 26, 12),
  boxes: NAMES.map(name => ({ id: name, name })),
  lengthUnit: 'mm',
}

const SIZES = ['widthMm', 'depthMm', 'heightMm']
const shown = (value: unknown): string =>
  typeof value === 'number' && value > 10 ? String(Math.round(value)) : String(value)
/** What was understood in one line: what was told, where it goes, what is asked. */
function summary({ wanted, told, asks }: Understood): string {
  const fields = { ...wanted } as Record<string, unknown>
  const head = {
    spool: 'material',
    charge: 'desiccant',
    box: 'container',
    room: 'climate',
    display: '',
    scale: '',
    'heat source': 'source',
  }[wanted.kind]
  const skip = new Set([
    'kind',
    'place',
    ...(wanted.kind === 'box' ? SIZES : []),
    ...(wanted.kind === 'box' ? [] : [head]),
  ])
  const said = Object.keys(fields)
    .filter(key => told.has(key) && !skip.has(key) && !(wanted.kind === 'room' && key === 'name'))
    .map(key => `${key} ${shown(fields[key])}`)
  const size =
    wanted.kind === 'box' && told.has('widthMm')
      ? [`${Math.round(wanted.widthMm)}×${Math.round(wanted.depthMm)}×${Math.round(wanted.heightMm)}`]
      : []
  const place = 'place' in wanted ? [`→ ${wanted.place.replace('box:', '')}`] : []
  const asked = asks.length > 0 ? [`?${asks.map(ask => ask.field).join(',')}`] : []
  return [wanted.kind, ...(head ? [String(fields[head])] : []), ...said, ...size, ...place, ...asked].join(
    ' ',
  )
}
const inOneLine = ({ things, unread }: Reading): string =>
  things.length === 0
    ? 'nothing'
    : things.map(summary).join(' + ') + (unread.length > 0 ? ` ~${unread.join(' ')}` : '')

const LINES = readFileSync(new URL('sentences.txt', import.meta.url), 'utf8')
  .split('\n')
  .filter(line => line !== '' && !line.startsWith('#'))
  .map(line => line.split(' => ') as [string, string])

describe('what people write', () => {
  test('there are two hundred of them', () => expect(LINES.length).toBeGreaterThanOrEqual(200))
  test.each(LINES)('%s', (sentence, meaning) => {
    expect(inOneLine(readQuick(sentence, context))).toBe(meaning)
  })
})

describe('whatever is typed', () => {
  const words = [
    'PLA',
    '2',
    'x',
    '50 g',
    'packets',
    'into',
    'Launch',
    'opened',
    '3/11',
    '"',
    '(',
    '1,000 g',
    '🙂',
    '\\',
    'and',
    ',',
    '99999999',
    'kg',
    '°F',
    '[',
    'tote',
  ]
  test('nothing throws, nothing is endless, every figure is one', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ maxLength: 80 }),
          fc.array(fc.constantFrom(...words), { maxLength: 12 }).map(list => list.join(' ')),
        ),
        sentence => {
          for (const { wanted } of readQuick(sentence, context).things)
            for (const value of Object.values(wanted))
              if (typeof value === 'number') expect(Number.isFinite(value)).toBe(true)
        },
      ),
      { seed: 7, numRuns: 400 },
    )
  })
  test('every ask offers what is taken first, and something else', () => {
    for (const [sentence] of LINES)
      for (const { wanted, asks } of readQuick(sentence, context).things)
        for (const { field, options } of asks) {
          expect(options.length).toBeGreaterThan(0)
          expect((wanted as unknown as Record<string, unknown>)[field]).toBe(options[0]!.value)
        }
  })
  test('a comma of thousands is not taken for a decimal one', () => {
    expect(readQuick('PLA white 1,000 g', context).things[0]).toMatchObject({
      asks: [{ field: 'filamentG' }],
    })
  })
  test('a sentence too long is refused with what to do', () => {
    expect(readQuick('PLA '.repeat(200), context)).toMatchObject({
      things: [],
      help: expect.stringMatching(/paste it as a list/),
    })
  })
})
