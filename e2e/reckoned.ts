import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Page } from 'puppeteer-core'
import { root } from '../scripts/set-up.mjs'

/**
 * The demonstration's boxes are reckoned once for all browser tests, by the app itself, and given to each fresh visitor
 * as a second tab would find them. A result of another day, zone or science stands on other facts, so the app reckons
 * anew by itself.
 */
const FILE = join(root, '.tmp/reckoned.json')
const storeOf = (journal: 'demo' | 'own') => `results_${journal}`

/** The day the demonstration is looked at, unless a test says another. */
export const DEMO_DAY = '?today=2026-11-26'
export const DEMO_DAY_MS = Date.parse('2026-11-26T10:00:00Z')

export async function keepReckoned(page: Page): Promise<void> {
  const found = await page.evaluate(
    name =>
      new Promise<[string, unknown][]>((resolve, reject) => {
        const request = indexedDB.open('veld')
        request.onerror = () => reject(new Error('no storage'))
        request.onsuccess = () => {
          const db = request.result
          const list: [string, unknown][] = []
          const cursors = db.transaction(name).objectStore(name).openCursor()
          cursors.onsuccess = () => {
            const cursor = cursors.result
            if (cursor) {
              list.push([cursor.key as string, cursor.value])
              cursor.continue()
            } else {
              db.close()
              resolve(list)
            }
          }
        }
      }),
    storeOf('demo'),
  )
  mkdirSync(join(root, '.tmp'), { recursive: true })
  writeFileSync(FILE, JSON.stringify(found))
}

/** Lays them into the storage of a page that is at the app's address, before the app has opened it. */
export async function giveReckoned(page: Page, journal: 'demo' | 'own'): Promise<void> {
  if (!existsSync(FILE)) return
  const kept = JSON.parse(readFileSync(FILE, 'utf8')) as [string, unknown][]
  await page.evaluate(
    (name, list) =>
      new Promise<void>((resolve, reject) => {
        const request = indexedDB.open('veld', 1)
        request.onupgradeneeded = () => request.result.createObjectStore(name)
        request.onerror = () => reject(new Error('no storage'))
        request.onsuccess = () => {
          const db = request.result
          const transaction = db.transaction(name, 'readwrite')
          for (const [key, value] of list) transaction.objectStore(name).put(value, key)
          transaction.oncomplete = () => {
            db.close()
            resolve()
          }
        }
      }),
    storeOf(journal),
    kept,
  )
}
