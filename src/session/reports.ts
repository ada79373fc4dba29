import { queryOptions, useQuery } from '@tanstack/react-query'
import type { BoxFacts } from '#core/evidence/facts.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import { useJournalTools, type JournalTools } from './journal-context.tsx'

export const WEEKS_WANTED = [4, 8, 16] as const

/** Facts as a query's key: all they say, written out once. */
const keys = new WeakMap<BoxFacts, string>()
function factsKey(facts: BoxFacts | null | undefined): string {
  if (!facts) return ''
  const key = keys.get(facts) ?? JSON.stringify(facts)
  keys.set(facts, key)
  return key
}

const reckonable = (facts: BoxFacts | null | undefined): facts is BoxFacts =>
  !!facts && facts.charges.length > 0

/** The reckoning of a box; the key is what it stands on, so that an act elsewhere does not repeat it. */
export const reportQuery = (
  { store, reckoner }: JournalTools,
  boxId: string,
  facts: BoxFacts | null | undefined,
) =>
  queryOptions({
    queryKey: ['report', store.name, boxId, factsKey(facts)],
    enabled: reckonable(facts),
    networkMode: 'always',
    retry: false,
    staleTime: Infinity,
    structuralSharing: false,
    queryFn: ({ signal }) => reckoner.report(facts!, signal),
  })

export const gramsQuery = (
  { store, reckoner }: JournalTools,
  boxId: string,
  facts: BoxFacts | null | undefined,
) =>
  queryOptions({
    queryKey: ['grams', store.name, boxId, factsKey(facts)],
    enabled: reckonable(facts) && facts.targetRhPercent !== null,
    networkMode: 'always',
    retry: false,
    staleTime: Infinity,
    structuralSharing: false,
    queryFn: ({ signal }) => reckoner.grams(facts!, WEEKS_WANTED, signal),
  })

/** The spools of a box ring by ring, once its report says which draws to run them with. */
export const spoolsQuery = (
  { store, reckoner }: JournalTools,
  boxId: string,
  facts: BoxFacts | null | undefined,
  report: BoxReport | undefined,
) =>
  queryOptions({
    queryKey: ['spools', store.name, boxId, factsKey(facts)],
    enabled: reckonable(facts) && report !== undefined && facts.spools.length > 0,
    networkMode: 'always',
    retry: false,
    staleTime: Infinity,
    structuralSharing: false,
    queryFn: ({ signal }) => reckoner.spools(facts!, report!.sampleDraws, signal),
  })

export const useSpools = (boxId: string, facts: BoxFacts | null | undefined, report: BoxReport | undefined) =>
  useQuery(spoolsQuery(useJournalTools(), boxId, facts, report))
export const useReport = (boxId: string, facts: BoxFacts | null | undefined) =>
  useQuery(reportQuery(useJournalTools(), boxId, facts))
export const useGrams = (boxId: string, facts: BoxFacts | null | undefined) =>
  useQuery(gramsQuery(useJournalTools(), boxId, facts))
