import type { Draft } from '#records/act.ts'
import { preview, type Preview } from '#journal/merge.ts'
import type { State } from '#journal/state.ts'
import type { Act } from '#records/act.ts'
import { carriedInstrument, instrumentFor } from '#journal/instruments.ts'
import type { BackupAct, BackupRead } from '#formats/backup/read-backup.ts'
import { JOURNAL } from '#formats/backup/manifest.ts'
import type { ReadingsRead, ReadRow } from '#formats/readings-csv/read-readings.ts'

/** What a file holds, judged against what is here; nothing is changed by looking. */
export type Brought =
  | {
      readonly kind: 'backup'
      readonly acts: readonly BackupAct[]
      readonly photos: ReadonlyMap<string, Uint8Array>
      readonly preview: Preview
      readonly savedAt: string
      /** Records in it that did not read where it was saved. */
      readonly unreadable: number
    }
  | {
      readonly kind: 'readings'
      readonly drafts: readonly Draft[]
      readonly known: number
      readonly ahead: number
    }
  /** Names in a table that more than one box or room has here. */
  | { readonly kind: 'which'; readonly names: readonly ManyOfAName[] }
  | { readonly kind: 'refused'; readonly where: string; readonly message: string }

export interface ManyOfAName {
  readonly in: 'box' | 'room'
  readonly name: string
  readonly ids: readonly string[]
}
/** Which of those is meant, by `box:its name`. */
export type Meant = Readonly<Record<string, string>>
export const meantKey = (of: Pick<ManyOfAName, 'in' | 'name'>): string => `${of.in}:${of.name}`

const refused = (where: string, message: string): Brought => ({ kind: 'refused', where, message })
const place = (file: string | null, line: number | null): string =>
  [file, line === null ? null : `line ${line}`].filter(item => item !== null).join(', ')

export function bringBackup(read: BackupRead, kept: readonly Act[], nowMs: number, isOwn: boolean): Brought {
  if (!read.ok) return refused(place(read.problem.file, read.problem.line), read.problem.message)
  const looked = preview(
    kept,
    read.acts.map(item => item.act),
    nowMs,
  )
  const lineOf = (id: string) => read.acts.find(item => item.act.id === id)?.line ?? null
  if (isOwn && (read.manifest.journal === 'demo' || looked.demo.length > 0))
    return refused(
      place(JOURNAL, looked.demo[0] === undefined ? null : lineOf(looked.demo[0])),
      'These acts are made up for the demonstration: they do not go into your own journal.',
    )
  const [differing] = looked.differing
  if (differing !== undefined)
    return refused(
      place(JOURNAL, lineOf(differing)),
      'This act is kept here too, and says something else there. One of the two was changed by hand.',
    )
  return {
    kind: 'backup',
    acts: read.acts,
    photos: read.photos,
    preview: looked,
    savedAt: read.manifest.savedAt,
    unreadable: read.unreadable,
  }
}

const DAY_MS = 86_400_000

/** Boxes and rooms that are here, by their names. */
function placesByName(state: State): (row: Pick<ReadRow, 'in' | 'place'>) => readonly string[] {
  const byName = { box: new Map<string, string[]>(), room: new Map<string, string[]>() }
  const note = (of: 'box' | 'room', name: string, id: string) =>
    byName[of].set(name, [...(byName[of].get(name) ?? []), id])
  for (const box of state.boxes.values()) note('box', box.name, box.boxId)
  for (const room of state.rooms.values()) note('room', room.name, room.roomId)
  return row => byName[row.in].get(row.place) ?? []
}

/**
 * Readings of a table, each matched to the box or the room it names by its id, else to the one of that name; those already
 * here are left out. Where two have the name it is asked which.
 */
export function bringReadings(read: ReadingsRead, state: State, nowMs: number, meant: Meant = {}): Brought {
  if (!read.ok) {
    const { line, column, message } = read.problem
    return refused(column === null ? `line ${line}` : `line ${line}, ${column}`, message)
  }
  const named = placesByName(state)
  const idOf = (row: ReadRow): string | readonly string[] | undefined => {
    if ((row.in === 'box' ? state.boxes : state.rooms).has(row.placeId)) return row.placeId
    const ids = named(row)
    const chosen = Object.hasOwn(meant, meantKey({ in: row.in, name: row.place }))
      ? meant[meantKey({ in: row.in, name: row.place })]
      : undefined
    if (chosen !== undefined && ids.includes(chosen)) return chosen
    return ids.length > 1 ? ids : ids[0]
  }
  const asked = new Map<string, ManyOfAName>()
  const carried = carriedInstrument(state)
  const instruments = [...state.instruments.values()]
  const here = new Set(
    state.readings.map(
      item => `${item.place.in === 'box' ? item.place.boxId : item.place.roomId}@${item.atMs}`,
    ),
  )
  const drafts: Draft[] = []
  let known = 0
  for (const row of read.rows) {
    const id = idOf(row)
    if (typeof id === 'object') {
      const one = { in: row.in, name: row.place, ids: id }
      asked.set(meantKey(one), one)
      continue
    }
    if (id === undefined)
      return refused(
        `line ${row.line}, place`,
        `There is no ${row.in} named ${row.place} here: set it up first, or name it the same.`,
      )
    // the display that showed it, where the table names one that is here: each has its own error
    const shownBy = instruments.find(item => item.name === row.hygrometer)
    const instrumentId = (shownBy ?? (row.in === 'box' ? instrumentFor(state, id) : carried))?.instrumentId
    if (instrumentId === undefined)
      return refused(`line ${row.line}`, 'There is no hygrometer here yet: set up a box first.')
    if (here.has(`${id}@${row.atMs}`)) {
      known += 1
      continue
    }
    here.add(`${id}@${row.atMs}`)
    drafts.push({
      kind: 'reading.taken',
      atMs: row.atMs,
      payload: {
        place: row.in === 'box' ? { in: 'box', boxId: id } : { in: 'room', roomId: id },
        instrumentId,
        relativeHumidityPercent: row.relativeHumidityPercent,
        temperatureC: row.temperatureC,
        temperatureKnown: row.temperatureKnown,
      },
    })
  }
  if (asked.size > 0) return { kind: 'which', names: [...asked.values()] }
  return {
    kind: 'readings',
    drafts,
    known,
    ahead: drafts.filter(draft => (draft.atMs ?? 0) > nowMs + DAY_MS).length,
  }
}

/** "24 readings, 2 renewals, 1 move": what is new, in words. */
export function newInWords({ counts, withdrawals }: Preview): string {
  const sum = (...kinds: readonly string[]) =>
    [...counts]
      .filter(([kind]) => kinds.some(item => kind === item || kind.endsWith(item)))
      .reduce((total, [, n]) => total + n, 0)
  const readings = sum('reading.taken')
  const renewals = sum('charge.heated', 'charge.replaced')
  const moves = sum('.moved')
  const all = [...counts.values()].reduce((total, n) => total + n, 0)
  const plural = (n: number, one: string, many: string) =>
    n === 0 ? [] : [`${n.toLocaleString('en-GB')} ${n === 1 ? one : many}`]
  const parts = [
    ...plural(readings, 'reading', 'readings'),
    ...plural(renewals, 'renewal', 'renewals'),
    ...plural(moves, 'move', 'moves'),
    ...plural(all - readings - renewals - moves, 'other entry', 'other entries'),
    ...plural(withdrawals, 'act taken back', 'acts taken back'),
  ]
  if (parts.length === 0) return 'nothing'
  return parts.length === 1 ? parts[0]! : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}`
}
