// The demonstration's boxes reckoned by the app in a browser, for the browser tests to begin with.
import type { Page } from 'puppeteer-core'
import { openStage, settled } from '../e2e/harness.ts'
import { DEMO_DAY, keepReckoned } from '../e2e/reckoned.ts'

/** Beside it the validations' shares are measured: it may have a fifth of the machine. */
const PATIENCE_MS = 400_000
const stage = await openStage()
try {
  const page = await stage.open('/demo', { fresh: true })
  await settled(page, PATIENCE_MS)
  // the plan of renewals as well, with how long fresh beads hold
  await page.evaluate(() => (location.hash = '#/demo/renew'))
  await page.waitForSelector('[data-place="renew"][data-standing]', { timeout: PATIENCE_MS })
  await settled(page, PATIENCE_MS)
  // and every spool
  await page.evaluate(() => (location.hash = '#/demo/spools'))
  await page.waitForSelector('[data-place="spools"]', { timeout: PATIENCE_MS })
  await settled(page, PATIENCE_MS)
  // and how many beads the boxes want that the tests look at, one in each of two windows at a time
  const other = await page.browserContext().newPage()
  const boxes = ['launch', 'skeg', 'cox', 'stroke', 'bilge', 'rigger', 'thole']
  const sizing = async (on: Page) => {
    for (let box = boxes.shift(); box !== undefined; box = boxes.shift()) {
      await on.goto(`${stage.address}${DEMO_DAY}#/demo/box/${box}`)
      await on.waitForSelector('[data-place="box"]', { timeout: PATIENCE_MS })
      await settled(on, PATIENCE_MS)
      await on.waitForFunction(() => !document.body.textContent.includes('Sizing …'), {
        polling: 200,
        timeout: PATIENCE_MS,
      })
    }
  }
  await Promise.all([sizing(page), sizing(other)])
  await keepReckoned(page)
} finally {
  await stage.close()
}
