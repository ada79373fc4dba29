import { Link, useParams } from 'react-router'
import { boxView } from '#journal/box-view.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { BeginSeal } from './begin-seal.tsx'
import { EndSeal } from './end-seal.tsx'
import { sealSettingOf } from './seal-setting.ts'
import hand from '#ui/hand.module.css'

/** How tight is it? A test that says first how long it takes here to tell one lid from another. */
export default function SealPlace() {
  const { boxId = '' } = useParams()
  const { state, nowMs } = useJournal()
  const { base } = useJournalTools()
  const view = boxView(state, boxId, nowMs)
  const setting = view && sealSettingOf(state, view.box, nowMs)
  if (!view || !setting)
    return (
      <main className={hand.page} data-place="seal">
        <h1 className={hand.answer}>No such box</h1>
        <Link to={`${base}/`}>To the shelf</Link>
      </main>
    )
  return view.box.proving ? (
    <EndSeal view={view} setting={setting} proving={view.box.proving} key={view.box.proving.atMs} />
  ) : (
    <BeginSeal view={view} setting={setting} />
  )
}
