import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { join } from 'node:path'
import type { Page } from 'puppeteer-core'
import { root } from '../scripts/set-up.mjs'
import { pressOn, toldFirstBox } from './first-box.ts'
import { boxesStand, openStage, problemsOf, settled, type Stage } from './harness.ts'
import { plainServer } from './plain-server.ts'

const dist = join(root, 'dist')
let stage: Stage
beforeAll(async () => {
  stage = await openStage()
}, 60_000)
afterAll(() => stage.close())

/** Until the service worker has everything and stands ready for the next visit. */
const cached = (page: Page) =>
  page.evaluate(async () => {
    const { active } = await navigator.serviceWorker.ready
    if (active?.state !== 'activated')
      await new Promise(resolve => active?.addEventListener('statechange', resolve, { once: true }))
  })

describe('without a network', () => {
  test('under a sub-path of a plain server, then with no server at all: the shelf is there', async () => {
    const server = await plainServer(dist, '/some/where/veld/')
    const page = await stage.open('/demo', { fresh: true, offline: true, at: server.address })
    await settled(page)
    await cached(page)
    const before = await page.$eval('h1', h1 => h1.textContent)
    await server.close()
    await page.reload({ waitUntil: 'load' })
    await settled(page)
    // the next day at the oven is worked out after the boxes are drawn
    await page.waitForFunction(was => document.querySelector('h1')?.textContent === was, {}, before)
    await boxesStand(page, 9)
    // a chunk that was never fetched before, and the fonts
    // the shelf may still draw itself again: a locator takes the slip that is there
    await page.locator('[data-slip="cox"] a').click()
    await page.waitForSelector('[data-part="history"] svg', { timeout: 60_000 })
    expect(await page.evaluate(() => document.fonts.check("16px 'Zilla Slab'"))).toBe(true)
    // entered offline, kept offline
    await page.keyboard.press('l')
    const field = await page.waitForSelector('[role="dialog"] form input')
    await field!.type('14')
    await page.keyboard.press('Enter')
    await page.waitForSelector('[data-part="kept"]')
    await page.reload({ waitUntil: 'load' })
    await page.waitForSelector('[data-part="undo"]')
    await page.close()
  }, 120_000)

  test('it can be installed: a manifest without a fault, icons, a worker', async () => {
    const page = await stage.open('/demo/preferences', { offline: true })
    await page.waitForSelector('[data-place="preferences"]')
    await cached(page)
    const client = await page.createCDPSession()
    const { errors, data } = await client.send('Page.getAppManifest')
    expect(errors).toEqual([])
    expect(JSON.parse(data!)).toMatchObject({ name: 'Veld', display: 'standalone', start_url: './' })
    const { installabilityErrors } = await client.send('Page.getInstallabilityErrors')
    // a window of its own is no place to install from; nothing else may be missing
    expect(installabilityErrors.map(error => error.errorId).filter(id => id !== 'in-incognito')).toEqual([])
    expect(problemsOf(page)).toEqual([])
    await page.close()
  }, 60_000)

  test('a newer one is offered, not forced, and taken when asked', async () => {
    let newer = false
    const server = await plainServer(dist, '/', (name, bytes) =>
      newer && name === 'sw.js' ? `${bytes.toString()}\n// newer` : bytes,
    )
    const page = await stage.open('/demo/preferences', { fresh: true, offline: true, at: server.address })
    await page.waitForSelector('[data-place="preferences"]')
    await cached(page)
    await page.reload({ waitUntil: 'load' })
    await page.waitForSelector('[data-place="preferences"]')
    // another tab, with a reading half typed
    const other = await page.browserContext().newPage()
    await other.goto(page.url().replace(/#.*/, '#/demo/round'), { waitUntil: 'load' })
    const field = await other.waitForSelector('[data-place="round"] input')
    await field!.type('47')
    await other.evaluate(() => void Object.assign(window, { before: true }))
    await page.bringToFront()
    newer = true
    await page.evaluate(async () => {
      Object.assign(window, { before: true })
      await (await navigator.serviceWorker.ready).update()
    })
    await page.waitForSelector('[data-part="update-offer"]')
    expect(await page.evaluate(() => 'before' in window)).toBe(true)
    await Promise.all([page.waitForNavigation(), page.locator('[data-part="update-offer"] button').click()])
    expect(await page.evaluate(() => 'before' in window)).toBe(false)
    await page.waitForSelector('[data-place="preferences"]')
    // only the tab that asked is reloaded; the other keeps what is typed, and after a reload of its own too
    await new Promise(resolve => setTimeout(resolve, 1000))
    const typed = () => other.$eval('[data-place="round"] input', item => item.value)
    expect(await other.evaluate(() => 'before' in window)).toBe(true)
    expect(await typed()).toBe('47')
    await other.bringToFront()
    await other.reload({ waitUntil: 'load' })
    await other.waitForSelector('[data-place="round"] input')
    expect(await typed()).toBe('47')
    await server.close()
    await page.close()
  }, 120_000)

  test('a part of it that is missing: a sentence says so, not an empty page', async () => {
    const server = await plainServer(dist, '/', (name, bytes) =>
      /^assets\/index-.*\.js$/.test(name) ? null : bytes,
    )
    const page = await stage.open('/', { fresh: true, at: server.address })
    await page.waitForFunction(
      () =>
        getComputedStyle(document.querySelector('.start')!).opacity === '1' &&
        document.body.innerText.includes('Veld has not started: a part of it did not come'),
      { timeout: 20_000 },
    )
    await server.close()
    await page.close()
  }, 60_000)

  test('licences of all that is shipped are read in the app, fonts too', async () => {
    const page = await stage.open('/preferences', { fresh: true })
    await page.locator('summary').click()
    const text = await page.waitForSelector('pre').then(found => found!.evaluate(item => item.textContent))
    expect(text.split('-----').length).toBeGreaterThan(40)
    for (const name of ['@fontsource/zilla-slab', 'react', 'highs', 'workbox-core', 'SIL OPEN FONT LICENSE'])
      expect(text).toContain(name)
    expect(problemsOf(page)).toEqual([])
    await page.close()
  }, 60_000)

  test('a first use that is half done is there again after a reload, and gone once it is kept', async () => {
    const page = await stage.open('/start', { fresh: true })
    await toldFirstBox(page, '33')
    await page.reload({ waitUntil: 'load' })
    await page.waitForSelector('[data-part="chips"]')
    await pressOn(page)
    await page.waitForSelector('[data-place="box"]')
    expect(await page.evaluate(() => document.body.innerText)).toMatch(/33/)
    await page.evaluate(() => (location.hash = '/start'))
    expect(
      await page.waitForSelector('[data-place="start"] input').then(i => i!.evaluate(x => x.value)),
    ).toBe('')
    await page.close()
  }, 60_000)
})

test('without locks, channels and lasting storage it says what is weaker, and keeps everything', async () => {
  const page = await stage.open('/demo/files', {
    fresh: true,
    first: () => {
      for (const name of ['locks', 'storage', 'serviceWorker'])
        Object.defineProperty(Navigator.prototype, name, { get: () => undefined, configurable: true })
      Object.defineProperty(window, 'BroadcastChannel', { value: undefined })
      // a property that is there and empty still answers "in"
      for (const name of ['locks', 'storage', 'serviceWorker'])
        delete (Navigator.prototype as unknown as Record<string, unknown>)[name]
    },
  })
  await page.waitForSelector('[data-place="files"] h1 + p')
  await page.waitForFunction(() =>
    /save a file now and then/.test(document.querySelector('[data-place="files"] h1 + p')!.textContent),
  )
  expect(await page.$eval('[data-place="files"] h1 + p', line => line.textContent)).toMatch(
    /keep Veld open in one tab/,
  )
  await page.evaluate(() => (window.location.hash = '#/demo/box/cox'))
  await page.waitForSelector('[data-place="box"]')
  await page.keyboard.press('l')
  await (await page.waitForSelector('[role="dialog"] form input'))!.type('14')
  await page.keyboard.press('Enter')
  await page.waitForSelector('[data-part="kept"]')
  await page.reload()
  await page.waitForSelector('[data-part="undo"]')
  expect(problemsOf(page)).toEqual([])
  await page.close()
}, 90_000)

test('the bottom words on the phone lead everywhere', async () => {
  const page = await stage.open('/demo', { fresh: true, width: 390, height: 844, touch: true })
  // while the boxes are still reckoned: that is when a person goes on
  await page.waitForSelector('[data-slip]')
  for (const [word, place] of [
    ['Entered', 'entries'],
    ['Files', 'files'],
    ['Preferences', 'preferences'],
    ['Shelf', 'shelf'],
    ['Kit', 'kit'],
    ['Almanac', 'almanac'],
  ] as const) {
    const isUnderMore = !['Shelf', 'Kit'].includes(word)
    if (isUnderMore) await page.tap('[data-part="bottom-words"] button')
    for (const link of await page.$$('[data-part="bottom-words"] a'))
      if ((await link.evaluate(item => item.textContent)) === word) {
        const box = (await link.boundingBox())!
        expect(box.y + box.height).toBeLessThanOrEqual(844.5)
        expect(box.height).toBeGreaterThanOrEqual(44)
        await link.tap()
        break
      }
    await page.waitForSelector(`[data-place="${place}"]`)
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390)
  }
  await page.close()
}, 60_000)
