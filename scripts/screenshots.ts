// The pictures of docs/screenshots, from the demonstration on a fixed day: npm run build && npm run shots
import { join } from 'node:path'
import { openStage, problemsOf, settled, type OpenOptions } from '../e2e/harness.ts'
import { root } from './set-up.mjs'

const TODAY = '?today=2025-11-08'
const PHONE = { width: 390, height: 844 }
const SHOTS: readonly { name: string; hash: string; options?: OpenOptions }[] = [
  { name: 'shelf', hash: '/demo' },
  { name: 'shelf-night', hash: '/demo', options: { dark: true } },
  { name: 'shelf-phone', hash: '/demo', options: PHONE },
  { name: 'box', hash: '/demo/box/launch' },
  { name: 'box-night', hash: '/demo/box/rigger', options: { dark: true } },
  { name: 'box-phone', hash: '/demo/box/thole', options: PHONE },
]
const stage = await openStage()
const file = (name: string) => `${join(root, 'docs/screenshots', name)}.png` as const
try {
  for (const { name, hash, options } of SHOTS) {
    const page = await stage.open(hash, { search: TODAY, zone: 'UTC', ...options })
    await settled(page)
    if (hash.includes('/box/'))
      await page.waitForFunction(
        () => !document.body.textContent.includes('Sizing …') && document.querySelector('.history svg'),
        { timeout: 60_000 },
      )
    await page.screenshot({ path: file(name) })
    if (name === 'box') {
      await page.click('h1 [data-quantity]')
      await page.waitForSelector('[data-why]')
      await page.screenshot({ path: file('why') })
    }
    if (name === 'shelf-phone') {
      await page.click('.filled')
      await page.waitForSelector('.mantine-Modal-content input')
      await page.screenshot({ path: file('log-reading-phone') })
    }
    console.log(name, problemsOf(page).join(' '))
    await page.close()
  }
  const page = await stage.open('/', { ...PHONE, fresh: true })
  await page.waitForSelector('[data-place="start"]')
  await page.evaluate(() => document.fonts.ready)
  await page.screenshot({ path: file('first-use-1-phone') })
  await page.type('input[inputmode="decimal"]', '15')
  await page.click('button[type="submit"]')
  await page.waitForSelector('.outlines')
  await page.screenshot({ path: file('first-use-2-phone') })
  await page.click('button[type="submit"]')
  await page.waitForSelector('.chips')
  await page.screenshot({ path: file('first-use-3-phone') })
  await page.click('button[type="submit"]')
  await page.waitForSelector('[data-place="box"]')
  await page.setViewport({ width: 1280, height: 800 })
  await page.waitForSelector('[data-fact]', { timeout: 60_000 })
  await page.waitForFunction(
    () => !document.body.textContent.includes('Sizing …') && document.querySelector('.history svg'),
    { timeout: 60_000 },
  )
  await page.screenshot({ path: file('first-verdict') })
} finally {
  await stage.close()
}
