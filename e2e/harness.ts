import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import puppeteer, { type Browser, type Page } from 'puppeteer-core'
import { findChromium, root } from '../scripts/set-up.mjs'
import { DEMO_DAY, DEMO_DAY_MS, giveReckoned } from './reckoned.ts'

export interface Stage {
  readonly address: string
  readonly open: (hash: string, options?: OpenOptions) => Promise<Page>
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
  /** An own journal on the demonstration's day: what it has in common with the demonstration is reckoned already. */
  readonly onDemoDay?: boolean
  /** With the service worker that keeps the app offline; left out: none, since every fresh visitor would install it anew. */
  readonly offline?: boolean
  /** Another server than the app's own. */
  readonly at?: string
  /** Run in the page before anything else. */
  readonly first?: () => void
}

/** The built app on its own server and a headless Chromium. */
export async function openStage(): Promise<Stage> {
  const { server, address } = await startServer()
  const profile = mkdtempSync(join(tmpdir(), 'veld-e2e-'))
  const browser: Browser = await launch(profile).catch((reason: unknown) => {
    // a server left behind would keep the tests from ending
    server.kill('SIGTERM')
    throw reason
  })

  // visitors who are not fresh share one storage, which is given what was reckoned once
  let shared = false
  return {
    address,
    open: async (hash, options = {}) => {
      const context = options.fresh ? await browser.createBrowserContext() : browser.defaultBrowserContext()
      const page = await context.newPage()
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
      if (hash.startsWith('/demo') && (options.fresh || !shared)) {
        shared ||= !options.fresh
        await page.goto(`${at}icon-180.png`)
        await giveReckoned(page, 'demo')
      }
      if (options.onDemoDay) {
        await setDemoDay(page)
        await page.goto(`${at}icon-180.png`)
        await giveReckoned(page, 'own')
      }
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
      const search = options.search ?? (hash.startsWith('/demo') ? DEMO_DAY : '')
      await page.goto(`${at}${search}#${hash}`, { waitUntil: 'load' })
      return page
    },
    close: async () => {
      await browser.close()
      server.kill('SIGTERM')
      rmSync(profile, { recursive: true, force: true })
    },
  }
}

async function launch(profile: string): Promise<Browser> {
  const executablePath = findChromium()
  if (!executablePath) throw new Error('There is no Chromium: run npm test, or set CHROMIUM_PATH.')
  return puppeteer.launch({
    executablePath,
    headless: true,
    pipe: true,
    userDataDir: profile,
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      '--disable-dev-shm-usage',
    ],
  })
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

function startServer(): Promise<{ server: ChildProcess; address: string }> {
  const server = spawn(process.execPath, [join(root, 'dist-server/serve.mjs')], {
    env: { ...process.env, PORT: '0' },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  return new Promise((resolve, reject) => {
    server.once('exit', code => reject(new Error(`The server ended with ${code}. Run npm run build first.`)))
    server.stdout.on('data', (chunk: Buffer) => {
      const found = /http:\/\/127\.0\.0\.1:\d+\//.exec(chunk.toString())
      if (found) resolve({ server, address: found[0] })
    })
  })
}

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
