import { afterAll, beforeAll, expect, test } from '@jest/globals'
import type { Page } from 'puppeteer-core'
import { fourteenBoxes } from '../src/testing/fourteen-boxes.ts'
import { openStage, problemsOf, settled, type Stage } from './harness.ts'

let stage: Stage
beforeAll(async () => void (stage = await openStage()), 60_000)
afterAll(() => stage.close())

const TEST_DAY_MS = Date.UTC(2027, 1, 2, 10)
const button = (words: string) => `::-p-xpath(//button[contains(normalize-space(.), "${words}")])`
const answer = (page: Page) => page.$eval('h1', item => item.textContent)
const planned = async (page: Page) => {
  await page.waitForSelector('[data-place="renew"][data-standing]', { timeout: 180_000 })
  await settled(page, 120_000)
}
const uprights = (page: Page) =>
  page.$$eval('[data-session]', all => all.map(item => item.getAttribute('aria-valuetext')))

/** Pulls an upright by the mouse, so many px to the right, and lets go. */
async function pull(page: Page, index: number, byPx: number): Promise<void> {
  const [x, y] = await page.$$eval(
    '[data-session] [class]',
    (_, at) => {
      const line = document.querySelectorAll('[data-session]')[at]!.querySelector('path')!
      const box = line.getBoundingClientRect()
      return [box.x + box.width / 2, box.y + 24] as const
    },
    index,
  )
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x + byPx / 2, y, { steps: 5 })
  await page.mouse.move(x + byPx, y, { steps: 5 })
  await page.mouse.up()
}

/** A field marks what stands in it on focus, which a slow machine may do between two figures. */
async function typeInto(page: Page, field: string, text: string): Promise<void> {
  for (let turn = 0; turn < 3; turn++) {
    await page.locator(field).fill(text)
    if ((await page.$eval(field, item => (item as HTMLInputElement).value)) === text) return
  }
}

/** One step of the session, whichever it is; weights from the grams the page itself tells. */
async function step(page: Page): Promise<string> {
  const before = await page.$eval('[data-place="heating"]', item => ({
    step: item.getAttribute('data-step') ?? '',
    said: item.textContent,
    acts: item.getAttribute('data-acts'),
  }))
  const grams = Number(/, (\d+)\u2006?.g of beads/.exec(before.said)?.[1] ?? Number.NaN)
  const field = await page.$('input[aria-label^="Dish and all"]')
  if (field && before.step === 'weighed in') {
    await typeInto(page, 'input[aria-label^="Dish and all"]', String(100 + Math.round(grams * 1.14)))
    await typeInto(page, '::-p-aria([name="The empty dish, g"])', '100')
  }
  await page.evaluate(
    words => {
      const filled = [...document.querySelectorAll<HTMLButtonElement>('[data-place="heating"] button')].find(
        item => new RegExp(words).test(item.textContent ?? ''),
      )
      filled?.click()
    },
    before.step === 'out' ? 'It is done' : 'They are|Write down|Done|End the session',
  )
  await page.waitForFunction(
    was => {
      const now = document.querySelector('[data-place="heating"]')
      return now !== null && now.getAttribute('data-acts') !== was
    },
    {},
    before.acts,
  )
  return before.step
}

test('fourteen boxes, Saturdays, one oven, two spares, a fortnight away: from the plan to the next one', async () => {
  const page = await stage.open(null, { fresh: true, acts: fourteenBoxes(TEST_DAY_MS, 'UTC') })
  // a plan is another on another day: which session can be moved how far must not hang on when the tests are run
  await page.evaluateOnNewDocument(shiftMs => {
    const deviceMs = Date.now
    Date.now = () => deviceMs() + shiftMs
  }, TEST_DAY_MS - Date.now())
  await page.goto(`${stage.address}#/renew`)
  await planned(page)
  expect(await answer(page)).toMatch(/^\w+ Saturdays? in half a year: /)
  expect(await page.$eval('[data-part="standing"]', item => item.textContent)).toMatch(/proven/)
  const first = await uprights(page)
  expect(first.length).toBeGreaterThanOrEqual(2)

  // too late for some: nothing is written, they are named, and it goes back
  await pull(page, first.length - 1, 300)
  await page.waitForSelector('[data-part="moved"]')
  expect(await page.$eval('[data-part="moved"]', item => item.textContent)).toMatch(
    /fails?: .* may be over from/,
  )
  expect((await page.$$('[data-part="over"]')).length).toBeGreaterThan(0)
  await page.locator(button('Put it back to')).click()
  await page.waitForFunction(() => document.querySelector('[data-part="moved"]') === null)
  expect(await uprights(page)).toEqual(first)
  // a week earlier all hold: written at once
  await pull(page, first.length - 1, -28)
  await page.waitForSelector('[data-part="wishes"]')
  await planned(page)
  expect(await uprights(page)).not.toEqual(first)

  // its sheet, and the session on the phone
  await page.locator('::-p-xpath(//a[starts-with(normalize-space(.), "Sheet for")])').click()
  await page.waitForSelector('[data-sheet]')
  const boxes = await page.$$eval('[data-part="batch"] tbody th', all => all.length)
  expect(boxes).toBeGreaterThan(0)
  await page.setViewport({ width: 390, height: 844, isMobile: true, hasTouch: true })
  await page.waitForSelector('[data-sheet]')
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await page.locator(button('begin')).click()
  await page.waitForSelector('[data-place="heating"]')
  let steps = 0
  const done: string[] = []
  while (!(await page.$('[data-step="ended"]')) && steps < 50) {
    done.push(await step(page))
    steps += 1
    // halfway through the phone sleeps, and the page is loaded anew
    if (steps === 6) {
      await page.reload({ waitUntil: 'load' })
      await page.waitForSelector('[data-place="heating"]')
    }
  }
  expect(done.filter(one => one === 'weighed in').length).toBe(boxes)
  expect(done.filter(one => one === 'back').length).toBe(boxes)

  // all are back, and the next plan begins later
  await page.setViewport({ width: 1280, height: 800 })
  await page.evaluate(() => (location.hash = '#/renew'))
  await planned(page)
  const next = await uprights(page)
  expect(next[0]).not.toBe(first[0])
  expect(await page.$eval('[data-place="renew"]', item => item.textContent)).not.toMatch(
    /session is under way/,
  )
  await page.evaluate(() => (location.hash = '#/entries'))
  await page.waitForSelector('[data-part="entry-row"]')
  expect(await page.$('[data-part="contradiction"]')).toBeNull()
  expect(problemsOf(page)).toEqual([])
  await page.close()
}, 600_000)
