import type { BoxFacts } from '#core/estimate/facts.ts'
import type { GramsWanted } from '#core/estimate/grams-wanted.ts'
import type { BoxReport } from '#core/estimate/report.ts'

/** What the interface asks of the heavy side. Plain data both ways. */
export interface ReckonerCalls {
  report(facts: BoxFacts, seed: number): BoxReport
  grams(facts: BoxFacts, seed: number, weeks: readonly number[]): GramsWanted[]
}

/** The same calls from the other side: each may be given up. */
export interface Reckoner {
  report(facts: BoxFacts, seed: number, signal?: AbortSignal): Promise<BoxReport>
  grams(facts: BoxFacts, seed: number, weeks: readonly number[], signal?: AbortSignal): Promise<GramsWanted[]>
}
