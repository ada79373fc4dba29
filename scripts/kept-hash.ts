import { readFileSync } from 'node:fs'

/** The fingerprint of the core that a file of docs/validation was written with; null where there is none. */
export function keptHash(file: string): unknown {
  try {
    const kept: unknown = JSON.parse(readFileSync(file, 'utf8'))
    return typeof kept === 'object' && kept !== null && 'coreHash' in kept ? kept.coreHash : null
  } catch {
    return null
  }
}
