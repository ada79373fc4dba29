import { fitted } from '#core/label/label-text.ts'
import type { MaterialId } from '#core/filament/material.ts'
import { hatchId } from './hatch.tsx'
import { QrMarks } from './qr-code.tsx'

/** A label as it is drawn: lines of text, what is seen of the filament, and an address. */
export interface LabelDrawn {
  readonly name: string
  /** The second line, larger than the rest. */
  readonly second: string
  readonly lines: readonly string[]
  readonly hatch: { readonly material: MaterialId; readonly colour: string } | null
  readonly address: string
}

const FONT = 'Source Sans 3 Variable, sans-serif'
const SLAB = 'Zilla Slab, serif'
/** The hatch is drawn for the screen: on paper three of its lines to a millimetre. */
const HATCH_SCALE = 0.3
/** A code of an address needs so much to be read by a phone at arm's length. */
const LEAST_CODE_MM = 11
/** Smaller nobody reads at the shelf. */
const LEAST_LINE_MM = 1.8
const LEADING = 1.25

/** One label in millimetres: the filament's hatch down its side, name, facts, and a code that opens its page. */
export function LabelDrawing({
  label,
  widthMm,
  heightMm,
}: {
  readonly label: LabelDrawn
  readonly widthMm: number
  readonly heightMm: number
}) {
  const edge = Math.min(3, Math.max(1, heightMm * 0.06))
  const band = label.hatch ? Math.min(9, Math.max(3, widthMm * 0.09)) : 0
  const isTall = heightMm > widthMm
  const code = isTall
    ? Math.min(40, widthMm * 0.45)
    : Math.min(heightMm - 2 * edge, Math.max(LEAST_CODE_MM, widthMm * 0.33), 40)
  const left = edge + band + (band > 0 ? edge : 0)
  const textWidth = isTall ? widthMm - left - edge : widthMm - left - code - 2 * edge
  const most = isTall ? 9 : Math.min(6.5, heightMm * 0.2)
  const name = fitted(label.name, textWidth, { most, least: Math.min(most, 2.4) })
  const second = fitted(label.second, textWidth, { most: most * 0.62, least: Math.min(most * 0.62, 1.9) })
  let y = edge + name.sizeMm * 0.85
  const secondY = y + second.sizeMm * 1.25
  const foot = heightMm - edge - (isTall ? code + edge : 0)
  const largest = isTall ? 4.5 : Math.min(3.2, heightMm * 0.105)
  const small = Math.max(
    LEAST_LINE_MM,
    Math.min(largest, (foot - secondY) / (label.lines.length * LEADING + 0.5)),
  )
  y = secondY + small * 0.5
  // lines that have no room are left away, the last first
  const room = Math.max(0, Math.floor((foot - y) / (small * LEADING) + 1e-9))
  const fit = label.lines
    .slice(0, room)
    .map(line => fitted(line, textWidth, { most: small, least: LEAST_LINE_MM }))
  // one size for all of them
  const lineMm = fit.reduce((least, one) => Math.min(least, one.sizeMm), small)
  return (
    <g data-label={label.name}>
      {label.hatch && (
        <g transform={`translate(${edge} ${edge}) scale(${HATCH_SCALE})`}>
          <rect
            width={band / HATCH_SCALE}
            height={(heightMm - 2 * edge) / HATCH_SCALE}
            fill={`url(#${hatchId(label.hatch.material, label.hatch.colour)})`}
            stroke="#000"
            strokeWidth="0.6"
          />
        </g>
      )}
      <text x={left} y={edge + name.sizeMm * 0.85} fontSize={name.sizeMm} fontWeight="600" fontFamily={SLAB}>
        {name.text}
      </text>
      <text x={left} y={secondY} fontSize={second.sizeMm} fontWeight="600" fontFamily={FONT}>
        {second.text}
      </text>
      {fit.map((line, i) => (
        <text key={i} x={left} y={y + (i + 1) * small * LEADING} fontSize={lineMm} fontFamily={FONT}>
          {line.text}
        </text>
      ))}
      <QrMarks
        text={label.address}
        x={isTall ? (widthMm - code) / 2 : widthMm - edge - code}
        y={isTall ? heightMm - edge - code : (heightMm - code) / 2}
        side={code}
      />
    </g>
  )
}
