// One picture: tsx scripts/shot.ts HASH FILE [WIDTHxHEIGHT] [dark] [full]
import { openStage, problemsOf, settled } from '../e2e/harness.ts'

const [hash = '/demo', file = 'shot.png', size = '1280x800', ...flags] = process.argv.slice(2)
const [width, height] = size.split('x').map(Number)
const stage = await openStage()
const page = await stage.open(hash, { width: width!, height: height!, dark: flags.includes('dark') })
try {
  await settled(page)
  await page.screenshot({
    path: `${file.replace(/\.png$/, '')}.png`,
    fullPage: flags.includes('full'),
  })
} finally {
  console.log(problemsOf(page).join('\n'))
  await stage.close()
}
