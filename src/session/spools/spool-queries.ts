import { queryOptions } from '@tanstack/react-query'
import type { DryAsked } from '#core/spool/dry-these.ts'
import type { RunAsked } from '#core/spool/drying-run.ts'
import type { PrintAsked } from '#core/spool/print-clock.ts'
import type { JournalTools } from '../journal-context.tsx'

/** Asked of the workers while a page shows it, and not kept: it hangs on what is typed. null: not asked. */
function askedQuery<Asked, Found>(
  { store, scienceVersion }: JournalTools,
  what: string,
  asked: Asked | null,
  ask: (asked: Asked, signal: AbortSignal) => Promise<Found>,
) {
  return queryOptions({
    queryKey: [what, store.name, scienceVersion, JSON.stringify(asked)],
    enabled: asked !== null,
    networkMode: 'always',
    retry: false,
    staleTime: Infinity,
    structuralSharing: false,
    queryFn: ({ signal }) => ask(asked!, signal),
  })
}

export const printQuery = (tools: JournalTools, asked: PrintAsked | null) =>
  askedQuery(tools, 'print', asked, (one, signal) => tools.estimator.print(one, signal))
export const dryQuery = (tools: JournalTools, asked: DryAsked | null) =>
  askedQuery(tools, 'dry', asked, (one, signal) => tools.estimator.dry(one, signal))
export const runQuery = (tools: JournalTools, asked: RunAsked | null) =>
  askedQuery(tools, 'run', asked, (one, signal) => tools.estimator.run(one, signal))
