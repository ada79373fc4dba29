import Papa from 'papaparse'
import { readQuick } from './read-quick.ts'
import type { QuickContext, Reading } from './wanted.ts'

/** Headings people give their columns, and the word that makes a sentence of what stands below. */
const HEADINGS: readonly (readonly [RegExp, string])[] = [
  [/^(?:count|qty|quantity|number|how many|pieces)$/i, ''],
  [/^(?:material|filament|type|what|kind)$/i, ''],
  [/^(?:colou?r|hue)$/i, ''],
  [/^(?:finish)$/i, ''],
  [/^(?:gross)/i, 'gross'],
  [/^(?:empty|tare|spool weight)/i, 'empty'],
  [/^(?:net|weight|grams?|left|filament g|mass)/i, ''],
  [/^(?:maker|brand|vendor|manufacturer)$/i, 'by'],
  [/^(?:opened|open since)/i, 'opened'],
  [/^(?:dried)/i, 'dried'],
  [/^(?:body|spool|spool material)$/i, ''],
  [/^(?:rim|diameter)/i, 'rim'],
  [/^(?:width)/i, 'width'],
  [/^(?:bore|hole)/i, 'bore'],
  [/^(?:strand|filament diameter)/i, ''],
  [/^(?:box|where|place|in|location)$/i, 'into'],
]
const MOST_ROWS = 500

export interface ListRow {
  readonly line: number
  readonly sentence: string
  readonly reading: Reading
}
export interface ReadList {
  readonly rows: readonly ListRow[]
  /** Rows beyond the most that are taken at once. */
  readonly leftOut: number
}

/**
 * A pasted list: a sentence a line, or a table with headings (tabs, commas or semicolons). A box named on one line can
 * be said on the next ones: it is known by `new:` and its name until it is kept.
 */
export function readList(text: string, context: QuickContext): ReadList {
  const sentences = sentencesOf(text)
  const rows: ListRow[] = []
  let { boxes } = context
  for (const { line, sentence } of sentences.slice(0, MOST_ROWS)) {
    const reading = readQuick(sentence, { ...context, boxes })
    for (const { wanted } of reading.things)
      if (wanted.kind === 'box' && !boxes.some(box => box.name === wanted.name))
        boxes = [...boxes, { id: `new:${wanted.name}`, name: wanted.name }]
    rows.push({ line, sentence, reading })
  }
  return { rows, leftOut: Math.max(0, sentences.length - MOST_ROWS) }
}

function sentencesOf(text: string): { line: number; sentence: string }[] {
  const table = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' }).data
  const heads = (table[0] ?? []).map(cell => HEADINGS.find(([pattern]) => pattern.test(cell.trim())) ?? null)
  const isTable = heads.length >= 2 && heads.filter(head => head !== null).length >= 2
  if (!isTable)
    return text
      .split('\n')
      .map((sentence, i) => ({ line: i + 1, sentence: sentence.trim() }))
      .filter(({ sentence }) => sentence !== '')
  return table.slice(1).map((cells, i) => ({
    line: i + 2,
    sentence: cells
      .map((cell, column) => {
        const value = cell.trim()
        const head = heads[column]
        if (value === '' || head === undefined || head === null) return value
        const title = table[0]![column]!.trim()
        // a heading names the unit its figures are in
        const unit = /^\d+(?:[.,]\d+)?$/.test(value)
          ? (/\b(?:kg|mm|cm|in|oz|g)\b/i.exec(title)?.[0] ?? usualUnit(title))
          : ''
        return `${head[1]} ${value} ${unit}`.trim()
      })
      .filter(part => part !== '')
      .join(' '),
  }))
}

const usualUnit = (title: string): string =>
  /gross|empty|tare|net|weight|left|mass/i.test(title)
    ? 'g'
    : /rim|width|bore|diameter|hole/i.test(title)
      ? 'mm'
      : ''
