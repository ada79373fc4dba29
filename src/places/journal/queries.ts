import {
  queryOptions,
  useMutation,
  useQuery,
  useQueryClient,
  useSuspenseQuery,
  type QueryClient,
} from '@tanstack/react-query'
import { useEffect } from 'react'
import { seedFromText } from '#core/estimate/random.ts'
import type { BoxFacts } from '#core/evidence/facts.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import { makeAct, makeWithdrawal, type Act, type Draft } from '#records/act.ts'
import { sweepable } from '#records/bring-together.ts'
import { withLock } from '#store/lock.ts'
import { boxFacts } from '#records/box-facts.ts'
import { boxView, type BoxView } from '#records/box-view.ts'
import { foldPlaced } from '#records/fold.ts'
import { inForce, type Placed } from '#records/in-force.ts'
import type { State } from '#records/state.ts'
import { undoSteps, type UndoSteps } from '#records/undo.ts'
import type { DamagedRecord } from '#store/journal-store.ts'
import { useJournalTools, type JournalTools } from './journal-context.tsx'

export interface JournalView {
  /** Acts as kept here, bringings as one doing each. */
  readonly kept: readonly Act[]
  /** Entries that stand, in order of when they happened. */
  readonly placed: readonly Placed[]
  readonly state: State
  readonly nowMs: number
  readonly damaged: readonly DamagedRecord[]
  readonly undo: UndoSteps
}

const LOOK_AGAIN_MS = 15 * 60_000
export const WEEKS_WANTED = [4, 8, 16] as const

/** Acts the demonstration was made with, which nobody did here. */
const isGiven = (act: Act): boolean => /^demo-\d+$/.test(act.id)
/** A replacement whose set-aside state is swept has nothing to go back to. */
const isSwept = (act: Act, here: ReadonlySet<string>): boolean =>
  act.setsAside !== undefined && act.setsAside.length > 0 && !act.setsAside.some(id => here.has(id))

export function journalViewOf(
  kept: readonly Act[],
  damaged: readonly DamagedRecord[],
  nowMs: number,
): JournalView {
  const placed = inForce(kept)
  const here = new Set(kept.map(act => act.id))
  return {
    kept,
    placed,
    state: foldPlaced(placed),
    nowMs,
    damaged,
    undo: undoSteps(kept, act => isGiven(act) || isSwept(act, here)),
  }
}

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
      return journalViewOf(acts, damaged, maker.nowMs())
    },
  })

export const useJournal = (): JournalView => useSuspenseQuery(journalQuery(useJournalTools())).data

/** Adds an act that is already kept to what is shown; the rest is not read again. */
export function showAct(client: QueryClient, tools: JournalTools, act: Act): void {
  client.setQueryData(journalQuery(tools).queryKey, before =>
    before && !before.kept.some(item => item.id === act.id)
      ? journalViewOf([...before.kept, act], before.damaged, tools.maker.nowMs())
      : before,
  )
}

/** What another tab writes is shown here too. */
export function useOtherTabs(): void {
  const tools = useJournalTools()
  const client = useQueryClient()
  useEffect(
    () =>
      tools.store.onChange(id => {
        const all = () => client.invalidateQueries({ queryKey: journalQuery(tools).queryKey })
        if (id === null) return void all()
        void tools.store.readOne(id).then(act => (act ? showAct(client, tools, act) : all()))
      }),
    [tools, client],
  )
}

export interface KnownBox {
  readonly view: BoxView
  readonly facts: BoxFacts | null
}

/** A box is looked up at every drawing of the shelf; it changes with the journal alone. */
const boxesOf = new WeakMap<JournalView, Map<string, KnownBox | null>>()

export function knownBox(journal: JournalView, boxId: string): KnownBox | null {
  const boxes = boxesOf.get(journal) ?? new Map<string, KnownBox | null>()
  boxesOf.set(journal, boxes)
  if (!boxes.has(boxId)) {
    const view = boxView(journal.state, boxId, journal.nowMs)
    boxes.set(boxId, view && { view, facts: boxFacts(journal.state, view, factsTimeMs(journal, view)) })
  }
  return boxes.get(boxId)!
}

/** Facts as a query's key: all they say, written out once. */
const keys = new WeakMap<BoxFacts, string>()
function factsKey(facts: BoxFacts | null | undefined): string {
  if (!facts) return ''
  const key = keys.get(facts) ?? JSON.stringify(facts)
  keys.set(facts, key)
  return key
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
    queryKey: ['report', store.name, boxId, factsKey(facts)],
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
    queryKey: ['grams', store.name, boxId, factsKey(facts)],
    enabled: reckonable(facts) && facts.targetRhPercent !== null,
    networkMode: 'always',
    retry: false,
    staleTime: Infinity,
    structuralSharing: false,
    queryFn: ({ signal }) => reckoner.grams(facts!, seedFromText(boxId), WEEKS_WANTED, signal),
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

/** Takes away, once a page is open, what a replacement set aside long enough ago. */
export function useSweep(): void {
  const { store, maker } = useJournalTools()
  const { kept } = useJournal()
  useEffect(() => {
    const old = sweepable(kept, maker.nowMs())
    if (old.length > 0) void withLock(`journal ${store.name}`, () => store.remove(old))
  }, [kept, store, maker])
}

/** Keeps one act and shows it. Where the browser refuses, nothing is written and the caller still has it. */
export function useKeep(): (act: Act, asWritten?: unknown) => Promise<Act> {
  const tools = useJournalTools()
  const client = useQueryClient()
  return async (act, asWritten) => {
    await tools.store.append(act, asWritten)
    showAct(client, tools, act)
    return act
  }
}

/** Writes one act. The entry stays on screen when the write is refused. */
export function useWriteAct() {
  const { maker } = useJournalTools()
  const keep = useKeep()
  return useMutation({
    networkMode: 'always',
    retry: false,
    mutationFn: ({ what, drafts, instead }: NewAct) => keep(makeAct(maker, what, drafts, instead)),
  })
}
interface NewAct {
  readonly what: string
  readonly drafts: readonly Draft[]
  /** The act or entry this one stands in for. */
  readonly instead?: string
}

/** Undo and redo, and taking back any one act or entry. */
export function useUndo() {
  const { maker } = useJournalTools()
  const { undo } = useJournal()
  const keep = useKeep()
  const { mutateAsync, isPending, error } = useMutation({
    networkMode: 'always',
    retry: false,
    mutationFn: (act: Act) => keep(act),
  })
  const keepOf = (what: { id: string; what: string } | null): Promise<boolean> =>
    what === null
      ? Promise.resolve(false)
      : mutateAsync(makeWithdrawal(maker, what)).then(
          () => true,
          () => false,
        )
  return {
    isPending,
    error,
    /** True once it is taken back; false where the browser refused, and `error` says why. */
    takeBack: (what: { id: string; what: string } | null = undo.undo) => keepOf(what),
    redo: () => keepOf(undo.redo?.withdrawal ?? null),
  }
}
