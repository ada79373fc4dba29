import type { BackupRead } from '#formats/backup/read-backup.ts'
import type { ReadingsRead } from '#formats/readings-csv/read-readings.ts'

/** What is asked while a file is read. */
export interface Reading {
  readonly signal: AbortSignal
  /** How much of it is read, 0 to 1. */
  readonly tell: (share: number) => void
}

/** Files that come in are read beside the page, whatever they hold: it goes on, and each may be given up. */
export interface FileReading {
  backup(bytes: Uint8Array, reading: Reading): Promise<BackupRead>
  readings(bytes: Uint8Array, reading: Reading): Promise<ReadingsRead>
}

/** The same from the other side. */
export interface FileCalls {
  backup(bytes: Uint8Array, tell: Reading['tell']): BackupRead
  readings(bytes: Uint8Array, tell: Reading['tell']): ReadingsRead
}
