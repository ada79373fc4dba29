import { useLocation } from 'react-router'
import { useJournal } from '#session/journal-query.ts'
import { Dialog } from '#ui/dialog.tsx'
import { QuickAdd } from './quick-add.tsx'

/** The quick field from anywhere; from a box, what is said goes into it. */
export default function AddDialog({ close }: { readonly close: () => void }) {
  const { state } = useJournal()
  const { pathname } = useLocation()
  const boxId = /\/box\/([^/]+)/.exec(pathname)?.[1]
  const box = boxId === undefined ? undefined : state.boxes.get(decodeURIComponent(boxId))
  return (
    <Dialog onClose={close} title="What do you own?" size={900}>
      <QuickAdd start={box ? ` into ${box.name}` : ''} autoFocus />
    </Dialog>
  )
}
