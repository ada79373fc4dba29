import { spoolSizeOf } from '#core/filament/spool-class.ts'
import { windingRadiusMm } from '#core/filament/winding.ts'
import type { MaterialId } from '#core/filament/material.ts'
import { hatchId } from './hatch.tsx'
import pen from './pen.module.css'

export interface DrawnSpool {
  readonly name: string
  readonly material: MaterialId
  readonly colour: string
  readonly filamentG: number
  readonly rimDiameterMm: number
  readonly widthMm: number
}

const FLANGE_MM = 4.5
const radiusMm = (spool: DrawnSpool): number => windingRadiusMm(spoolSizeOf(spool), spool.filamentG)

interface Props {
  readonly spool: DrawnSpool
  readonly scale: number
  readonly x: number
  /** The line it stands on. */
  readonly y: number
}

/** Standing on its rim, seen along the shelf: two flanges, the winding as high as the grams left. */
export function SpoolEdge({ spool, scale, x, y }: Props) {
  const rim = spool.rimDiameterMm * scale
  const width = spool.widthMm * scale
  const flange = Math.max(FLANGE_MM * scale, 1.6)
  const winding = 2 * radiusMm(spool) * scale
  return (
    <g transform={`translate(${x} ${y - rim})`} data-part="spool">
      <rect
        x={flange}
        y={(rim - winding) / 2}
        width={Math.max(width - 2 * flange, 1)}
        height={winding}
        fill={`url(#${hatchId(spool.material, spool.colour)})`}
      />
      {[0, width - flange].map(left => (
        <rect key={left} x={left} y="0" width={flange} height={rim} className={pen.flange} />
      ))}
    </g>
  )
}

/** Axle towards the viewer. */
export function SpoolFace({ spool, scale, x, y }: Props) {
  const rim = (spool.rimDiameterMm / 2) * scale
  return (
    <g transform={`translate(${x + rim} ${y - rim})`} data-part="spool">
      <circle r={rim} className={pen.flange} />
      <circle
        r={radiusMm(spool) * scale}
        fill={`url(#${hatchId(spool.material, spool.colour)})`}
        className={pen.windingEdge}
      />
      <circle r={45 * scale} className={pen.flange} />
      <circle r={27 * scale} className={pen.flangeHole} />
    </g>
  )
}

/** Lying flat, as in a pail. */
export function SpoolFlat({ spool, scale, x, y }: Props) {
  const rim = spool.rimDiameterMm * scale
  const width = spool.widthMm * scale
  const flange = Math.max(FLANGE_MM * scale, 1.6)
  const winding = 2 * radiusMm(spool) * scale
  return (
    <g transform={`translate(${x} ${y - width})`} data-part="spool">
      <rect
        x={(rim - winding) / 2}
        y={flange}
        width={winding}
        height={Math.max(width - 2 * flange, 1)}
        fill={`url(#${hatchId(spool.material, spool.colour)})`}
      />
      {[0, width - flange].map(top => (
        <rect key={top} x="0" y={top} width={rim} height={flange} className={pen.flange} />
      ))}
    </g>
  )
}
