import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { ElementHandle, Page } from 'puppeteer-core'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { records, saveBackup, stateOf } from './own-journal.ts'
import { boxesStand, openStage, problemsOf, settled, type Stage } from './harness.ts'

let stage: Stage
beforeAll(async () => void (stage = await openStage()), 60_000)
afterAll(() => stage.close())

const FIELD = '[data-part="quick-add"] input'
/** Types a sentence and keeps it; the keys it took. */
async function say(page: Page, sentence: string): Promise<number> {
  await page.type(FIELD, sentence)
  await page.keyboard.press('Enter')
  let keys = sentence.length + 1
  if (await page.$('[data-part="ask"], [data-part="unread"]')) {
    await page.keyboard.press('Enter')
    keys++
  }
  await page.waitForFunction(
    selector => document.querySelector<HTMLInputElement>(selector)?.value === '',
    {},
    FIELD,
  )
  return keys
}
const things = (page: Page) =>
  page.$$eval('[data-thing]', list => list.map(item => item.getAttribute('aria-label')!))

describe('a kit from nothing, by keyboard alone', () => {
  // three keys a second is slow typing: ten minutes are 1800 keys, a spool in ten seconds is 30
  const KEYS_IN_TEN_MINUTES = 1800
  test('fourteen boxes with forty spools; the keys are counted', async () => {
    const page = await stage.open('/kit', { fresh: true })
    await page.waitForSelector('[data-place="kit"]')
    await page.keyboard.press('a')
    await page.waitForFunction(
      selector => document.activeElement === document.querySelector(selector),
      {},
      FIELD,
    )
    let keys = 1
    const names = Array.from({ length: 14 }, (_, i) => `B${i + 1}`)
    for (const name of names) keys += await say(page, `tote "${name}" 45 L foam`)
    let spools = 0
    for (const [i, name] of names.entries()) {
      const count = i < 12 ? 3 : 2
      keys += await say(page, `${count} PLA ${i % 2 ? 'red' : 'grey'} into ${name}`)
      keys += await say(page, `100 g beads into ${name}`)
      spools += count
    }
    expect(spools).toBe(40)
    expect(keys).toBeLessThan(KEYS_IN_TEN_MINUTES)
    console.info(`14 boxes, 40 spools, 14 charges: ${keys} keys`)
    expect(await page.$eval('h1', h1 => h1.textContent)).toBe(
      '40 spools, all in 14 boxes; no beads lie ready.',
    )
    expect((await things(page)).filter(label => /^B\d+ [23] spools · 100/.test(label))).toHaveLength(14)
    // one spool, told in full, within ten seconds of typing
    expect(await say(page, 'PETG teal 1 kg, into B3')).toBeLessThanOrEqual(30)
    expect(problemsOf(page)).toEqual([])
    await page.close()
  }, 180_000)

  test('a pasted list is one act: one undo takes it back', async () => {
    const page = await stage.open('/kit', { fresh: true })
    await page.waitForSelector('[data-place="kit"]')
    await page.evaluate(() =>
      [...document.querySelectorAll('button')].find(item => item.textContent === 'Paste a list')!.click(),
    )
    await page.waitForSelector('textarea')
    await page.type(
      'textarea',
      'tote "Scull" 45 L foam strip\n4 PLA white 1 kg into Scull\n2 packets 50 g into Scull\nwhat is this\nkitchen scale 1 g',
    )
    await page.waitForFunction(() => document.body.innerText.includes('7 things in all'))
    expect(await page.$eval('[data-part="list-rows"]', list => list.textContent)).toContain('Line 4')
    await page.locator('[role="dialog"] button[type="submit"]').click()
    await page.waitForSelector('[data-thing^="box"]')
    expect((await things(page)).some(label => /^Scull 4 spools · 100/.test(label))).toBe(true)
    await page.locator('[data-part="undo"]').click()
    await page.waitForFunction(() => document.querySelector('[data-thing]') === null)
    await page.close()
  }, 90_000)
})

