import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { Page } from 'puppeteer-core'
import { openStage, problemsOf, settled, type Stage } from './harness.ts'

let stage: Stage
beforeAll(async () => void (stage = await openStage()), 60_000)
afterAll(() => stage.close())

const textOf = (page: Page, selector: string) => page.$eval(selector, element => element.textContent)
/** Presses the button, link or choice that reads so. */
async function press(page: Page, words: string): Promise<void> {
  await page
    .locator(
      `::-p-xpath(//*[self::button or self::a or self::label][contains(normalize-space(.), "${words}")])`,
    )
    .click()
}
async function type(page: Page, label: string, text: string): Promise<void> {
  const field = await page.waitForSelector(`::-p-aria([name="${label}"])`)
  await field!.click({ count: 3 })
  await field!.press('Backspace')
  if (text !== '') await field!.type(text)
}

describe('from nothing to a verdict', () => {
  test('at most four screens and ten taps or fields; only the humidity has no default', async () => {
    const page = await stage.open('/', { width: 390, height: 844, fresh: true })
    await page.waitForSelector('[data-place="start"]')
    let touched = 0
    const count = async (done: Promise<void>) => {
      touched++
      await done
    }
    const screens = [await textOf(page, 'h1')]
    // without the humidity it does not go on, and says what to do
    await press(page, 'Next')
    expect(await textOf(page, '[id$="-error"]')).toContain('from 0 to 100 %')
    await count(type(page, 'Relative humidity, %', '15'))
    await count(press(page, 'Next'))
    screens.push(await textOf(page, 'h1'))
    await count(press(page, 'Next'))
    screens.push(await textOf(page, 'h1'))
    await count(press(page, 'Judge it'))
    await page.waitForSelector('[data-place="box"]')
    await settled(page)
    screens.push(await textOf(page, 'h1'))
    expect(screens.slice(0, 3)).toEqual([
      'What does the display show?',
      'Which outline is it?',
      'What is inside?',
    ])
    // one reading and everything assumed is no date yet: when to read it again is
    expect(screens[3]).toMatch(/Not known yet: read it again|Good until|Over since/)
    expect(touched).toBeLessThanOrEqual(10)
    // then the one fact worth most, with what it would narrow
    const fact = await textOf(page, '[data-fact] p')
    expect(fact).toMatch(/Tell me .*: narrows .+ to .+\./)
    expect(problemsOf(page)).toEqual([])
    await page.close()
  }, 120_000)

  test('telling the fact changes the answer, and the next one is asked', async () => {
    const page = await stage.open('/', { fresh: true })
    await page.waitForSelector('[data-place="start"]')
    await type(page, 'Relative humidity, %', '15')
    for (const words of ['Next', 'Next', 'Judge it']) await press(page, words)
    await page.waitForSelector('[data-fact]', { timeout: 60_000 })
    const [before, asked] = [await textOf(page, 'h1'), await textOf(page, '[data-fact] p')]
    await press(page, 'Skip')
    await page.waitForFunction(old => document.querySelector('[data-fact] p')?.textContent !== old, {}, asked)
    await page.reload()
    await page.waitForSelector('[data-fact="leak"]', { timeout: 60_000 })
    await press(page, 'Tell')
    await page.waitForSelector('[role="dialog"] select')
    await page.select('[role="dialog"] select', 'clips')
    await press(page, 'Keep it')
    await page.waitForFunction(
      old =>
        document.querySelector('h1')?.textContent !== old && !document.querySelector('[data-fact="leak"]'),
      { timeout: 60_000 },
      before,
    )
    await page.close()
  }, 120_000)
})

