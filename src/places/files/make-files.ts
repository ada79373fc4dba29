import { presentActs } from '#journal/in-force.ts'
import type { Act } from '#records/act.ts'
import type { State } from '#journal/state.ts'
import { shownRh } from '#journal/true-readings.ts'
import type { DamagedRecord, JournalStore } from '#store/journal-store.ts'
import { writeBackup } from '#formats/backup/write-backup.ts'
import { writeReadings } from '#formats/readings-csv/write-readings.ts'
import { photosOf } from '#session/photos.ts'
import type { PhotoStore } from '#store/photos.ts'
import { isoDay } from '#ui/dates.ts'

/** A name that sorts by day and says what it is. */
const nameFor = (what: string, nowMs: number, zone: string, ending: string): string =>
  `veld-${what}-${isoDay(nowMs, zone)}.${ending}`

/** The whole journal as one file: what is in force and what was taken back, as it was written. */
export async function backupFile(
  { store, photos }: { readonly store: JournalStore; readonly photos: PhotoStore },
  { kept, damaged }: { readonly kept: readonly Act[]; readonly damaged: readonly DamagedRecord[] },
  nowMs: number,
  zone: string,
): Promise<File> {
  const raw = await store.readRaw()
  const carriers = new Set(kept.filter(act => act.brings).map(act => act.id))
  // a withdrawal of a bringing means nothing where that bringing is not
  const acts = presentActs(kept).filter(act => act.withdraws === undefined || !carriers.has(act.withdraws))
  const raws = acts.map(act => (raw.get(act.id) ?? act) as { id: string; writtenAt: string })
  const bytes = writeBackup(
    raws,
    { journal: store.name, savedAtMs: nowMs },
    await photosOf(photos, acts),
    damaged.map(({ key, raw }) => ({ key, raw })),
  )
  return new File([bytes as BlobPart], nameFor('backup', nowMs, zone, 'zip'), { type: 'application/zip' })
}

export function readingsFile(state: State, nowMs: number, zone: string): File {
  const rows = state.readings.map(reading => ({
    ...reading,
    // what is brought back in is what a display showed
    relativeHumidityPercent: shownRh(reading),
    ...(reading.putRight ? { putRightPercent: reading.relativeHumidityPercent } : {}),
    zone,
    in: reading.place.in,
    placeId: reading.place.in === 'box' ? reading.place.boxId : reading.place.roomId,
    place:
      (reading.place.in === 'box'
        ? state.boxes.get(reading.place.boxId)?.name
        : state.rooms.get(reading.place.roomId)?.name) ?? '',
    hygrometer: state.instruments.get(reading.instrumentId)?.name ?? '',
  }))
  return new File([writeReadings(rows)], nameFor('readings', nowMs, zone, 'csv'), { type: 'text/csv' })
}

export const damagedFile = (damaged: readonly DamagedRecord[], nowMs: number, zone: string): File =>
  new File([JSON.stringify(damaged, null, 2)], nameFor('set-aside', nowMs, zone, 'json'), {
    type: 'application/json',
  })
