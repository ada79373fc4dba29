import { createHash } from 'node:crypto'
import { build, transform } from 'esbuild'
import { root } from './set-up.mjs'

/** What is worked out for a box, by whatever worker: what of the core this reaches is the app's engine. */
const RUN = ['src/workers/calls.ts']

/** The line the bundler writes before what it took from a file. */
const FROM_FILE = /^\/\/ (\S+\.\w+)$/

/**
 * A fingerprint of the science: what a run reaches of src/core, function by function, without its types, comments and
 * layout. What only reads differently is the same science; what the run never calls leaves it as it is.
 */
export async function coreHash(run = RUN, folder = root) {
  const { outputFiles } = await build({
    absWorkingDir: folder,
    entryPoints: run,
    bundle: true,
    write: false,
    outdir: '.tmp/hash',
    platform: 'node',
    format: 'esm',
    packages: 'external',
    legalComments: 'none',
    logLevel: 'silent',
  })
  /** What is kept of each file of the core, its lines as bundled. */
  const kept = new Map()
  let lines = null
  for (const line of outputFiles[0].text.split('\n')) {
    const file = FROM_FILE.exec(line)?.[1]
    if (file === undefined) lines?.push(line)
    else {
      lines = file.startsWith('src/core/') ? [] : null
      if (lines) kept.set(file, lines)
    }
  }
  const files = [...kept.keys()].sort((a, b) => (a < b ? -1 : 1))
  const hash = createHash('sha256')
  for (const file of files) {
    // what is left of a file need not stand alone: names come from the others
    const { code } = await transform(kept.get(file).join('\n'), { minifyWhitespace: true, loader: 'js' })
    hash.update(file).update(code)
  }
  return hash.digest('hex').slice(0, 16)
}
