import type { Draft } from '#records/act.ts'
import { preview, type Preview } from '#journal/merge.ts'
import type { State } from '#journal/state.ts'
import type { Act } from '#records/act.ts'
import { carriedInstrument, instrumentFor } from '#journal/instruments.ts'
import { readBackup, type BackupAct } from '#formats/backup/read-backup.ts'
import { JOURNAL } from '#formats/backup/manifest.ts'
import { readReadings } from '#formats/readings-csv/read-readings.ts'

/** What a file holds, judged against what is here; nothing is changed by looking. */
export type Brought =
  | {
      readonly kind: 'backup'
      readonly acts: readonly BackupAct[]
      readonly preview: Preview
      readonly savedAt: string
    }
  | {
      readonly kind: 'readings'
      readonly drafts: readonly Draft[]
      readonly known: number
      readonly ahead: number
    }
  | { readonly kind: 'refused'; readonly where: string; readonly message: string }

const refused = (where: string, message: string): Brought => ({ kind: 'refused', where, message })
const place = (file: string | null, line: number | null): string =>
  [file, line === null ? null : `line ${line}`].filter(item => item !== null).join(', ')

export function bringBackup(bytes: Uint8Array, kept: readonly Act[], nowMs: number, isOwn: boolean): Brought {
  const read = readBackup(bytes)
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
  return { kind: 'backup', acts: read.acts, preview: looked, savedAt: read.manifest.savedAt }
}

const DAY_MS = 86_400_000

/** Readings of a table, each matched to a box or a room of that name; those already here are left out. */
export function bringReadings(text: string, state: State, nowMs: number): Brought {
  const read = readReadings(text)
  if (!read.ok) {
    const { line, column, message } = read.problem
    return refused(column === null ? `line ${line}` : `line ${line}, ${column}`, message)
  }
  const boxes = new Map([...state.boxes.values()].map(box => [box.name, box.boxId]))
  const rooms = new Map([...state.rooms.values()].map(room => [room.name, room.roomId]))
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
    const id = (row.in === 'box' ? boxes : rooms).get(row.place)
    if (id === undefined)
      return refused(
        `line ${row.line}, place`,
        `There is no ${row.in} named ${row.place} here: set it up first, or name it the same.`,
      )
    // the display that showed it, where the table names one that is here: each has its own error
    const named = instruments.find(item => item.name === row.hygrometer)
    const instrumentId = (named ?? (row.in === 'box' ? instrumentFor(state, id) : carried))?.instrumentId
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
