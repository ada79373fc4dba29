import { queryOptions, useQueryClient, useSuspenseQuery, type QueryClient } from '@tanstack/react-query'
import { useEffect, useRef } from 'react'
import type { Act } from '#records/act.ts'
import { sweepable } from '#journal/merge.ts'
import { lastWrittenMs } from '#journal/written-at.ts'
import { withLock } from '#store/lock.ts'
import { useJournalTools, type JournalTools } from './journal-context.tsx'
import { journalViewOf, type JournalView } from './journal-view.ts'
import { readView } from './read-view.ts'

const LOOK_AGAIN_MS = 15 * 60_000

/** The journal folded, at the time it was read. Local data: never paused, never retried. */
export const journalQuery = ({ store, maker }: JournalTools) =>
  queryOptions({
    queryKey: ['journal', store.name],
    networkMode: 'always',
    retry: false,
    staleTime: LOOK_AGAIN_MS,
    refetchInterval: LOOK_AGAIN_MS,
    structuralSharing: false,
    queryFn: async ({ client, queryKey }): Promise<JournalView> => {
      const { view, acts, damaged } = await readView(store, maker.nowMs())
      const before = client.getQueryData<JournalView>(queryKey)
      const lost = store.name === 'own' && before ? lostFrom(before, acts) : []
      return lost.length === 0 ? view : journalViewOf([...lost, ...acts], damaged, maker.nowMs(), true)
    },
  })

/**
 * Acts shown here that the browser's storage no longer has. Acts go one by one only where a replacement set them aside;
 * all of them at once go when a browser is told to clear this site.
 */
function lostFrom(before: JournalView, found: readonly Act[]): readonly Act[] {
  const there = new Set(found.map(act => act.id))
  const lost = before.kept.filter(act => !there.has(act.id))
  return before.isEmptied || lost.length === before.kept.length ? lost : []
}

export const useJournal = (): JournalView => useSuspenseQuery(journalQuery(useJournalTools())).data

/** Adds an act that is already kept to what is shown; the rest is not read again. */
export function showAct(client: QueryClient, tools: JournalTools, act: Act, isEmptied = false): void {
  client.setQueryData(journalQuery(tools).queryKey, before =>
    before && !before.kept.some(item => item.id === act.id)
      ? journalViewOf(
          [...before.kept, act],
          before.damaged,
          tools.maker.nowMs(),
          isEmptied || before.isEmptied,
        )
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

/** Once a page is open: takes away what a replacement set aside long enough ago, packs the months that are over. */
export function useSweep(): void {
  const { store, maker } = useJournalTools()
  const { kept } = useJournal()
  const isSwept = useRef(false)
  useEffect(() => {
    const nowMs = maker.nowMs()
    // by the journal's own time: a clock that jumped ahead has nothing to say of what is thirty days old
    const old = sweepable(kept, Math.min(nowMs, lastWrittenMs(kept, nowMs)))
    if (old.length === 0 && isSwept.current) return
    isSwept.current = true
    const month = new Date(nowMs).toISOString().slice(0, 7)
    void withLock(`journal ${store.name}`, async () => {
      if (old.length > 0) await store.remove(old)
      await store.pack(month)
      // a browser that is full has no room to tidy in: what is there reads as before, and the next opening tries again
    }).catch(() => {})
  }, [kept, store, maker])
}
