import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { KeyInput, Page } from 'puppeteer-core'
import { openStage, problemsOf, settled, type Stage } from './harness.ts'

let stage: Stage
beforeAll(async () => {
  stage = await openStage()
}, 60_000)
afterAll(() => stage.close())

const name = (page: Page) => page.$eval('[data-part="round-stop"] h1', h1 => h1.textContent)
const MOST_KEYS_A_BOX = 7

describe('walking the shelf', () => {
  test('by keyboard alone: at most seven keys a box, with the lid and the beads told', async () => {
    const page = await stage.open('/demo', { fresh: true })
    await settled(page)
    await page.keyboard.press('r')
    await page.waitForSelector('[data-part="round-stop"]')
    let keys = 0
    const press = async (key: KeyInput) => {
      keys++
      await page.keyboard.press(key)
    }
    const stops: { readonly stop: string; readonly keys: number }[] = []
    for (let i = 0; i < 10; i++) {
      const stop = await name(page)
      keys = 0
      const rh = await page.$eval(
        '[data-part="big-number"]',
        field => (field as HTMLInputElement).placeholder,
      )
      for (const digit of rh.padStart(2, '0')) await press(digit as KeyInput)
      if (stop === 'Launch') await press('o')
      await press('Enter')
      if (stop !== 'Launch') for (const digit of '06') await press(digit as KeyInput)
      await press('Enter')
      await page.waitForFunction(
        before => document.querySelector('[data-part="round-stop"] h1')?.textContent !== before,
        { timeout: 60_000 },
        stop,
      )
      stops.push({ stop, keys })
    }
    for (const { stop, keys: pressed } of stops)
      expect([stop, pressed <= MOST_KEYS_A_BOX]).toEqual([stop, true])
    expect(stops).toHaveLength(10)
    await page.waitForSelector('[data-part="round-end"]')
    expect(await page.$eval('h1', h1 => h1.textContent)).toBe('Every box is read.')
    // the shelf shows the new readings, and the round's last act can be taken back
    await page.locator('[data-part="filled-link"]').click()
    await page.waitForSelector('[data-place="shelf"]')
    expect(await page.$eval('[data-part="undo"]', button => button.textContent)).toMatch(/^Undo/)
    expect(problemsOf(page)).toEqual([])
    await page.close()
  }, 180_000)

  test('by touch alone on a phone: tape, keys of one step, colour, lid; nothing cut off', async () => {
    const page = await stage.open('/demo/round', { fresh: true, width: 390, height: 844, touch: true })
    await page.waitForSelector('[data-part="round-stop"]')
    const tap = async (text: string) => {
      for (const item of await page.$$('button, a'))
        if ((await item.evaluate(element => element.textContent.trim())).startsWith(text)) return item.tap()
      throw new Error(`Nothing says ${text}.`)
    }
    await tap('Skip the room')
    await page.waitForFunction(() => document.querySelector('h1')?.textContent === 'Cox')
    await page.waitForSelector('[data-part="tape"]')
    const before = Number(await page.$eval('[data-part="tape"]', tape => tape.getAttribute('aria-valuenow')))
    const tape = (await (await page.$('[data-part="tape"]'))!.boundingBox())!
    const y = tape.y + 20
    await page.touchscreen.touchStart(200, y)
    await page.touchscreen.touchMove(170, y)
    await page.touchscreen.touchMove(155, y)
    await page.touchscreen.touchEnd()
    const dragged = Number(await page.$eval('[data-part="tape"]', item => item.getAttribute('aria-valuenow')))
    expect(dragged).toBe(before + 3)
    await (await page.$('[aria-label="one per cent less"]'))!.tap()
    await (await page.$('[aria-label="half a degree more"]'))!.tap()
    await tap('olive')
    await tap('opened')
    expect(await page.$eval('[data-part="big-number"]', field => (field as HTMLInputElement).value)).toBe(
      String(before + 2),
    )
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390)
    const button = (await (await page.$('[data-part="round-next"]'))!.boundingBox())!
    expect(button.y + button.height).toBeLessThanOrEqual(844)
    const small = await page.$$eval('[data-part="round-hand"] button', buttons =>
      buttons.filter(item => item.getBoundingClientRect().height < 43.5).map(item => item.textContent),
    )
    expect(small).toEqual([])
    await tap('Next: Stroke')
    // the rest of the shelf, each by one key and the button
    for (;;) {
      await page.waitForFunction(
        () => document.querySelector('[data-part="round-stop"] h1')?.textContent !== 'Cox',
      )
      const stop = await name(page)
      await (await page.$('[aria-label="one per cent more"]'))!.tap()
      await (await page.$('[data-part="round-next"]'))!.tap()
      await page.waitForFunction(
        before =>
          document.querySelector('[data-part="round-end"], [data-part="question"]') !== null ||
          document.querySelector('[data-part="round-stop"] h1')?.textContent !== before,
        { timeout: 60_000 },
        stop,
      )
      if ((await page.$('[data-part="question"]')) !== null) await tap('Keep it as typed')
      if ((await page.$('[data-part="round-end"]')) !== null) break
      await page.waitForFunction(
        before =>
          document.querySelector('[data-part="round-end"]') !== null ||
          document.querySelector('[data-part="round-stop"] h1')?.textContent !== before,
        { timeout: 60_000 },
        stop,
      )
      if ((await page.$('[data-part="round-end"]')) !== null) break
    }
    expect(await page.$eval('h1', h1 => h1.textContent)).toBe('Every box is read.')
    await tap('To the shelf')
    await page.waitForSelector('[data-place="shelf"]')
    expect(problemsOf(page)).toEqual([])
    await page.close()
  }, 120_000)
})
