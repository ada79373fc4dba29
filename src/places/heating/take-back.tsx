import { useNavigate } from 'react-router'
import type { SessionAt } from '#session/heating.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useUndo } from '#session/writing.ts'
import hand from '#ui/hand.module.css'

/** The whole session as if it had not been: every act of it is taken back, the last first. */
export function TakeBack({ at }: { readonly at: SessionAt }) {
  const { base } = useJournalTools()
  const { withdraw } = useUndo()
  const navigate = useNavigate()
  const { kept } = useJournal()
  const takeBack = async () => {
    void navigate(`${base}/renew`)
    for (const id of at.session.actIds.toReversed()) {
      const act = kept.find(one => one.id === id)
      // refused halfway, the rest stands as it was, and the page says why
      if (act && !(await withdraw(act))) return
    }
  }
  return (
    <button type="button" className={hand.worded} onClick={() => void takeBack()}>
      Take the whole session back
    </button>
  )
}