describe('the demonstration', () => {
  test('nine boxes of different states, drawn to their millimetres', async () => {
    // which words the boxes wear depends on the season: the day is fixed
    const page = await stage.open('/demo', { search: '?today=2026-11-26', zone: 'UTC', fresh: true })
    await settled(page)
    // the shelf is drawn first, and can be pulled a moment later
    await page.waitForSelector('[data-box] [data-thing]')
    const words = await page.$$eval('[data-slip]', slips => slips.map(slip => slip.textContent))
    expect(words).toHaveLength(9)
    for (const state of [
      'holds',
      'over',
      'near',
      'too early',
      'blind',
      'can’t reach',
      'not known: read it once',
      'good until',
      'renew today',
      'seal it',
      'dry it',
    ])
      expect(words.join(' | ')).toContain(state)
    const boxes = await page.$$eval('[data-part="shelf-item"]', items =>
      items.map(item => ({
        mm: Number(item.getAttribute('data-width-mm')),
        px: item.querySelector('[data-part="body"]')!.getBoundingClientRect().width,
        scale: Number(item.closest('svg')!.getAttribute('data-scale')),
      })),
    )
    // the outline's stroke is 1.6 px wide, half of it outside on either hand
    for (const box of boxes) expect(Math.abs(box.px - box.mm * box.scale)).toBeLessThan(1)
    expect(new Set(boxes.map(box => box.scale)).size).toBe(1)
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true)
    expect(problemsOf(page)).toEqual([])
    await page.close()
  }, 120_000)

  test('charts are loaded only when a box is opened', async () => {
    const page = await stage.open('/demo')
    await page.waitForSelector('[data-slip="cox"] a')
    const loaded = () =>
      page.evaluate(() => performance.getEntriesByType('resource').map(entry => entry.name))
    expect((await loaded()).filter(name => name.includes('history-chart'))).toEqual([])
    await page.locator('[data-slip="cox"] a').click()
    await page.waitForSelector('[data-part="history"] svg', { timeout: 60_000 })
    expect((await loaded()).filter(name => name.includes('history-chart'))).not.toEqual([])
    await page.close()
  }, 120_000)

  test('logging a reading changes the verdict and the dates; undo brings them back', async () => {
    const page = await stage.open('/demo/box/cox', { fresh: true })
    await settled(page)
    const answer = await textOf(page, 'h1')
    const air = await textOf(page, '[data-part="air-line"]')
    expect(air).toContain('holds')
    await page.keyboard.press('l')
    await type(page, 'Relative humidity, %', '27,0')
    await press(page, 'Keep it')
    // far from what was expected with the lid shut: asked about once, then meant
    await page.waitForSelector('[data-part="question"]')
    await press(page, 'Keep it')
    await page.waitForSelector('[data-part="kept-word"]')
    expect(await textOf(page, '[data-part="kept-word"]')).toContain('near')
    await page.waitForFunction(
      old =>
        document.querySelector('h1')!.textContent !== old &&
        !/Reckoning/.test(document.querySelector('h1')!.textContent),
      { timeout: 60_000 },
      answer,
    )
    expect(await textOf(page, '[data-part="air-line"]')).toContain('near')
    await page.locator('[data-part="kept"] button').click()
    await page.waitForFunction(
      old => document.querySelector('h1')!.textContent === old,
      { timeout: 60_000 },
      answer,
    )
    await page.close()
  }, 120_000)
})

describe('bad input', () => {
  test('°F in a °C field is questioned, a reading just after the lid kept as too early', async () => {
    const page = await stage.open('/demo/box/rigger', { fresh: true })
    await settled(page)
    await page.keyboard.press('l')
    await type(page, 'Relative humidity, %', '33')
    await type(page, 'Temperature, °C', '46')
    await press(page, 'Keep it')
    const question = await page.waitForSelector('[data-part="question"]')
    expect(await question!.evaluate(element => element.textContent)).toMatch(
      /46\.0 °C is far from where this stood last .*46\.0 °F, that is 7\.8 °C.*Really 46\.0 °C/s,
    )
    await type(page, 'Temperature, °C', '8')
    await page.keyboard.press('Escape')
    await page.waitForFunction(() => !document.querySelector('[role="dialog"]'))
    await page.keyboard.press('l')
    await type(page, 'Relative humidity, %', '41')
    await press(page, 'The lid was off just before')
    await press(page, 'Keep it')
    await page.waitForSelector('[data-part="kept-word"]')
    expect(await textOf(page, '[data-part="kept-word"]')).toMatch(/too early\. Look again/)
    await page.close()
  }, 120_000)

  test('a weighing opens a blind box’s eyes', async () => {
    const page = await stage.open('/demo/box/skeg', { fresh: true })
    await settled(page)
    expect(await textOf(page, 'h1')).toContain('Not known: weigh the beads')
    await press(page, 'Weigh them')
    await type(page, 'Beads in Skeg on the scale, g', '90')
    await press(page, 'Keep it')
    expect(await textOf(page, '[role="dialog"] [role="alert"]')).toContain('Check the holder')
    await type(page, 'Beads in Skeg on the scale, g', '123,5')
    await press(page, 'Keep it')
    await page.waitForFunction(
      () => /Good until|Renew|Not known yet/.test(document.querySelector('h1')!.textContent),
      {
        timeout: 60_000,
      },
    )
    await page.close()
  }, 120_000)

  test('an address of nothing says so and leads back', async () => {
    const page = await stage.open('/demo/box/nowhere')
    await page.waitForSelector('h1')
    await page.waitForFunction(() => document.querySelector('h1')!.textContent === 'No such box', {
      timeout: 60_000,
    })
    await page.close()
  }, 60_000)
})

describe('special days as today', () => {
  test.each([
    ['2028-02-29', 'Europe/Oslo'],
    ['2026-03-29', 'Europe/Oslo'],
    ['2026-10-25', 'Europe/Oslo'],
    ['2026-11-01', 'America/New_York'],
  ])(
    '%s in %s',
    async (today, zone) => {
      // one box to its last figure, then the shelf as it stands: eight more boxes would say the same of the day
      const page = await stage.open('/demo/box/cox', { search: `?today=${today}`, zone, fresh: true })
      await settled(page)
      expect(await textOf(page, 'h1')).toMatch(/^(Good until|Renew|Over)/)
      expect(await textOf(page, '[data-place="box"]')).not.toMatch(/NaN|Invalid|undefined/)
      await page.evaluate(() => (location.hash = '#/demo'))
      await page.waitForFunction(() => document.querySelectorAll('[data-slip]').length === 9)
      expect(await textOf(page, '[data-place="shelf"]')).not.toMatch(/NaN|Invalid|undefined/)
      expect(problemsOf(page)).toEqual([])
      await page.close()
    },
    90_000,
  )
})
