import { readAct, type Act, type ActProblem } from '#records/act.ts'
import { announcer } from './announcer.ts'
import { actsOf, idInside, isPack, PACK_KEY, packsOf, type Loose, type Pack } from './packs.ts'
import { openStorage } from './storage.ts'

/** A person's own journal, and the demonstration's: never in one place. */
export type JournalName = 'own' | 'demo'

/** A record that does not read: it is left where it is, counted, and can be taken out as it stands. */
export interface DamagedRecord {
  readonly key: string
  readonly problem: ActProblem
  readonly raw: unknown
}

export interface JournalStore {
  readonly name: JournalName
  /**
   * Every act that reads, and every record that does not.
   * @param isCheckedAnew packs too, which were checked when they were packed: one of them may have been changed since
   */
  readAll(isCheckedAnew?: boolean): Promise<{ acts: Act[]; damaged: DamagedRecord[] }>
  /** One act; null where there is none that reads. */
  readOne(id: string): Promise<Act | null>
  /** Acts as they were written, by id, those that bringings carry too. */
  readRaw(): Promise<Map<string, unknown>>
  /**
   * One act, one key, one write. Rejects when the browser refuses it (full, for one): nothing is written then.
   * @param asWritten its bytes as another version wrote them, where these are not what it reads as today
   */
  append(act: Act, asWritten?: unknown): Promise<void>
  /** Takes records away for good; only ever what a replacement set aside long enough ago. */
  remove(ids: readonly string[]): Promise<void>
  /** Puts acts written before a month (as 2027-02) together, a record a month, so that a long journal opens at once. */
  pack(beforeMonth: string): Promise<void>
  clear(): Promise<void>
  /** Another tab wrote: the id of the act, or null for more than one. Returns how to stop listening. */
  onChange(listener: (id: string | null) => void): () => void
  /** Ids of acts that have a record of their own: this month's. */
  looseIds(): Promise<readonly string[]>
  /** How many records there are, of one act or of a month. */
  count(): Promise<number>
}

/**
 * Acts of a store's records, by key: whatever the records are, those that read come out, each once.
 * @param isCheckedAnew packs too
 */
export function readRecords(
  records: Iterable<readonly [key: string, raw: unknown]>,
  isCheckedAnew = false,
): {
  acts: Act[]
  damaged: DamagedRecord[]
} {
  const acts: Act[] = []
  const damaged: DamagedRecord[] = []
  const packed = new Map<string, Act>()
  const alone = new Set<string>()
  for (const [key, raw] of records) {
    if (PACK_KEY.test(key) && isPack(raw)) {
      const inside = actsOf(raw, isCheckedAnew)
      for (const act of inside.acts) packed.set(act.id, act)
      for (const unreadable of inside.unreadable)
        damaged.push({ key, raw: unreadable, problem: { kind: 'not an act', detail: 'in a pack' } })
      continue
    }
    const read = readAct(raw)
    // an act under another's key would be written over by that one's next copy
    if (read.ok && read.act.id === key) {
      acts.push(read.act)
      alone.add(key)
    } else
      damaged.push({
        key,
        raw,
        problem: read.ok ? { kind: 'not an act', detail: 'its key is not its id' } : read.problem,
      })
  }
  // a page that died between packing and clearing leaves both
  return { acts: [...[...packed.values()].filter(act => !alone.has(act.id)), ...acts], damaged }
}

export function openJournal(name: JournalName): JournalStore {
  const forage = openStorage(`journal_${name}`)
  const others = announcer(`veld journal ${name}`)
  return {
    name,
    async readAll(isCheckedAnew = false) {
      const records: [string, unknown][] = []
      await forage.iterate((raw: unknown, key) => void records.push([key, raw]))
      return readRecords(records, isCheckedAnew)
    },
    async readOne(id) {
      const read = readAct(await forage.getItem(id))
      return read.ok ? read.act : null
    },
    async readRaw() {
      const all = new Map<string, unknown>()
      await forage.iterate((raw: unknown, key) => {
        if (PACK_KEY.test(key) && isPack(raw)) {
          for (const inner of raw.acts) {
            const id = idInside(inner)
            if (id !== null && !all.has(id)) all.set(id, inner)
          }
          return
        }
        const read = readAct(raw)
        if (!read.ok) return
        if (read.act.brings)
          for (const inner of (raw as { brings: { id: string }[] }).brings) all.set(inner.id, inner)
        else all.set(key, raw)
      })
      return all
    },
    async pack(beforeMonth) {
      const loose: Loose[] = []
      await forage.iterate((raw: unknown, key) => {
        const read = PACK_KEY.test(key) ? null : readAct(raw)
        if (read?.ok && read.act.id === key) loose.push({ key, raw, act: read.act })
      })
      for (const { key, pack, standsFor } of packsOf(loose, beforeMonth)) {
        // first there twice, then once: never not at all
        await forage.setItem(key, pack)
        for (const one of standsFor) await forage.removeItem(one)
      }
    },
    async append(act, asWritten) {
      await forage.setItem(act.id, asWritten ?? act)
      others.tell(act.id)
    },
    async remove(ids) {
      for (const id of ids) await forage.removeItem(id)
      const gone = new Set(ids)
      const thinned: [string, Pack][] = []
      await forage.iterate((raw: unknown, key) => {
        if (!PACK_KEY.test(key) || !isPack(raw)) return
        const acts = raw.acts.filter(inner => !gone.has(idInside(inner) ?? ''))
        if (acts.length < raw.acts.length) thinned.push([key, { ...raw, acts }])
      })
      for (const [key, pack] of thinned) await forage.setItem(key, pack)
      others.tell(null)
    },
    async clear() {
      await forage.clear()
      others.tell(null)
    },
    onChange: others.listen,
    count: () => forage.length(),
    looseIds: async () => (await forage.keys()).filter(key => !PACK_KEY.test(key)),
  }
}
