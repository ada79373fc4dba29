import Drawing from 'dxf-writer'
import type { Sheet } from '#core/build/template.ts'

/** Between the drawings of two walls, mm. */
const GAP_MM = 40
const LAYERS = [
  ['EDGES', Drawing.ACI.WHITE],
  ['HOLES', Drawing.ACI.RED],
  ['MARKS', Drawing.ACI.BLUE],
  ['WORDS', Drawing.ACI.GREEN],
] as const

/**
 * Templates as a DXF drawing in millimetres: one wall beside the other, holes as circles on a layer of their own, so
 * that a cutter takes just them. Up is up; a drawing's own y runs down and is turned over.
 */
export function writeDxf(sheets: readonly Sheet[]): string {
  const drawing = new Drawing()
  drawing.setUnits('Millimeters')
  for (const [name, colour] of LAYERS) drawing.addLayer(name, colour, 'CONTINUOUS')
  let x = 0
  for (const sheet of sheets) {
    const [dx, dy] = [x - sheet.from[0], sheet.to[1]]
    for (const mark of sheet.marks) {
      if (mark.kind === 'line') {
        drawing.setActiveLayer(mark.as === 'edge' ? 'EDGES' : 'MARKS')
        drawing.drawLine(mark.from[0] + dx, dy - mark.from[1], mark.to[0] + dx, dy - mark.to[1])
      } else if (mark.kind === 'circle') {
        drawing.setActiveLayer('HOLES')
        drawing.drawCircle(mark.at[0] + dx, dy - mark.at[1], mark.diameterMm / 2)
      } else {
        drawing.setActiveLayer('WORDS')
        drawing.drawText(
          mark.at[0] + dx,
          dy - mark.at[1],
          mark.sizeMm,
          0,
          mark.text,
          mark.anchor === 'middle' ? 'center' : 'left',
        )
      }
    }
    x += sheet.to[0] - sheet.from[0] + GAP_MM
  }
  return drawing.toDxfString()
}
