import type { Provenance } from '../provenance.ts'
import { ASKS, CheckInputs } from './asks.ts'

/** One outside check, as the files of docs/cases have it: an expected value with its tolerance, or a range. */
export interface CheckCase {
  readonly id: string
  readonly what: string
  readonly ask: string
  readonly inputs: Readonly<Record<string, number | string>>
  readonly unit: string
  readonly expected?: number | undefined
  readonly tolerance?: number | undefined
  readonly low?: number | undefined
  readonly high?: number | undefined
  readonly source: string
  readonly provenance: Provenance
}
export interface CheckGroup {
  readonly title: string
  readonly cases: readonly CheckCase[]
}
export interface CheckResult {
  readonly value: number
  readonly low: number
  readonly high: number
  readonly passed: boolean
}

/** Asks the core for the value and holds it against the bounds. @throws Error for an ask or an input that is not there */
export function runCheck(check: CheckCase): CheckResult {
  const ask = ASKS[check.ask]
  if (!ask) throw new Error(`Nothing answers ${check.ask}.`)
  const low = check.low ?? check.expected! - check.tolerance!
  const high = check.high ?? check.expected! + check.tolerance!
  const value = ask(new CheckInputs(check.inputs))
  return { value, low, high, passed: value >= low && value <= high }
}

/** A result, or why there is none. */
export type CheckOutcome =
  | ({ readonly id: string; readonly ran: true } & CheckResult)
  | { readonly id: string; readonly ran: false; readonly reason: string }

/** The same as a value: a check that cannot run is an outcome, not an end. */
export function checkOutcome(check: CheckCase): CheckOutcome {
  try {
    return { id: check.id, ran: true, ...runCheck(check) }
  } catch (error) {
    return { id: check.id, ran: false, reason: error instanceof Error ? error.message : String(error) }
  }
}
