import { keepPreviousData, useQuery } from '@tanstack/react-query'
import type { Candidate, CandidateReport, Wish } from '#core/build/candidate.ts'
import { useJournalTools } from '../journal-context.tsx'

/** What the candidates of a plan take, let in and cost; worked out beside the page. The key is what it stands on. */
export function useCandidateReports(candidates: readonly Candidate[], wish: Wish | null) {
  const { estimator } = useJournalTools()
  return useQuery({
    queryKey: ['candidates', JSON.stringify(candidates), JSON.stringify(wish)],
    networkMode: 'always',
    retry: false,
    staleTime: Infinity,
    enabled: wish !== null && candidates.length > 0,
    // what is drawn stays while the next is worked out
    placeholderData: keepPreviousData,
    queryFn: ({ signal }): Promise<CandidateReport[]> => estimator.candidates(candidates, wish!, signal),
  })
}
