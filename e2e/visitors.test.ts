import { afterAll, beforeAll, expect, test } from '@jest/globals'
import type { Page } from 'puppeteer-core'
import { openStage, settled, type Stage } from './harness.ts'

let stage: Stage
beforeAll(async () => void (stage = await openStage()), 60_000)
afterAll(() => stage.close())

/** All that a browser keeps for the app, by name. */
const kept = (page: Page): Promise<string[]> =>
  page.evaluate(async () => [
    ...(await indexedDB.databases()).map(({ name }) => `database ${name}`),
    ...(await caches.keys()).map(name => `cache ${name}`),
    ...Object.keys(localStorage).map(name => `item ${name}`),
  ])

// the storage of one who has gone is used again: what other tests say of a first visit rests on this
test('who comes after another finds nothing of theirs', async () => {
  const first = await stage.open('/demo/box/cox', { fresh: true })
  await settled(first)
  await first.evaluate(async () => {
    localStorage.setItem('left', 'here')
    await caches.open('left here')
  })
  expect(await kept(first)).toEqual(expect.arrayContaining(['database veld', 'cache left here', 'item left']))
  const context = first.browserContext()
  await first.close()

  // a picture at the app's address: the app itself would write at once
  const second = await stage.open('/', { fresh: true, at: `${stage.address}icon-180.png` })
  // the same rooms, or the test would say nothing
  expect(second.browserContext()).toBe(context)
  expect(await kept(second)).toEqual([])
  await second.close()
}, 60_000)
