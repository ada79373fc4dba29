// The demonstration's boxes reckoned by the app in a browser, for the browser tests to begin with.
import { openStage, settled } from '../e2e/harness.ts'
import { keepReckoned } from '../e2e/reckoned.ts'

const stage = await openStage()
try {
  const page = await stage.open('/demo', { fresh: true })
  await settled(page)
  await keepReckoned(page)
} finally {
  await stage.close()
}
