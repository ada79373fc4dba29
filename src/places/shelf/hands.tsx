import type { ComponentType, ReactNode } from 'react'
import css from './shelf.module.css'

interface BoxProps {
  readonly boxId: string
  readonly widthMm: number
  readonly children: ReactNode
}
/** What puts a hand on the things of the shelf. */
export interface Hands {
  readonly Box: ComponentType<BoxProps>
  readonly spool: (spool: object, drawing: ReactNode) => ReactNode
  readonly charge: (chargeId: string, drawing: ReactNode) => ReactNode
}

/** Before the drag library is there: the same drawing, and nothing to pull. */
export const NO_HANDS: Hands = {
  Box: ({ boxId, widthMm, children }) => (
    <g className={css.shelfItem} data-part="shelf-item" data-box={boxId} data-width-mm={widthMm}>
      {children}
    </g>
  ),
  spool: (_, drawing) => drawing,
  charge: (_, drawing) => drawing,
}
