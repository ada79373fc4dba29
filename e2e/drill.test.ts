import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { openStage, problemsOf, type Stage } from './harness.ts'

let stage: Stage
beforeAll(async () => void (stage = await openStage()), 60_000)
afterAll(() => stage.close())

const MM_PER_POINT = 25.4 / 72
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
async function pathsOf(data: Uint8Array, number: number): Promise<{ width: number; height: number }[]> {
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

test('printed by the browser, the bar is 100.0 mm, the card outline a bank card, each hole its drill', async () => {
  const page = await stage.open('/demo/build/coxless/print', { fresh: true })
  await page.waitForFunction(() => document.querySelectorAll('circle[data-hole]').length > 0, {
    timeout: 60_000,
  })
  const sheets = await page.$$eval('[data-sheet]', all => all.length)
  const pdf = await page.pdf({ preferCSSPageSize: true })
  const file = await getDocument({ data: pdf.slice(), verbosity: 0 }).promise
  expect(file.numPages).toBe(sheets)
  const [, , width, height] = (await file.getPage(1)).view
  expect(width! * MM_PER_POINT).toBeCloseTo(210, 0)
  expect(height! * MM_PER_POINT).toBeCloseTo(297, 0)
  const check = await pathsOf(pdf, 1)
  expect(check.some(one => Math.abs(one.width - 100) < 0.05 && one.height < 1)).toBe(true)
  expect(check.some(one => Math.abs(one.width - 85.6) < 0.05 && Math.abs(one.height - 54) < 0.05)).toBe(true)
  const front = await pathsOf(pdf, 2)
  expect(
    front.filter(one => Math.abs(one.width - 5) < 0.02 && Math.abs(one.height - 5) < 0.02).length,
  ).toBeGreaterThanOrEqual(2)
  expect(problemsOf(page)).toEqual([])
  await page.browserContext().close()
}, 60_000)
