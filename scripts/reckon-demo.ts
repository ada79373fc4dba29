// The demonstration's boxes reckoned by the app in a browser, for the browser tests to begin with.
import type { Page } from 'puppeteer-core'
import { openStage, settled } from '../e2e/harness.ts'
import { DEMO_DAY, keepReckoned } from '../e2e/reckoned.ts'

const stage = await openStage()
try {
  const page = await stage.open('/demo', { fresh: true })
  await settled(page)
  // the plan of renewals as well, with how long fresh beads hold
  await page.evaluate(() => (location.hash = '#/demo/renew'))
  await page.waitForSelector('[data-place="renew"][data-standing]', { timeout: 120_000 })
  await settled(page)
  // and every spool
  await page.evaluate(() => (location.hash = '#/demo/spools'))
  await page.waitForSelector('[data-place="spools"]')
  await settled(page)
  // and how many beads the boxes want that the tests look at, one in each of two windows at a time
  const other = await page.browserContext().newPage()
  const boxes = ['launch', 'skeg', 'cox', 'stroke', 'bilge', 'rigger', 'thole']
  const sizing = async (on: Page) => {
    for (let box = boxes.shift(); box !== undefined; box = boxes.shift()) {
      await on.goto(`${stage.address}${DEMO_DAY}#/demo/box/${box}`)
      await on.waitForSelector('[data-place="box"]')
      await settled(on)
      await on.waitForFunction(() => !document.body.textContent.includes('Sizing …'), { polling: 200 })
    }
  }
  await Promise.all([sizing(page), sizing(other)])
  await keepReckoned(page)
} finally {
  await stage.close()
}
