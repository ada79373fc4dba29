import {
  COLOUR_WORDS,
  CONTAINER_WORDS,
  DESICCANT_WORDS,
  DISPLAY_WORD,
  FINISH,
  HEAT_WORDS,
  HOLDER_WORDS,
  MATERIAL_WORDS,
  ROOM_WORD,
  SCALE_WORD,
} from './vocabulary.ts'
import { Text } from './text.ts'
import type { WantedKind } from './wanted.ts'

const DECIMAL_COMMA = /(\d),(\d{1,2})(?=\s*(?:kg|kilo|g\b|gr|mm|cm|in\b|l\b|lit|%|°|h\b|[x×*]))/gi
/** Between things and between what is said of one: not within "clips and rubber". */
const BREAK =
  /\s*(?:[,;\n&]|(?<=\s)\+(?=\s)|(?<!clips) and (?!rubber)|(?<!pla )\bplus\b(?=\s)|\bwith(?! (?:a )?(?:tube )?(?:port|outlet|fitting)))\s*/i
const COLOURS_ALONE = new RegExp(
  `^(?:${FINISH.source.replaceAll(String.raw`\b`, '')}|${Object.keys(COLOUR_WORDS).join('|')}|\\s|one|another|a|the)+$`,
  'i',
)
const PLACE_BEFORE = '(?:into|in|inside|to|from|for|on|of)\\s+(?:a|an|the|my|its)?\\s*'

/** A part of a sentence about one thing. */
export interface Piece {
  readonly kind: WantedKind | null
  text: string
  /** Says a colour alone: the thing before once more, in another colour. */
  readonly isSameAgain: boolean
}

/** What a clause is about, by its head word; null: it goes on about the thing before. */
function kindOf(clause: string): { kind: WantedKind | null; isOnlyHolder: boolean } {
  const text = new Text(clause)
  // "cardboard spool", "PP walls": what it is made of, not what it is
  text.take(/(?:[a-z]+|printed pl?a|printed petg) walls?/)
  text.take(
    new RegExp(
      `${PLACE_BEFORE}(?:${DISPLAY_WORD.source}|(?:card|printed |zip |dry )?box(?:es)?|bag|room|open|printer|oven|cellar|loft)`,
    ),
  )
  const hasBeads = text.hasOneOf(DESICCANT_WORDS)
  const hasHolder = text.hasOneOf(HOLDER_WORDS)
  if (text.find(DISPLAY_WORD)) return { kind: 'display', isOnlyHolder: false }
  if (hasBeads) return { kind: 'charge', isOnlyHolder: false }
  const isBox = text.hasOneOf(CONTAINER_WORDS)
  if (isBox && !/\bcard ?board box\b/i.test(clause)) return { kind: 'box', isOnlyHolder: false }
  if (text.hasOneOf(MATERIAL_WORDS)) return { kind: 'spool', isOnlyHolder: false }
  if (text.hasOneOf(HEAT_WORDS)) return { kind: 'heat source', isOnlyHolder: false }
  if (text.find(SCALE_WORD)) return { kind: 'scale', isOnlyHolder: false }
  if (hasHolder) return { kind: 'charge', isOnlyHolder: true }
  if (text.find(ROOM_WORD)) return { kind: 'room', isOnlyHolder: false }
  return { kind: null, isOnlyHolder: false }
}

/** A sentence taken apart into the things it is about. */
export function piecesOf(sentence: string): Piece[] {
  const pieces: Piece[] = []
  const parts = sentence.replace(DECIMAL_COMMA, '$1.$2').split(new RegExp(`(${BREAK.source})`, 'i'))
  for (let i = 0; i < parts.length; i += 2) {
    const clause = parts[i]!
    const isAnd = i > 0 && !/[,;\n]/.test(parts[i - 1]!)
    if (clause.trim() === '') continue
    const { kind, isOnlyHolder } = kindOf(clause)
    const last = pieces.at(-1)
    const isSameAgain = isAnd && kind === null && last?.kind === 'spool' && COLOURS_ALONE.test(clause)
    const goesOn =
      last !== undefined &&
      !isSameAgain &&
      (kind === null ||
        (last.kind === 'heat source' && isOnlyHolder && /trays?|racks?/i.test(clause)) ||
        (kind === 'charge' && last.kind === 'charge' && isOnlyHolder && !hasHolder(last.text)) ||
        (kind === 'box' && last.kind === 'box' && isAnyBox(last.text)))
    if (goesOn) last.text += ` , ${clause}`
    else pieces.push({ kind: isSameAgain ? 'spool' : kind, text: clause, isSameAgain })
  }
  return pieces
}

/** Says *box* and nothing of which. */
const isAnyBox = (text: string): boolean => {
  const [options] = CONTAINER_WORDS.filter(([pattern]) => new Text(text).find(pattern)).map(([, ids]) => ids)
  return options === CONTAINER_WORDS.at(-1)![1]
}

const hasHolder = (text: string): boolean => new Text(text).hasOneOf(HOLDER_WORDS)
