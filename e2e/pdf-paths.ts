import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs'

export const MM_PER_POINT = 25.4 / 72
type Matrix = [number, number, number, number, number, number]
const times = (a: Matrix, b: Matrix): Matrix => [
  a[0] * b[0] + a[2] * b[1],
  a[1] * b[0] + a[3] * b[1],
  a[0] * b[2] + a[2] * b[3],
  a[1] * b[2] + a[3] * b[3],
  a[0] * b[4] + a[2] * b[5] + a[4],
  a[1] * b[4] + a[3] * b[5] + a[5],
]

/** Every path of a page of the browser's PDF as its box on the paper, mm, read by pdf.js. */
export async function pathsOf(
  data: Uint8Array,
  number: number,
): Promise<{ width: number; height: number }[]> {
  const file = await getDocument({ data: data.slice(), verbosity: 0 }).promise
  const page = await file.getPage(number)
  const { fnArray, argsArray } = await page.getOperatorList()
  let now: Matrix = [1, 0, 0, 1, 0, 0]
  const kept: Matrix[] = []
  const found: { width: number; height: number }[] = []
  fnArray.forEach((operator, i) => {
    const args = argsArray[i] as unknown[]
    if (operator === OPS.save) kept.push(now)
    else if (operator === OPS.restore) now = kept.pop() ?? now
    else if (operator === OPS.transform) now = times(now, args as unknown as Matrix)
    else if (operator === OPS.constructPath) {
      const box = args[2] as Record<number, number> | null
      if (!box) return
      const [x0, y0, x1, y1] = [box[0]!, box[1]!, box[2]!, box[3]!]
      const at = (x: number, y: number) => [
        now[0] * x + now[2] * y + now[4],
        now[1] * x + now[3] * y + now[5],
      ]
      const [a, b] = [at(x0, y0), at(x1, y1)]
      found.push({
        width: Math.abs(b[0]! - a[0]!) * MM_PER_POINT,
        height: Math.abs(b[1]! - a[1]!) * MM_PER_POINT,
      })
    }
  })
  return found
}
