import { afterAll, beforeAll, expect, test } from '@jest/globals'
import type { Page } from 'puppeteer-core'
import { openStage, problemsOf, settled, type Stage } from './harness.ts'

let stage: Stage
beforeAll(async () => void (stage = await openStage()), 60_000)
afterAll(() => stage.close())

const h1 = (page: Page) => page.$eval('h1', heading => heading.textContent)
const says = (page: Page, pattern: string) =>
  page.waitForFunction(
    wanted => new RegExp(wanted).test(document.querySelector('h1')?.textContent ?? ''),
    { timeout: 60_000 },
    pattern,
  )
/** Tab until what has the focus says this. */
async function tabTo(page: Page, words: string): Promise<void> {
  for (let i = 0; i < 60; i++) {
    const at = await page.evaluate(() => {
      const { activeElement: item } = document
      return item instanceof HTMLInputElement
        ? (item.labels?.[0]?.textContent ?? item.getAttribute('aria-label') ?? '')
        : (item?.textContent ?? '')
    })
    if (at.startsWith(words)) return
    await page.keyboard.press('Tab')
  }
  throw new Error(`${words} is not reached by Tab`)
}

test('from nothing to a plan, its figures, and the box on the shelf, by keyboard alone', async () => {
  const page = await stage.open('/build', { fresh: true })
  await page.waitForSelector('[data-place="build"]')
  await tabTo(page, 'Plan a box')
  await page.keyboard.press('Enter')
  await page.waitForSelector('[data-part="spools-form"]')
  await page.waitForFunction(() => document.activeElement?.tagName === 'INPUT')
  await page.keyboard.press('Backspace')
  await page.keyboard.type('3')
  await page.keyboard.press('Enter')
  await says(page, '^The tote takes all three')
  // the small box by the arrow key, as any choice
  await tabTo(page, 'tote')
  await page.keyboard.press('ArrowLeft')
  await says(page, '^The clip box, long takes')
  await page.keyboard.press('ArrowRight')
  await says(page, '^The tote takes all three')
  // two lengths measured: pencil becomes ink
  await page.evaluate(() =>
    document.querySelectorAll<HTMLButtonElement>('[data-candidate="tote"] button').forEach(button => {
      if (button.textContent === 'Change it') button.focus()
    }),
  )
  await page.keyboard.press('Enter')
  await page.waitForSelector('[data-part="candidate-form"]')
  for (const [label, value] of [
    ['Length at the rim', '362'],
    ['Height to the lid', '266'],
  ] as const) {
    await tabTo(page, label)
    await page.keyboard.down('Control')
    await page.keyboard.press('a')
    await page.keyboard.up('Control')
    await page.keyboard.type(value)
  }
  await page.keyboard.press('Enter')
  await page.waitForFunction(() => !document.querySelector('[data-part="candidate-form"]'))
  await page.waitForFunction(() =>
    document.querySelector('[data-candidate="tote"]')?.textContent?.includes('362 ×'),
  )
  await says(page, '^The tote takes all three')
  // its sheets: where to drill, what goes in to dry it, and back
  await page.evaluate(() => scrollTo(0, 0))
  await tabTo(page, 'Drill')
  await page.keyboard.press('Enter')
  await says(page, '^Two holes, none drilled yet$')
  await tabTo(page, 'Enter hole A')
  await page.keyboard.press('Enter')
  // the dialog takes the focus a moment after it is drawn
  await page.waitForFunction(() => document.activeElement?.closest('[data-part="drilled-form"]'))
  await page.keyboard.press('Enter')
  await says(page, '^Two holes, one drilled$')
  await page.evaluate(() => scrollTo(0, 0))
  await tabTo(page, 'Choose')
  await page.keyboard.press('Enter')
  await says(page, '^The tote takes all three')
  await tabTo(page, 'Put it on the shelf')
  await page.keyboard.press('Enter')
  // it lacks beads and a place for the display: each is waived by name
  for (const words of ['It does without beads', 'It does without a display']) {
    await page.waitForFunction(
      wanted => document.querySelector('[data-part="finish"]')?.textContent?.includes(wanted),
      {},
      words,
    )
    await tabTo(page, words)
    await page.keyboard.press('Enter')
    await page.waitForFunction(
      wanted => !document.querySelector('[data-part="finish"]')?.textContent?.includes(wanted),
      {},
      words,
    )
  }
  await tabTo(page, 'Put it on the shelf')
  await page.keyboard.press('Enter')
  await page.waitForSelector('[data-place="box"]')
  expect(await page.$eval('[data-place="box"]', item => item.textContent)).toContain('Plan 1')
  expect(await page.$eval('[data-part="undo"]', button => button.textContent)).toBe(
    'Undo: Plan 1: onto the shelf',
  )
  expect(problemsOf(page)).toEqual([])
  await page.close()
}, 90_000)

