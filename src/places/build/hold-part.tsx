import {
  DndContext,
  MouseSensor,
  TouchSensor,
  useDraggable,
  useSensor,
  useSensors,
  type DragEndEvent,
  type DragMoveEvent,
} from '@dnd-kit/core'
import type { KeyboardEvent, ReactNode } from 'react'
import { VIEWS, type Part, type ViewName } from '#draw/plan-view.tsx'
import type { Vector } from '#core/build/inside.ts'
import css from './build.module.css'

/** How far an arrow key moves a thing, and with Shift. */
const STEP_MM = 1
const STRIDE_MM = 10

interface Handed {
  readonly part: Part
  readonly view: ViewName
  readonly scale: number
}
/** So many px to the right and down, in a view, as a way inside the box. */
function wayOf({ view, scale }: Pick<Handed, 'view' | 'scale'>, rightPx: number, downPx: number): Vector {
  const way: [number, number, number] = [0, 0, 0]
  way[VIEWS[view].right] = rightPx / scale
  way[VIEWS[view].up] = -downPx / scale
  return way
}

/** Everything in the views can be pulled; it moves as it is pulled, and is kept when let go. */
export function PullParts({
  onMove,
  onLetGo,
  children,
}: {
  readonly onMove: (part: Part, by: Vector) => void
  readonly onLetGo: (part: Part, by: Vector) => void
  readonly children: ReactNode
}) {
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 2 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 120, tolerance: 12 } }),
  )
  const told = ({ active, delta }: DragMoveEvent | DragEndEvent, tell: typeof onMove) => {
    const handed = active.data.current as Handed
    tell(handed.part, wayOf(handed, delta.x, delta.y))
  }
  return (
    <DndContext
      sensors={sensors}
      onDragMove={event => told(event, onMove)}
      onDragEnd={event => told(event, onLetGo)}
      onDragCancel={({ active }) => onLetGo((active.data.current as Handed).part, [0, 0, 0])}
      accessibility={{
        screenReaderInstructions: { draggable: 'Arrow keys move it by a millimetre, with Shift by ten.' },
      }}
    >
      {children}
    </DndContext>
  )
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/** One part under a hand: pulled by pointer, moved by arrow keys. */
export function Hand({
  part,
  view,
  scale,
  label,
  onStep,
  children,
}: Handed & {
  readonly label: string
  readonly onStep: (part: Part, by: Vector) => void
  readonly children: ReactNode
}) {
  const id = `${view} ${part.what} ${part.what === 'block' ? part.name : part.what === 'outlet' ? part.index : part.line} ${part.what === 'spool' ? part.id : ''}`
  const { setNodeRef, listeners, isDragging } = useDraggable({
    id,
    data: { part, view, scale } satisfies Handed,
  })
  const onKey = (event: KeyboardEvent) => {
    const arrow = ARROWS[event.key]
    if (!arrow || event.ctrlKey || event.metaKey || event.altKey) return
    event.preventDefault()
    const mm = event.shiftKey ? STRIDE_MM : STEP_MM
    onStep(part, wayOf({ view, scale: 1 }, arrow[0] * mm, arrow[1] * mm))
  }
  return (
    <g
      ref={node => setNodeRef(node as unknown as HTMLElement | null)}
      {...listeners}
      tabIndex={0}
      role="button"
      aria-roledescription="can be moved by arrow keys"
      aria-label={label}
      className={isDragging ? `${css.hand} ${css.pulled}` : css.hand}
      data-hand={id}
      onKeyDown={onKey}
    >
      {children}
    </g>
  )
}
