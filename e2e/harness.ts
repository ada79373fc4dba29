import type { BrowserContext, Page } from 'puppeteer-core'
import type { Act } from '../src/records/act.ts'
import { DEMO_DAY, DEMO_DAY_MS, giveDemo, giveOwn } from './reckoned.ts'
import type { StartedStage } from './start-stage.mjs'

export interface Stage {
  readonly address: string
  /** @param hash where in the app; null: a page at its address that has not opened it yet */
  readonly open: (hash: string | null, options?: OpenOptions) => Promise<Page>
  readonly close: () => Promise<void>
}
export interface OpenOptions {
  readonly width?: number
  readonly height?: number
  readonly dark?: boolean
  readonly touch?: boolean
  readonly zone?: string
  /** Part of the address before #, such as `?today=2028-02-29`; the demonstration has a day of its own. */
  readonly search?: string
  /** A visitor with nothing kept. */
  readonly fresh?: boolean
  /** What a fresh visitor's own journal holds, as if entered before. */
  readonly acts?: readonly Act[]
  /** On the demonstration's day: what these acts have in common with the demonstration is reckoned already. */
  readonly onDemoDay?: boolean
  /** With the service worker that keeps the app offline; left out: none, since every fresh visitor would install it anew. */
  readonly offline?: boolean
  /** Another server than the app's own. */
  readonly at?: string
  /** Run in the page before anything else. */
  readonly first?: () => void
}

/** Under Jest its environment has one for all suites of a worker. */
const lent = (globalThis as { stageOfWorker?: () => Promise<StartedStage> }).stageOfWorker

/** The built app on its own server and a headless Chromium, with storages that nobody has used before. */
export async function openStage(): Promise<Stage> {
  const { browser, address, close } = await (lent ?? (await import('./start-stage.mjs')).startStage)()
  const taken = new Set([browser.defaultBrowserContext()])
  /** Nobody else is given it until it is let go and has no page. */
  const takeFresh = async (): Promise<BrowserContext> => {
    for (const context of browser.browserContexts())
      // whether it is taken is asked last: another may have taken it meanwhile
      if ((await context.pages()).length === 0 && !taken.has(context)) {
        taken.add(context)
        await empty(context, address)
        return context
      }
    const context = await browser.createBrowserContext()
    taken.add(context)
    return context
  }
  // visitors who are not fresh share one storage, which is given what was reckoned once
  const commonRoom = await takeFresh()
  let shared = false
  return {
    address,
    open: async (hash, options = {}) => {
      const context = options.fresh ? await takeFresh() : commonRoom
      const page = await context.newPage()
      if (options.fresh) taken.delete(context)
      await page.setViewport({
        width: options.width ?? 1280,
        height: options.height ?? 800,
        hasTouch: options.touch ?? false,
      })
      await page.emulateMediaFeatures([
        { name: 'prefers-color-scheme', value: options.dark ? 'dark' : 'light' },
        { name: 'prefers-reduced-motion', value: 'reduce' },
      ])
      // three browsers share two cores: slow is not wrong
      page.setDefaultTimeout(60_000)
      if (options.zone) await page.emulateTimezone(options.zone)
      const at = options.at ?? address
      const isDemo = hash !== null && hash.startsWith('/demo')
      const givesDemo = isDemo && (options.fresh || !shared)
      if (options.onDemoDay) await setDemoDay(page)
      if (hash === null || givesDemo || options.acts) await page.goto(`${at}icon-180.png`)
      if (givesDemo) {
        shared ||= !options.fresh
        await giveDemo(page, options.zone === undefined)
      }
      if (options.acts) await giveOwn(page, options.acts, options.onDemoDay === true)
      if (!options.offline)
        await page.evaluateOnNewDocument(() => {
          delete (Navigator.prototype as { serviceWorker?: unknown }).serviceWorker
        })
      if (options.first) await page.evaluateOnNewDocument(options.first)
      const problems: string[] = []
      page.on('pageerror', error => problems.push(String(error)))
      page.on('console', message => {
        // the picture storage is given on has no icon of its own; the browser may say so late
        if (message.location().url?.endsWith('/favicon.ico')) return
        if (message.type() === 'error') problems.push(message.text())
      })
      Object.assign(page, { problems })
      const search = options.search ?? (isDemo ? DEMO_DAY : '')
      if (hash !== null) await page.goto(`${at}${search}#${hash}`, { waitUntil: 'load' })
      return page
    },
    close: async () => {
      const visitors = browser.browserContexts().filter(one => one !== browser.defaultBrowserContext())
      const left = await Promise.all(visitors.map(context => context.pages()))
      await Promise.all(left.flat().map(page => page.close()))
      if (!lent) await close()
    },
  }
}

/**
 * Makes a visitor who has gone into one who was never there. What the browser has compiled of the app stays with it: a page of
 * a context quite new costs half as much again.
 */
async function empty(context: BrowserContext, address: string): Promise<void> {
  const page = await context.newPage()
  const client = await page.createCDPSession()
  const { origin } = new URL(address)
  await client.send('Storage.clearDataForOrigin', { origin, storageTypes: 'all' })
  await client.send('Storage.overrideQuotaForOrigin', { origin })
  await page.close()
}

/** The device's clock goes on from ten in the morning UTC of the demonstration's day, in each document the page will open. */
export const setDemoDay = (page: Page) =>
  page.evaluateOnNewDocument(shiftMs => {
    const deviceMs = Date.now
    Date.now = () => deviceMs() + shiftMs
  }, DEMO_SHIFT_MS)
const DEMO_SHIFT_MS = DEMO_DAY_MS - Date.now()

/** What the page complained of: errors, content-policy violations. */
export const problemsOf = (page: Page): string[] =>
  'problems' in page && Array.isArray(page.problems) ? page.problems.map(String) : []

/** Waits until the page says nothing of reckoning any more. */
export async function settled(page: Page, timeoutMs = 90_000): Promise<void> {
  await page.waitForFunction(
    () =>
      document.querySelector('[data-place]') !== null &&
      document.querySelector('[data-looking]') === null &&
      // not innerText, which would have the page laid out five times a second
      !/reckoning …|Reckoning …|Opening|Drawing …|year ahead …/.test(document.body.textContent),
    { timeout: timeoutMs, polling: 200 },
  )
}

/** Waits until so many boxes stand on the shelf: it is drawn once it knows its width. */
export const boxesStand = (page: Page, count: number) =>
  page.waitForFunction(wanted => document.querySelectorAll('[data-slip]').length === wanted, {}, count)
