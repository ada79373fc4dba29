import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { openStage, problemsOf, settled, type Stage } from './harness.ts'

let stage: Stage
beforeAll(async () => void (stage = await openStage()), 60_000)
afterAll(() => stage.close())

test('the checks run in the reader’s own browser, and all hold', async () => {
  const page = await stage.open('/demo/almanac/checks')
  await page.waitForSelector('[data-checks*="/"]', { timeout: 60_000 })
  const [passed, all] = (await page.$eval('[data-checks]', h1 => h1.getAttribute('data-checks')!)).split('/')
  expect(Number(all)).toBeGreaterThan(60)
  expect(passed).toBe(all)
  expect(problemsOf(page)).toEqual([])
  await page.close()
}, 90_000)

test('a reason opens its page; the slider redraws the isotherms', async () => {
  const page = await stage.open('/demo/box/cox')
  await settled(page)
  await page.locator('[data-quantity="target RH"], [data-quantity]').click()
  await page.waitForSelector('[data-why] a')
  await page.locator('[data-why] a').click()
  await page.waitForSelector('[data-place="almanac"]')
  expect(await page.$('[data-why]')).toBeNull()
  await page.evaluate(() => (location.hash = '#/demo/almanac/desiccants'))
  await page.waitForSelector('[data-part="isotherms"] svg path')
  const drawn = () =>
    page.$eval('[data-part="isotherms"] svg', svg => svg.innerHTML.length + svg.innerHTML.slice(-4000))
  const before = await drawn()
  await page.focus('[aria-label="Temperature of the desiccant"]')
  for (let i = 0; i < 25; i++) await page.keyboard.press('ArrowRight')
  await page.waitForFunction(
    text => {
      const html = document.querySelector('[data-part="isotherms"] svg')?.innerHTML ?? ''
      return html.length + html.slice(-4000) !== text
    },
    { timeout: 60_000 },
    before,
  )
  expect(problemsOf(page)).toEqual([])
  await page.close()
}, 60_000)
