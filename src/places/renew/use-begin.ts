import { useNavigate } from 'react-router'
import type { Draft } from '#records/act.ts'
import type { SessionBegun } from '#records/kinds/session.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useWriteAct } from '#session/writing.ts'
import { askToPersist } from '#store/persistence.ts'

/** Begins a session, and goes to it. */
export function useBegin() {
  const { maker, base } = useJournalTools()
  const write = useWriteAct()
  const navigate = useNavigate()
  return {
    error: write.error,
    isPending: write.isPending,
    /** @param before what is done in the same moment: spares that went in */
    begin: (plan: Omit<SessionBegun, 'sessionId'>, where: string, before: readonly Draft[] = []) => {
      const sessionId = maker.newId()
      write.mutate(
        {
          what: `Heating begun in ${where}`,
          drafts: [...before, { kind: 'session.begun', payload: { sessionId, ...plan } }],
        },
        {
          onSuccess: () => {
            // what is written while the oven is hot is worth keeping
            void askToPersist()
            void navigate(`${base}/renew/session/${sessionId}`)
          },
        },
      )
    },
  }
}
