import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { Page } from 'puppeteer-core'
import { pressOn, roomFor, toldFirstBox } from './first-box.ts'
import { boxesStand, openStage, problemsOf, type Stage } from './harness.ts'
import { ownActs, records, refill } from './own-journal.ts'
import { DEMO_DAY_MS } from './reckoned.ts'

let stage: Stage
beforeAll(async () => void (stage = await openStage()), 60_000)
afterAll(() => stage.close())

const press = (page: Page, text: string) => page.locator(`::-p-text(${text})`).click()
const heading = (page: Page) => page.$eval('h1', item => item.textContent)
const standing = (page: Page) =>
  page.waitForSelector('[data-part="standing"]').then(line => line!.evaluate(item => item.textContent))

describe('a browser that gives no storage', () => {
  test('refused: said before anything is entered; going on without says so on every page, and the copy comes out', async () => {
    const page = await stage.open('/', {
      fresh: true,
      first: () => {
        IDBFactory.prototype.open = () => {
          throw new DOMException('denied', 'SecurityError')
        }
        URL.createObjectURL = file => {
          ;(window as unknown as { size: number }).size = (file as File).size
          return 'blob:x'
        }
        HTMLAnchorElement.prototype.click = () => {}
      },
    })
    await page.waitForSelector('[data-place="no-storage"]')
    expect(await heading(page)).toMatch(/gives Veld no place to keep anything/)
    // trying again changes nothing, and nothing was written elsewhere
    await press(page, 'Try again')
    await page.waitForSelector('[data-place="no-storage"]')
    expect(await page.evaluate(() => localStorage.length)).toBe(0)
    await press(page, 'Go on without')
    await toldFirstBox(page)
    await pressOn(page)
    await page.waitForSelector('[data-place="box"]')
    expect(await standing(page)).toMatch(/keeps nothing here: what you enter lasts until this page is closed/)
    await page.evaluate(() => (location.hash = '/round'))
    await page.waitForSelector('[data-place="round"]')
    expect(await standing(page)).toMatch(/keeps nothing here/)
    await press(page, 'Save it as a file')
    await page.waitForFunction(() => ((window as unknown as { size?: number }).size ?? 0) > 500)
    expect(await standing(page)).toMatch(/Handed to the downloads: veld-backup-/)
    // the drawing library tells of what it hands to the page
    expect(problemsOf(page).filter(text => !text.startsWith('NoStorage'))).toEqual([])
    await page.close()
  }, 90_000)

  test('no answer: the page says why within seconds, and goes on by itself once there is one', async () => {
    const page = await stage.open('/', {
      fresh: true,
      first: () => {
        const open: unknown = Reflect.get(IDBFactory.prototype, 'open')
        const waiting: (() => void)[] = []
        Object.assign(window, { answer: () => waiting.forEach(go => go()) })
        // a request that hangs until it is let go
        IDBFactory.prototype.open = function (...asked) {
          const request = (open as (...asked: unknown[]) => IDBOpenDBRequest).apply(this, asked)
          if ('answered' in window) return request
          for (const name of ['onsuccess', 'onupgradeneeded', 'onerror'] as const) {
            let handler: ((event: Event) => void) | null = null
            Object.defineProperty(request, name, {
              get: () => handler,
              set: given => {
                handler = event => {
                  if ('answered' in window) given.call(request, event)
                  else waiting.push(() => given.call(request, event))
                }
                Object.getOwnPropertyDescriptor(
                  name === 'onupgradeneeded' ? IDBOpenDBRequest.prototype : IDBRequest.prototype,
                  name,
                )!.set!.call(request, handler)
              },
            })
          }
          return request
        }
      },
    })
    await page.waitForSelector('[data-place="no-storage"]', { timeout: 20_000 })
    expect(await heading(page)).toMatch(/storage does not answer/)
    await page.evaluate(() => {
      Object.assign(window, { answered: true })
      ;(window as unknown as { answer: () => void }).answer()
    })
    await page.waitForSelector('[data-place="start"]')
    await page.close()
  }, 90_000)
})

test('cleared while open: said at the next thing written, shown as before, and put back', async () => {
  const acts = ownActs(DEMO_DAY_MS).slice(0, -6)
  const page = await stage.open('/box/launch', { fresh: true, onDemoDay: true, acts })
  await page.waitForSelector('[data-place="box"]')
  const before = Object.keys(await records(page)).length
  await refill(page, [])
  await page.locator('[title="Name it"]').click()
  await page.locator('input[aria-label="Name"], [role="dialog"] input').fill('Launch again')
  await press(page, 'Keep it')
  expect(await standing(page)).toMatch(/was emptied while Veld was open here/)
  expect(Object.keys(await records(page))).toHaveLength(1)
  // the box is still there, on every page
  await page.evaluate(() => (location.hash = '/'))
  await page.waitForSelector('[data-place="shelf"]')
  await boxesStand(page, 9)
  await page.locator('[data-part="standing"] button').click()
  await page.waitForFunction(() => document.querySelector('[data-part="standing"]') === null)
  expect(Object.keys(await records(page)).length).toBeGreaterThanOrEqual(Math.min(before, acts.length))
  await page.reload()
  await page.waitForSelector('[data-slip]')
  await boxesStand(page, 9)
  expect(await page.evaluate(() => document.body.innerText)).toMatch(/Launch again/)
  expect(problemsOf(page)).toEqual([])
  await page.close()
}, 90_000)

test('a choice the browser does not keep is told, and goes for this page', async () => {
  const page = await stage.open('/preferences', { fresh: true })
  await page.waitForSelector('[data-place="preferences"]')
  await roomFor(page, 1)
  await page.evaluate(() =>
    [...document.querySelectorAll('label')].find(item => item.textContent.trim() === '°F')!.click(),
  )
  expect(await standing(page)).toMatch(/did not keep what you chose \(its storage is full\)/)
  await page.close()
}, 60_000)

test('full: what was entered stays on screen with what to do, and is kept once there is room', async () => {
  // nothing has been written yet: the browser remembers for a while how much room there was at the last write
  const page = await stage.open('/start', { fresh: true })
  await toldFirstBox(page)
  await roomFor(page, 1)
  await pressOn(page)
  const notice = await page.waitForSelector('[data-place="start"] [role="alert"]')
  expect(await notice!.evaluate(item => item.textContent)).toMatch(/Nothing is lost/)
  expect(await page.$$eval('[data-part="chip"]:has(button + button)', chips => chips.length)).toBe(1)
  expect(Object.keys(await records(page))).toHaveLength(0)
  await roomFor(page, null)
  const until = Date.now() + 60_000
  while ((await page.$('[data-place="box"]')) === null && Date.now() < until) {
    // the page may have gone on by itself: what is no longer there is not waited for
    await page.$eval('[data-place="start"] button[type="submit"]', item => item.click()).catch(() => {})
    await new Promise(resolve => setTimeout(resolve, 500))
  }
  expect(Object.keys(await records(page))).toHaveLength(1)
  await page.close()
}, 120_000)
