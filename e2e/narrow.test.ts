import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { Page } from 'puppeteer-core'
import { openStage, problemsOf, settled, type Stage } from './harness.ts'
import type { Act } from '../src/records/act.ts'
import { ownActs } from './own-journal.ts'
import { DEMO_DAY_MS } from './reckoned.ts'

let stage: Stage
beforeAll(async () => void (stage = await openStage()), 120_000)
afterAll(() => stage.close())

const LONG = 'Zweihundertsiebenundfünfzigkilogrammtrockenschrankdauerlager'
/** Every name as long as a name may be, without a place to break it. */
const longNamed = (): Act[] =>
  ownActs(DEMO_DAY_MS).map(act => ({
    ...act,
    entries: act.entries.map(entry =>
      'name' in entry.payload
        ? {
            ...entry,
            payload: { ...entry.payload, name: `${entry.id.slice(-4)}${LONG}`.slice(0, 60) },
          }
        : entry,
    ) as Act['entries'],
  }))

/** Words that stick out of the window, sideways, or are squeezed; what scrolls on its own is left out. */
const sticksOut = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const found: string[] = []
    const width = document.documentElement.clientWidth
    if (document.documentElement.scrollWidth > width)
      found.push(`the page is ${document.documentElement.scrollWidth} wide of ${width}`)
    const scrolls = (element: Element | null): boolean =>
      element !== null &&
      (['auto', 'scroll', 'hidden', 'clip'].includes(getComputedStyle(element).overflowX) ||
        scrolls(element.parentElement))
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    while (walker.nextNode()) {
      const text = walker.currentNode.textContent?.trim()
      const parent = walker.currentNode.parentElement
      if (!text || !parent || parent.closest('[aria-hidden="true"], style, script')) continue
      // told to those who hear the page, a pixel wide
      if (parent.getBoundingClientRect().width <= 1) continue
      const range = document.createRange()
      range.selectNodeContents(walker.currentNode)
      // squeezed until its letters stand under one another
      const lines = new Set([...range.getClientRects()].map(box => Math.round(box.top))).size
      if (text.length > 3 && lines > text.length / 2)
        found.push(`${text.slice(0, 40)} in ${lines} lines of a letter or two`)
      for (const box of range.getClientRects())
        if (box.width > 2 && (box.right > width + 1 || box.left < -1) && !scrolls(parent))
          found.push(`${text.slice(0, 40)} from ${Math.round(box.left)} to ${Math.round(box.right)}`)
    }
    return found
  })
/** The same, once a busy machine has had time to draw a page for the window it now stands in. */
async function stillSticksOut(page: Page): Promise<string[]> {
  let found = await sticksOut(page)
  for (let tries = 0; found.length > 0 && tries < 20; tries++) {
    await new Promise(resolve => setTimeout(resolve, 250))
    found = await sticksOut(page)
  }
  return found
}
/** Whether the button stands in the window as it is, not below its foot. */
const inSight = (page: Page, words: string): Promise<string> =>
  page.evaluate(wanted => {
    const button = [...document.querySelectorAll('button')].find(item => item.textContent.startsWith(wanted))
    if (!button) return `no ${wanted}`
    const box = button.getBoundingClientRect()
    const words = document.querySelector('nav[data-part="bottom-words"]')?.getBoundingClientRect()
    const foot = button.closest('[role="dialog"]') ? innerHeight : (words?.top ?? innerHeight)
    return box.bottom <= foot + 1 ? 'in sight' : `${wanted} ends at ${Math.round(box.bottom)} of ${foot}`
  }, words)

const PAGES = [
  '/',
  '/box/launch',
  '/box/launch/card',
  '/round',
  '/build',
  '/build/coxless',
  '/build/coxless/arrange',
  '/build/coxless/drill',
  '/build/coxless/close',
  '/build/coxless/bench',
  '/box/launch/seal',
  '/box/rigger/wrong',
  '/kit/displays',
  '/kit/heat',
  '/renew',
  '/renew/now',
  '/renew/day/2026-11-28',
  '/renew/replace',
  '/renew/back',
  '/renew/heat/launch-beads',
  '/kit/beads/launch-beads',
  '/spools',
  '/spools/launch-spool-1',
  '/spools/launch-spool-1/dry',
  '/spools/spare-spool-7/run',
  '/spools/spare-spool-2/signs',
  '/spools/spare-spool-2/warm',
  '/labels?of=spool:spare-spool-7',
  '/kit',
  '/entries',
  '/files',
  '/preferences',
  '/almanac/materials',
  '/almanac/air',
]

/** One visitor for all windows: the boxes are reckoned once. */
let page: Page
beforeAll(async () => {
  page = await stage.open('/box/launch', { fresh: true, onDemoDay: true, acts: longNamed() })
  await settled(page)
  await page.evaluate(() => (location.hash = '/'))
  await page.waitForSelector('[data-place="shelf"]')
  await settled(page, 180_000)
}, 240_000)
const go = async (hash: string): Promise<void> => {
  await page.evaluate(to => (location.hash = to), hash)
  await page.waitForSelector('[data-place]')
}

// the last is a window of 1280 × 800 at twice the size
describe.each([
  [320, 568],
  [390, 664],
  [640, 400],
])('names that can’t be broken, in a window of %i × %i', (width, height) => {
  beforeAll(() => page.setViewport({ width, height }))
  test('no page is wider than the window, and no word stands outside it', async () => {
    const found: string[] = []
    for (const hash of PAGES) {
      await go(hash)
      // what is said once it is worked out counts too
      if (['/', '/box/launch', '/spools'].includes(hash)) await settled(page)
      await new Promise(resolve => setTimeout(resolve, 250))
      found.push(...(await stillSticksOut(page)).map(what => `${hash}: ${what}`))
    }
    expect(found).toEqual([])
    expect(problemsOf(page)).toEqual([])
  }, 120_000)

  test('dialogs fit, and their button is in sight', async () => {
    await go('/box/launch')
    await settled(page)
    const found: string[] = []
    for (const [key, wait, words] of [
      ['l', '[role="dialog"] input', 'Keep it'],
      ['m', '[data-part="move-form"]', 'Keep it'],
      ['n', '[role="dialog"] form', 'Keep it'],
      ['w', '[role="dialog"] form', 'Keep it'],
    ] as const) {
      await page.keyboard.press(key)
      await page.waitForSelector(wait)
      await new Promise(resolve => setTimeout(resolve, 250))
      found.push(...(await sticksOut(page)).map(what => `${key}: ${what}`))
      found.push(`${key}: ${await inSight(page, words)}`)
      await page.keyboard.press('Escape')
      await page.waitForFunction(() => !document.querySelector('[role="dialog"]'))
    }
    expect(found).toEqual(['l', 'm', 'n', 'w'].map(key => `${key}: in sight`))
  }, 120_000)

  test('first use: every screen fits, and the way on is in sight', async () => {
    // what the window before left half told is there again
    await go('/preferences')
    await page.waitForSelector('[data-place="preferences"]')
    await page.evaluate(() => sessionStorage.clear())
    await go('/start')
    await page.waitForSelector('[data-place="start"] input[inputmode="decimal"]')
    await page.type('input[inputmode="decimal"]', '20')
    const found: string[] = []
    for (const words of ['Next', 'Next', 'Judge it']) {
      await new Promise(resolve => setTimeout(resolve, 200))
      found.push(...(await sticksOut(page)), await inSight(page, words))
      if (words === 'Next') await page.locator('button[type="submit"]').click()
    }
    expect(found).toEqual(['in sight', 'in sight', 'in sight'])
  }, 120_000)
})
