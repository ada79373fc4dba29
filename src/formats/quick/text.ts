import { distance } from 'fastest-levenshtein'
import { NUMBER_WORDS } from './vocabulary.ts'

/** A sentence from which what was understood is taken away, so that what is left over can be shown. */
export class Text {
  rest: string

  constructor(text: string) {
    this.rest = ` ${text} `
  }

  /** Takes the first place a pattern stands at, as whole words. */
  take(pattern: RegExp): RegExpExecArray | null {
    const found = this.find(pattern)
    if (found) this.#cut(found)
    return found
  }

  /** The same without taking it. */
  find(pattern: RegExp): RegExpExecArray | null {
    return new RegExp(`(?<!\\w|\\d[.,])(?:${pattern.source})(?![\\w])`, pattern.unicode ? 'iu' : 'i').exec(
      this.rest,
    )
  }

  #cut(found: RegExpExecArray): void {
    this.rest = `${this.rest.slice(0, found.index)} | ${this.rest.slice(found.index + found[0].length)}`
  }

  /** Of a list of ways to write something, the one that stands first. */
  takeOneOf<T>(words: readonly (readonly [RegExp, T])[]): T | null {
    const first = this.findOneOf(words)
    if (!first) return null
    this.take(first[0])
    return first[1]
  }
  findOneOf<T>(words: readonly (readonly [RegExp, T])[]): readonly [RegExp, T] | null {
    let best: { at: number; word: readonly [RegExp, T] } | null = null
    for (const word of words) {
      const found = this.find(word[0])
      if (found && (best === null || found.index < best.at)) best = { at: found.index, word }
    }
    return best?.word ?? null
  }
  hasOneOf(words: readonly (readonly [RegExp, unknown])[]): boolean {
    return words.some(([pattern]) => this.find(pattern) !== null)
  }

  /** Whatever words are left. */
  left(): string[] {
    return this.rest.split(/[\s|,;:()"“”]+/).filter(word => /[\p{L}\p{N}]/u.test(word))
  }
}

/** "2", "two", "1,5", "½": a number a person wrote; NaN where it is none. */
export function numberOf(text: string): number {
  const word = text.trim().toLowerCase()
  if (word in NUMBER_WORDS && Object.hasOwn(NUMBER_WORDS, word)) return NUMBER_WORDS[word]!
  if (word === 'a' || word === 'an') return 1
  if (word === 'half' || word === '½' || word === 'half a') return 0.5
  return Number(word.replace(',', '.'))
}
export const NUMBER = '\\d+(?:[.,]\\d+)?'
export const COUNT = `\\d{1,3}|${Object.keys(NUMBER_WORDS).join('|')}`

/** Words of a list that are one slip away from a word; short words are left alone: too much is near them. */
export function near(word: string, list: readonly string[]): string[] {
  if (word.length < 4) return []
  const most = word.length < 7 ? 1 : 2
  const found = list
    .map(item => [item, slips(word.toLowerCase(), item.toLowerCase())] as const)
    .filter(([item, away]) => away <= most && item.length >= 4)
    .sort((a, b) => a[1] - b[1])
  return found.filter(([, away]) => away === found[0]![1]).map(([item]) => item)
}

/** Letters changed, left out or put in; two that changed places are one slip. */
function slips(a: string, b: string): number {
  const away = distance(a, b)
  if (away !== 2 || a.length !== b.length) return away
  const first = Array.from(a).findIndex((letter, i) => letter !== b[i])
  return a[first] === b[first + 1] && a[first + 1] === b[first] ? 1 : away
}
