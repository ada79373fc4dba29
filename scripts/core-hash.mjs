import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { transform } from 'esbuild'
import { root } from './set-up.mjs'

/**
 * A fingerprint of the science: every source file of src/core without its types, comments and layout, tests left out.
 * What only reads differently is the same science.
 */
export async function coreHash() {
  const hash = createHash('sha256')
  const files = readdirSync(join(root, 'src/core'), { recursive: true })
    .map(String)
    .filter(file => /\.ts$/.test(file) && !/\.test\.ts$/.test(file))
    .sort((a, b) => (a < b ? -1 : 1))
  const bare = await Promise.all(
    files.map(file =>
      transform(readFileSync(join(root, 'src/core', file), 'utf8'), {
        loader: 'ts',
        minifyWhitespace: true,
        legalComments: 'none',
      }),
    ),
  )
  files.forEach((file, i) => hash.update(file).update(bare[i].code))
  return hash.digest('hex').slice(0, 16)
}
