import { greatest } from '#units/extremes.ts'
import type { Mark, Sheet } from '#core/build/template.ts'

/* Templates are printed and cut: plain black on white, whatever the light of the house. */
const LINES = {
  edge: { stroke: '#000', strokeWidth: 0.35 },
  cut: { stroke: '#000', strokeWidth: 0.2, strokeDasharray: '3 2' },
  cross: { stroke: '#000', strokeWidth: 0.15 },
} as const

const FONT = 'Source Sans 3 Variable, sans-serif'

/** The marks of a template, in millimetres of its own. */
export const SheetMarks = ({ marks }: { readonly marks: readonly Mark[] }) => (
  <>
    {marks.map((mark, i) =>
      mark.kind === 'line' ? (
        <path
          key={i}
          d={`M${mark.from[0]} ${mark.from[1]}L${mark.to[0]} ${mark.to[1]}`}
          fill="none"
          {...LINES[mark.as]}
        />
      ) : mark.kind === 'circle' ? (
        <circle
          key={i}
          data-hole={mark.hole}
          cx={mark.at[0]}
          cy={mark.at[1]}
          r={mark.diameterMm / 2}
          fill="none"
          stroke="#000"
          strokeWidth="0.25"
        />
      ) : (
        <text
          key={i}
          x={mark.at[0]}
          y={mark.at[1]}
          fontSize={mark.sizeMm}
          textAnchor={mark.anchor}
          fontFamily={FONT}
          fill="#000"
        >
          {mark.text}
        </text>
      ),
    )}
  </>
)

const GAP_MM = 40
/** All templates side by side at their true size, for a file. */
export function SheetsSvg({ sheets }: { readonly sheets: readonly Sheet[] }) {
  const widths = sheets.map(sheet => sheet.to[0] - sheet.from[0])
  const width = widths.reduce((sum, mm) => sum + mm, 0) + GAP_MM * Math.max(0, sheets.length - 1)
  const height = greatest(sheets.map(sheet => sheet.to[1] - sheet.from[1]))
  return (
    <svg width={`${width}mm`} height={`${height}mm`} viewBox={`0 0 ${width} ${height}`}>
      {sheets.map((sheet, i) => {
        const before = widths.slice(0, i).reduce((sum, mm) => sum + mm + GAP_MM, 0)
        const at = before - sheet.from[0]
        return (
          <g key={sheet.name} data-wall={sheet.name} transform={`translate(${at} ${-sheet.from[1]})`}>
            <SheetMarks marks={sheet.marks} />
          </g>
        )
      })}
    </svg>
  )
}
