import type { Candidate, CandidateReport, Wish } from '#core/build/candidate.ts'
import type { BoxFacts } from '#core/evidence/facts.ts'
import type { GramsWanted } from '#core/estimate/grams-wanted.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import type { FreshHolds } from '#core/estimate/fresh-holds.ts'
import type { FirstDay } from '#core/estimate/promise.ts'
import type { DryingRun, RunAsked } from '#core/spool/drying-run.ts'
import type { DryAsked, DryFound } from '#core/spool/dry-these.ts'
import type { PrintAsked, PrintFound } from '#core/spool/print-clock.ts'
import type { SpoolAsked, SpoolReport } from '#core/spool/spool-report.ts'
import type { CheckCase, CheckOutcome } from '#core/checks/run-check.ts'

/** What the interface asks of the heavy side. Plain data both ways. */
export interface EstimatorCalls {
  report(facts: BoxFacts): BoxReport
  /** Empty where it was stopped. */
  grams(facts: BoxFacts, weeks: readonly number[]): Promise<GramsWanted[]>
  /** The grams being sized are wanted no more. */
  stop(): void
  spool(asked: SpoolAsked): SpoolReport | null
  print(asked: PrintAsked): PrintFound | null
  dry(asked: DryAsked): DryFound | null
  run(asked: RunAsked): DryingRun | null
  firstDay(facts: BoxFacts): FirstDay
  fresh(facts: BoxFacts): FreshHolds[] | null
  check(checks: readonly CheckCase[]): CheckOutcome[]
  candidates(candidates: readonly Candidate[], wish: Wish): CandidateReport[]
}

/** The same calls from the other side: each may be given up. */
export interface Estimator {
  /** @param dueS what is due sooner goes first; left out: now */
  report(facts: BoxFacts, signal?: AbortSignal, dueS?: number): Promise<BoxReport>
  grams(facts: BoxFacts, weeks: readonly number[], signal?: AbortSignal): Promise<GramsWanted[]>
  /** A spool as its whole life left it; null where it has no filament. */
  spool(asked: SpoolAsked, signal?: AbortSignal, dueS?: number): Promise<SpoolReport | null>
  /** How long a print may wait in an air, and what of it suffers while it prints; null where nothing can be said. */
  print(asked: PrintAsked, signal?: AbortSignal): Promise<PrintFound | null>
  /** Whether heat can dry it, and how long that takes; null where a run did not finish. */
  dry(asked: DryAsked, signal?: AbortSignal): Promise<DryFound | null>
  /** A drying run, followed by its weights; null where there is nothing on it, or a run did not finish. */
  run(asked: RunAsked, signal?: AbortSignal): Promise<DryingRun | null>
  firstDay(facts: BoxFacts, signal?: AbortSignal): Promise<FirstDay>
  /** How long fresh beads would hold, put in on days of the coming half year; null without a target. */
  fresh(facts: BoxFacts, signal?: AbortSignal, dueS?: number): Promise<FreshHolds[] | null>
  check(checks: readonly CheckCase[], signal?: AbortSignal): Promise<CheckOutcome[]>
  candidates(candidates: readonly Candidate[], wish: Wish, signal?: AbortSignal): Promise<CandidateReport[]>
}
