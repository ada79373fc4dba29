import type { Page } from 'puppeteer-core'

/** The way on, on each screen of first use. */
const ON = '[data-place="start"] button[type="submit"]'
export const pressOn = (page: Page): Promise<void> => page.locator(ON).click()

/** First use up to its last press: what the display shows, the outline, what is inside. */
export async function toldFirstBox(page: Page, shown = '31'): Promise<void> {
  await page.waitForSelector('[data-place="start"] input')
  await page.type('[data-place="start"] input', shown)
  await pressOn(page)
  await page.waitForSelector('[data-part="outlines"]')
  await pressOn(page)
  await page.waitForSelector('[data-part="chips"]')
}

/** As much room as the browser shall give this site, bytes; null: as much as it would. */
export async function roomFor(page: Page, bytes: number | null): Promise<void> {
  const client = await page.createCDPSession()
  await client.send('Storage.overrideQuotaForOrigin', {
    origin: new URL(page.url()).origin,
    ...(bytes === null ? {} : { quotaSize: bytes }),
  })
}
