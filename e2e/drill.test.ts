import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { openStage, problemsOf, type Stage } from './harness.ts'
import { MM_PER_POINT, pathsOf } from './pdf-paths.ts'

let stage: Stage
beforeAll(async () => void (stage = await openStage()), 60_000)
afterAll(() => stage.close())

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
  await page.close()
}, 60_000)
