import type { HeatSource } from '#core/renewal/heat-source.ts'
import type { ReactNode } from 'react'
import pen from '#draw/pen.module.css'
import css from './renew.module.css'

export const OVEN_PX = 152
const SIDE = 8
const TOP = 9
/** What beads may lie on, between the tray's rims. */
export const TRAY_LEFT = 2 * SIDE
export const TRAY_PX = OVEN_PX - 4 * SIDE

/** An oven in section with its trays; what lies on each stands on its floor. */
export function OvenFrame({
  source,
  trays,
  shelfPx,
  label,
  children,
}: {
  readonly source: HeatSource
  readonly trays: number
  readonly shelfPx: number
  readonly label: string
  readonly children: (tray: number, floorY: number) => ReactNode
}) {
  const height = trays * shelfPx + 20
  return (
    <svg className={pen.drawing} width={OVEN_PX + 2} height={height + 2} role="img" aria-label={label}>
      <rect x="1" y="1" width={OVEN_PX} height={height} rx="3" className={css.oven} />
      {source.kind !== 'microwave' && (
        <path
          d={`M${SIDE} ${TOP}H${OVEN_PX - SIDE}M${SIDE} ${height - 7}H${OVEN_PX - SIDE}`}
          className={css.element}
        />
      )}
      {Array.from({ length: trays }, (_, i) => {
        const floorY = TOP + (i + 1) * shelfPx - 5
        return (
          <g key={i}>
            <path
              d={`M${SIDE} ${floorY - 8}L${SIDE + 6} ${floorY}H${OVEN_PX - SIDE - 6}L${OVEN_PX - SIDE} ${floorY - 8}`}
              className={css.tray}
            />
            {children(i, floorY)}
          </g>
        )
      })}
    </svg>
  )
}
