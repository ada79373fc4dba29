import type { Millimetres } from '#units/quantity.ts'

/** A letter of a humanist sans is about so many of its size wide, at the most on average; digits and capitals more. */
const LETTER = 0.5
const WIDE = 0.66

const SEGMENTS = new Intl.Segmenter('en')
/** As they are seen: an accent or a flag is one. */
const lettersOf = (text: string): string[] => Array.from(SEGMENTS.segment(text), one => one.segment)

/** How long a text stands at a size of 1: a little too long rather than too short. */
export const textLength = (text: string): number =>
  lettersOf(text).reduce((sum, letter) => sum + (/[A-Z0-9@%&MWmw—]/.test(letter) ? WIDE : LETTER), 0)

/** A text as large as it fits, down to the least that can be read; cut where even that is too long. */
export function fitted(
  text: string,
  widthMm: Millimetres,
  { most, least }: { readonly most: Millimetres; readonly least: Millimetres },
): { readonly text: string; readonly sizeMm: Millimetres } {
  const sizeMm = Math.min(most, widthMm / Math.max(textLength(text), 0.1))
  if (sizeMm >= least) return { text, sizeMm }
  const letters = lettersOf(text)
  while (letters.length > 1 && textLength(`${letters.join('')}…`) * least > widthMm) letters.pop()
  return { text: `${letters.join('').trimEnd()}…`, sizeMm: least }
}
