import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Page } from 'puppeteer-core'
import { root } from '../scripts/set-up.mjs'
import type { Act } from '../src/records/act.ts'

/**
 * The demonstration is made and its boxes are reckoned once for all browser tests, by the app itself, and given to each fresh
 * visitor as a second tab would find them. On another day the app makes it anew; a result of another day, zone or science stands
 * on other facts, so the app reckons anew by itself.
 */
export const RECKONED = join(root, '.tmp/reckoned.json')
/** Of a store of results its keys with their values. */
export type Results = readonly (readonly [string, { readonly standsOn: string; readonly value: unknown }])[]
/** What lies in the browser's storage: by store, its keys with their values. */
type Kept = Readonly<Record<string, readonly (readonly [string, unknown])[]>> & {
  readonly results_demo: Results
}

/** The day the demonstration is looked at, unless a test says another. */
export const DEMO_DAY = '?today=2026-11-26'
export const DEMO_DAY_MS = Date.parse('2026-11-26T10:00:00Z')

/** The demonstration as it was made, and what the app has worked out for it. */
export async function readKept(page: Page): Promise<Kept> {
  const found = await page.evaluate(
    names =>
      new Promise<Record<string, [string, unknown][]>>((resolve, reject) => {
        const request = indexedDB.open('veld')
        request.onerror = () => reject(new Error('no storage'))
        request.onsuccess = () => {
          const db = request.result
          const transaction = db.transaction(names)
          const lists: Record<string, [string, unknown][]> = {}
          for (const name of names) {
            const list: [string, unknown][] = (lists[name] = [])
            transaction.objectStore(name).openCursor().onsuccess = event => {
              const cursor = (event.target as IDBRequest<IDBCursorWithValue | null>).result
              if (!cursor) return
              list.push([cursor.key as string, cursor.value])
              cursor.continue()
            }
          }
          transaction.oncomplete = () => {
            db.close()
            resolve(lists)
          }
        }
      }),
    ['results_demo', 'journal_demo', 'demo_day'],
  )
  // as it was made: what the app has noted since is the visitor's
  const made = found['journal_demo']!.filter(([id]) => MADE.test(id))
  return { ...found, results_demo: found['results_demo'] as unknown as Results, journal_demo: made }
}
const MADE = /^demo-\d+$/

export function writeReckoned(kept: Kept): void {
  mkdirSync(join(root, '.tmp'), { recursive: true })
  writeFileSync(RECKONED, JSON.stringify(kept))
}

/** @returns nothing where it was not made: the app makes it itself */
function reckoned(): Partial<Kept> {
  return existsSync(RECKONED) ? (JSON.parse(readFileSync(RECKONED, 'utf8')) as Kept) : {}
}

/**
 * Lays the demonstration into the storage of a page that is at the app's address, before the app has opened it.
 * @param isHere whether it is looked at where it was made: it holds the time of day there
 */
export async function giveDemo(page: Page, isHere: boolean): Promise<void> {
  const { results_demo: results = [], ...journal } = reckoned()
  await lay(page, { results_demo: results, ...(isHere ? journal : {}) })
}

/** The same for an own journal that holds these acts, with the results of the same boxes. */
export async function giveOwn(page: Page, acts: readonly Act[], withResults: boolean): Promise<void> {
  await lay(page, {
    ...(withResults ? { results_own: reckoned().results_demo ?? [] } : {}),
    journal_own: acts.map(act => [act.id, act] as const),
  })
}

const lay = (page: Page, stores: Readonly<Record<string, readonly (readonly [string, unknown])[]>>) =>
  page.evaluate(
    lists =>
      new Promise<void>((resolve, reject) => {
        const names = Object.keys(lists)
        const request = indexedDB.open('veld', 1)
        request.onupgradeneeded = () => {
          for (const name of names) request.result.createObjectStore(name)
        }
        request.onerror = () => reject(new Error('no storage'))
        request.onsuccess = () => {
          const db = request.result
          const transaction = db.transaction(names, 'readwrite')
          for (const [name, list] of Object.entries(lists))
            for (const [key, value] of list) transaction.objectStore(name).put(value, key)
          transaction.oncomplete = () => {
            db.close()
            resolve()
          }
        }
      }),
    stores,
  )
