import { scaleStepG } from '#journal/scales.ts'
import {
  DndContext,
  DragOverlay,
  MouseSensor,
  TouchSensor,
  pointerWithin,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core'
import { useEffect, useRef, useState, type ReactNode } from 'react'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { Refused } from '#ui/refused.tsx'
import { moveDrafts, moveWords } from '#session/move-drafts.ts'
import {
  boxOf,
  idOf,
  movables,
  nameOf,
  placesToGo,
  type Movable,
  type PlaceKey,
} from '#session/places-to-go.ts'
import css from './shelf.module.css'

/** A pull of this many px is a move; less is a touch on the box. */
const PULL_PX = 6
const LONG_PRESS_MS = 350

/**
 * Spools and charges can be pulled from box to box, or to a place beside the shelf. A long press on the phone takes
 * hold too; let go where it was, it asks where to.
 */
export function ShelfMoves({
  onAsk,
  children,
}: {
  readonly onAsk: (thingId: string) => void
  readonly children: ReactNode
}) {
  const { state } = useJournal()
  const { maker } = useJournalTools()
  const write = useWriteAct()
  const pulling = useRef(false)
  const [held, setHeld] = useState<Movable | null>(null)
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: PULL_PX } }),
    useSensor(TouchSensor, { activationConstraint: { delay: LONG_PRESS_MS, tolerance: 8 } }),
  )
  const find = (id: string) => movables(state).find(thing => idOf(thing) === id) ?? null
  useEffect(() => {
    // letting go is no touch on the link underneath, nor on the veil of the form that asks where to, however late a slow
    // phone sends the click; on the window, since the drag library keeps clicks from React. A key's click has no detail.
    const swallow = (event: MouseEvent) => {
      if (!pulling.current || event.detail === 0) return
      event.preventDefault()
      event.stopImmediatePropagation()
    }
    const pressAnew = () => (pulling.current = false)
    window.addEventListener('click', swallow, true)
    window.addEventListener('pointerdown', pressAnew, true)
    return () => {
      window.removeEventListener('click', swallow, true)
      window.removeEventListener('pointerdown', pressAnew, true)
    }
  }, [])
  const release = () => setHeld(null)
  const onEnd = ({ active, over, activatorEvent }: DragEndEvent) => {
    release()
    const thing = find(String(active.id))
    if (!thing) return
    const to = over ? (String(over.id) as PlaceKey) : null
    const place = placesToGo(state, thing).find(item => item.key === to)
    if (place) {
      const move = { thing, to: place.key, instead: null, weights: [], atMs: maker.nowMs() }
      write.mutate({ what: moveWords(move, place.name), drafts: moveDrafts(move, scaleStepG(state)) })
    } else if ('touches' in activatorEvent && (to === null || to === `box:${boxOf(thing)}`))
      onAsk(idOf(thing))
  }
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      onDragStart={({ active }) => {
        pulling.current = true
        setHeld(find(String(active.id)))
      }}
      onDragEnd={onEnd}
      onDragCancel={release}
      accessibility={{ screenReaderInstructions: { draggable: 'Press M to move a spool or beads.' } }}
    >
      {children}
      {write.error && <Refused error={write.error} remedy="move it again" />}
      {held && (
        <div className={css.besideShelf}>
          {placesToGo(state, held)
            .filter(place => !place.key.startsWith('box:'))
            .map(place => (
              <BesideShelf key={place.key} placeKey={place.key} name={place.name} />
            ))}
        </div>
      )}
      <DragOverlay dropAnimation={null}>
        {held && (
          <span className={css.heldWord} data-part="held-word">
            {nameOf(held)}
          </span>
        )}
      </DragOverlay>
    </DndContext>
  )
}

export const holdSpool = (spool: object, drawing: ReactNode): ReactNode =>
  'spoolId' in spool ? <Held id={String(spool.spoolId)}>{drawing}</Held> : drawing
export const holdCharge = (chargeId: string, drawing: ReactNode): ReactNode => (
  <Held id={chargeId}>{drawing}</Held>
)

/** What can be pulled. */
function Held({ id, children }: { readonly id: string; readonly children: ReactNode }) {
  const { setNodeRef, listeners, isDragging } = useDraggable({ id })
  return (
    <g
      ref={node => setNodeRef(node as unknown as HTMLElement | null)}
      {...listeners}
      className={isDragging ? `${css.heldThing} ${css.pulled}` : css.heldThing}
      data-thing={id}
    >
      {children}
    </g>
  )
}

/** A box, as a place to let go over. */
export function DropBox({
  boxId,
  widthMm,
  children,
}: {
  readonly boxId: string
  readonly widthMm: number
  readonly children: ReactNode
}) {
  const { setNodeRef, isOver } = useDroppable({ id: `box:${boxId}` })
  return (
    <g
      ref={node => setNodeRef(node as unknown as HTMLElement | null)}
      className={isOver ? `${css.shelfItem} ${css.dropHere}` : css.shelfItem}
      data-part="shelf-item"
      data-over={isOver || undefined}
      data-box={boxId}
      data-width-mm={widthMm}
    >
      {children}
    </g>
  )
}

function BesideShelf({ placeKey, name }: { readonly placeKey: PlaceKey; readonly name: string }) {
  const { setNodeRef, isOver } = useDroppable({ id: placeKey })
  return (
    <span
      ref={setNodeRef}
      className={isOver ? `${css.besidePlace} ${css.dropHere}` : css.besidePlace}
      data-part="beside-place"
      data-over={isOver || undefined}
    >
      {name}
    </span>
  )
}
