import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex } from '@noble/hashes/utils.js'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import fc from 'fast-check'
import type { RandomSource } from '#core/estimate/random.ts'

/** A file somebody might be handed: broken, edited, or made to do harm. */
export type HostileFile =
  | { readonly kind: 'zip'; readonly how: string; readonly bytes: Uint8Array }
  | { readonly kind: 'csv'; readonly how: string; readonly text: string }

const whole = (random: RandomSource, below: number): number => Math.floor(random.uniform() * below)
const pick = <T>(random: RandomSource, list: readonly T[]): T => list[whole(random, list.length)]!

/** Values that break careless readers. */
const NASTY: readonly unknown[] = [
  null,
  '',
  'x'.repeat(70_000),
  -1,
  1e308,
  '1e999',
  0.1 + 0.2,
  [],
  {},
  { __proto__: null, constructor: 1 },
  '__proto__',
  '../../x',
  '=1+1',
  '\u0000',
  '\uD800',
  true,
  '2025-13-45T99:99:99Z',
  [[[[[[]]]]]],
]

// made once: what a text may be made of is looked through at each making
const ANY_JSON = fc.jsonValue({ maxDepth: 3 })
const ANY_BYTES = fc.uint8Array({ maxLength: 400 })
const ANY_TEXT = fc.string({ unit: 'binary', maxLength: 300 })

/** Changes one value somewhere in a tree of JSON. */
export function mutated(value: unknown, random: RandomSource): unknown {
  if (random.uniform() < 0.15 || typeof value !== 'object' || value === null)
    return random.uniform() < 0.5
      ? pick(random, NASTY)
      : fc.sample(ANY_JSON, { seed: whole(random, 2 ** 30), numRuns: 1 })[0]
  if (Array.isArray(value)) {
    const copy: unknown[] = [...(value as unknown[])]
    if (copy.length === 0 || random.uniform() < 0.2) return [...copy, pick(random, NASTY)]
    const at = whole(random, copy.length)
    copy[at] = mutated(copy[at], random)
    return copy
  }
  const copy: Record<string, unknown> = { ...value }
  const keys = Object.keys(copy)
  if (keys.length === 0 || random.uniform() < 0.15)
    copy[pick(random, ['extra', 'id', 'brings', '__proto__'])] = pick(random, NASTY)
  else if (random.uniform() < 0.2) delete copy[pick(random, keys)]
  else {
    const key = pick(random, keys)
    copy[key] = mutated(copy[key], random)
  }
  return copy
}

/** The zip with its journal changed and its manifest made to agree: what a careful forger would send. */
function forged(good: Uint8Array, random: RandomSource): Uint8Array {
  const files = unzipSync(good)
  const lines = strFromU8(files['journal.ndjson']!).trimEnd().split('\n')
  const times = 1 + whole(random, 3)
  for (let i = 0; i < times; i++) {
    const at = whole(random, lines.length)
    const edit = random.uniform()
    if (edit < 0.1) lines.splice(at, 1)
    else if (edit < 0.2) lines.splice(at, 0, pick(random, lines))
    else {
      try {
        lines[at] = JSON.stringify(mutated(JSON.parse(lines[at]!), random)) ?? 'null'
      } catch {
        lines[at] = '{'
      }
    }
  }
  const journal = strToU8(`${lines.join('\n')}\n`)
  const manifest = JSON.parse(strFromU8(files['manifest.json']!)) as {
    acts: number
    files: Record<string, { sha256: string; bytes: number }>
  }
  manifest.files['journal.ndjson'] = { sha256: bytesToHex(sha256(journal)), bytes: journal.length }
  manifest.acts = lines.length
  const odd = random.uniform() < 0.1 ? (mutated(manifest, random) as typeof manifest) : manifest
  const all = {
    ...files,
    'journal.ndjson': journal,
    'manifest.json': strToU8(JSON.stringify(odd) ?? ''),
  }
  // a zip notes when it was made, which is nothing of the source's
  return zipSync(all, { mtime: new Date(2026, 0, 1) })
}

function scratched(good: Uint8Array, random: RandomSource): Uint8Array {
  const bytes = Uint8Array.from(good)
  const times = 1 + whole(random, 20)
  for (let i = 0; i < times; i++) bytes[whole(random, bytes.length)] = whole(random, 256)
  return random.uniform() < 0.3 ? bytes.slice(0, whole(random, bytes.length)) : bytes
}

const CELLS = [
  '=cmd|x',
  '"',
  '""',
  ',',
  '\r\n',
  '\u0000',
  '٣٤',
  '1e9',
  '-',
  '9'.repeat(400),
  ';',
  '\t',
  'NaN',
  '１２',
]

function scribbled(good: string, random: RandomSource): string {
  let text = good
  const times = 1 + whole(random, 6)
  for (let i = 0; i < times; i++) {
    const at = whole(random, text.length + 1)
    const cut = whole(random, 12)
    text = text.slice(0, at) + (random.uniform() < 0.7 ? pick(random, CELLS) : '') + text.slice(at + cut)
  }
  return text
}

/** One hostile file. The same source of chance gives the same file. */
export function hostileFile(
  random: RandomSource,
  good: { readonly zip: Uint8Array; readonly csv: string },
): HostileFile {
  const choice = random.uniform()
  if (choice < 0.3) return { kind: 'zip', how: 'forged', bytes: forged(good.zip, random) }
  if (choice < 0.5) return { kind: 'zip', how: 'scratched', bytes: scratched(good.zip, random) }
  if (choice < 0.6) {
    const [bytes] = fc.sample(ANY_BYTES, { seed: whole(random, 2 ** 30), numRuns: 1 })
    return { kind: 'zip', how: 'noise', bytes: bytes! }
  }
  if (choice < 0.9) return { kind: 'csv', how: 'scribbled', text: scribbled(good.csv, random) }
  const [text] = fc.sample(ANY_TEXT, {
    seed: whole(random, 2 ** 30),
    numRuns: 1,
  })
  return { kind: 'csv', how: 'noise', text: `${good.csv.split('\r\n')[0]!}\r\n${text}` }
}
