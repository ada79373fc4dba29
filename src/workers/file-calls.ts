import { readBackup } from '#formats/backup/read-backup.ts'
import { readReadings } from '#formats/readings-csv/read-readings.ts'
import type { FileCalls } from './file-protocol.ts'

export const fileCalls: FileCalls = {
  backup: readBackup,
  readings: (bytes, tell) => readReadings(new TextDecoder().decode(bytes), tell),
}
