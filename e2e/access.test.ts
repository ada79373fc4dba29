import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import type { Page } from 'puppeteer-core'
import { root } from '../scripts/set-up.mjs'
import { openStage, settled, type Stage } from './harness.ts'

const axeSource = readFileSync(join(root, 'node_modules/axe-core/axe.min.js'), 'utf8')
let stage: Stage
beforeAll(async () => void (stage = await openStage()), 60_000)
afterAll(() => stage.close())

/** Serious and critical findings of axe on what is on the screen now. */
async function findings(page: Page, only: readonly string[] = []): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axeSource)
  return page.evaluate(async rules => {
    const { axe } = window as unknown as {
      axe: {
        run(options: object): Promise<{
          violations: { id: string; impact: string; nodes: { target: string[]; failureSummary: string }[] }[]
        }>
      }
    }
    const { violations } = await axe.run({
      resultTypes: ['violations'],
      ...(rules.length > 0 ? { runOnly: rules } : {}),
    })
    return violations
      .filter(item => item.impact === 'serious' || item.impact === 'critical')
      .map(
        item =>
          `${item.id}: ${item.nodes
            .map(node => `${node.target.join(' ')} ${node.failureSummary}`)
            .slice(0, 3)
            .join(' | ')}`,
      )
  }, only)
}

/** Findings by day; by night, on the same page, what may differ then: its colours. */
async function byDayAndNight(page: Page): Promise<string[]> {
  const found = await findings(page)
  await setNight(page, true)
  found.push(...(await findings(page, ['color-contrast'])).map(item => `by night: ${item}`))
  await setNight(page, false)
  return found
}

async function setNight(page: Page, dark: boolean): Promise<void> {
  await page.emulateMediaFeatures([
    { name: 'prefers-color-scheme', value: dark ? 'dark' : 'light' },
    { name: 'prefers-reduced-motion', value: 'reduce' },
  ])
  const scheme = dark ? 'dark' : 'light'
  await page.waitForFunction(
    wanted => document.documentElement.dataset['mantineColorScheme'] === wanted,
    {},
    scheme,
  )
}

/** One window of each width for all the pages: each is gone to, as by a link. */
const windows = new Map<number, Page>()
async function at(hash: string, width: number, height: number): Promise<Page> {
  const there = windows.get(width)
  const page = there ?? (await stage.open(hash, { width, height }))
  windows.set(width, page)
  // a page that is not in front is not painted
  await page.bringToFront()
  if (there) await page.evaluate(to => (location.hash = to), hash)
  await page.waitForFunction(to => location.hash === `#${to}`, {}, hash)
  await settled(page)
  return page
}

