import type { ReadingWord } from '#core/verdict/reading.ts'

export type MarkWord = ReadingWord | "can't reach" | 'not known'

const COLOUR: Partial<Record<MarkWord, string>> = {
  holds: 'var(--holds)',
  near: 'var(--near)',
  over: 'var(--over)',
  "can't reach": 'var(--over)',
  'not known': 'var(--pencil)',
}
export const markColour = (word: MarkWord): string => COLOUR[word] ?? 'var(--ink)'

/** All marks share one target rule, 15 px long; where the ink stands is what it means. */
export function StateMark({ word }: { readonly word: MarkWord }) {
  const colour = markColour(word)
  return (
    <svg width="17" height="14" viewBox="-1 -7 17 14" aria-hidden="true" style={{ color: colour }}>
      <MarkInk word={word} />
    </svg>
  )
}

function MarkInk({ word }: { readonly word: MarkWord }) {
  const line = { stroke: 'currentColor', strokeWidth: 1.5, fill: 'none', strokeLinecap: 'round' as const }
  const rule = <path d="M0 0H15" {...line} />
  switch (word) {
    case 'holds':
      return (
        <>
          {rule}
          <path d="M3.2 0.6a4.3 4.6 0 0 0 8.6 0z" fill="currentColor" />
        </>
      )
    case 'near':
      return (
        <>
          {rule}
          <circle cx="7.5" cy="0" r="4" {...line} />
        </>
      )
    case 'over':
      return (
        <>
          {rule}
          <path d="M3 -0.6 7.5 -6.2 12 -0.6z" fill="currentColor" />
        </>
      )
    case 'too early':
      return (
        <>
          {rule}
          <path d="M3.5 2.4V5M7.5 2.4V5M11.5 2.4V5" {...line} />
        </>
      )
    case 'blind':
      return <path d="M1.5 -1.5Q7.5 4 13.5 -1.5M3.4 1.6 2.2 3.6M7.5 2.4V5M11.6 1.6 12.8 3.6" {...line} />
    case "can't reach":
      return (
        <>
          <path d="M0 3H15" {...line} />
          <rect x="1" y="-4" width="13" height="3.4" fill="currentColor" />
        </>
      )
    case 'not known':
      return <path d="M0 2.5H4M11 2.5H15M5.6 -3.4Q7.5 -6.6 9.3 -3.6Q10 -1.6 7.6 0V1.2M7.6 4V4.3" {...line} />
  }
}
