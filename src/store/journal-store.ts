import localforage from 'localforage'
import { readAct, type Act, type ActProblem } from '#records/act.ts'

/** A person's own journal, and the demonstration's: never in one place. */
export type JournalName = 'own' | 'demo'

export interface DamagedRecord {
  readonly key: string
  readonly problem: ActProblem
}

export interface JournalStore {
  readonly name: JournalName
  /** Every act that reads; what does not is counted and kept where it is. */
  readAll(): Promise<{ acts: Act[]; damaged: DamagedRecord[] }>
  /** One act, one key, one write. Rejects when the browser refuses it (full, for one): nothing is written then. */
  append(act: Act): Promise<void>
  clear(): Promise<void>
  /** Which storage the browser gave; anything but IndexedDB is weaker. */
  driver(): string
}

export function openJournal(name: JournalName): JournalStore {
  const forage = localforage.createInstance({
    name: 'veld',
    storeName: `journal_${name}`,
    driver: [localforage.INDEXEDDB, localforage.LOCALSTORAGE],
  })
  return {
    name,
    async readAll() {
      const acts: Act[] = []
      const damaged: DamagedRecord[] = []
      await forage.iterate((raw: unknown, key) => {
        const read = readAct(raw)
        if (read.ok) acts.push(read.act)
        else damaged.push({ key, problem: read.problem })
      })
      return { acts, damaged }
    },
    async append(act) {
      await forage.setItem(act.id, act)
    },
    async clear() {
      await forage.clear()
    },
    driver: () => forage.driver(),
  }
}
