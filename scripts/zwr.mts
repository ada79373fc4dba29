import { openStage, settled } from '../e2e/harness.ts'
const stage = await openStage()
try {
  const page = await stage.open('/demo/box/cox', { fresh: true })
  await settled(page)
  await page.keyboard.press('l')
  await page.waitForFunction(() => document.activeElement?.closest('[role="dialog"] form'))
  await page.keyboard.type('81')
  await page.keyboard.press('Enter')
  await new Promise(r => setTimeout(r, 1500))
  if (!(await page.$('[data-part="kept"]'))) await page.keyboard.press('Enter')
  await page.waitForSelector('[data-part="kept"]')
  await page.click('::-p-xpath(//*[@role="dialog"]//button[normalize-space(.)="Done"])')
  await new Promise(r => setTimeout(r, 3000))
  await settled(page)
  console.log(await page.$eval('main', x => x.innerText.slice(0, 500)))
  await page.screenshot({ path: '/tmp/w1.png' })
} finally {
  await stage.close()
  process.exit(0)
}
