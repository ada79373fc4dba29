import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js'
import { queryOptions, useQuery } from '@tanstack/react-query'
import type { BoxFacts } from '#core/evidence/facts.ts'
import type { SpoolAsked } from '#core/spool/spool-report.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import { useJournalTools, type JournalTools } from './journal-context.tsx'

export const WEEKS_WANTED = [4, 8, 16] as const

/**
 * Facts as a query's key: a fingerprint of all they say, taken once. Names are left out: nothing is reckoned from them and no
 * result holds one, so whatever is given another name is not reckoned anew.
 */
const keys = new WeakMap<BoxFacts | SpoolAsked, string>()
export function factsKey(facts: BoxFacts | SpoolAsked | null | undefined): string {
  if (!facts) return ''
  const key = keys.get(facts) ?? bytesToHex(sha256(utf8ToBytes(JSON.stringify(facts, withoutNames))))
  keys.set(facts, key)
  return key
}

const withoutNames = (field: string, value: unknown): unknown => (field === 'name' ? undefined : value)

const estimable = (facts: BoxFacts | null | undefined): facts is BoxFacts =>
  !!facts && facts.charges.length > 0

type What = 'report' | 'grams' | 'spool' | 'first day' | 'fresh'

/**
 * A result of a box or a spool: the one kept where it stands on the same facts and science, else worked out now and kept. What is
 * due soonest by what was last known goes first.
 */
function resultQuery<T>(
  { store, results, scienceVersion }: JournalTools,
  what: What,
  id: string,
  facts: BoxFacts | SpoolAsked | null | undefined,
  workOut: (signal: AbortSignal, dueS: number) => Promise<T>,
) {
  const standsOn = `${scienceVersion} ${factsKey(facts)}`
  return queryOptions({
    queryKey: [what, store.name, id, standsOn],
    networkMode: 'always',
    retry: false,
    staleTime: Infinity,
    structuralSharing: false,
    queryFn: async ({ signal }): Promise<T> => {
      const name = `${what} ${id}`
      const last = await results.last(name)
      // whatever stands under this fingerprint was put there by the same science: it has the shape it gives
      if (last?.standsOn === standsOn) return last.value as T
      const value = await workOut(signal, dueOf(last?.value))
      void results.keep(name, { standsOn, value })
      return value
    },
  })
}

/** When a box was last thought to leave its target; unknown ones are due at once. */
function dueOf(kept: unknown): number {
  const early = (kept as Partial<BoxReport> | null | undefined)?.leaves?.spread?.low
  return typeof early === 'number' ? early : 0
}

/** Before any date: what a person is looking at. */
const URGENT = -1

/** The reckoning of a box; the key is what it stands on, so that an act elsewhere does not repeat it. */
export const reportQuery = (
  tools: JournalTools,
  boxId: string,
  facts: BoxFacts | null | undefined,
  urgent = false,
) => ({
  ...resultQuery(tools, 'report', boxId, facts, (signal, dueS) =>
    tools.estimator.report(facts!, signal, urgent ? URGENT : dueS),
  ),
  enabled: estimable(facts),
})

export const gramsQuery = (tools: JournalTools, boxId: string, facts: BoxFacts | null | undefined) => ({
  ...resultQuery(tools, 'grams', boxId, facts, signal => tools.estimator.grams(facts!, WEEKS_WANTED, signal)),
  enabled: estimable(facts) && facts.targetRhPercent !== null,
})

/** A spool as its whole life left it, once the boxes it has been in are reckoned. */
export const spoolQuery = (
  tools: JournalTools,
  spoolId: string,
  asked: SpoolAsked | null,
  isReady: boolean,
) => ({
  ...resultQuery(tools, 'spool', spoolId, asked, signal => tools.estimator.spool(asked!, signal)),
  enabled: asked !== null && isReady,
})

/** What its display should show in the days after it was closed. @param facts as of then */
export const firstDayQuery = (tools: JournalTools, boxId: string, facts: BoxFacts | null | undefined) => ({
  ...resultQuery(tools, 'first day', boxId, facts, signal => tools.estimator.firstDay(facts!, signal)),
  enabled: estimable(facts),
})

/** How long fresh beads would hold in it, through the coming half year. */
export const freshQuery = (tools: JournalTools, boxId: string, facts: BoxFacts | null | undefined) => ({
  ...resultQuery(tools, 'fresh', boxId, facts, (signal, dueS) => tools.estimator.fresh(facts!, signal, dueS)),
  enabled: estimable(facts) && facts.targetRhPercent !== null,
})

/** @param urgent this box is what the person is looking at: it goes before the others */
export const useReport = (boxId: string, facts: BoxFacts | null | undefined, urgent = false) =>
  useQuery(reportQuery(useJournalTools(), boxId, facts, urgent))
export const useGrams = (boxId: string, facts: BoxFacts | null | undefined) =>
  useQuery(gramsQuery(useJournalTools(), boxId, facts))
