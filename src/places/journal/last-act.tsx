import { useQuery, useQueryClient } from '@tanstack/react-query'
import { makeWithdrawal, type Act } from '#records/act.ts'
import { useJournalTools } from './journal-context.tsx'

/** What was done last on this page, and whether it is taken back at the moment. */
interface LastAct {
  readonly act: Act
  readonly withdrawal: Act | null
}

const lastActKey = (store: string) => ['last act', store]

/** Remembers an act as the one that undo takes back. */
export function useRemember(): (act: Act) => void {
  const { store } = useJournalTools()
  const client = useQueryClient()
  return act => void client.setQueryData<LastAct>(lastActKey(store.name), { act, withdrawal: null })
}

/** The last act, and the turn that takes it back or brings it again: a withdrawal, or the withdrawal of that. */
export function useLastAct(): { readonly last: LastAct | null; readonly turn: () => Promise<void> } {
  const { store, maker } = useJournalTools()
  const client = useQueryClient()
  const { data } = useQuery<LastAct | null>({
    queryKey: lastActKey(store.name),
    queryFn: () => null,
    staleTime: Infinity,
    networkMode: 'always',
  })
  const last = data ?? null
  const turn = async () => {
    if (!last) return
    const next = makeWithdrawal(maker, last.withdrawal ?? last.act)
    await store.append(next)
    client.setQueryData<LastAct>(lastActKey(store.name), {
      act: last.act,
      withdrawal: last.withdrawal ? null : next,
    })
    await client.invalidateQueries({ queryKey: ['journal', store.name] })
  }
  return { last, turn }
}

/** Undo of the last act, then redo. */
export function UndoButton() {
  const { last, turn } = useLastAct()
  if (!last) return null
  return (
    <button type="button" className="quiet undo" onClick={() => void turn()} title={last.act.what}>
      {last.withdrawal ? 'Redo' : 'Undo'}
      <span className="wide-only">: {last.act.what}</span>
    </button>
  )
}
