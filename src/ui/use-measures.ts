import { useMemo } from 'react'
import { usePreferences } from '#session/journal-context.tsx'
import { measures, type Measures } from './measures.ts'

/** The person's own units, for output and input alike. */
export function useMeasures(): Measures {
  const { preferences } = usePreferences()
  return useMemo(() => measures(preferences), [preferences])
}
