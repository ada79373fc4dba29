import { queryOptions } from '@tanstack/react-query'
import type { Act } from '#records/act.ts'
import type { PhotoStore } from '#store/photos.ts'
import type { JournalTools } from './journal-context.tsx'

/** One photo's bytes; null where it is not here. */
export const photoQuery = ({ photos, store }: JournalTools, photoId: string) =>
  queryOptions({
    queryKey: ['photo', store.name, photoId],
    networkMode: 'always',
    retry: false,
    staleTime: Infinity,
    queryFn: () => photos.get(photoId),
  })

/** Every photo that an act speaks of and that is here: those taken back too, since a backup can undo. */
export async function photosOf(photos: PhotoStore, acts: readonly Act[]): Promise<Map<string, Uint8Array>> {
  const wanted = new Set(
    acts.flatMap(act =>
      act.entries.flatMap(entry =>
        entry.kind === 'spool.piece' ? entry.payload.photos.map(photo => photo.photoId) : [],
      ),
    ),
  )
  const found = new Map<string, Uint8Array>()
  for (const photoId of [...wanted].sort()) {
    const bytes = await photos.get(photoId)
    if (bytes) found.set(photoId, bytes)
  }
  return found
}
