// The demonstration's boxes reckoned by the app in a browser, for the browser tests to begin with.
import { openStage, settled } from '../e2e/harness.ts'
import { keepReckoned } from '../e2e/reckoned.ts'

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
  await keepReckoned(page)
} finally {
  await stage.close()
}
