import { describe, expect, test } from '@jest/globals'
import { sha256 } from '@noble/hashes/sha2.js'
import { bytesToHex } from '@noble/hashes/utils.js'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import JSZip from 'jszip'
import { boathouseLoft } from '#testing/loft-once.ts'
import type { Act } from '#records/act.ts'
import { readBackup } from './read-backup.ts'
import { writeBackup } from './write-backup.ts'

const NOW = Date.UTC(2025, 10, 8, 10)
const all = boathouseLoft(NOW, 'UTC')
const acts = [...all.slice(0, 10), ...all.slice(-4)]
const about = { journal: 'own', savedAtMs: NOW } as const
const zip = writeBackup(acts, about)

/** The same zip with some of its files changed, and a manifest that knows it, unless told otherwise. */
function remade(
  change: (files: Record<string, Uint8Array>) => void,
  manifestChange: (manifest: Record<string, unknown>) => void = () => {},
): Uint8Array {
  const files = unzipSync(zip)
  change(files)
  const manifest = JSON.parse(strFromU8(files['manifest.json']!)) as Record<string, unknown>
  manifest['files'] = Object.fromEntries(
    Object.entries(files)
      .filter(([name]) => name !== 'manifest.json')
      .map(([name, bytes]) => [name, { sha256: bytesToHex(sha256(bytes)), bytes: bytes.length }]),
  )
  manifestChange(manifest)
  return zipSync({ ...files, 'manifest.json': strToU8(JSON.stringify(manifest)) })
}
const lines = (edit: (list: string[]) => string[]) =>
  remade(files => {
    const list = strFromU8(files['journal.ndjson']!).trimEnd().split('\n')
    files['journal.ndjson'] = strToU8(`${edit(list).join('\n')}\n`)
  })
const problem = (bytes: Uint8Array) => {
  const read = readBackup(bytes)
  return read.ok ? null : read.problem
}

describe('a backup', () => {
  test('comes back as it was', () => {
    const read = readBackup(zip)
    expect(read.ok && read.acts.map(item => item.act)).toEqual(
      [...acts].sort((a, b) => (a.writtenAt < b.writtenAt ? -1 : 1)),
    )
  })
  test('the order of the acts leaves no trace, the day of saving only in one field', () => {
    expect([...writeBackup([...acts].reverse(), about)]).toEqual([...zip])
    const later = unzipSync(writeBackup(acts, { ...about, savedAtMs: NOW + 9e8 }))
    const first = unzipSync(zip)
    expect(later['journal.ndjson']).toEqual(first['journal.ndjson'])
    expect(later['README.txt']).toEqual(first['README.txt'])
    const bare = (bytes: Uint8Array) => strFromU8(bytes).replace(/"savedAt": "[^"]*"/, '')
    expect(bare(later['manifest.json']!)).toBe(bare(first['manifest.json']!))
  })
  test('another zip program reads it, its checksums are what it says, and it explains itself', async () => {
    const other = await JSZip.loadAsync(zip, { checkCRC32: true })
    expect(Object.keys(other.files).sort()).toEqual(['README.txt', 'journal.ndjson', 'manifest.json'])
    const journal = await other.file('journal.ndjson')!.async('uint8array')
    const manifest = JSON.parse(await other.file('manifest.json')!.async('string')) as {
      files: Record<string, { sha256: string }>
    }
    const subtle = new Uint8Array(await crypto.subtle.digest('SHA-256', journal as BufferSource))
    expect(manifest.files['journal.ndjson']!.sha256).toBe(Buffer.from(subtle).toString('hex'))
    expect(strFromU8(journal).trimEnd().split('\n')).toHaveLength(acts.length)
    expect(await other.file('README.txt')!.async('string')).toMatch(/one act a line/)
  })
})

test('records that do not read go along as they are, are counted, and do not come in', () => {
  const circle: Record<string, unknown> = {}
  circle['self'] = circle
  const saved = writeBackup(acts, about, new Map(), [{ key: 'x', raw: 'scrambled' }, undefined, circle])
  const text = strFromU8(unzipSync(saved)['unreadable.ndjson']!)
  expect(text.split('\n')[0]).toBe('{"key":"x","raw":"scrambled"}')
  const read = readBackup(saved)
  expect(read.ok && [read.unreadable, read.acts.length]).toEqual([3, acts.length])
  // a journal in which everything reads is saved as it always was
  expect(Object.keys(unzipSync(zip))).not.toContain('unreadable.ndjson')
})

