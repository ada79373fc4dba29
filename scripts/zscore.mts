import { openStage, settled } from '../e2e/harness.ts'
const stage = await openStage()
try {
  const page = await stage.open('/demo/almanac/score', { search: '?today=2025-11-08', zone: 'UTC' })
  const t = Date.now()
  for (let i = 0; i < 90; i++) {
    await new Promise(r => setTimeout(r, 1000))
    const h = await page.$eval('h1', x => x.textContent).catch(() => '')
    if (i % 10 === 0) console.log(Date.now() - t, h)
    if (h && !/Reckoning|^$/.test(h)) {
      console.log(Date.now() - t, h)
      break
    }
  }
  await page.screenshot({ path: '/tmp/s1.png' })
  const p2 = await stage.open('/demo/box/rigger', { search: '?today=2025-11-08', zone: 'UTC' })
  await settled(p2)
  await new Promise(r => setTimeout(r, 1500))
  console.log(await p2.$eval('[data-part="score-line"]', x => x.textContent))
} finally {
  await stage.close()
  process.exit(0)
}
