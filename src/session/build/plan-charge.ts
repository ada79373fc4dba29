import { useQuery } from '@tanstack/react-query'
import type { BoxFacts } from '#core/evidence/facts.ts'
import type { GramsWanted } from '#core/estimate/grams-wanted.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import { useJournalTools } from '../journal-context.tsx'

// no figure of another filling stands while the next is worked out
const fresh = { networkMode: 'always', retry: false, staleTime: Infinity } as const

/** Grams a planned box wants for so many weeks: as its spools come from the room, with them dried, with a better seal. */
export function usePlanGrams(facts: BoxFacts | null, weeks: number) {
  const { estimator } = useJournalTools()
  return useQuery({
    ...fresh,
    queryKey: ['plan grams', JSON.stringify(facts), weeks],
    enabled: facts !== null,
    queryFn: ({ signal }): Promise<GramsWanted[]> => estimator.grams(facts!, [weeks], signal),
  })
}
/** Its first day, as the display would show it. */
export function usePlanFirstDay(facts: BoxFacts | null) {
  const { estimator } = useJournalTools()
  return useQuery({
    ...fresh,
    queryKey: ['plan first day', JSON.stringify(facts)],
    enabled: facts !== null,
    queryFn: ({ signal }): Promise<BoxReport> => estimator.report(facts!, signal),
  })
}
