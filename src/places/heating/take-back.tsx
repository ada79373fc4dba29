import { useNavigate } from 'react-router'
import { makeWithdrawal } from '#records/act.ts'
import type { SessionAt } from '#session/heating.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useKeep } from '#session/writing.ts'
import hand from '#ui/hand.module.css'

/** The whole session as if it had not been: every act of it is taken back, the last first. */
export function TakeBack({ at }: { readonly at: SessionAt }) {
  const { maker, base } = useJournalTools()
  const keep = useKeep()
  const navigate = useNavigate()
  const { kept } = useJournal()
  const takeBack = async () => {
    void navigate(`${base}/renew`)
    for (const id of at.session.actIds.toReversed()) {
      const act = kept.find(one => one.id === id)
      if (act) await keep(makeWithdrawal(maker, act))
    }
  }
  return (
    <button type="button" className={hand.worded} onClick={() => void takeBack()}>
      Take the whole session back
    </button>
  )
}
