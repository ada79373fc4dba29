import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from './set-up.mjs'

/** A fingerprint of the science: every source file of src/core, tests left out. */
export function coreHash() {
  const hash = createHash('sha256')
  const files = readdirSync(join(root, 'src/core'), { recursive: true })
    .map(String)
    .filter(file => /\.ts$/.test(file) && !/\.test\.ts$/.test(file))
    .sort((a, b) => (a < b ? -1 : 1))
  for (const file of files) hash.update(file).update(readFileSync(join(root, 'src/core', file)))
  return hash.digest('hex').slice(0, 16)
}
