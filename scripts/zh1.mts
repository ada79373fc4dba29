import { openStage, settled } from '../e2e/harness.ts'
const stage = await openStage()
try {
  for (const id of ['cox', 'stroke', 'launch', 'skeg', 'thole', 'ferry']) {
    const page = await stage.open(`/demo/box/${id}`)
    await settled(page)
    console.log(
      id,
      await page.$eval('h1', x => x.textContent),
      '|',
      await page.$eval('[data-part="air-line"]', x => x.textContent!.slice(0, 40)),
    )
    await page.close()
  }
} finally {
  await stage.close()
  process.exit(0)
}
