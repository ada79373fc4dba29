import { useMutation, useQueryClient } from '@tanstack/react-query'
import { makeAct, makeWithdrawal, type Act, type Draft } from '#records/act.ts'
import { useJournalTools } from './journal-context.tsx'
import { showAct, useJournal } from './journal-query.ts'

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
    withdraw: (what: { id: string; what: string } | null = undo.undo) => keepOf(what),
    redo: () => keepOf(undo.redo?.withdrawal ?? null),
  }
}