describe('photos', () => {
  const photo = (n: number) => Uint8Array.from([0xff, 0xd8, 0xff, 0xe0, n, 7, 8, 9])
  const photos = new Map([photo(1), photo(2)].map(bytes => [bytesToHex(sha256(bytes)), bytes]))
  const saved = writeBackup(acts, about, photos)
  test('come back byte for byte, and another reader finds them as files of their own', async () => {
    const read = readBackup(saved)
    expect(read.ok && [...read.photos].map(([id, bytes]) => [id, [...bytes]])).toEqual(
      [...photos].map(([id, bytes]) => [id, [...bytes]]),
    )
    const other = await JSZip.loadAsync(saved, { checkCRC32: true })
    const [first] = photos
    expect([...(await other.file(`photos/${first![0]}.jpg`)!.async('uint8array'))]).toEqual([...first![1]])
  })
  test.each([
    ['a page in its place', strToU8('<svg onload="alert(1)"/>')],
    ['one too large', Uint8Array.from({ length: 200_001 }, (_, i) => [0xff, 0xd8, 0xff][i] ?? i % 251)],
  ])('%s is refused, whole', (_, bytes) => {
    const files = unzipSync(saved)
    const name = `photos/${bytesToHex(sha256(bytes))}.jpg`
    files[name] = bytes
    const manifest = JSON.parse(strFromU8(files['manifest.json']!)) as { files: Record<string, unknown> }
    manifest.files[name] = { sha256: bytesToHex(sha256(bytes)), bytes: bytes.length }
    const zipped = zipSync({ ...files, 'manifest.json': strToU8(JSON.stringify(manifest)) })
    expect(problem(zipped)).toMatchObject({ kind: 'changed', file: name })
  })
  test('under another name', () => {
    const files = unzipSync(saved)
    const [first] = [...photos.keys()]
    const name = `photos/${'0'.repeat(64)}.jpg`
    files[name] = files[`photos/${first}.jpg`]!
    const manifest = JSON.parse(strFromU8(files['manifest.json']!)) as { files: Record<string, unknown> }
    manifest.files[name] = manifest.files[`photos/${first}.jpg`]
    expect(problem(zipSync({ ...files, 'manifest.json': strToU8(JSON.stringify(manifest)) }))).toMatchObject({
      kind: 'changed',
    })
  })
})

describe('a backup is refused whole, with file and line', () => {
  test.each([
    ['nothing', new Uint8Array(), { kind: 'not a zip' }],
    ['a picture', Uint8Array.from([137, 80, 78, 71, 13, 10, 26, 10, 0, 0]), { kind: 'not a zip' }],
    ['half of it', zip.slice(0, zip.length / 2), { kind: 'not a zip' }],
    ['another zip', zipSync({ 'a.txt': strToU8('x') }), { kind: 'not ours', file: 'manifest.json' }],
    [
      'another program’s',
      zipSync({ 'manifest.json': strToU8('{"format":"other"}') }),
      { kind: 'not ours', file: 'manifest.json' },
    ],
    ['a manifest that is no JSON', zipSync({ 'manifest.json': strToU8('{') }), { kind: 'changed' }],
    [
      'a newer one',
      remade(
        () => {},
        manifest => (manifest['version'] = 2),
      ),
      { kind: 'newer' },
    ],
    [
      'one act more said than held',
      remade(
        () => {},
        manifest => (manifest['acts'] = 99),
      ),
      { kind: 'changed' },
    ],
    [
      'an edited journal',
      remade(
        () => {},
        manifest => {
          const files = manifest['files'] as Record<string, { sha256: string }>
          files['journal.ndjson']!.sha256 = '0'.repeat(64)
        },
      ),
      { kind: 'changed', file: 'journal.ndjson' },
    ],
    [
      'a file too many',
      zipSync({ ...unzipSync(zip), 'extra.txt': strToU8('x') }),
      { kind: 'file added', file: 'extra.txt' },
    ],
    [
      'a file too few',
      zipSync(Object.fromEntries(Object.entries(unzipSync(zip)).filter(([name]) => name !== 'README.txt'))),
      { kind: 'file missing', file: 'README.txt' },
    ],
    ['a path outside', zipSync({ '../evil': strToU8('x') }), { kind: 'path outside', file: '../evil' }],
    ['an absolute path', zipSync({ '/etc/x': strToU8('x') }), { kind: 'path outside', file: '/etc/x' }],
    ['a path of another system', zipSync({ 'a\\..\\b': strToU8('x') }), { kind: 'path outside' }],
    [
      'a bomb',
      zipSync({ 'journal.ndjson': new Uint8Array(40_000_000) }, { level: 9 }),
      { kind: 'too large' },
    ],
    [
      'a line that is no JSON',
      lines(list => [list[0]!, '{', ...list.slice(2)]),
      { kind: 'bad line', line: 2 },
    ],
    [
      'a humidity of 300 %',
      lines(list =>
        list.map(line => line.replace(/"relativeHumidityPercent":\d+/, '"relativeHumidityPercent":300')),
      ),
      { kind: 'bad line', file: 'journal.ndjson' },
    ],
    ['an act twice', lines(list => [list[0]!, list[0]!, ...list.slice(2)]), { kind: 'twice', line: 2 }],
    [
      'an act of a newer version',
      lines(list => [list[0]!.replace('"version":1', '"version":9'), ...list.slice(1)]),
      { kind: 'newer', line: 1 },
    ],
    [
      'an act that carries acts',
      lines(list => [
        JSON.stringify({ ...(JSON.parse(list[0]!) as Act), format: 2, brings: [] }),
        ...list.slice(1),
      ]),
      { kind: 'bad line', line: 1 },
    ],
  ])('%s', (_, bytes, expected) => {
    const found = problem(bytes)
    expect(found).toMatchObject(expected)
    expect(found!.message.length).toBeGreaterThan(20)
  })
})
