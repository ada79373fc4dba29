import type { Bed } from '#core/renewal/baking.ts'
import { asTold, type HeatSource } from '#core/renewal/heat-source.ts'
import pen from '#draw/pen.module.css'
import css from './renew.module.css'

/** 10 × 10 px are 25 g: a tray's depth is to that scale, so that too deep looks too deep. */
const PX2_PER_G = 4
const WIDTH_PX = 152
const SHELF_PX = 46
const SIDE_PX = 8

/** The oven in section, its trays with the beads of one batch on them. */
export function OvenSection({
  source,
  bed,
  name,
}: {
  readonly source: HeatSource
  readonly bed: Bed
  readonly name: string
}) {
  const trays = Math.min(4, asTold(source).trays)
  const used = Math.min(trays, bed.trays)
  const gramsEach = bed.gramsEach / used
  const inner = WIDTH_PX - 4 * SIDE_PX
  const bedPx = Math.min(SHELF_PX - 14, (gramsEach * PX2_PER_G) / inner)
  const height = trays * SHELF_PX + 20
  return (
    <svg
      className={pen.drawing}
      width={WIDTH_PX + 2}
      height={height + 2}
      role="img"
      aria-label={`${name} in section: ${Math.round(gramsEach)} grams on ${used === 1 ? 'one tray' : `each of ${used} trays`}`}
    >
      <rect x="1" y="1" width={WIDTH_PX} height={height} rx="3" className={css.oven} />
      {source.kind !== 'microwave' && (
        <path
          d={`M${SIDE_PX} 9H${WIDTH_PX - SIDE_PX}M${SIDE_PX} ${height - 7}H${WIDTH_PX - SIDE_PX}`}
          className={css.element}
        />
      )}
      {Array.from({ length: trays }, (_, i) => {
        const floorY = 10 + (i + 1) * SHELF_PX - 6
        return (
          <g key={i}>
            <path
              d={`M${SIDE_PX} ${floorY - 8}L${SIDE_PX + 6} ${floorY}H${WIDTH_PX - SIDE_PX - 6}L${WIDTH_PX - SIDE_PX} ${floorY - 8}`}
              className={css.tray}
            />
            {i >= trays - used && (
              <rect
                x={2 * SIDE_PX}
                y={floorY - bedPx}
                width={inner}
                height={Math.max(2, bedPx)}
                className={css.bed}
              />
            )}
          </g>
        )
      })}
    </svg>
  )
}
