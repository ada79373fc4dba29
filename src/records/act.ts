import * as v from 'valibot'
import { readEntry, type Entry, type EntryProblem } from './entry.ts'
import { idField, instantField } from './fields.ts'

/** One thing a person did: one key, one write, all or nothing. */
export interface Act {
  readonly id: string
  readonly format: 1
  /** When it was written down, UTC. */
  readonly writtenAt: string
  /** In plain words, for the undo line. */
  readonly what: string
  readonly entries: readonly Entry[]
  /** The act this one takes back. */
  readonly withdraws?: string
}

const shape = v.strictObject({
  id: idField,
  format: v.literal(1),
  writtenAt: instantField,
  what: v.pipe(v.string(), v.maxLength(200)),
  entries: v.pipe(v.array(v.unknown()), v.maxLength(5000)),
  withdraws: v.optional(idField),
})

export type ActProblem = EntryProblem | { readonly kind: 'not an act'; readonly detail: string }

/** Reads one stored act; an act with one bad entry is bad as a whole. Never throws. */
export function readAct(raw: unknown): { ok: true; act: Act } | { ok: false; problem: ActProblem } {
  const parsed = v.safeParse(shape, raw)
  if (!parsed.success) {
    const issue = parsed.issues[0]
    return {
      ok: false,
      problem: { kind: 'not an act', detail: `${v.getDotPath(issue) ?? ''}: ${issue.message}` },
    }
  }
  const entries: Entry[] = []
  for (const rawEntry of parsed.output.entries) {
    const read = readEntry(rawEntry)
    if (!read.ok) return read
    entries.push(read.entry)
  }
  const { withdraws, ...rest } = parsed.output
  return { ok: true, act: { ...rest, entries, ...(withdraws === undefined ? {} : { withdraws }) } }
}

/** What an act is made with; passed in, so that the same doings give the same act. */
export interface Maker {
  readonly nowMs: () => number
  readonly zone: string
  readonly newId: () => string
}

/** One entry to be written, before it has an id and a time. */
export type Draft = {
  [K in Entry['kind']]: { kind: K; payload: Entry<K>['payload']; atMs?: number; corrects?: string }
}[Entry['kind']]

export function makeAct(maker: Maker, what: string, drafts: readonly Draft[]): Act {
  const writtenAt = new Date(maker.nowMs()).toISOString()
  return {
    id: maker.newId(),
    format: 1,
    writtenAt,
    what,
    entries: drafts.map(
      draft =>
        ({
          id: maker.newId(),
          kind: draft.kind,
          version: 1,
          at: draft.atMs === undefined ? writtenAt : new Date(draft.atMs).toISOString(),
          zone: maker.zone,
          atPrecision: 'minute',
          subjects: subjectsOf(draft.payload),
          ...(draft.corrects === undefined ? {} : { corrects: draft.corrects }),
          payload: draft.payload,
        }) as Entry,
    ),
  }
}

export const makeWithdrawal = (maker: Maker, act: Act): Act => ({
  id: maker.newId(),
  format: 1,
  writtenAt: new Date(maker.nowMs()).toISOString(),
  what: `Took back: ${act.what}`.slice(0, 200),
  entries: [],
  withdraws: act.id,
})

/** Every id a payload names, at any depth. */
function subjectsOf(payload: object): string[] {
  const found = new Set<string>()
  for (const [key, value] of Object.entries(payload)) {
    if (/Id$/.test(key) && typeof value === 'string') found.add(value)
    else if (typeof value === 'object' && value !== null && !Array.isArray(value))
      for (const id of subjectsOf(value)) found.add(id)
  }
  return [...found]
}
