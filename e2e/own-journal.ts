import { writeFileSync } from 'node:fs'
import type { Page } from 'puppeteer-core'
import { boathouseLoft } from '../src/testing/loft-once.ts'
import { readAct, type Act } from '../src/records/act.ts'
import { fold } from '../src/journal/fold.ts'
import type { State } from '../src/journal/state.ts'
import { writeBackup } from '../src/formats/backup/write-backup.ts'

/** The made-up loft as if a person had entered it: for tests that need an own journal with something in it. */
export function ownActs(nowMs: number): Act[] {
  const text = JSON.stringify(boathouseLoft(nowMs, 'UTC')).replaceAll('"demo-', '"own-')
  return JSON.parse(text) as Act[]
}

/** Writes acts straight into the browser's storage, as the app keeps them: one key each. */
export async function fill(page: Page, acts: readonly Act[], journal = 'own'): Promise<void> {
  await inStore(page, 'readwrite', acts, false, journal)
}

/** The same in place of whatever is there. */
export async function refill(page: Page, acts: readonly Act[]): Promise<void> {
  await inStore(page, 'readwrite', acts, true)
}

/** Every record as it lies in the browser's storage, by key. */
export const records = (page: Page, journal = 'own'): Promise<Record<string, unknown>> =>
  inStore(page, 'readonly', [], false, journal)

const inStore = (
  page: Page,
  mode: IDBTransactionMode,
  acts: readonly unknown[],
  afresh = false,
  journal = 'own',
) =>
  page.evaluate(
    (how, list, empty, name) =>
      new Promise<Record<string, unknown>>((resolve, reject) => {
        const request = indexedDB.open('veld')
        request.onerror = () => reject(new Error('no storage'))
        request.onsuccess = () => {
          const db = request.result
          const transaction = db.transaction(name, how)
          const store = transaction.objectStore(name)
          if (empty) store.clear()
          for (const act of list as { id: string }[]) store.put(act, act.id)
          const found: Record<string, unknown> = {}
          // what is only written is not read back: a long journal would be, at every part of it
          if (how === 'readonly')
            store.openCursor().onsuccess = event => {
              const cursor = (event.target as IDBRequest<IDBCursorWithValue | null>).result
              if (!cursor) return
              found[cursor.key as string] = cursor.value
              cursor.continue()
            }
          transaction.oncomplete = () => {
            db.close()
            resolve(found)
          }
          transaction.onerror = () => reject(new Error(String(transaction.error)))
        }
      }),
    mode,
    acts as never,
    afresh,
    `journal_${journal}`,
  )

/** What the records say together; throws where one of them does not read. */
export function stateOf(found: Readonly<Record<string, unknown>>): { acts: Act[]; state: State } {
  const acts = Object.values(found).map(raw => {
    const read = readAct(raw)
    if (!read.ok) throw new Error(`${read.problem.kind}: ${read.problem.detail}`)
    return read.act
  })
  return { acts, state: fold(acts) }
}

export function saveBackup(
  path: string,
  acts: readonly Act[],
  nowMs: number,
  journal: 'own' | 'demo' = 'own',
): void {
  writeFileSync(path, writeBackup(acts, { journal, savedAtMs: nowMs }))
}
