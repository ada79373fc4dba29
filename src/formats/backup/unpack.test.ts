import { describe, expect, test } from '@jest/globals'
import { strToU8, zipSync } from 'fflate'
import JSZip from 'jszip'
import { unpack } from './unpack.ts'

const MB = 1024 * 1024
const zeros = (bytes: number) => zipSync({ 'journal.ndjson': new Uint8Array(bytes) }, { level: 9 })
const kind = (zip: Uint8Array) => {
  const read = unpack(zip)
  return read.ok ? 'ok' : read.problem.kind
}
const LOCAL = 0x04034b50
const CENTRAL = 0x02014b50
const END = 0x06054b50

/** PKZIP APPNOTE 4.3.7 and 4.3.12 (from memory): where a header keeps the size it says its file has. */
function lying(zip: Uint8Array, bytes: number): Uint8Array {
  const copy = zip.slice()
  const view = new DataView(copy.buffer)
  for (let at = 0; at + 4 < copy.length; at++) {
    const signature = view.getUint32(at, true)
    if (signature === LOCAL) view.setUint32(at + 22, bytes, true)
    if (signature === CENTRAL) view.setUint32(at + 24, bytes, true)
  }
  return copy
}

/** One file, listed many times over. */
function overlapping(zip: Uint8Array, times: number): Uint8Array {
  const view = new DataView(zip.buffer, zip.byteOffset)
  const end = zip.length - 22
  expect(view.getUint32(end, true)).toBe(END)
  const from = view.getUint32(end + 16, true)
  const entry = zip.slice(from, end)
  const many = new Uint8Array(from + entry.length * times + 22)
  many.set(zip.subarray(0, from))
  for (let i = 0; i < times; i++) many.set(entry, from + i * entry.length)
  many.set(zip.subarray(end), from + entry.length * times)
  const out = new DataView(many.buffer)
  out.setUint16(many.length - 22 + 8, times, true)
  out.setUint16(many.length - 22 + 10, times, true)
  out.setUint32(many.length - 22 + 12, entry.length * times, true)
  return many
}

describe('what counts is what is inflated, whatever a zip says of itself', () => {
  test('a size that lies: small said, large inside', () => {
    expect(kind(lying(zeros(MB), 12))).toBe('too large')
  })
  test('a size that lies the other way is no reason to set aside memory for it', () => {
    const read = unpack(lying(zipSync({ 'a.txt': strToU8('seven') }), 2 ** 31))
    expect(read.ok && read.files['a.txt']).toEqual(strToU8('seven'))
  })
  test('one file listed a thousand times is inflated once', () => {
    const seen: number[] = []
    const read = unpack(overlapping(zipSync({ 'a.txt': strToU8('x'.repeat(500)) }), 1000), share =>
      seen.push(share),
    )
    expect(read.ok && Object.keys(read.files)).toEqual(['a.txt'])
    expect(seen.at(-1)).toBe(1)
  })
  test.each([
    [
      'two files of one name',
      () => {
        const one = zipSync({ 'a.txt': strToU8('1') }, { level: 0 })
        const local = one.subarray(
          0,
          new DataView(one.buffer, one.byteOffset).getUint32(one.length - 6, true),
        )
        return Uint8Array.from([...local, ...one])
      },
      'file added',
    ],
    [
      'more files than a backup can hold',
      () => zipSync(Object.fromEntries(Array.from({ length: 1001 }, (_, i) => [`f${i}`, strToU8('1')]))),
      'too large',
    ],
    ['cut in the middle', () => zipSync({ a: strToU8('x'.repeat(5000)) }).slice(0, 40), 'not a zip'],
    ['a kind of packing that is not known', () => lyingMethod(zipSync({ a: strToU8('x') })), 'not a zip'],
  ] as const)('%s', (_, zip, expected) => expect(kind(zip())).toBe(expected))
})

test('names that would reach into every object are names like any other', () => {
  const read = unpack(zipSync({ constructor: strToU8('x'), toString: strToU8('y') }))
  expect(read.ok && Object.keys(read.files).sort()).toEqual(['constructor', 'toString'])
})

test('what another zip program wrote, its sizes after its data, reads the same', async () => {
  const other = new JSZip()
  other.file('journal.ndjson', 'line\n'.repeat(900))
  other.file('README.txt', 'read me')
  for (const compression of ['DEFLATE', 'STORE'] as const) {
    const zip = await other.generateAsync({ type: 'uint8array', compression, streamFiles: true })
    const read = unpack(zip)
    expect(read.ok && new TextDecoder().decode(read.files['journal.ndjson'])).toBe('line\n'.repeat(900))
    expect(read.ok && new TextDecoder().decode(read.files['README.txt'])).toBe('read me')
  }
})

function lyingMethod(zip: Uint8Array): Uint8Array {
  const copy = zip.slice()
  new DataView(copy.buffer).setUint16(8, 99, true)
  return copy
}
