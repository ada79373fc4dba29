// zshot out hash width height [dark] [day]
import { openStage, settled } from '../e2e/harness.ts'
const [out, hash, w = '1280', h = '800', dark = '', day = '2025-11-08', full = ''] = process.argv.slice(2)
const stage = await openStage()
try {
  const page = await stage.open(hash!, {
    search: `?today=${day}`,
    zone: 'UTC',
    width: Number(w),
    height: Number(h),
    dark: dark === 'dark',
  })
  await settled(page)
  await new Promise(r => setTimeout(r, 2500))
  await page.screenshot({ path: out!, fullPage: full === 'full' })
} finally {
  await stage.close()
  process.exit(0)
}
