import * as v from 'valibot'
import { newestVersion, readEntry, type Entry, type EntryProblem } from './entry.ts'
import { idField, instantField } from './fields.ts'

/** One thing a person did: one key, one write, all or nothing. */
export interface Act {
  readonly id: string
  /** 2 where it carries other acts. */
  readonly format: 1 | 2
  /** When it was written down, UTC. */
  readonly writtenAt: string
  /** In plain words, for the undo line. */
  readonly what: string
  readonly entries: readonly Entry[]
  /** The act or the entry this one takes back. With entries of its own it stands in for what it takes back. */
  readonly withdraws?: string
  /** Acts from another journal, brought in as one doing: so that it is one write, and one undo. */
  readonly brings?: readonly Act[]
  /** With `brings`: the acts kept until then, which these stand in for. */
  readonly setsAside?: readonly string[]
}

const MOST_ENTRIES = 5000
/** Acts one bringing may carry; a diligent person writes a few hundred a year. */
export const MOST_BROUGHT = 200_000

const shape = v.strictObject({
  id: idField,
  format: v.picklist([1, 2]),
  writtenAt: instantField,
  what: v.pipe(v.string(), v.maxLength(200)),
  entries: v.pipe(v.array(v.unknown()), v.maxLength(MOST_ENTRIES)),
  withdraws: v.optional(idField),
  brings: v.optional(v.pipe(v.array(v.unknown()), v.maxLength(MOST_BROUGHT))),
  setsAside: v.optional(v.pipe(v.array(idField), v.maxLength(MOST_BROUGHT))),
})

export type ActProblem =
  | EntryProblem
  | { readonly kind: 'not an act'; readonly detail: string }
  | { readonly kind: 'from a newer version'; readonly detail: string }

type Read = { ok: true; act: Act } | { ok: false; problem: ActProblem }

/**
 * Reads one stored act; an act with one bad entry is bad as a whole. Never throws.
 * @param carried one that stands inside another, or in a file: such an act carries none itself
 */
export function readAct(raw: unknown, carried = false): Read {
  if (isNewer(raw))
    return { ok: false, problem: { kind: 'from a newer version', detail: `format ${raw.format}` } }
  const parsed = v.safeParse(shape, raw)
  if (!parsed.success) {
    const issue = parsed.issues[0]
    return notAnAct(`${v.getDotPath(issue) ?? ''}: ${issue.message}`)
  }
  const { entries: rawEntries, brings: rawBrings, withdraws, setsAside, ...rest } = parsed.output
  if ((rawBrings ?? setsAside) !== undefined && (carried || rest.format === 1))
    return notAnAct('an act inside another carries no acts')
  const entries: Entry[] = []
  for (const rawEntry of rawEntries) {
    const read = readEntry(rawEntry)
    if (!read.ok) return read
    entries.push(read.entry)
  }
  const brings: Act[] = []
  for (const rawAct of rawBrings ?? []) {
    const read = readAct(rawAct, true)
    if (!read.ok) return read
    brings.push(read.act)
  }
  return {
    ok: true,
    act: {
      ...rest,
      entries,
      ...(withdraws === undefined ? {} : { withdraws }),
      ...(rawBrings === undefined ? {} : { brings }),
      ...(setsAside === undefined ? {} : { setsAside }),
    },
  }
}

const notAnAct = (detail: string): Read => ({ ok: false, problem: { kind: 'not an act', detail } })
const isNewer = (raw: unknown): raw is { format: number } =>
  typeof raw === 'object' &&
  raw !== null &&
  'format' in raw &&
  typeof raw.format === 'number' &&
  Number.isInteger(raw.format) &&
  raw.format > 2

/** What an act is made with; passed in, so that the same doings give the same act. */
export interface Maker {
  readonly nowMs: () => number
  readonly zone: string
  readonly newId: () => string
}

/** One entry to be written, before it has an id and a time. */
export type Draft = {
  [K in Entry['kind']]: {
    kind: K
    payload: Entry<K>['payload']
    atMs?: number
    atPrecision?: Entry['atPrecision']
    corrects?: string
  }
}[Entry['kind']]

export function makeAct(maker: Maker, what: string, drafts: readonly Draft[], withdraws?: string): Act {
  const writtenAt = new Date(maker.nowMs()).toISOString()
  return {
    id: maker.newId(),
    format: 1,
    writtenAt,
    what: what.slice(0, 200),
    entries: drafts.map(
      draft =>
        ({
          id: maker.newId(),
          kind: draft.kind,
          version: newestVersion(draft.kind),
          at: draft.atMs === undefined ? writtenAt : new Date(draft.atMs).toISOString(),
          zone: maker.zone,
          atPrecision: draft.atPrecision ?? 'minute',
          subjects: subjectsOf(draft.payload),
          ...(draft.corrects === undefined ? {} : { corrects: draft.corrects }),
          payload: draft.payload,
        }) as Entry,
    ),
    ...(withdraws === undefined ? {} : { withdraws }),
  }
}

export const makeWithdrawal = (maker: Maker, act: Pick<Act, 'id' | 'what'>): Act =>
  makeAct(maker, `Took back: ${act.what}`, [], act.id)

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
