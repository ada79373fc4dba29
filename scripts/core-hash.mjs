import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { transformSync } from 'esbuild'
import { root } from './set-up.mjs'

/**
 * A fingerprint of the science: every source file of src/core without its types, comments and layout, tests left out.
 * What only reads differently is the same science.
 */
export function coreHash() {
  const hash = createHash('sha256')
  const files = readdirSync(join(root, 'src/core'), { recursive: true })
    .map(String)
    .filter(file => /\.ts$/.test(file) && !/\.test\.ts$/.test(file))
    .sort((a, b) => (a < b ? -1 : 1))
  for (const file of files) {
    const source = readFileSync(join(root, 'src/core', file), 'utf8')
    const { code } = transformSync(source, { loader: 'ts', minifyWhitespace: true, legalComments: 'none' })
    hash.update(file).update(code)
  }
  return hash.digest('hex').slice(0, 16)
}
