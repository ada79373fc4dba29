import QRCode from 'qrcode'
import css from './card.module.css'

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
  const { size, isDark } = qrModules(text)
  let path = ''
  for (let y = 0; y < size; y++)
    for (let x = 0; x < size; x++) if (isDark(x, y)) path += `M${x + QUIET} ${y + QUIET}h1v1h-1z`
  const side = size + 2 * QUIET
  return (
    <svg
      viewBox={`0 0 ${side} ${side}`}
      style={{ width: `${sizeMm}mm`, height: `${sizeMm}mm` }}
      role="img"
      aria-label={label}
      shapeRendering="crispEdges"
    >
      <rect width={side} height={side} className={css.qrGround} />
      <path d={path} className={css.qrInk} />
    </svg>
  )
}
