import { piecesOf, type Piece } from './pieces.ts'
import { readHeatSource } from './read-heat.ts'
import { readBox, readDisplay, readRoom, readScale } from './read-others.ts'
import { readCharge } from './read-charge.ts'
import { readSpool } from './read-spool.ts'
import { near, Text } from './text.ts'
import { FILLERS } from './vocabulary.ts'
import type { QuickContext, Reading, Understood } from './wanted.ts'

const HELP =
  'Say what it is: a material (PETG teal 1 kg), beads (2 packets 50 g), a display, a box (tote 45 L), a scale or an oven.'
const MOST_LETTERS = 500
const MOST_COUNT = 60

/**
 * What a person wrote about things they own, as far as it can be understood. Nothing is guessed without saying so:
 * what could be meant in more than one way is asked, and words nothing was made of are given back.
 */
export function readQuick(sentence: string, context: QuickContext): Reading {
  if (sentence.trim() === '') return { things: [], unread: [], help: null }
  if (sentence.length > MOST_LETTERS)
    return {
      things: [],
      unread: [],
      help: `That is longer than ${MOST_LETTERS} letters: paste it as a list, a line for each thing.`,
    }
  const things: Understood[] = []
  const unread: string[] = []
  const thousands = [...sentence.matchAll(THOUSANDS)].map(found => Number(`${found[1]}${found[2]}`))
  for (const piece of piecesOf(sentence.replace(THOUSANDS, '$1$2'))) {
    const text = new Text(piece.text)
    const before = things.at(-1) ?? null
    const understood = readPiece(piece, text, context, before)
    if (!understood) {
      unread.push(...text.left())
      continue
    }
    things.push(understood)
    unread.push(...text.left().filter(word => !FILLERS.has(word.toLowerCase())))
  }
  if (things.length === 0) return { things, unread, help: HELP }
  return { things: shared(things.map(thing => bounded(asking(thing, thousands)))), unread, help: null }
}

function readPiece(
  piece: Piece,
  text: Text,
  context: QuickContext,
  before: Understood | null,
): Understood | null {
  switch (piece.kind) {
    case 'spool':
      return readSpool(text, context, piece.isSameAgain ? before : null)
    case 'charge':
      return readCharge(text, context)
    case 'display':
      return readDisplay(text, context)
    case 'box':
      return readBox(text, context)
    case 'heat source':
      return readHeatSource(text)
    case 'scale':
      return readScale(text)
    case 'room':
      return readRoom(text)
    case null: {
      // no head word at all: a spool whose material is one slip away, or nothing
      const words = text.left()
      const looksLikeSpool = words.some(
        word =>
          near(word, ['PETG', 'nylon', 'polycarbonate', 'polypropylene', 'HIPS', 'BVOH', 'PEEK']).length > 0,
      )
      return looksLikeSpool ? readSpool(text, context, before) : null
    }
  }
}

/** "1,000 g" is a thousand here and one there: it is asked. */
const THOUSANDS = /(?<![\d.,])(\d{1,3})[.,](\d{3})(?=\s*(?:g|gr|grams?)\b)/g
function asking(understood: Understood, thousands: readonly number[]): Understood {
  const { wanted, asks } = understood
  const field = wanted.kind === 'spool' ? 'filamentG' : wanted.kind === 'charge' ? 'gramsEach' : null
  const value = field === null ? null : (wanted as unknown as Record<string, number>)[field]!
  if (field === null || value === null || !thousands.includes(value)) return understood
  const options = [value, value / 1000].map(grams => ({ value: grams, label: `${grams} g` }))
  return { ...understood, asks: [...asks, { field, says: 'A thousand, or a decimal?', options }] }
}

/** A count beyond what anybody owns is asked, not believed. */
function bounded(understood: Understood): Understood {
  const { wanted } = understood
  const count = Math.max(1, Math.round(wanted.count))
  if (count === wanted.count && count <= MOST_COUNT) return understood
  const most = Math.min(count, MOST_COUNT)
  return {
    ...understood,
    wanted: { ...wanted, count: most },
    asks: [
      ...understood.asks,
      {
        field: 'count',
        says: `${wanted.count} at once?`,
        options: [most, 1].map(value => ({ value, label: String(value) })),
      },
    ],
  }
}

/** "PLA red and PLA blue into Launch": where the last one goes the others may go too; that is asked. */
function shared(things: readonly Understood[]): readonly Understood[] {
  const last = things.at(-1)!
  if (!('place' in last.wanted) || !last.told.has('place')) return things
  const place = last.wanted.place
  const asksIt = last.asks.some(ask => ask.field === 'place')
  return things.map(thing => {
    if (thing === last || !('place' in thing.wanted) || thing.told.has('place') || asksIt) return thing
    return {
      ...thing,
      wanted: { ...thing.wanted, place },
      asks: [
        ...thing.asks,
        {
          field: 'place',
          says: `${thing.wanted.name}: does it go there too?`,
          options: [
            { value: place, label: 'there too' },
            { value: thing.wanted.place, label: 'not there' },
          ],
        },
      ],
    }
  })
}
