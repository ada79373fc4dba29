import { expect, test } from '@jest/globals'
import { inSlices } from './in-slices.ts'

/** Steps of ten milliseconds each. */
function* steps(count: number, taken: { steps: number }): Generator<undefined, string> {
  for (let i = 0; i < count; i++) {
    taken.steps++
    const untilMs = performance.now() + 10
    while (performance.now() < untilMs);
    yield
  }
  return 'all'
}

test('all steps are taken, and what comes in meanwhile is heard before they end', async () => {
  const taken = { steps: 0 }
  let heardAt = 0
  setTimeout(() => (heardAt = taken.steps))
  await expect(inSlices(steps(40, taken), () => false)).resolves.toBe('all')
  expect(taken.steps).toBe(40)
  expect(heardAt).toBeGreaterThan(0)
  expect(heardAt).toBeLessThan(40)
})

test('told to stop, it takes no more steps', async () => {
  const taken = { steps: 0 }
  let isStopped = false
  setTimeout(() => (isStopped = true))
  await expect(inSlices(steps(1000, taken), () => isStopped)).resolves.toBeNull()
  const atTheStop = taken.steps
  expect(atTheStop).toBeLessThan(1000)
  await new Promise(resolve => setTimeout(resolve, 30))
  expect(taken.steps).toBe(atTheStop)
})
