import localforage from 'localforage'

/** One store of this browser, by key; what localForage gives of it. */
export interface KeyedStorage {
  getItem(key: string): Promise<unknown>
  setItem(key: string, value: unknown): Promise<unknown>
  removeItem(key: string): Promise<void>
  clear(): Promise<void>
  keys(): Promise<string[]>
  length(): Promise<number>
  /** @param each must give nothing back: localForage would stop there */
  iterate(each: (value: unknown, key: string) => void): Promise<void>
}

/** The browser gives no storage, or does not answer in time: nothing is read and nothing written elsewhere instead. */
export class NoStorage extends Error {
  readonly why: 'refused' | 'silent'
  constructor(why: NoStorage['why']) {
    super(why === 'refused' ? 'the browser gives no storage' : 'the browser’s storage does not answer')
    this.name = 'NoStorage'
    this.why = why
  }
}

/** Every store there is. All are made together, at the first use: one more means closing the database under every open page. */
const STORES = [
  'preferences',
  'keeping',
  'demo_day',
  'journal_own',
  'results_own',
  'photos_own',
  'journal_demo',
  'results_demo',
  'photos_demo',
] as const
type StoreName = (typeof STORES)[number]

const ANSWERS_WITHIN_MS = 5000
const memories = new Map<StoreName, Map<string, unknown>>()
let isInMemory = false

/** From now on this page keeps everything in its memory, until it is closed: only ever because a person said so. */
export const goOnInMemory = (): void => {
  isInMemory = true
}
/** Whether what is written outlasts the page. */
export const outlastsThePage = (): boolean => !isInMemory

/** IndexedDB or nothing: a second, smaller place would be out of sight at the next visit. */
export function openStorage(name: StoreName): KeyedStorage {
  const kept = async (): Promise<KeyedStorage> =>
    isInMemory ? memoryOf(name) : (await inTime(opened())).get(name)!
  return {
    getItem: async key => (await kept()).getItem(key),
    setItem: async (key, value) => (await kept()).setItem(key, value),
    removeItem: async key => (await kept()).removeItem(key),
    clear: async () => (await kept()).clear(),
    keys: async () => (await kept()).keys(),
    length: async () => (await kept()).length(),
    iterate: async each => (await kept()).iterate(each),
  }
}

type Stores = ReadonlyMap<StoreName, LocalForage>
let stores: Promise<Stores> | null = null

/** What was refused is asked for anew the next time. */
const opened = (): Promise<Stores> =>
  (stores ??= openAll().catch(() => {
    stores = null
    throw new NoStorage('refused')
  }))

async function openAll(): Promise<Stores> {
  const all = new Map<StoreName, LocalForage>()
  for (const storeName of STORES) {
    const store = localforage.createInstance({ name: 'veld', storeName, driver: localforage.INDEXEDDB })
    await store.ready()
    all.set(storeName, store)
  }
  return all
}

let wasSilent = false

/** One that did not answer is not waited for again as long. */
function inTime(asked: Promise<Stores>): Promise<Stores> {
  return new Promise((resolve, reject) => {
    const silent = setTimeout(
      () => {
        wasSilent = true
        reject(new NoStorage('silent'))
      },
      wasSilent ? ANSWERS_WITHIN_MS / 10 : ANSWERS_WITHIN_MS,
    )
    asked
      .finally(() => clearTimeout(silent))
      .then(all => {
        wasSilent = false
        resolve(all)
      }, reject)
  })
}

function memoryOf(name: StoreName): KeyedStorage {
  const held = memories.get(name) ?? new Map<string, unknown>()
  memories.set(name, held)
  return {
    getItem: async key => held.get(key) ?? null,
    // copied, as a browser's storage does
    setItem: async (key, value) => void held.set(key, structuredClone(value)),
    removeItem: async key => void held.delete(key),
    clear: async () => held.clear(),
    keys: async () => [...held.keys()],
    length: async () => held.size,
    iterate: async each => held.forEach((value, key) => each(value, key)),
  }
}
