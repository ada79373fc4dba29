import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex } from '@noble/hashes/utils.js'
import { strToU8, zipSync, type Zippable } from 'fflate'
import {
  FORMAT,
  JOURNAL,
  MANIFEST,
  photoName,
  README,
  UNREADABLE,
  VERSION,
  type Manifest,
} from './manifest.ts'

/** The zip's own clock: a fixed day, so that the same journal gives the same files. */
const FIXED_DAY = new Date(1980, 0, 1, 12)

const ABOUT = `This is a backup of a Veld journal: readings, renewals and moves of dry boxes for 3D-printing filament.

${JOURNAL} holds one act a line, in JSON, in the order they were written. An act is one thing a person did;
its entries say what happened and when (at, in UTC). Units stand in the names. An act with "withdraws" takes another
act or one entry back; an entry with "corrects" stands in for the one it names.
${MANIFEST} holds the SHA-256 of every other file. Photos of test pieces, where there are any, lie in photos/, each named by
its SHA-256, as the entries name them. ${UNREADABLE}, where there is one, holds records that did not read, as they were.

You need no program to read it: any text editor shows it, any spreadsheet or script can take it apart.
`

/** Whatever it is, in one line: it may be no JSON. */
function asText(raw: unknown): string {
  try {
    return JSON.stringify(raw) ?? JSON.stringify(String(raw))
  } catch {
    return JSON.stringify(String(raw))
  }
}

/**
 * Acts as they were written, as one file.
 * @param raws by id, presently in force or taken back; bringings already taken apart
 * @param photos by their ids, as they are
 * @param unreadable records that do not read, as they lie in the browser: they do not come back in, and are not lost
 * @param savedAtMs the only thing that differs from one saving to the next
 */
export function writeBackup(
  raws: readonly { readonly id: string; readonly writtenAt: string }[],
  about: { readonly journal: Manifest['journal']; readonly savedAtMs: number },
  photos: ReadonlyMap<string, Uint8Array> = new Map(),
  unreadable: readonly unknown[] = [],
): Uint8Array {
  const lines = [...raws]
    .sort((a, b) => (a.writtenAt < b.writtenAt ? -1 : a.writtenAt > b.writtenAt ? 1 : a.id < b.id ? -1 : 1))
    .map(raw => `${JSON.stringify(raw)}\n`)
  const files: Record<string, Uint8Array> = {
    [JOURNAL]: strToU8(lines.join('')),
    [README]: strToU8(ABOUT),
    ...(unreadable.length > 0
      ? { [UNREADABLE]: strToU8(unreadable.map(raw => `${asText(raw)}\n`).join('')) }
      : {}),
    ...Object.fromEntries([...photos].map(([photoId, bytes]) => [photoName(photoId), bytes])),
  }
  const manifest: Manifest = {
    format: FORMAT,
    version: VERSION,
    savedAt: new Date(about.savedAtMs).toISOString(),
    journal: about.journal,
    acts: raws.length,
    files: Object.fromEntries(
      Object.entries(files).map(([name, bytes]) => [
        name,
        { sha256: bytesToHex(sha256(bytes)), bytes: bytes.length },
      ]),
    ),
  }
  const all: Zippable = { [MANIFEST]: strToU8(`${JSON.stringify(manifest, null, 2)}\n`), ...files }
  return zipSync(all, { mtime: FIXED_DAY, level: 6 })
}
