import { useDraggable } from '@dnd-kit/core'
import type { KeyboardEvent } from 'react'
import css from './plan.module.css'

interface Props {
  readonly at: number
  readonly x: number
  readonly groundY: number
  readonly date: string
  readonly count: string
  /** In full, for those who don't see it. */
  readonly label: string
  readonly value: { readonly now: number; readonly most: number; readonly text: string }
  /** Room for the second line, and whether the first has to give way to a neighbour. */
  readonly room: 'both' | 'date' | 'lower'
  readonly anchor: 'start' | 'middle' | 'end'
  readonly isChosen: boolean
  readonly isHeld: boolean
  readonly isPinned: boolean
  readonly lozenges: readonly { readonly y: number; readonly is: 'served' | 'late' }[]
  readonly onChoose: () => void
  readonly onStep: (by: 1 | -1) => void
  readonly onLetGo: () => void
  readonly onCancel: () => void
}

const TOP = 46

/** A day at the oven: an upright through the strokes it serves. It is pulled along the year, or moved by arrow keys. */
export function PlanUpright(props: Props) {
  const { at, x, groundY, date, count, label, value, room, anchor, isChosen, isHeld, isPinned } = props
  const { setNodeRef, listeners } = useDraggable({ id: `session ${at}`, data: { at } })
  const onKey = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return
    const doing: Record<string, () => void> = {
      ArrowLeft: () => props.onStep(-1),
      ArrowRight: () => props.onStep(1),
      Enter: isHeld ? props.onLetGo : props.onChoose,
      ' ': props.onChoose,
      Escape: props.onCancel,
    }
    if (!(event.key in doing)) return
    event.preventDefault()
    doing[event.key]!()
  }
  return (
    <g
      ref={node => setNodeRef(node as unknown as HTMLElement | null)}
      {...listeners}
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={value.most}
      aria-valuenow={value.now}
      aria-valuetext={value.text}
      aria-describedby="how-to-move"
      className={`${css.upright} ${isChosen ? css.chosen : ''}`}
      data-session={at}
      data-chosen={isChosen || undefined}
      onKeyDown={onKey}
      onClick={props.onChoose}
    >
      <rect x={x - 15} y="0" width="30" height={groundY + 26} className={css.hit} />
      <path d={`M${x} ${TOP}V${groundY + 5}`} className={isHeld ? css.heldLine : css.line} />
      {isHeld && <circle cx={x} cy={TOP + 1} r="8" className={css.ring} />}
      <circle cx={x} cy={TOP + 1} r="12.5" className={css.focusRing} />
      {isPinned && !isHeld && <circle cx={x} cy={TOP - 4} r="3.4" className={css.pin} data-part="pin" />}
      <g className={css.heads}>
        <text
          x={x}
          y={room === 'lower' ? 34 : 17}
          textAnchor={anchor}
          className={isChosen ? css.dateChosen : css.date}
        >
          {date}
        </text>
        {room === 'both' && (
          <text x={x} y="34" textAnchor={anchor} className={css.count}>
            {count}
          </text>
        )}
      </g>
      {props.lozenges.map(({ y, is }) => (
        <path
          key={y}
          d={`M${x} ${y - 5}L${x + 4} ${y}L${x} ${y + 5}L${x - 4} ${y}Z`}
          className={isHeld ? (is === 'late' ? css.lozengeLate : css.lozengeHeld) : css.lozenge}
          data-part="lozenge"
        />
      ))}
      {props.lozenges
        .filter(one => one.is === 'late')
        .map(({ y }) => (
          <path
            key={y}
            d={`M${x - 8} ${y - 7}H${x + 8}M${x - 4.5} ${y - 8}L${x} ${y - 14}L${x + 4.5} ${y - 8}Z`}
            className={css.peak}
          />
        ))}
    </g>
  )
}