describe('what is there is changed, doubled, and let go', () => {
  test('a word of the sentence opens the form at its field; bad input is named, and nothing is lost', async () => {
    const page = await stage.open('/demo/kit', { fresh: true })
    await page.waitForSelector(FIELD)
    await page.type(FIELD, 'PETG teal 1 kg into Launch')
    await page.locator('[data-said="filamentG"]').click()
    const field = await page.waitForSelector('[data-field="filamentG"]')
    expect(await field!.evaluate(item => document.activeElement === item)).toBe(true)
    await page.keyboard.down('Control')
    await page.keyboard.press('a')
    await page.keyboard.up('Control')
    await page.keyboard.type('99999')
    await page.waitForFunction(() =>
      document.body.innerText.includes('Filament on it is a number from 1 to 10000 g'),
    )
    expect(await page.$eval(FIELD, input => input.value)).toBe('PETG teal 1 kg into Launch')
    expect(await page.$eval('[data-part="quick-add"] button[type="submit"]', item => item.disabled)).toBe(
      true,
    )
    await page.keyboard.down('Control')
    await page.keyboard.press('a')
    await page.keyboard.up('Control')
    await page.keyboard.type('820')
    await page.keyboard.press('Enter')
    await page.waitForSelector('[data-part="kept-kit"]')
    await page.close()
  }, 60_000)

  test('from the wall by arrow keys: a box is mended from a day on, a spool doubled, a box let go', async () => {
    const page = await stage.open('/demo/kit', { fresh: true })
    await page.waitForSelector('[data-thing]')
    await page.evaluate(() => document.querySelector<SVGElement>('[data-roving][tabindex="0"]')!.focus())
    for (let i = 0; i < 40; i++) {
      const label = await page.evaluate(() => document.activeElement?.getAttribute('aria-label') ?? '')
      if (label.startsWith('Cox 1')) break
      await page.keyboard.press('ArrowRight')
    }
    await page.keyboard.press('Enter')
    await page.waitForSelector('[role="dialog"] [data-field="lid"]')
    await page.select('[data-field="lid"]', 'foam')
    await page.waitForFunction(() => document.body.innerText.includes('mended, from a day on'))
    await page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('[role="dialog"] label')]
        .find(item => item.textContent === 'mended, from a day on')!
        .click(),
    )
    await page.locator('[role="dialog"] button[type="submit"]').click()
    await page.waitForFunction(() => document.querySelector('[role="dialog"]') === null)
    // focus is where it was
    await page.waitForFunction(() => document.activeElement?.getAttribute('aria-label')?.startsWith('Cox 1'))
    await page.keyboard.press('Enter')
    await page.waitForSelector('[role="dialog"]')
    const press = (text: string) =>
      page.evaluate(
        wanted =>
          [...document.querySelectorAll<HTMLElement>('[role="dialog"] button')]
            .find(item => item.textContent === wanted)!
            .click(),
        text,
      )
    await press('This box is gone')
    await page.waitForFunction(() => document.body.innerText.includes('come out of it first'))
    await press('Yes, Cox is gone')
    await page.waitForFunction(() => document.querySelector('[role="dialog"]') === null)
    expect((await things(page)).some(label => label.startsWith('Cox 1'))).toBe(false)
    await page.goto(page.url().replace('/kit', ''))
    await page.waitForSelector('[data-slip]')
    await boxesStand(page, 8)
    expect(problemsOf(page)).toEqual([])
    await page.close()
  }, 90_000)
})

test('from a box what is said goes into it; Escape gives the focus back', async () => {
  const page = await stage.open('/demo/box/skeg', { fresh: true })
  await page.waitForSelector('[data-place="box"]')
  await page.evaluate(() => document.querySelector<HTMLElement>('a')?.focus())
  const before = await page.evaluate(() => document.activeElement?.outerHTML)
  await page.keyboard.press('a')
  await page.waitForSelector(FIELD)
  await page.keyboard.type('PVA natural 500 g')
  await page.waitForFunction(() => document.querySelector('[data-said="place"]')?.textContent === 'Skeg')
  await page.keyboard.press('Escape')
  await page.waitForFunction(() => document.querySelector('[role="dialog"]') === null)
  await page.waitForFunction(was => document.activeElement?.outerHTML === was, {}, before)
  await page.close()
}, 60_000)

