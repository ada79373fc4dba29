import { afterAll, beforeAll, expect, test } from '@jest/globals'
import jsQR from 'jsqr'
import { PNG } from 'pngjs'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import type { ElementHandle } from 'puppeteer-core'
import { openStage, problemsOf, settled, type Stage } from './harness.ts'
import { MM_PER_POINT, pathsOf } from './pdf-paths.ts'

let stage: Stage
beforeAll(async () => void (stage = await openStage()), 60_000)
afterAll(() => stage.close())

/** What stands on the screen there, dot by dot. */
const pixelsOf = async (element: ElementHandle) => PNG.sync.read(Buffer.from(await element.screenshot()))

test('found, chosen, printed: A4, the bar 50.0 mm, each code read back from the screen', async () => {
  const page = await stage.open('/demo/labels', { fresh: true })
  await settled(page)
  await page.locator('input[type="search"]').fill('TPU')
  await page.locator('::-p-xpath(//button[starts-with(normalize-space(.), "All ")])').click()
  await page.waitForSelector('[data-label="TPU heron"]')
  const names = await page.$$eval('[data-label]', all => all.map(one => one.getAttribute('data-label')))
  expect(names.length).toBeGreaterThan(2)
  const pdf = await page.pdf({ preferCSSPageSize: true })
  const file = await getDocument({ data: pdf.slice(), verbosity: 0 }).promise
  expect(file.numPages).toBe(1)
  const [, , width, height] = (await file.getPage(1)).view
  expect(width! * MM_PER_POINT).toBeCloseTo(210, 0)
  expect(height! * MM_PER_POINT).toBeCloseTo(297, 0)
  const bars = (await pathsOf(pdf, 1)).filter(one => Math.abs(one.width - 50) < 0.05 && one.height < 0.5)
  expect(bars).toHaveLength(1)
  const text = (await (await file.getPage(1)).getTextContent()).items
    .map(item => ('str' in item ? item.str : ''))
    .join(' ')
  for (const name of names) expect(text).toContain(name!)
  expect(text).not.toContain('Printed on')
  // what a phone would see, as near as it goes to paper
  await page.setViewport({ width: 1280, height: 800, deviceScaleFactor: 3 })
  const addresses: (string | undefined)[] = []
  for (const code of await page.$$('[data-label] g[shape-rendering="crispEdges"]')) {
    await code.scrollIntoView()
    const { data, width: wide, height: high } = await pixelsOf(code)
    addresses.push(jsQR(new Uint8ClampedArray(data), wide, high)?.data)
  }
  expect(addresses.filter(one => /#\/demo\/(spools|box)\//.test(one ?? ''))).toHaveLength(names.length)
  // and the page it opens is the spool's
  await page.goto(addresses[0]!)
  await page.waitForSelector('[data-place="spool"]')
  expect(problemsOf(page)).toEqual([])
  await page.close()
}, 120_000)
