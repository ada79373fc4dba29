import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex } from '@noble/hashes/utils.js'
import { strFromU8 } from 'fflate'
import * as v from 'valibot'
import { MOST_BROUGHT, readAct, type Act } from '#records/act.ts'
import { isPhoto } from '#records/photo.ts'
import { unpack } from './unpack.ts'
import {
  FORMAT,
  JOURNAL,
  MANIFEST,
  manifestSchema,
  PHOTO,
  UNREADABLE,
  VERSION,
  type Manifest,
} from './manifest.ts'

/** An act of a backup, as it was written and as it reads today. */
export interface BackupAct {
  readonly act: Act
  readonly raw: Readonly<Record<string, unknown>>
  readonly line: number
}

/** Why a backup is refused whole: which file, which line, what to do. */
export interface BackupProblem {
  readonly kind:
    | 'not a zip'
    | 'not ours'
    | 'newer'
    | 'too large'
    | 'path outside'
    | 'file missing'
    | 'file added'
    | 'changed'
    | 'bad line'
    | 'twice'
  readonly file: string | null
  readonly line: number | null
  readonly message: string
}

export type BackupRead =
  | {
      readonly ok: true
      readonly manifest: Manifest
      readonly acts: readonly BackupAct[]
      readonly photos: ReadonlyMap<string, Uint8Array>
      /** Records that did not read where it was saved; they stay in the file. */
      readonly unreadable: number
    }
  | { readonly ok: false; readonly problem: BackupProblem }

/** Far above any journal: a hundred thousand acts are some tens of megabytes. */
export const MOST_ZIP_BYTES = 64 * 1024 * 1024

type Refusal = Extract<BackupRead, { ok: false }>
const refused = (
  kind: BackupProblem['kind'],
  message: string,
  file: string | null = null,
  line: number | null = null,
): Refusal => ({ ok: false, problem: { kind, file, line, message } })

/** Unpacking is about so much of the work; its acts are the rest. */
const UNPACKING = 0.3
const TELL_EVERY = 500

/**
 * Reads a backup: all of it, or nothing and why. Never throws.
 * @param tell how much of it is read, 0 to 1
 */
export function readBackup(zip: Uint8Array, tell: (share: number) => void = () => {}): BackupRead {
  if (zip.length > MOST_ZIP_BYTES)
    return refused('too large', 'The file is larger than any backup: is it the right one?')
  const unpacked = unpack(zip, share => tell(share * UNPACKING))
  if (!unpacked.ok) return refused(unpacked.problem.kind, unpacked.problem.message, unpacked.problem.file)
  const { files } = unpacked
  const manifestRead = readManifest(files[MANIFEST])
  if (!manifestRead.ok) return manifestRead
  const { manifest } = manifestRead
  const wrong = checkFiles(files, manifest)
  if (wrong) return wrong
  const photos = photosIn(files)
  return photos instanceof Map
    ? readJournal(files[JOURNAL]!, manifest, photos, linesIn(files[UNREADABLE]), share =>
        tell(UNPACKING + share * (1 - UNPACKING)),
      )
    : photos
}

function readManifest(bytes: Uint8Array | undefined): { ok: true; manifest: Manifest } | Refusal {
  const no = (kind: BackupProblem['kind'], message: string) => refused(kind, message, MANIFEST)
  if (!bytes) return no('not ours', 'It has no manifest: it is not a backup of Veld.')
  let raw: unknown
  try {
    raw = JSON.parse(strFromU8(bytes))
  } catch {
    return no('changed', 'Its manifest does not read: it was cut short or edited.')
  }
  const parsed = v.safeParse(manifestSchema, raw)
  if (parsed.success) return { ok: true, manifest: parsed.output }
  if (typeof raw !== 'object' || raw === null || !('format' in raw) || raw.format !== FORMAT)
    return no('not ours', 'Its manifest is of another program: it is not a backup of Veld.')
  if ('version' in raw && typeof raw.version === 'number' && raw.version > VERSION)
    return no('newer', 'It is from a newer Veld: update this one, then bring it in.')
  return no('changed', `Its manifest was changed (${v.getDotPath(parsed.issues[0]) ?? 'shape'}).`)
}

function checkFiles(files: Readonly<Record<string, Uint8Array>>, manifest: Manifest): BackupRead | null {
  for (const name of Object.keys(files))
    if (name !== MANIFEST && !Object.hasOwn(manifest.files, name))
      return refused('file added', 'It holds a file its manifest does not list.', name.slice(0, 100))
  for (const [name, { sha256: wanted, bytes }] of Object.entries(manifest.files)) {
    const file = Object.hasOwn(files, name) ? files[name] : undefined
    if (!file) return refused('file missing', 'A file its manifest lists is missing.', name)
    if (file.length !== bytes || bytesToHex(sha256(file)) !== wanted)
      return refused('changed', 'This file was changed since it was saved: its checksum differs.', name)
  }
  return Object.hasOwn(manifest.files, JOURNAL)
    ? null
    : refused('file missing', 'It holds no journal.', JOURNAL)
}

/** Photos, each named by what its bytes come to: that they are as they were saved was seen to by their checksums. */
function photosIn(files: Readonly<Record<string, Uint8Array>>): Map<string, Uint8Array> | Refusal {
  const photos = new Map<string, Uint8Array>()
  for (const [name, bytes] of Object.entries(files)) {
    if (!name.startsWith('photos/')) continue
    const photoId = PHOTO.exec(name)?.[1]
    if (photoId === undefined || !isPhoto(bytes) || bytesToHex(sha256(bytes)) !== photoId)
      return refused(
        'changed',
        'This is no photo of Veld: its name and its bytes do not agree.',
        name.slice(0, 100),
      )
    photos.set(photoId, bytes)
  }
  return photos
}

const linesIn = (bytes: Uint8Array | undefined): number =>
  bytes === undefined ? 0 : strFromU8(bytes).split('\n').length - 1

function readJournal(
  bytes: Uint8Array,
  manifest: Manifest,
  photos: ReadonlyMap<string, Uint8Array>,
  unreadable: number,
  tell: (share: number) => void,
): BackupRead {
  const lines = strFromU8(bytes).split('\n')
  if (lines.at(-1) === '') lines.pop()
  if (lines.length > MOST_BROUGHT)
    return refused('too large', 'It holds more acts than a journal can.', JOURNAL, MOST_BROUGHT)
  const acts: BackupAct[] = []
  const seen = new Set<string>()
  for (const [index, text] of lines.entries()) {
    const line = index + 1
    if (line % TELL_EVERY === 0) tell(index / lines.length)
    const bad = (kind: BackupProblem['kind'], message: string) => refused(kind, message, JOURNAL, line)
    let raw: unknown
    try {
      raw = JSON.parse(text)
    } catch {
      return bad('bad line', 'This line is no JSON.')
    }
    const read = readAct(raw, true)
    if (!read.ok)
      return read.problem.kind === 'from a newer version'
        ? bad('newer', `This act is from a newer Veld (${read.problem.detail}): update this one first.`)
        : bad('bad line', `This act does not read: ${read.problem.kind}, ${read.problem.detail}.`)
    if (seen.has(read.act.id)) return bad('twice', 'This act stands in it twice.')
    seen.add(read.act.id)
    acts.push({ act: read.act, raw: raw as Record<string, unknown>, line })
  }
  return acts.length === manifest.acts
    ? { ok: true, manifest, acts, photos, unreadable }
    : refused('changed', `It says it holds ${manifest.acts} acts, and holds ${acts.length}.`, JOURNAL)
}
