import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex } from '@noble/hashes/utils.js'
import { isPhoto, MOST_PHOTOS } from '#records/photo.ts'
import type { JournalName } from './journal-store.ts'
import { openStorage } from './storage.ts'

/** Photos of test pieces, beside the journal: each under what its bytes come to, so that none is kept twice or changed. */
export interface PhotoStore {
  /** Keeps a photo; its id. Rejects when the browser refuses, and with `TooManyPhotos`: nothing is kept then. */
  put(bytes: Uint8Array): Promise<string>
  /** null where there is none, or one that was changed. */
  get(photoId: string): Promise<Uint8Array | null>
  ids(): Promise<readonly string[]>
}

export class TooManyPhotos extends Error {
  constructor() {
    super(`there are ${MOST_PHOTOS} photos, as many as a backup carries`)
    this.name = 'TooManyPhotos'
  }
}

export const photoIdOf = (bytes: Uint8Array): string => bytesToHex(sha256(bytes))
export function openPhotos(journal: JournalName): PhotoStore {
  const forage = openStorage(`photos_${journal}`)
  return {
    async put(bytes) {
      const photoId = photoIdOf(bytes)
      const held = await forage.keys()
      if (held.includes(photoId)) return photoId
      if (held.length >= MOST_PHOTOS) throw new TooManyPhotos()
      await forage.setItem(photoId, bytes)
      return photoId
    },
    async get(photoId) {
      const raw: unknown = await forage.getItem(photoId)
      if (!ArrayBuffer.isView(raw)) return null
      const bytes = new Uint8Array(raw.buffer, raw.byteOffset, raw.byteLength)
      return isPhoto(bytes) && photoIdOf(bytes) === photoId ? bytes : null
    },
    ids: () => forage.keys(),
  }
}

/** For tests. */
export function memoryPhotos(held = new Map<string, Uint8Array>()): PhotoStore {
  return {
    put: async bytes => {
      const photoId = photoIdOf(bytes)
      if (!held.has(photoId) && held.size >= MOST_PHOTOS) throw new TooManyPhotos()
      held.set(photoId, bytes)
      return photoId
    },
    get: async photoId => held.get(photoId) ?? null,
    ids: async () => [...held.keys()],
  }
}
