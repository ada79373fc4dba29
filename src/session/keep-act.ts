import { isTakenBack } from '#journal/in-force.ts'
import { writtenAfter } from '#journal/written-at.ts'
import { readAct, type Act } from '#records/act.ts'
import type { JournalStore } from '#store/journal-store.ts'

/** What Veld itself does not write, whatever room there is: nothing is written, and the message says what to do. */
export class NotKept extends Error {}

/** An act that could not be read back. */
class UnreadableAct extends NotKept {
  constructor(detail: string) {
    super(`it would not read back (${detail}); check what is typed`)
    this.name = 'UnreadableAct'
  }
}

/** What an act takes back, or puts right, was taken back meanwhile; the page knows it now. */
class TakenBackMeanwhile extends NotKept {
  constructor(act: Act) {
    super(
      act.entries.length === 0
        ? 'another tab took it back already'
        : 'what it puts right was taken back in another tab; bring that back under Entered first',
    )
    this.name = 'TakenBackMeanwhile'
  }
}

/** What one page knows of its journal, and how it hears of an act. */
export interface Page {
  readonly store: Pick<JournalStore, 'name' | 'append' | 'looseIds' | 'readOne' | 'count'>
  readonly kept: () => readonly Act[]
  readonly hear: (act: Act, isEmptied?: boolean) => void
  /** Done while no other page does the same. */
  readonly alone: <T>(work: () => Promise<T>) => Promise<T>
}

/**
 * Keeps one act and shows it. Where the browser refuses, nothing is written and the caller still has it.
 * @param asWritten its bytes as another version wrote them
 * @throws NotKept, and what the browser refuses with: nothing is written then
 */
export async function keepAct(page: Page, given: Act, asWritten?: object): Promise<Act> {
  const leaning = leansOn(given)
  if (leaning.length === 0) return write(page, given, asWritten)
  // two tabs at once would take one thing back twice, and the second word would stay when the first is undone
  return page.alone(async () => {
    await catchUp(page)
    if (leaning.some(id => isTakenBack(page.kept(), id))) throw new TakenBackMeanwhile(given)
    return write(page, given, asWritten)
  })
}

/** What an act stands or falls with: what it takes back and puts nothing in place of, what it puts right. */
const leansOn = (act: Act): readonly string[] => [
  ...(act.withdraws !== undefined && act.entries.length === 0 ? [act.withdraws] : []),
  ...act.entries.flatMap(entry => entry.corrects ?? []),
]

/** Acts other tabs wrote and this one has not heard of yet. */
async function catchUp({ store, kept, hear }: Page): Promise<void> {
  const known = new Set(kept().map(act => act.id))
  for (const id of await store.looseIds()) {
    if (known.has(id)) continue
    const act = await store.readOne(id)
    if (act) hear(act)
  }
}

async function write({ store, kept, hear }: Page, given: Act, givenRaw?: object): Promise<Act> {
  const before = kept()
  const act = writtenAfter(given, before)
  const asWritten = givenRaw === undefined ? undefined : { ...givenRaw, writtenAt: act.writtenAt }
  // what would not read back after a reload is not written; what it brings was read when the file was
  const { brings, ...own } = act
  const read = readAct(brings ? { ...own, brings: [] } : own)
  if (!read.ok) throw new UnreadableAct(read.problem.detail)
  await store.append(act, asWritten)
  // what was there before it is one record at the least
  hear(act, store.name === 'own' && before.length > 0 && (await store.count()) < 2)
  return act
}
