import { useHotkeys } from '@mantine/hooks'
import { useState } from 'react'
import { useLocation, useNavigate } from 'react-router'
import { useJournalTools } from '#session/journal-context.tsx'
import { later } from '#ui/later.tsx'
import { useUndo } from '#session/writing.ts'

const Palette = later(() => import('./palette.tsx'))
const AddDialog = later(() => import('#dialogs/kit/add-dialog.tsx'))
const ShortcutList = later(() => import('./shortcut-list.tsx'))

/** Keys that work everywhere, the palette, and the list of keys. */
export function Commands() {
  const { base } = useJournalTools()
  const navigate = useNavigate()
  const { pathname } = useLocation()
  const { withdraw, redo } = useUndo()
  const [open, setOpen] = useState<'palette' | 'keys' | 'add' | null>(null)
  // the shelf has its own R, with its own button
  const onShelf = pathname === (base || '/') || pathname === `${base}/`
  useHotkeys(
    [
      ['mod+K', () => setOpen('palette')],
      ['mod+Z', () => void withdraw()],
      ['mod+shift+Z', () => void redo()],
    ],
    ['INPUT', 'TEXTAREA', 'SELECT'],
  )
  // the palette opens from a field too; undo there is the field's own
  useHotkeys([['mod+K', () => setOpen('palette')]], ['BUTTON'])
  useHotkeys([
    ['shift+?', () => setOpen('keys')],
    ['?', () => setOpen('keys')],
    // the kit has its own A, with its own field
    ['a', () => !pathname.endsWith('/kit') && setOpen('add')],
    ['r', () => !onShelf && !pathname.endsWith('/round') && void navigate(`${base}/round`)],
  ])
  return (
    <>
      {open === 'palette' && (
        <Palette
          close={() => setOpen(current => (current === 'palette' ? null : current))}
          showKeys={() => setOpen('keys')}
          add={() => setOpen('add')}
        />
      )}
      {open === 'add' && <AddDialog close={() => setOpen(null)} />}
      {open === 'keys' && <ShortcutList close={() => setOpen(null)} />}
    </>
  )
}
