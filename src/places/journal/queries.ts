import { queryOptions, useMutation, useQuery, useQueryClient, useSuspenseQuery } from '@tanstack/react-query'
import { seedFromText } from '#core/estimate/random.ts'
import type { BoxFacts } from '#core/estimate/facts.ts'
import { makeAct, type Act, type Draft } from '#records/act.ts'
import { boxFacts } from '#records/box-facts.ts'
import { boxView, type BoxView } from '#records/box-view.ts'
import { fold } from '#records/fold.ts'
import type { State } from '#records/state.ts'
import { useRemember } from './last-act.tsx'
import { useJournalTools, type JournalTools } from './journal-context.tsx'

export interface JournalView {
  readonly acts: readonly Act[]
  readonly state: State
  readonly nowMs: number
  readonly damaged: number
}

const LOOK_AGAIN_MS = 15 * 60_000
export const WEEKS_WANTED = [4, 8, 16] as const

/** The journal folded, at the time it was read. Local data: never paused, never retried. */
export const journalQuery = ({ store, maker }: JournalTools) =>
  queryOptions({
    queryKey: ['journal', store.name],
    networkMode: 'always',
    retry: false,
    staleTime: LOOK_AGAIN_MS,
    refetchInterval: LOOK_AGAIN_MS,
    structuralSharing: false,
    queryFn: async (): Promise<JournalView> => {
      const { acts, damaged } = await store.readAll()
      return { acts, state: fold(acts), nowMs: maker.nowMs(), damaged: damaged.length }
    },
  })

export const useJournal = (): JournalView => useSuspenseQuery(journalQuery(useJournalTools())).data

export interface KnownBox {
  readonly view: BoxView
  readonly facts: BoxFacts | null
}

export function knownBox(journal: JournalView, boxId: string): KnownBox | null {
  const view = boxView(journal.state, boxId, journal.nowMs)
  return view && { view, facts: boxFacts(journal.state, view, factsTimeMs(journal, view)) }
}

const HOUR_MS = 3_600_000

/**
 * The time a box is reckoned for: the hour begun, or the last thing that happened to it since. So its facts, and with
 * them its reckoning, stay what they are when something is entered for another box.
 */
function factsTimeMs({ state, nowMs }: JournalView, view: BoxView): number {
  const hourMs = Math.floor(nowMs / HOUR_MS) * HOUR_MS
  const { box } = view
  const times = [
    hourMs,
    box.madeMs,
    ...box.openings.map(opening => opening.atMs),
    ...view.readings.map(reading => reading.atMs),
    ...state.readings
      .filter(({ place }) => place.in === 'room' && place.roomId === box.roomId)
      .map(reading => reading.atMs),
    ...view.charges.flatMap(charge => [...charge.heatings, ...charge.weighings].map(event => event.atMs)),
    ...[...view.charges, ...view.spools].flatMap(thing => thing.stays.map(stay => stay.fromMs)),
  ]
  return Math.min(nowMs, Math.max(...times.filter(ms => ms <= nowMs)))
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
    queryKey: ['report', store.name, boxId, JSON.stringify(facts)],
    enabled: reckonable(facts),
    networkMode: 'always',
    retry: false,
    staleTime: Infinity,
    structuralSharing: false,
    queryFn: ({ signal }) => reckoner.report(facts!, seedFromText(boxId), signal),
  })

export const gramsQuery = (
  { store, reckoner }: JournalTools,
  boxId: string,
  facts: BoxFacts | null | undefined,
) =>
  queryOptions({
    queryKey: ['grams', store.name, boxId, JSON.stringify(facts)],
    enabled: reckonable(facts) && facts.targetRhPercent !== null,
    networkMode: 'always',
    retry: false,
    staleTime: Infinity,
    structuralSharing: false,
    queryFn: ({ signal }) => reckoner.grams(facts!, seedFromText(boxId), WEEKS_WANTED, signal),
  })

export const useReport = (boxId: string, facts: BoxFacts | null | undefined) =>
  useQuery(reportQuery(useJournalTools(), boxId, facts))
export const useGrams = (boxId: string, facts: BoxFacts | null | undefined) =>
  useQuery(gramsQuery(useJournalTools(), boxId, facts))

/** Writes one act; the journal is read anew afterwards. The entry stays on screen when the write is refused. */
export function useWriteAct() {
  const tools = useJournalTools()
  const client = useQueryClient()
  const remember = useRemember()
  return useMutation({
    networkMode: 'always',
    retry: false,
    mutationFn: async ({ what, drafts }: { what: string; drafts: readonly Draft[] }) => {
      const act = makeAct(tools.maker, what, drafts)
      await tools.store.append(act)
      remember(act)
      return act
    },
    onSuccess: () => client.invalidateQueries({ queryKey: ['journal', tools.store.name] }),
  })
}
