import { proxy, releaseProxy, wrap, type Remote } from 'comlink'
import type { BackupRead } from '#formats/backup/read-backup.ts'
import type { ReadingsRead } from '#formats/readings-csv/read-readings.ts'
import type { FileCalls, FileReading, Reading } from './file-protocol.ts'

/** No file that is one takes as long; then its worker is ended, and it is said. */
const LIMIT_MS = 60_000

const fileWorker = (): Worker => new Worker(new URL('./file.worker.ts', import.meta.url), { type: 'module' })

/** A worker for each file, ended with it: what a file made it hold goes too. */
export function fileReading(makeWorker: () => Worker = fileWorker): FileReading {
  const read = <T>(
    ask: (remote: Remote<FileCalls>, tell: Reading['tell']) => Promise<T>,
    { signal, tell }: Reading,
  ): Promise<T> =>
    new Promise<T>((resolve, reject) => {
      const worker = makeWorker()
      const remote = wrap<FileCalls>(worker)
      const end = (settle: () => void) => {
        clearTimeout(limit)
        signal.removeEventListener('abort', giveUp)
        remote[releaseProxy]()
        worker.terminate()
        settle()
      }
      const giveUp = () => end(() => reject(new DOMException('Given up.', 'AbortError')))
      const limit = setTimeout(
        () => end(() => reject(new Error('it took longer than any file should'))),
        LIMIT_MS,
      )
      if (signal.aborted) return giveUp()
      signal.addEventListener('abort', giveUp, { once: true })
      worker.addEventListener('error', () => end(() => reject(new Error('the reading of it broke off'))), {
        once: true,
      })
      ask(remote, proxy(tell)).then(
        value => end(() => resolve(value)),
        (reason: unknown) => end(() => reject(reason)),
      )
    })
  return {
    backup: (bytes, reading) => read<BackupRead>(async (remote, tell) => remote.backup(bytes, tell), reading),
    readings: (bytes, reading) =>
      read<ReadingsRead>(async (remote, tell) => remote.readings(bytes, tell), reading),
  }
}
