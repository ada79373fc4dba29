import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { Page } from 'puppeteer-core'
import { openStage, problemsOf, settled, type Stage } from './harness.ts'

let stage: Stage
beforeAll(async () => {
  stage = await openStage()
}, 60_000)
afterAll(() => stage.close())

const middle = async (page: Page, selector: string) => {
  const box = (await (await page.waitForSelector(selector))!.boundingBox())!
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 }
}
const undoText = (page: Page) => page.$eval('[data-part="undo"]', button => button.textContent)

describe('moves on the shelf', () => {
  test('a spool is pulled from box to box, then to a bag; undo puts it back', async () => {
    const page = await stage.open('/demo', { fresh: true })
    await settled(page)
    const spool = await middle(page, '[data-thing="cox-spool-1"]')
    const launch = await middle(page, '[data-box="launch"] [data-part="body"]')
    await page.mouse.move(spool.x, spool.y)
    await page.mouse.down()
    await page.mouse.move(spool.x + 20, spool.y, { steps: 4 })
    await page.mouse.move(launch.x, launch.y, { steps: 8 })
    await page.waitForSelector('[data-box="launch"][data-over]')
    await page.mouse.up()
    await page.waitForSelector('[data-box="launch"] [data-thing="cox-spool-1"]')
    expect(await undoText(page)).toBe('Undo: PLA ochre: to Launch')
    await settled(page)
    const moved = await middle(page, '[data-box="launch"] [data-thing="cox-spool-1"]')
    await page.mouse.move(moved.x, moved.y)
    await page.mouse.down()
    await page.mouse.move(moved.x + 20, moved.y, { steps: 4 })
    const bag = await middle(page, '[data-part="beside-place"]:nth-child(3)')
    await page.mouse.move(bag.x, bag.y, { steps: 8 })
    await page.waitForSelector('[data-part="beside-place"][data-over]')
    await page.mouse.up()
    await page.waitForFunction(() => !document.querySelector('[data-thing="cox-spool-1"]'))
    await page.locator('[data-part="undo"]').click()
    await page.waitForSelector('[data-box="launch"] [data-thing="cox-spool-1"]')
    await page.locator('[data-part="undo"]').click()
    await page.waitForSelector('[data-box="cox"] [data-thing="cox-spool-1"]')
    expect(page.url()).toMatch(/#\/demo$/)
    expect(problemsOf(page)).toEqual([])
    await page.close()
  }, 120_000)

  test('by keyboard: M, the place’s key, Enter', async () => {
    const page = await stage.open('/demo/box/cox', { fresh: true })
    await settled(page)
    await page.keyboard.press('m')
    await page.waitForSelector('[data-part="move-form"] input[type="radio"]')
    await page.waitForFunction(() => document.activeElement?.closest('[data-part="places"]') !== null)
    await page.keyboard.press('3')
    await page.keyboard.press('Enter')
    await page.waitForFunction(() => !document.querySelector('[data-part="move-form"]'))
    expect(await undoText(page)).toBe('Undo: PLA ochre: to Launch')
    await page.close()
  }, 60_000)

  test('a long press on the phone asks where to', async () => {
    const page = await stage.open('/demo', { fresh: true, width: 390, height: 844, touch: true })
    await settled(page)
    const spool = await middle(page, '[data-thing="cox-spool-1"]')
    await page.touchscreen.touchStart(spool.x, spool.y)
    await page.waitForSelector('[data-part="held-word"]')
    // no finger is gone in the frame that shows it has taken hold
    await page.evaluate(() => new Promise(done => setTimeout(done, 100)))
    await page.touchscreen.touchEnd()
    await page.waitForSelector('[data-part="move-form"] select')
    expect(await page.$eval('[data-part="move-form"] select', select => select.value)).toBe('cox-spool-1')
    expect(problemsOf(page)).toEqual([])
    await page.close()
  }, 60_000)

  test('the strictest spool’s cost is said where it makes a difference; a renewal moves the date', async () => {
    const page = await stage.open('/demo/box/launch', { fresh: true })
    await settled(page)
    const before = await page.$eval('h1', h1 => h1.textContent)
    await page.keyboard.press('n')
    await page.waitForSelector('[data-part="after-line"]')
    await page.locator('::-p-xpath(//button[normalize-space(.)="Keep it"])').click()
    await page.waitForFunction(() => !document.querySelector('[data-part="after-line"]'))
    await settled(page)
    const after = await page.$eval('h1', h1 => h1.textContent)
    expect(after).not.toBe(before)
    expect(await undoText(page)).toMatch(/Launch: beads heated/)
    await page.close()
    const mixed = await stage.open('/demo/box/stroke', { fresh: true })
    await settled(mixed)
    expect(await mixed.$eval('h1 + p', line => line.textContent)).toMatch(
      /because of PETG teal; without it good (until|for over a year)/,
    )
    await mixed.close()
  }, 120_000)
})