describe('axe finds nothing serious or critical, by day and by night', () => {
  test.each([
    ['the shelf', '/demo', 1280, 800],
    ['the shelf on a phone', '/demo', 390, 844],
    ['a box', '/demo/box/launch', 1280, 800],
    ['a box on a phone', '/demo/box/bilge', 390, 844],
    ['the round', '/demo/round', 1280, 800],
    ['the round on a phone', '/demo/round', 390, 844],
    ['everything entered', '/demo/entries', 1280, 800],
    ['files', '/demo/files', 1280, 800],
    ['preferences', '/demo/preferences', 390, 844],
    ['a card', '/demo/box/launch/card', 1280, 800],
    ['a plan', '/demo/build/coxless', 1280, 800],
    ['a plan arranged on a phone', '/demo/build/coxless/arrange', 390, 844],
    ['a drill sheet', '/demo/build/coxless/drill', 1280, 800],
    ['seal and fill on a phone', '/demo/build/coxless/close', 390, 844],
    ['the bench on a phone', '/demo/build/coxless/bench', 390, 844],
    ['a seal test', '/demo/box/cox/seal', 1280, 800],
    ['what is wrong', '/demo/box/rigger/wrong', 1280, 800],
    ['how true the displays are', '/demo/kit/displays', 1280, 800],
    ['how hot the ovens are', '/demo/kit/heat', 390, 844],
    ['the plan of renewals', '/demo/renew', 1280, 800],
    ['what wants heat today', '/demo/renew/now', 390, 844],
    ['the plan of renewals on a phone', '/demo/renew', 390, 844],
    ['the sheet for a day at the oven', '/demo/renew/day/2026-11-28', 1280, 800],
    ['what is replaced', '/demo/renew/replace', 390, 844],
    ['looking back', '/demo/renew/back', 1280, 800],
    ['a charge and its life', '/demo/kit/beads/spare-beads-1', 1280, 800],
    ['heat these on a phone', '/demo/renew/heat/stroke-beads', 390, 844],
    ['the spools', '/demo/spools', 1280, 800],
    ['the spools on a phone', '/demo/spools', 390, 844],
    ['a spool', '/demo/spools/spare-spool-4', 1280, 800],
    ['can this dryer do it', '/demo/spools/launch-spool-1/dry', 1280, 800],
    ['can this dryer do it, on a phone', '/demo/spools/bilge-spool-1/dry', 390, 844],
    ['a spool on a phone', '/demo/spools/launch-spool-1', 390, 844],
    ['a drying run on a phone', '/demo/spools/spare-spool-7/run', 390, 844],
    ['wet, or something else', '/demo/spools/spare-spool-2/signs', 390, 844],
    ['warmed in a chamber', '/demo/spools/spare-spool-2/warm', 1280, 800],
    ['labels', '/demo/labels?of=spool:spare-spool-7&of=box:launch', 1280, 800],
    ['the kit', '/demo/kit', 1280, 800],
    ['the kit on a phone', '/demo/kit', 390, 844],
    ['the almanac, materials', '/demo/almanac/materials', 1280, 800],
    ['the almanac, walls', '/demo/almanac/walls', 390, 844],
    ['the almanac, humidity', '/demo/almanac/air', 390, 844],
  ] as const)(
    '%s',
    async (_name, hash, width, height) => {
      const page = await at(hash, width, height)
      const found = await byDayAndNight(page)
      if (found.length > 0) windows.delete(width)
      expect(found).toEqual([])
      if (width === 390)
        expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
    },
    90_000,
  )

  test('the dialogs of moving and renewing, the palette, the list of keys', async () => {
    const page = await stage.open('/demo/box/cox')
    await settled(page)
    for (const [key, wait] of [
      ['m', '[data-part="move-form"]'],
      ['n', '[data-part="after-line"]'],
      ['?', '[data-part="key-list"]'],
    ] as const) {
      if (key === '?') await page.keyboard.down('Shift')
      await page.keyboard.press(key)
      if (key === '?') await page.keyboard.up('Shift')
      await page.waitForSelector(wait)
      expect(await byDayAndNight(page)).toEqual([])
      await page.keyboard.press('Escape')
      await page.waitForFunction(() => !document.querySelector('[role="dialog"]'))
    }
    await page.keyboard.down('Control')
    await page.keyboard.press('k')
    await page.keyboard.up('Control')
    await page.waitForSelector('input[aria-label="Everything by name"]', { visible: true })
    expect(await byDayAndNight(page)).toEqual([])
    await page.close()
  }, 90_000)

  test('the reading dialog and a margin note', async () => {
    const page = await stage.open('/demo/box/cox')
    await settled(page)
    await page.keyboard.press('l')
    await page.waitForSelector('[role="dialog"] input')
    expect(await byDayAndNight(page)).toEqual([])
    await page.keyboard.press('Escape')
    await page.waitForFunction(() => !document.querySelector('[role="dialog"]'))
    await page.locator('[data-part="air-line"] [data-quantity]').click()
    await page.waitForSelector('[data-why]')
    expect(await byDayAndNight(page)).toEqual([])
    await page.close()
  }, 90_000)

  test('all three screens of first use', async () => {
    const page = await stage.open('/', { fresh: true })
    await page.waitForSelector('[data-place="start"]')
    await page.type('input[inputmode="decimal"]', '20')
    for (let step = 0; step < 3; step++) {
      expect(await byDayAndNight(page)).toEqual([])
      if (step < 2) await page.locator('button[type="submit"]').click()
    }
    await page.close()
  }, 60_000)
})

test('the first route’s JavaScript stays under 200 kB gzipped, in a few files', () => {
  interface Chunk {
    file: string
    isEntry?: boolean
    imports?: string[]
  }
  const manifest = JSON.parse(readFileSync(join(root, 'dist/.vite/manifest.json'), 'utf8')) as Record<
    string,
    Chunk
  >
  const wanted = new Set<string>()
  const take = (key: string) => {
    const chunk = manifest[key]
    if (!chunk || wanted.has(chunk.file)) return
    wanted.add(chunk.file)
    chunk.imports?.forEach(take)
  }
  for (const [key, chunk] of Object.entries(manifest)) if (chunk.isEntry) take(key)
  const bytes = [...wanted].reduce(
    (sum, file) => sum + gzipSync(readFileSync(join(root, 'dist', file))).length,
    0,
  )
  console.info(`first route: ${(bytes / 1000).toFixed(1)} kB gzip in ${wanted.size} files`)
  // the shelf comes with the app; left to itself the bundler makes fifty files of the two
  expect(Object.keys(manifest).some(key => key.endsWith('shelf-place.tsx'))).toBe(false)
  expect(wanted.size).toBeGreaterThan(0)
  expect(wanted.size).toBeLessThanOrEqual(4)
  expect(bytes).toBeLessThan(200_000)
  // the chart library is in none of them
  expect(readdirSync(join(root, 'dist/assets')).some(file => file.startsWith('history-chart'))).toBe(true)
  expect([...wanted].some(file => file.includes('history-chart'))).toBe(false)
})
