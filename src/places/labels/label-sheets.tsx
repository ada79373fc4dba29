import { SCALE_BAR_MM, scaleBarAt, type LabelSheet } from '#core/label/label-sheet.ts'
import { HatchDefs } from '#draw/hatch.tsx'
import { LabelDrawing, type LabelDrawn } from '#draw/label-drawing.tsx'

/** One sheet of labels in millimetres; by `frames` with the cut of each sticker, which is not printed. */
export function LabelSheetMarks({
  sheet,
  cells,
  labels,
  frames,
}: {
  readonly sheet: LabelSheet
  /** By cell, the number of a label. */
  readonly cells: readonly (number | null)[]
  readonly labels: readonly LabelDrawn[]
  readonly frames: boolean
}) {
  const bar = scaleBarAt(sheet)
  return (
    <>
      {sheet.cells.map(({ xMm, yMm }, i) => {
        const label = labels[cells[i] ?? -1]
        return (
          <g key={i} transform={`translate(${xMm} ${yMm})`}>
            {frames && (
              <rect
                width={sheet.labelWidthMm}
                height={sheet.labelHeightMm}
                fill="none"
                stroke="#b9b19f"
                strokeWidth="0.2"
                strokeDasharray="1 1"
                data-part="cut"
              />
            )}
            {label && (
              <LabelDrawing label={label} widthMm={sheet.labelWidthMm} heightMm={sheet.labelHeightMm} />
            )}
          </g>
        )
      })}
      {bar && (
        <g data-part="scale-bar">
          <path d={`M${bar.xMm} ${bar.yMm}h${SCALE_BAR_MM}`} stroke="#000" strokeWidth="0.2" />
          <path
            d={`M${bar.xMm} ${bar.yMm - 1}v2M${bar.xMm + SCALE_BAR_MM} ${bar.yMm - 1}v2`}
            stroke="#000"
            strokeWidth="0.2"
          />
          <text
            x={bar.xMm + SCALE_BAR_MM / 2}
            y={bar.yMm + 2.8}
            fontSize="2.4"
            textAnchor="middle"
            fontFamily="Source Sans 3 Variable, sans-serif"
          >
            {SCALE_BAR_MM} mm at 100 %
          </text>
        </g>
      )}
    </>
  )
}

export const HatchesOf = ({ labels }: { readonly labels: readonly LabelDrawn[] }) => (
  <HatchDefs spools={labels.flatMap(label => label.hatch ?? [])} dark={false} />
)

const GAP_MM = 10
/** All sheets side by side at their true size, for a file. */
export function LabelSheetsSvg({
  sheet,
  pages,
  labels,
}: {
  readonly sheet: LabelSheet
  readonly pages: readonly (readonly (number | null)[])[]
  readonly labels: readonly LabelDrawn[]
}) {
  const width = pages.length * (sheet.widthMm + GAP_MM) - GAP_MM
  return (
    <svg width={`${width}mm`} height={`${sheet.heightMm}mm`} viewBox={`0 0 ${width} ${sheet.heightMm}`}>
      <HatchesOf labels={labels} />
      {pages.map((cells, i) => (
        <g key={i} transform={`translate(${i * (sheet.widthMm + GAP_MM)} 0)`}>
          <LabelSheetMarks sheet={sheet} cells={cells} labels={labels} frames={false} />
        </g>
      ))}
    </svg>
  )
}
