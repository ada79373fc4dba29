import { useMutation, useMutationState, useQueryClient } from '@tanstack/react-query'
import { makeAct, makeWithdrawal, type Act, type Draft } from '#records/act.ts'
import { withLock } from '#store/lock.ts'
import { useJournalTools } from './journal-context.tsx'
import { journalQuery, showAct, useJournal } from './journal-query.ts'
import { keepAct, type Page } from './keep-act.ts'

/** Keeps one act and shows it. Where the browser refuses, nothing is written and the caller still has it. */
export function useKeep(): (act: Act, asWritten?: object) => Promise<Act> {
  const tools = useJournalTools()
  const client = useQueryClient()
  const page: Page = {
    store: tools.store,
    kept: () => client.getQueryData(journalQuery(tools).queryKey)?.kept ?? [],
    hear: (act, isEmptied) => showAct(client, tools, act, isEmptied),
    alone: work => withLock(`${tools.store.name} taking back`, work),
  }
  return (act, asWritten) => keepAct(page, act, asWritten)
}

/** Writes again what the browser's storage lost while this page was open. */
export function usePutBack() {
  const tools = useJournalTools()
  const client = useQueryClient()
  const { kept } = useJournal()
  return useMutation({
    networkMode: 'always',
    retry: false,
    mutationFn: async () => {
      const { acts } = await tools.store.readAll()
      const there = new Set(acts.map(act => act.id))
      for (const act of kept) if (!there.has(act.id)) await tools.store.append(act)
      await client.invalidateQueries({ queryKey: journalQuery(tools).queryKey })
    },
  })
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

const TAKING_BACK = ['taking back']

/** The last undo of this page, whoever pressed it, where it was refused. */
export function useRefusedUndo(): { readonly error: Error; readonly atMs: number } | null {
  const last = useMutationState({
    filters: { mutationKey: TAKING_BACK },
    select: ({ state }) => ({ error: state.error, atMs: state.submittedAt }),
  }).at(-1)
  return last?.error ? { error: last.error, atMs: last.atMs } : null
}

/** Undo and redo, and taking back any one act or entry. */
export function useUndo() {
  const { maker } = useJournalTools()
  const { undo } = useJournal()
  const keep = useKeep()
  const { mutateAsync, isPending } = useMutation({
    mutationKey: TAKING_BACK,
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
    /** True once it is taken back; false where it is not: the page then says why (`useRefusedUndo`). */
    withdraw: (what: { id: string; what: string } | null = undo.undo) => keepOf(what),
    redo: () => keepOf(undo.redo?.withdrawal ?? null),
  }
}