test('on the phone: the words at the bottom lead there, three stand under each other, nothing is cut off', async () => {
  const page = await stage.open('/demo', { width: 390, height: 844, touch: true, fresh: true })
  await settled(page)
  await page.tap('[data-part="bottom-words"] a[href$="/build"]')
  await page.waitForSelector('[data-place="build"]')
  await page.tap('a[href$="/build/coxless"]')
  await says(page, 'takes all four')
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  expect(await page.$$eval('[data-candidate]', all => all.length)).toBe(3)
  const widest = await page.$$eval('[data-candidate] svg', all =>
    Math.max(...all.map(item => item.getBoundingClientRect().right)),
  )
  expect(widest).toBeLessThanOrEqual(390)
  expect(await h1(page)).toBe('The tote from the chandler takes all four on an axle')
  expect(problemsOf(page)).toEqual([])
  await page.close()
}, 60_000)

const middleOf = (page: Page, selector: string) =>
  page.$eval(selector, item => {
    const { x, y, width, height } = item.getBoundingClientRect()
    return { x: x + width / 2, y: y + height / 2 }
  })

test('by pointer, from a plan to its sheet, its bench and the shelf', async () => {
  const page = await stage.open('/demo/build/coxless', { fresh: true })
  await says(page, 'takes all four')
  const go = async (words: string, pattern: string) => {
    await page
      .locator(`::-p-xpath(//nav[@aria-label="Sheets of this plan"]//a[normalize-space(.)="${words}"])`)
      .click()
    await says(page, pattern)
  }
  await go('Drill', '^Six holes, five drilled; A is 3.0.mm low$')
  await page.evaluate(() =>
    [...document.querySelectorAll('button')].find(item => item.textContent?.startsWith('File A'))!.click(),
  )
  await says(page, '^Six holes, five drilled$')
  await go('Seal and fill', 'of water a day comes in')
  await page.waitForFunction(() => !/Sizing …|Reckoning …/.test(document.body.textContent), {
    timeout: 60_000,
  })
  await go('At the bench', '^Step ')
  await page.evaluate(() => document.querySelector<HTMLElement>('[data-bench="drill 4"] button')!.click())
  await page.waitForSelector('[data-step="drill 4"] [data-caution="drilling"]')
  await page.locator('[data-part="step-done"]').click()
  await page.waitForFunction(() => document.querySelector('[data-bench="drill 4"] [aria-label="done"]'))
  await page.evaluate(() =>
    [...document.querySelectorAll('button')]
      .find(item => item.textContent === 'Put it on the shelf')!
      .click(),
  )
  await page.waitForSelector('[data-place="box"]')
  expect(await page.$eval('[data-part="undo"]', button => button.textContent)).toBe(
    'Undo: Coxless: onto the shelf',
  )
  // the new box's seal can be proved from its page
  await page.waitForSelector('a[href$="/seal"]')
  // the page still grows as its box is reckoned: no place on it stands still
  await page.evaluate(() => document.querySelector<HTMLAnchorElement>('a[href$="/seal"]')!.click())
  await page.waitForSelector('[data-method="weighed"]')
  expect(problemsOf(page)).toEqual([])
  await page.close()
}, 90_000)

test('arranging: a spool is pulled into its neighbour, the remedy puts it right; by keys the focus stays', async () => {
  const page = await stage.open('/demo/build/coxless/arrange', { fresh: true })
  await says(page, 'everything keeps its room$')
  const spool = await middleOf(page, '[data-view="front"] [data-hand*="spare-spool-2"]')
  // beside its outlet, over its rod
  await page.mouse.move(spool.x, spool.y - 40)
  await page.mouse.down()
  await page.mouse.move(spool.x + 40, spool.y - 40, { steps: 8 })
  await says(page, 'PLA sloe stands .* into PETG kelp')
  await page.mouse.up()
  await page.waitForFunction(
    () => document.querySelector('[data-part="undo"]')?.textContent === 'Undo: Coxless: moved',
  )
  // the drag library lets no click through in the moment after a pull
  await new Promise(resolve => setTimeout(resolve, 150))
  await page.evaluate(() => {
    ;[...document.querySelectorAll('button')]
      .find(item => item.textContent === 'Let Veld arrange it')!
      .click()
  })
  await says(page, 'everything keeps its room$')
  await page.evaluate(() => document.querySelector<SVGElement>('[data-hand^="front rod"]')!.focus())
  for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowUp')
  await says(page, 'short under the lid')
  await new Promise(resolve => setTimeout(resolve, 1200))
  expect(await page.evaluate(() => document.activeElement?.getAttribute('data-hand'))).toMatch(/^front rod/)
  // a reload keeps it
  await page.reload({ waitUntil: 'load' })
  await says(page, 'short under the lid')
  expect(problemsOf(page)).toEqual([])
  await page.close()
}, 60_000)
