import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { Page } from 'puppeteer-core'
import { openStage, problemsOf, settled, type Stage } from './harness.ts'

let stage: Stage
beforeAll(async () => {
  stage = await openStage()
}, 60_000)
afterAll(() => stage.close())

const command = async (page: Page, name: string) => {
  await page.keyboard.down('Control')
  await page.keyboard.press('k')
  await page.keyboard.up('Control')
  const field = await page.waitForSelector('input[aria-label="Everything by name"]', { visible: true })
  await field!.type(name)
  await page.waitForFunction(
    () => document.querySelectorAll('[aria-label="Everything by name"] button').length > 0,
  )
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
}
const place = (page: Page, name: string) => page.waitForSelector(`[data-place="${name}"]`)

describe('everything by name and by key', () => {
  test('the palette goes to a box, does something with it, and undoes', async () => {
    const page = await stage.open('/demo/preferences', { fresh: true })
    await place(page, 'preferences')
    await command(page, 'Thole: weigh')
    await place(page, 'box')
    const field = await page.waitForSelector('[role="dialog"] form input')
    await field!.type('260')
    await page.keyboard.press('Enter')
    await page.waitForFunction(
      () =>
        !document.querySelector('[role="dialog"]') ||
        document.querySelector('[role="dialog"] [role="alert"]'),
    )
    await page.keyboard.press('Escape')
    await page.waitForFunction(() => !document.querySelector('[role="dialog"]'))
    await command(page, 'Entered: everything')
    await place(page, 'entries')
    await command(page, 'Shelf')
    await place(page, 'shelf')
    expect(problemsOf(page)).toEqual([])
    await page.close()
  }, 90_000)

  test('undo and redo by key; the list of keys; the round from anywhere', async () => {
    const page = await stage.open('/demo/box/cox', { fresh: true })
    await settled(page)
    await page.keyboard.press('m')
    await page.waitForFunction(() => document.activeElement?.closest('[data-part="places"]') !== null)
    await page.keyboard.press('2')
    await page.keyboard.press('Enter')
    await page.waitForSelector('[data-part="undo"]')
    await page.waitForFunction(() => !document.querySelector('[role="dialog"]'))
    const mod = async (key: 'z', shift = false) => {
      await page.keyboard.down('Control')
      if (shift) await page.keyboard.down('Shift')
      await page.keyboard.press(key)
      if (shift) await page.keyboard.up('Shift')
      await page.keyboard.up('Control')
    }
    const spools = (count: number) =>
      page.waitForFunction(
        n => document.querySelectorAll('section [data-part="spool"]').length === n,
        {},
        count,
      )
    await spools(0)
    await mod('z')
    await spools(1)
    await mod('z', true)
    await spools(0)
    await page.keyboard.down('Shift')
    await page.keyboard.press('?')
    await page.keyboard.up('Shift')
    await page.waitForSelector('[data-part="key-list"]')
    expect(await page.$$eval('[data-part="key-list"] dt', items => items.length)).toBeGreaterThan(15)
    await page.keyboard.press('Escape')
    await page.waitForFunction(() => !document.querySelector('[data-part="key-list"]'))
    await page.keyboard.press('r')
    await place(page, 'round')
    await page.close()
  }, 90_000)

  test('every place is reached and used by keyboard alone: focus is always seen and never lost', async () => {
    const page = await stage.open('/demo/files', { fresh: true })
    await place(page, 'files')
    const seen: string[] = []
    for (let i = 0; i < 25; i++) {
      await page.keyboard.press('Tab')
      seen.push(
        await page.evaluate(() => {
          const item = document.activeElement
          if (!item || item === document.body) return ''
          const style = getComputedStyle(item)
          const ring = style.outlineStyle !== 'none' || style.opacity === '0'
          return `${ring ? '' : 'NO RING '}${item.textContent?.trim().slice(0, 20) || item.getAttribute('aria-label')}`
        }),
      )
    }
    expect(seen.filter(item => item.startsWith('NO RING'))).toEqual([])
    expect(seen).toEqual(expect.arrayContaining(['Save a file', 'Choose a file …', 'Save the table']))
    await page.close()
  }, 60_000)
})

test('the card prints on one A6 sheet, with a code that opens the box', async () => {
  const page = await stage.open('/demo/box/launch/card', { fresh: true })
  await settled(page)
  const pdf = Buffer.from(await page.pdf({ preferCSSPageSize: true, printBackground: true })).toString(
    'latin1',
  )
  const boxes = [...pdf.matchAll(/\/MediaBox\s*\[([^\]]+)\]/g)].map(found =>
    found[1]!.trim().split(/\s+/).map(Number),
  )
  expect(boxes).toHaveLength(1)
  // A6: 105 × 148 mm at 72 points an inch
  expect(Math.abs(boxes[0]![2]! - 297.6)).toBeLessThan(1.5)
  expect(Math.abs(boxes[0]![3]! - 419.5)).toBeLessThan(1.5)
  expect(await page.$eval('[data-part="card"]', card => card.scrollHeight <= card.clientHeight)).toBe(true)
  expect(problemsOf(page)).toEqual([])
  await page.close()
}, 60_000)
