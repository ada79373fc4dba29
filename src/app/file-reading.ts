import type { FileReading } from '#workers/file-protocol.ts'

/** The worker library comes once a file does. */
const started = () => import('#workers/file-reading.ts').then(({ fileReading }) => fileReading())

const reading: FileReading = {
  backup: async (...asked) => (await started()).backup(...asked),
  readings: async (...asked) => (await started()).readings(...asked),
}
export const sharedFileReading = (): FileReading => reading
