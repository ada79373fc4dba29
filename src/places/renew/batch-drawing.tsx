import { asTold, type HeatSource } from '#core/renewal/heat-source.ts'
import { DESICCANTS, type DesiccantKind } from '#core/desiccant/catalogue.ts'
import { GOOD_MM } from '#core/renewal/baking.ts'
import { inWhole, shortName } from '#ui/format.ts'
import { OvenFrame, TRAY_LEFT, TRAY_PX } from './oven-frame.tsx'
import css from './plan.module.css'
import oven from './renew.module.css'

/** What lies in one batch. */
export interface Lying {
  readonly id: string
  /** The box it comes out of, or the jar. */
  readonly label: string
  readonly grams: number
  readonly desiccant: DesiccantKind
}

/** 10 × 10 px are 25 g: a bed's depth is to scale, so that too deep looks too deep. */
const PX2_PER_G = 4
const SHELF = 40
/** A narrower bed has no room for its name. */
const NAMED_PX = 36
const LETTER_PX = 7
/** Beads lie no thinner than a layer. */
const MOST_SPREAD = 2.5

interface Bed extends Lying {
  readonly x: number
  readonly width: number
}

/** Beds side by side on the trays, in their order; what does not fit one tray goes on to the next. */
function laidOut(lying: readonly Lying[], source: HeatSource): Bed[][] {
  const { trays, trayAreaCm2 } = asTold(source)
  const areaOf = (one: Lying) => one.grams / DESICCANTS[one.desiccant].bulkDensityGPerMl / (GOOD_MM / 10)
  const sum = lying.reduce((total, one) => total + areaOf(one), 0)
  // they are spread as far as there is room on the trays they need
  const spread = Math.max(1, Math.min(MOST_SPREAD, (Math.ceil(sum / trayAreaCm2) * trayAreaCm2) / sum))
  const rows: Bed[][] = [[]]
  let left = TRAY_PX
  for (const one of lying) {
    let width = ((areaOf(one) * spread) / trayAreaCm2) * TRAY_PX
    let grams = one.grams
    while (width > left && rows.length < trays) {
      if (left >= NAMED_PX || width > TRAY_PX) {
        const part = Math.max(0, grams * (left / width))
        if (left > 4) rows.at(-1)!.push({ ...one, grams: part, x: TRAY_PX - left, width: left - 2 })
        grams -= part
        width -= left
      }
      rows.push([])
      left = TRAY_PX
    }
    const fits = Math.max(4, Math.min(width, left) - 2)
    rows.at(-1)!.push({ ...one, grams, x: TRAY_PX - left, width: fits })
    left -= fits + 2
  }
  return rows
}

/** The oven in section with one batch in it: whose beads lie where, and how deep. */
export function BatchDrawing({
  lying,
  source,
  name,
}: {
  readonly lying: readonly Lying[]
  readonly source: HeatSource
  readonly name: string
}) {
  const rows = laidOut(lying, source)
  const trays = Math.max(rows.length, Math.min(3, asTold(source).trays))
  const total = lying.map(one => `${one.label} ${inWhole(one.grams)} g`).join(', ')
  return (
    <OvenFrame source={source} trays={trays} shelfPx={SHELF} label={`${name} in section: ${total}`}>
      {(tray, floorY) =>
        (rows[tray] ?? []).map(bed => {
          const depth = Math.max(2.5, Math.min(SHELF - 18, (bed.grams * PX2_PER_G) / bed.width))
          return (
            <g key={bed.id}>
              <rect
                x={TRAY_LEFT + bed.x}
                y={floorY - depth}
                width={bed.width}
                height={depth}
                className={oven.bed}
              />
              {bed.width >= NAMED_PX && (
                <text x={TRAY_LEFT + bed.x} y={floorY - depth - 5} className={css.bedName}>
                  {shortName(bed.label, Math.floor(bed.width / LETTER_PX))}
                </text>
              )}
            </g>
          )
        })
      }
    </OvenFrame>
  )
}
