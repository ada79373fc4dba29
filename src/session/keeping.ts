import { greatest } from '#units/extremes.ts'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import type { Act } from '#records/act.ts'
import { readKeeping, writeKeeping, type Keeping } from '#store/keeping.ts'
import { useJournalTools } from './journal-context.tsx'

/** When acts were last brought in here; null if never. */
export const lastBroughtMs = (kept: readonly Act[]): number | null => {
  const times = kept.filter(act => act.brings).map(act => Date.parse(act.writtenAt))
  return times.length === 0 ? null : greatest(times)
}

/** What this device remembers of the files it gave out. */
export function useKeeping(): readonly [Keeping | undefined, (part: Partial<Keeping>) => void] {
  const { store } = useJournalTools()
  const client = useQueryClient()
  const queryKey = ['keeping', store.name]
  const { data } = useQuery({
    queryKey,
    networkMode: 'always',
    retry: false,
    staleTime: Infinity,
    queryFn: () => readKeeping(store.name),
  })
  const change = (part: Partial<Keeping>) => {
    const next = { ...(data ?? { savedAtMs: null, calendar: {}, ovenDays: {} }), ...part }
    client.setQueryData(queryKey, next)
    void writeKeeping(store.name, next)
  }
  return [data, change]
}
