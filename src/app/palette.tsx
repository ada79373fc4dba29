import '@mantine/spotlight/styles.css'
import {
  createSpotlight,
  Spotlight,
  type SpotlightActionData,
  type SpotlightActionGroupData,
} from '@mantine/spotlight'
import { useEffect } from 'react'
import { useNavigate } from 'react-router'
import { ALMANAC_PAGES } from '#ui/almanac-pages.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useUndo } from '#session/writing.ts'
import { inShelfOrder } from '#journal/shelf-order.ts'

const [store, palette] = createSpotlight()
const MOST_SHOWN = 12

/** Everything that can be done, by name: boxes, what is done with them, places. */
export default function Palette({
  close,
  showKeys,
  add,
}: {
  readonly close: () => void
  readonly showKeys: () => void
  readonly add: () => void
}) {
  const { base } = useJournalTools()
  const { state, undo } = useJournal()
  const { withdraw, redo } = useUndo()
  const navigate = useNavigate()
  useEffect(() => palette.open(), [])
  const go = (id: string, label: string, to: string): SpotlightActionData => ({
    id,
    label,
    onClick: () => void navigate(`${base}${to}`),
  })
  const boxes = inShelfOrder(state)
  const actions: SpotlightActionData[] = [
    go('walk', 'Walk the shelf', '/round'),
    ...(undo.undo ? [{ id: 'undo', label: `Undo: ${undo.undo.what}`, onClick: () => void withdraw() }] : []),
    ...(undo.redo ? [{ id: 'redo', label: `Redo: ${undo.redo.act.what}`, onClick: () => void redo() }] : []),
    go('move', 'Move or swap a spool or beads', '/?do=move'),
    { id: 'add', label: 'Add a spool, beads, a display, a box, a scale', onClick: add },
    go('shelf', 'Shelf', '/'),
    go('renew', 'Renew: the plan of days at the oven', '/renew'),
    go('heat today', 'Heat some beads today', '/renew/now'),
    go('replace', 'Replace: crystals, worn beads, a shopping list', '/renew/replace'),
    go('look back', 'Look back: water, energy, days kept', '/renew/back'),
    go('heat', 'How hot the ovens are', '/kit/heat'),
    go('build', 'Build: plan a box', '/build'),
    go('kit', 'Kit: everything you own', '/kit'),
    go('entries', 'Entered: everything, to put right', '/entries'),
    go('files', 'Files: save, bring together, calendar', '/files'),
    go('preferences', 'Preferences: units, light, money', '/preferences'),
    go('start', 'Add a box', '/start'),
    ...ALMANAC_PAGES.map(page =>
      go(`almanac ${page.path}`, `Almanac: ${page.word.toLowerCase()}`, `/almanac/${page.path}`),
    ),
    { id: 'keys', label: 'Keys', onClick: showKeys },
    ...boxes.map(box => go(`open ${box.boxId}`, box.name, `/box/${box.boxId}`)),
    ...boxes.flatMap(box => [
      go(`read ${box.boxId}`, `${box.name}: log a reading`, `/box/${box.boxId}?do=reading`),
      go(`renew ${box.boxId}`, `${box.name}: renew the beads`, `/box/${box.boxId}?do=renewing`),
      go(`weigh ${box.boxId}`, `${box.name}: weigh the beads`, `/box/${box.boxId}?do=weighing`),
      go(`move ${box.boxId}`, `${box.name}: move or swap`, `/box/${box.boxId}?do=moving`),
      go(`card ${box.boxId}`, `${box.name}: print its card`, `/box/${box.boxId}/card`),
      go(`entries ${box.boxId}`, `${box.name}: everything entered`, `/entries?box=${box.boxId}`),
    ]),
  ]
  return (
    <Spotlight
      store={store}
      actions={actions}
      shortcut={null}
      highlightQuery
      overlayProps={{ blur: 0 }}
      attributes={{ content: { 'aria-label': 'Everything by name' } }}
      scrollable
      limit={MOST_SHOWN}
      filter={byWords}
      maxHeight={440}
      nothingFound="Nothing of that name."
      onSpotlightClose={close}
      searchProps={{ placeholder: 'A box, a place, or what to do', 'aria-label': 'Everything by name' }}
    />
  )
}

/** Every word of what is typed stands somewhere in the label: "box 4 renew" finds "Box 4: renew the beads". */
function byWords(
  query: string,
  actions: (SpotlightActionData | SpotlightActionGroupData)[],
): (SpotlightActionData | SpotlightActionGroupData)[] {
  const words = query.toLowerCase().split(/\s+/).filter(Boolean)
  return actions.filter(action => {
    const label = 'label' in action ? (action.label ?? '').toLowerCase() : ''
    return words.every(word => label.includes(word))
  })
}
