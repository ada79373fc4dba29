import type { JournalStore } from '#store/journal-store.ts'
import { journalViewOf } from './journal-view.ts'

/** What is kept, as a page shows it. Months put together are trusted, unless they can't be folded: then all is read anew. */
export async function readView(store: Pick<JournalStore, 'readAll'>, nowMs: number) {
  const read = await store.readAll()
  try {
    return { ...read, view: journalViewOf(read.acts, read.damaged, nowMs) }
  } catch {
    const { acts, damaged } = await store.readAll(true)
    return { acts, damaged, view: journalViewOf(acts, damaged, nowMs) }
  }
}
