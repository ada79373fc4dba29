import { CONTAINERS, insideVolumeL, type ContainerKind } from '#core/container/container.ts'
import { USUAL_SPOOL } from '#core/filament/winding.ts'
import { BoxDrawing } from '#draw/box-drawing.tsx'
import { Approx } from '#ui/figure.tsx'
import { HatchDefs } from '#draw/hatch.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import { usePreferences } from '#session/journal-context.tsx'
import css from './first-use.module.css'
import hand from '#ui/hand.module.css'
import pen from '#draw/pen.module.css'

const OFFERED: readonly ContainerKind[] = ['jar', 'clip-square', 'clip-long', 'tote', 'pail', 'bag']
const SCALE = 0.262
const MEASURE_SPOOL = {
  name: 'PLA',
  material: 'PLA',
  colour: 'ochre',
  filamentG: 800,
  rimDiameterMm: USUAL_SPOOL.rimDiameterMm,
  widthMm: USUAL_SPOOL.widthMm,
} as const
const HEIGHT = 98

/** One scale for all six; each holds the same spool. The chosen one turns from pencil to ink. */
export function OutlineChoice({
  chosen,
  choose,
}: {
  readonly chosen: ContainerKind
  readonly choose: (kind: ContainerKind) => void
}) {
  const { dark } = usePreferences()
  const { length, volume } = useMeasures()
  return (
    <div className={css.outlines} data-part="outlines" role="radiogroup" aria-label="Which outline is it?">
      {OFFERED.map(kind => {
        const { name, section, size, baseShare } = CONTAINERS[kind]
        const litres = insideVolumeL(section, size, baseShare)
        return (
          <label key={kind} className={css.outline}>
            <input
              type="radio"
              name="outline"
              className={hand.visuallyHidden}
              checked={chosen === kind}
              onChange={() => choose(kind)}
            />
            <svg
              width="166"
              height={HEIGHT + 8}
              viewBox={`0 0 166 ${HEIGHT + 8}`}
              className={pen.drawing}
              aria-hidden="true"
            >
              <HatchDefs spools={[MEASURE_SPOOL]} dark={dark} />
              <rect x="0" y={HEIGHT} width="166" height="5" className={pen.board} />
              <path d={`M0 ${HEIGHT}H166`} className={pen.boardLine} />
              <BoxDrawing
                box={{
                  container: kind,
                  widthMm: size.widthMm,
                  heightMm: size.heightMm,
                  sizePencil: chosen !== kind,
                }}
                spools={[MEASURE_SPOOL]}
                vessel={null}
                scale={SCALE}
                x={83 - (size.widthMm * SCALE) / 2}
                y={HEIGHT}
              />
            </svg>
            <span className={css.outlineName}>{name}</span>
            <span className={`${hand.aside} ${hand.small}`}>
              <Approx />
              {volume.text(litres)} · {length.bare(size.widthMm)} × {length.text(size.heightMm)}
            </span>
          </label>
        )
      })}
    </div>
  )
}
