const WORDS = [
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
]

/** "two"; figures from thirteen on. @param none what is said of nothing */
export const numberWord = (n: number, none = 'no'): string => (n === 0 ? none : (WORDS[n - 1] ?? String(n)))
