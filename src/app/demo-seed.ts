import type { Maker } from '#records/act.ts'
import type { JournalStore } from '#store/journal-store.ts'
import { withLock } from '#store/lock.ts'
import { readDemoDay, writeDemoDay } from '#store/demo-day.ts'

const MINUTE_MS = 60_000

/** Fills the demonstration's journal with the loft as of today; a new day makes it afresh. The mark is written last. */
export const seedDemo = (store: JournalStore, maker: Maker): Promise<true> =>
  // two tabs opened at once would clear each other's half
  withLock('demo seed', () => seed(store, maker))

async function seed(store: JournalStore, maker: Maker): Promise<true> {
  const day = new Date(maker.nowMs()).toISOString().slice(0, 10)
  if ((await readDemoDay()) === day) return true
  const { boathouseLoft } = await import('#demo/loft.ts')
  await store.clear()
  // to the minute: opened twice on the same day, the loft is the same, and so is what is worked out for it
  const nowMs = Math.floor(maker.nowMs() / MINUTE_MS) * MINUTE_MS
  for (const act of boathouseLoft(nowMs, maker.zone)) await store.append(act)
  await writeDemoDay(day)
  return true
}