describe('every kind of charge', () => {
  const KINDS: readonly (readonly [string, string])[] = [
    ['molecular sieve 4A 80 g', 'molecular sieve'],
    ['activated alumina 120 g', 'alumina'],
    ['clay 2 packets 60 g', 'clay'],
    ['calcium sulfate 150 g', 'calcium sulfate'],
    ['crystal pack 200 g, fill line 300 g', 'Crystal pack'],
    ['plug-in unit', 'Plug-in unit'],
  ]
  test('from Kit to forecast, to renewal, to a file and back', async () => {
    const page = await stage.open('/kit', { fresh: true })
    await page.waitForSelector(FIELD)
    for (const [i, [sentence]] of KINDS.entries()) {
      await say(page, `tote "K${i}" 45 L clips`)
      await say(page, `PLA white into K${i}`)
      await say(page, `${sentence} new into K${i}`)
    }
    await page.goto(page.url().replace('/kit', ''))
    await page.waitForSelector('[data-slip]')
    const boxes = await page.$$eval('[data-slip] a', list => list.map(item => item.getAttribute('href')!))
    expect(new Set(boxes).size).toBe(KINDS.length)
    const ways: string[] = []
    for (const box of boxes) {
      await page.goto(page.url().replace(/#.*/, box.slice(box.indexOf('#'))))
      await settled(page)
      // reckoned: it has an answer, and no figure that is none
      expect(await page.$eval('h1', h1 => h1.textContent)).not.toBe('')
      expect(await page.$eval('[data-place="box"]', place => place.textContent)).not.toMatch(
        /NaN|undefined|Infinity|could not be reckoned/,
      )
      // renewed as its kind is
      await page.keyboard.press('n')
      await page.waitForSelector('[role="dialog"] form')
      ways.push(await page.$eval('[role="dialog"]', dialog => dialog.textContent))
      await page.locator('[role="dialog"] button[type="submit"]').click()
      await page.waitForFunction(() => document.querySelector('[role="dialog"]') === null)
    }
    const [sieve, alumina, clay, sulfate, crystals, unit] = ways
    expect(sieve).toMatch(/sieve warms when it is wetted/)
    expect(alumina).toMatch(/electric oven/)
    expect(clay).toMatch(/electric oven/)
    expect(sulfate).toMatch(/electric oven/)
    expect(crystals).toMatch(/used once: no oven/)
    expect(crystals).toMatch(/brine/i)
    expect(unit).toMatch(/its own heater/)
    // and kept in a file that another browser reads back whole
    await page.goto(page.url().replace(/#.*/, '#/files'))
    await page.waitForSelector('[data-place="files"]')
    const found = await records(page)
    const folder = mkdtempSync(join(tmpdir(), 'veld-kit-'))
    const path = join(folder, 'kit.zip')
    const { acts, state } = stateOf(found)
    expect(state.contradictions).toEqual([])
    expect([...state.charges.values()].filter(charge => charge.retiredMs === null)).toHaveLength(KINDS.length)
    saveBackup(path, acts, Date.now())
    const other = await stage.open('/files', { fresh: true })
    await other.waitForSelector('[data-place="files"]')
    const input = (await other.waitForSelector('input[type="file"]')) as ElementHandle<HTMLInputElement>
    await input.uploadFile(path)
    await other.locator('::-p-xpath(//button[contains(., "together")])').click()
    await other.waitForSelector('[data-part="undo"]')
    rmSync(folder, { recursive: true })
    const back = stateOf(await records(other)).state
    expect(
      [...back.charges.values()].map(({ desiccant, holder, dryMassG }) => [desiccant, holder, dryMassG]),
    ).toEqual(
      [...state.charges.values()].map(({ desiccant, holder, dryMassG }) => [desiccant, holder, dryMassG]),
    )
    await other.close()
    expect(problemsOf(page)).toEqual([])
    await page.close()
  }, 240_000)
})
