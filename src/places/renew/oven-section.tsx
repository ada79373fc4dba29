import type { Bed } from '#core/renewal/baking.ts'
import { asTold, type HeatSource } from '#core/renewal/heat-source.ts'
import { OvenFrame, TRAY_LEFT, TRAY_PX } from './oven-frame.tsx'
import css from './renew.module.css'

/** 10 × 10 px are 25 g: a tray's depth is to that scale, so that too deep looks too deep. */
const PX2_PER_G = 4
const SHELF_PX = 46

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
  const bedPx = Math.min(SHELF_PX - 14, (gramsEach * PX2_PER_G) / TRAY_PX)
  return (
    <OvenFrame
      source={source}
      trays={trays}
      shelfPx={SHELF_PX}
      label={`${name} in section: ${Math.round(gramsEach)} grams on ${used === 1 ? 'one tray' : `each of ${used} trays`}`}
    >
      {(tray, floorY) =>
        tray >= trays - used && (
          <rect
            x={TRAY_LEFT}
            y={floorY - bedPx}
            width={TRAY_PX}
            height={Math.max(2, bedPx)}
            className={css.bed}
          />
        )
      }
    </OvenFrame>
  )
}
