import { afterAll, beforeAll, expect, test } from '@jest/globals'
import type { Page } from 'puppeteer-core'
import { openStage, problemsOf, settled, type Stage } from './harness.ts'

let stage: Stage
beforeAll(async () => void (stage = await openStage()), 60_000)
afterAll(() => stage.close())

const heading = (page: Page) => page.$eval('h1', h1 => h1.textContent)
/** To another place without a reload, as a link leads. */
const go = async (page: Page, hash: string, place: string) => {
  await page.evaluate(to => (window.location.hash = to), hash)
  await page.waitForSelector(`[data-place="${place}"]`)
}
/** Waits until the heading says something like this, and nothing is being reckoned. */
async function says(page: Page, pattern: RegExp, before = ''): Promise<string> {
  await page.waitForFunction(
    (wanted, old) => {
      const text = document.querySelector('h1')?.textContent ?? ''
      return new RegExp(wanted).test(text) && text !== old
    },
    {},
    pattern.source,
    before,
  )
  await settled(page)
  return heading(page)
}
const dayOf = (text: string) => Date.parse(/until \w+ (.*?) \(/.exec(`${text} (`)![1]!)
const readingOf = (page: Page) =>
  page.$eval('[data-part="air-line"] [data-quantity="reading"]', item => parseFloat(item.textContent))

test('two displays disagree: an hour in one bag tells how far, the date and old readings move, and undo takes it back', async () => {
  const page = await stage.open('/demo/box/cox', { fresh: true })
  const date = await says(page, /^Good until /)
  const reading = await readingOf(page)
  await go(page, '/demo/kit/displays', 'displays')
  expect(await heading(page)).toBe('Two of four displays were never checked')
  // a fold by keyboard alone: what the two show in the bag
  for (const [name, shown] of [
    ['Small round display', '35'],
    ['Skeg’s display', '41'],
  ] as const) {
    await page.focus(`::-p-aria([name="${name}"])`)
    await page.keyboard.type(shown)
  }
  await page.waitForFunction(() =>
    /Small round display shows \d low/.test(
      document.querySelector('[data-part="would-be"]')?.textContent ?? '',
    ),
  )
  await page.keyboard.press('Enter')
  await page.waitForFunction(
    () => document.querySelector('h1')?.textContent === 'Cox’s display was never checked',
  )
  expect(
    await page.$eval('[data-display="round-display"] [data-part="off"]', item => item.textContent),
  ).toMatch(/^shows \d low/)
  // old readings are put right, what was shown stays beside, and the date is another
  await go(page, '/demo/box/cox', 'box')
  const moved = await says(page, /^(Good until|Renew|Not known|Over)/, date)
  expect(await readingOf(page)).toBeGreaterThan(reading + 1)
  expect(await page.$eval('[data-part="put-right"]', item => item.textContent)).toContain(`${reading}`)
  expect(moved).not.toBe(date)
  await page.locator('[data-part="undo"]').click()
  await says(page, /^Good until /, moved)
  expect(await heading(page)).toBe(date)
  expect(await readingOf(page)).toBe(reading)
  expect(problemsOf(page)).toEqual([])
  await page.close()
}, 180_000)

test('a wrong reading withdraws the date; put right, the date is back', async () => {
  const page = await stage.open('/demo/box/cox', { fresh: true })
  const date = await says(page, /^Good until /)
  await page.keyboard.press('l')
  await page.waitForFunction(() => document.activeElement?.closest('[role="dialog"] form'))
  await page.keyboard.type('81')
  await page.keyboard.press('Enter')
  // it is asked about once, and meant
  await page.waitForSelector('[role="dialog"] [role="alert"], [data-part="kept"]')
  if (!(await page.$('[data-part="kept"]'))) await page.keyboard.press('Enter')
  await page.waitForSelector('[data-part="kept"]')
  await page.locator('::-p-xpath(//*[@role="dialog"]//button[normalize-space(.)="Done"])').click()
  await page.waitForFunction(() => !document.querySelector('[role="dialog"]'))
  await says(page, /fits nothing before it: read it again/, date)
  expect(await page.$eval('[role="alert"]', item => item.textContent)).toMatch(/contradict what I was told/)
  // what was typed wrong is put right among the entries
  await go(page, '/demo/entries?box=cox', 'entries')
  await page.waitForSelector('[data-part="entry-row"] button')
  await page.locator('[data-part="entry-row"] button').click()
  await page.waitForSelector('[role="dialog"] form')
  const field = await page.waitForSelector('::-p-aria([name="Relative humidity, %"])')
  await field!.click({ count: 3 })
  await field!.type('13')
  await page.keyboard.press('Enter')
  await page.waitForFunction(() => !document.querySelector('[role="dialog"]'))
  await go(page, '/demo/box/cox', 'box')
  const back = await says(page, /^Good until /)
  // one more reading as expected moves it little
  expect(Math.abs(dayOf(back) - dayOf(date))).toBeLessThan(30 * 86_400_000)
  expect(problemsOf(page)).toEqual([])
  await page.close()
}, 180_000)
