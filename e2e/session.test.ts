import { afterAll, beforeAll, expect, test } from '@jest/globals'
import type { Page } from 'puppeteer-core'
import { openStage, problemsOf, settled, type Stage } from './harness.ts'

let stage: Stage
beforeAll(async () => void (stage = await openStage()), 60_000)
afterAll(() => stage.close())

const button = (words: string) => `::-p-xpath(//button[contains(normalize-space(.), "${words}")])`
const at = (page: Page, step: string) => page.waitForSelector(`[data-place="heating"][data-step="${step}"]`)
const says = (page: Page, pattern: RegExp) =>
  page.waitForFunction(
    source => new RegExp(source).test(document.querySelector('h1')?.textContent ?? ''),
    {},
    pattern.source,
  )
/** Presses, and waits for the step that comes of it. */
async function press(page: Page, words: string, step: string): Promise<void> {
  await click(page, button(words))
  await at(page, step)
}
/** In the middle of the window: what is scrolled to its lower edge lies under the words at the bottom of the phone. */
async function click(page: Page, selector: string): Promise<void> {
  const found = await page.waitForSelector(selector)
  await found!.evaluate(item => item.scrollIntoView({ block: 'center' }))
  await page.locator(selector).click()
}
/** Types a weight; the field marks what stands in it on focus, which a slow machine may do between two figures. */
const typeGross = (page: Page, gross: string) => typeInto(page, 'input[aria-label^="Dish and all"]', gross)
async function typeInto(page: Page, field: string, text: string): Promise<void> {
  for (let turn = 0; turn < 3; turn++) {
    await page.locator(field).fill(text)
    if ((await page.$eval(field, item => (item as HTMLInputElement).value)) === text) return
  }
}
async function weigh(page: Page, gross: string, step: string, dish?: string): Promise<void> {
  await typeGross(page, gross)
  if (dish !== undefined) await typeInto(page, '::-p-aria([name="The empty dish, g"])', dish)
  await press(page, 'Write down', step)
}

test('beads through the oven on a phone: a reload, a second tab and a dead battery in between', async () => {
  const page = await stage.open('/demo/renew/now', { fresh: true, width: 390, height: 844, touch: true })
  await settled(page)
  for (const name of ['Stroke', 'Cox'])
    await click(page, `::-p-xpath(//tr[starts-with(normalize-space(.), "${name}")]//input)`)
  await page.waitForSelector('[data-part="begin"]')
  await press(page, 'Begin at the oven', 'displays out')
  await press(page, 'They are out', 'weighed in')
  // lighter than its dry beads: said at once, and nothing is kept
  await typeGross(page, '40')
  await page.locator(button('Write down')).click()
  await page.waitForSelector('[role="alert"]')
  await weigh(page, '252', 'weighed in', '125')
  await says(page, /^Cox on the scale/)
  await page.reload({ waitUntil: 'load' })
  await says(page, /^Cox on the scale/)
  await weigh(page, '192', 'in', '142')
  await press(page, 'They are in', 'out')
  expect(await page.$eval('[data-part="timer"]', item => item.textContent)).toMatch(/\d+ min.*until/)
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)

  // a second tab stands at the same step, and goes on
  const other = await page.browserContext().newPage()
  other.setDefaultTimeout(60_000)
  await other.goto(page.url())
  await at(other, 'out')
  await other.locator(button('It is done: out and covered')).click()
  await at(other, 'cooled')
  await at(page, 'cooled')

  // the phone dies; the other one goes on where it was
  const client = await page.createCDPSession()
  await Promise.race([client.send('Page.crash').catch(() => {}), new Promise(done => setTimeout(done, 250))])
  await page.close().catch(() => {})
  await press(other, 'They are cool', 'weighed out')
  await typeGross(other, '260')
  await other.locator(button('Write down')).click()
  await other.waitForFunction(() =>
    /weighs more than before/.test(document.querySelector('[role="alert"]')?.textContent ?? ''),
  )
  await weigh(other, '244', 'back')
  await press(other, 'Done', 'weighed out')
  await press(other, 'No scale here', 'back')
  await press(other, 'Done', 'done')
  await press(other, 'End the session', 'ended')
  await says(other, /^The session is done: 8\.0.g of water came out/)
  // each entry once, and none against another
  await other.evaluate(() => (location.hash = '/demo/entries?box=stroke'))
  await other.waitForSelector('[data-part="entry-row"]')
  const rows = await other.$$eval('[data-part="entry-row"]', all => all.map(row => row.textContent))
  expect(rows.filter(row => /heated .*h|heated .*min/.test(row ?? '')).length).toBeGreaterThan(0)
  expect(problemsOf(other)).toEqual([])
  await other.close()
}, 180_000)

test('a session is taken back as a whole; one left halfway is offered again', async () => {
  const page = await stage.open('/demo/renew/heat/spare-beads-1', { fresh: true })
  await page.waitForSelector('[data-place="heat-these"]')
  await press(page, 'Begin at the oven', 'displays out')
  await press(page, 'They are out', 'weighed in')
  await page.locator(button('Leave')).click()
  await page.waitForSelector('[data-place="renew"]')
  await page.locator('::-p-xpath(//a[normalize-space(.)="Go on with it"])').click()
  await at(page, 'weighed in')
  await page.locator(button('Take back the last step')).click()
  await at(page, 'displays out')
  await page.locator(button('Take the whole session back')).click()
  await page.waitForSelector('[data-place="renew"]')
  await page.waitForFunction(() => !document.body.textContent.includes('A session is under way'))
  expect(problemsOf(page)).toEqual([])
  await page.close()
}, 120_000)
