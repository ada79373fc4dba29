import * as v from 'valibot'

export const MANIFEST = 'manifest.json'
export const JOURNAL = 'journal.ndjson'
export const README = 'README.txt'
/** Records that do not read, as they are; only where there are any. */
export const UNREADABLE = 'unreadable.ndjson'
/** Photos stand under what their bytes come to. */
export const photoName = (photoId: string): string => `photos/${photoId}.jpg`
export const PHOTO = /^photos\/([0-9a-f]{64})\.jpg$/
export const FORMAT = 'veld-backup'
export const VERSION = 1

const file = v.strictObject({
  sha256: v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/)),
  bytes: v.pipe(v.number(), v.integer(), v.minValue(0)),
})

/** What a backup says of itself. Everything but `savedAt` is the same whenever the same journal is saved. */
export const manifestSchema = v.strictObject({
  format: v.literal(FORMAT),
  version: v.literal(VERSION),
  savedAt: v.pipe(v.string(), v.isoTimestamp(), v.maxLength(30)),
  journal: v.picklist(['own', 'demo']),
  acts: v.pipe(v.number(), v.integer(), v.minValue(0)),
  files: v.record(v.pipe(v.string(), v.maxLength(200)), file),
})
export type Manifest = v.InferOutput<typeof manifestSchema>
