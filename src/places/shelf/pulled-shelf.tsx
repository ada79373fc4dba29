import type { ComponentProps } from 'react'
import type { Hands } from './hands.tsx'
import { ShelfDrawing } from './shelf-drawing.tsx'
import { DropBox, holdCharge, holdSpool, ShelfMoves } from './shelf-moves.tsx'

const HANDS: Hands = { Box: DropBox, spool: holdSpool, charge: holdCharge }

/** The shelf with everything on it to be pulled; it comes a moment after the shelf itself. */
export default function PulledShelf({
  onAsk,
  ...drawing
}: ComponentProps<typeof ShelfDrawing> & { readonly onAsk: (thingId: string) => void }) {
  return (
    <ShelfMoves onAsk={onAsk}>
      <ShelfDrawing {...drawing} hands={HANDS} />
    </ShelfMoves>
  )
}
