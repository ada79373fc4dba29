import { Fragment, type ReactNode } from 'react'
import pen from './pen.module.css'

/** Grams drawn as area: the same for every vessel on a page, printed beside it. */
export const SHELF_PX2_PER_G = 14

export interface VesselFill {
  readonly heldG: number | null
  readonly notchG: number | null
  /** Beads nobody measured: the whole vessel is pencil. */
  readonly pencil: boolean
  /** The charges in it, each a compartment as wide as what it can hold. */
  readonly parts: readonly { readonly id: string; readonly capacityG: number }[]
}

/** Puts a hand on one charge of a vessel. */
export type HoldPart = (id: string, drawing: ReactNode) => ReactNode
const asDrawn: HoldPart = (_, drawing) => drawing

/**
 * The charge as a vessel standing on (x, y): water level is grams held, the notch in the right wall stands where the
 * strictest target is lost.
 */
export function Vessel({
  fill,
  x,
  y,
  height,
  px2PerG = SHELF_PX2_PER_G,
  maxWidth = Infinity,
  holdPart = asDrawn,
}: {
  readonly fill: VesselFill
  readonly x: number
  readonly y: number
  readonly height: number
  readonly px2PerG?: number
  readonly maxWidth?: number
  readonly holdPart?: HoldPart
}) {
  const width = vesselWidth(capacityOf(fill), height, px2PerG, maxWidth)
  const level = (grams: number) => Math.min((grams * px2PerG) / width, height)
  const left = x - width / 2
  const lip = 3
  const compartments = compartmentsOf(fill, left, width)
  return (
    <g className={fill.pencil ? pen.pencilLines : undefined}>
      {fill.heldG !== null && (
        <rect
          x={left}
          y={y - level(fill.heldG)}
          width={width}
          height={level(fill.heldG)}
          className={pen.water}
        />
      )}
      <path
        d={`M${left - lip} ${y - height - lip}L${left} ${y - height}V${y}H${left + width}V${y - height}L${left + width + lip} ${y - height - lip}`}
        className={pen.vesselWall}
      />
      {fill.notchG !== null && (
        <path d={`M${left + width} ${y - level(fill.notchG) - 3.2}v6.4l-4 -3.2z`} className={pen.notch} />
      )}
      {compartments.slice(1).map(part => (
        <path key={part.id} d={`M${part.x} ${y}V${y - height}`} className={pen.vesselWall} />
      ))}
      {compartments.map(part => (
        <Fragment key={part.id}>
          {holdPart(
            part.id,
            <rect x={part.x} y={y - height} width={part.width} height={height} className={pen.handHold} />,
          )}
        </Fragment>
      ))}
    </g>
  )
}

const capacityOf = ({ parts }: Pick<VesselFill, 'parts'>): number =>
  parts.reduce((sum, part) => sum + part.capacityG, 0)

function compartmentsOf({ parts }: VesselFill, left: number, width: number) {
  const total = capacityOf({ parts })
  let x = left
  return parts.map(({ id, capacityG }) => {
    const compartment = { id, x, width: (width * capacityG) / total }
    x += compartment.width
    return compartment
  })
}

export const vesselWidth = (
  capacityG: number,
  height: number,
  px2PerG = SHELF_PX2_PER_G,
  maxWidth = Infinity,
): number => Math.min(Math.max((capacityG * px2PerG) / height, 7), maxWidth)
