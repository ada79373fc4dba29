import QRCode from 'qrcode'
import { memo } from 'react'

/** Quiet zone that readers need, in modules (ISO/IEC 18004, from memory). */
const QUIET = 4

/** The dark modules of a text's QR code, row by row. */
export function qrModules(text: string): {
  readonly size: number
  readonly isDark: (x: number, y: number) => boolean
} {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' })
  return {
    size: modules.size,
    isDark: (x, y) => x >= 0 && y >= 0 && x < modules.size && y < modules.size && modules.get(y, x) === 1,
  }
}

/** The dark modules as one path, quiet zone around them: `side` modules wide and high. */
function qrPath(text: string): { readonly side: number; readonly path: string } {
  const { size, isDark } = qrModules(text)
  let path = ''
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++) {
      let run = 0
      while (isDark(x + run, y)) run++
      if (run > 0) path += `M${x + QUIET} ${y + QUIET}h${run}v1h${0 - run}z`
      x += run
    }
  return { side: size + 2 * QUIET, path }
}

/** The same within another drawing, its quiet zone with it; worked out once for an address, not at every key that is pressed. */
export const QrMarks = memo(function QrMarks({
  text,
  x,
  y,
  side: wanted,
}: {
  readonly text: string
  readonly x: number
  readonly y: number
  readonly side: number
}) {
  const { side, path } = qrPath(text)
  return (
    <g transform={`translate(${x} ${y}) scale(${wanted / side})`} shapeRendering="crispEdges">
      <rect width={side} height={side} fill="#fff" />
      <path d={path} fill="#000" />
    </g>
  )
})

/** An address to be read by a phone's camera: drawn, not pasted in. */
export function QrCode({
  text,
  label,
  sizeMm,
}: {
  readonly text: string
  readonly label: string
  readonly sizeMm: number
}) {
  const { side, path } = qrPath(text)
  return (
    <svg
      viewBox={`0 0 ${side} ${side}`}
      style={{ width: `${sizeMm}mm`, height: `${sizeMm}mm` }}
      role="img"
      aria-label={label}
      shapeRendering="crispEdges"
    >
      <rect width={side} height={side} fill="#fff" />
      <path d={path} fill="#000" />
    </svg>
  )
}
