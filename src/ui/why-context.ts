import { createContext, use } from 'react'
import type { Answer } from '#core/answer.ts'

/** Opens the margin note of an answer. */
export const WhyContext = createContext<((answer: Answer) => void) | null>(null)

export function useWhy(): (answer: Answer) => void {
  const open = use(WhyContext)
  if (!open) throw new Error('Figures stand inside a WhyProvider.')
  return open
}
