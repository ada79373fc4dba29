/** Grams drawn as area: the same for every vessel on a page, printed beside it. */
export const SHELF_PX2_PER_G = 14

export interface VesselFill {
  readonly capacityG: number
  readonly heldG: number | null
  readonly notchG: number | null
  /** Beads nobody measured: the whole vessel is pencil. */
  readonly pencil: boolean
}

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
}: {
  readonly fill: VesselFill
  readonly x: number
  readonly y: number
  readonly height: number
  readonly px2PerG?: number
  readonly maxWidth?: number
}) {
  const width = vesselWidth(fill.capacityG, height, px2PerG, maxWidth)
  const level = (grams: number) => Math.min((grams * px2PerG) / width, height)
  const left = x - width / 2
  const lip = 3
  return (
    <g className={fill.pencil ? 'vessel pencil-lines' : 'vessel'}>
      {fill.heldG !== null && (
        <rect x={left} y={y - level(fill.heldG)} width={width} height={level(fill.heldG)} className="water" />
      )}
      <path
        d={`M${left - lip} ${y - height - lip}L${left} ${y - height}V${y}H${left + width}V${y - height}L${left + width + lip} ${y - height - lip}`}
        className="vessel-wall"
      />
      {fill.notchG !== null && (
        <path d={`M${left + width} ${y - level(fill.notchG) - 3.2}v6.4l-4 -3.2z`} className="notch" />
      )}
    </g>
  )
}

export const vesselWidth = (
  capacityG: number,
  height: number,
  px2PerG = SHELF_PX2_PER_G,
  maxWidth = Infinity,
): number => Math.min(Math.max((capacityG * px2PerG) / height, 7), maxWidth)
