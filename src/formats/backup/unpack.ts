import { Unzip, UnzipInflate } from 'fflate'

/** Why a zip is not unpacked: whose name, what of it. */
export interface UnpackProblem {
  readonly kind: 'not a zip' | 'path outside' | 'too large' | 'file added'
  readonly file: string | null
  readonly message: string
}
export type Unpacked =
  | { readonly ok: true; readonly files: Readonly<Record<string, Uint8Array>> }
  | { readonly ok: false; readonly problem: UnpackProblem }

const MOST_UNPACKED_BYTES = 256 * 1024 * 1024
/** Text packs to a tenth or so; two hundredfold is a trap. */
const MOST_PACKING = 200
const LEAST_BYTES = 1024
const MOST_FILES = 1000
/** Inflated at the most a thousandfold, so that no piece is more than some megabytes. */
const PIECE_BYTES = 16 * 1024

class Refused extends Error {
  readonly problem: UnpackProblem
  constructor(kind: UnpackProblem['kind'], message: string, file: string | null = null) {
    super(message)
    this.problem = { kind, message, file: file === null ? null : file.slice(0, 100) }
  }
}

/**
 * The files of a zip, piece by piece as they lie in it: what counts is what is really inflated, not what the zip says of
 * its sizes, and no byte of it is inflated twice. Never throws.
 * @param tell how much of it is read, 0 to 1
 */
export function unpack(zip: Uint8Array, tell: (share: number) => void = () => {}): Unpacked {
  const files: Record<string, Uint8Array> = Object.create(null) as Record<string, Uint8Array>
  const begun = new Set<string>()
  let total = 0
  const unzip = new Unzip(file => {
    checkName(file.name, begun)
    begun.add(file.name)
    const pieces: Uint8Array[] = []
    file.ondata = (error, piece, isLast) => {
      if (error) throw error
      total += piece.length
      if (total > MOST_UNPACKED_BYTES || total > MOST_PACKING * Math.max(zip.length, LEAST_BYTES))
        throw new Refused('too large', 'It unpacks to far more than a journal can hold.', file.name)
      pieces.push(piece)
      if (isLast) files[file.name] = joined(pieces)
    }
    file.start()
  })
  unzip.register(UnzipInflate)
  try {
    for (let at = 0; at < zip.length; at += PIECE_BYTES) {
      const end = Math.min(at + PIECE_BYTES, zip.length)
      unzip.push(zip.subarray(at, end), end === zip.length)
      tell(end / zip.length)
    }
  } catch (error) {
    return { ok: false, problem: error instanceof Refused ? error.problem : CUT_SHORT }
  }
  // one that was begun and not ended was cut off
  const isWhole = begun.size > 0 && [...begun].every(name => Object.hasOwn(files, name))
  return isWhole ? { ok: true, files } : { ok: false, problem: CUT_SHORT }
}

const CUT_SHORT: UnpackProblem = {
  kind: 'not a zip',
  file: null,
  message: 'It is cut short or no zip file: save or copy it again.',
}

/** A name that would land outside the folder it is unpacked into. */
const isOutside = (name: string): boolean =>
  name.startsWith('/') || name.includes('\\') || /^[a-z]:/i.test(name) || name.split('/').includes('..')

function checkName(name: string, begun: ReadonlySet<string>): void {
  if (isOutside(name)) throw new Refused('path outside', 'A name in it points outside the backup.', name)
  if (begun.has(name)) throw new Refused('file added', 'It holds two files of this name.', name)
  if (begun.size >= MOST_FILES) throw new Refused('too large', 'It holds more files than a backup can.', name)
}

function joined(pieces: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(pieces.reduce((sum, piece) => sum + piece.length, 0))
  let at = 0
  for (const piece of pieces) {
    whole.set(piece, at)
    at += piece.length
  }
  return whole
}
