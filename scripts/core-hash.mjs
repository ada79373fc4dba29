import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { build, transform } from 'esbuild'
import { root } from './set-up.mjs'

/** What is worked out for a box, by whatever worker: what of the core this reaches is the app's engine. */
const RUN = ['src/workers/calls.ts']

/**
 * A fingerprint of the science: every source file of src/core that a run reaches, without its types, comments and
 * layout. What only reads differently is the same science; what no box is reckoned by leaves it as it is.
 */
export async function coreHash(run = RUN) {
  const { metafile } = await build({
    absWorkingDir: root,
    entryPoints: run,
    bundle: true,
    write: false,
    metafile: true,
    outdir: '.tmp/hash',
    platform: 'node',
    format: 'esm',
    packages: 'external',
    logLevel: 'silent',
  })
  const files = Object.keys(metafile.inputs)
    .filter(file => file.startsWith('src/core/'))
    .sort((a, b) => (a < b ? -1 : 1))
  const bare = await Promise.all(
    files.map(file =>
      transform(readFileSync(join(root, file), 'utf8'), {
        loader: 'ts',
        minifyWhitespace: true,
        legalComments: 'none',
      }),
    ),
  )
  const hash = createHash('sha256')
  files.forEach((file, i) => hash.update(file).update(bare[i].code))
  return hash.digest('hex').slice(0, 16)
}
