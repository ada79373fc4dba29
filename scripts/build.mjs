// The app into dist/, the small local server into dist-server/.
import { spawnSync } from 'node:child_process'
import { ensureModules, root } from './set-up.mjs'

ensureModules()
const steps = [
  ['node_modules/vite/bin/vite.js', 'build', '--logLevel', 'warn'],
  [
    'node_modules/esbuild/bin/esbuild',
    'server/serve.ts',
    '--bundle',
    '--platform=node',
    '--format=esm',
    '--outfile=dist-server/serve.mjs',
    '--log-level=warning',
  ],
]
for (const [script, ...args] of steps) {
  const command = script.endsWith('.js') ? [process.execPath, script, ...args] : [script, ...args]
  if (spawnSync(command[0], command.slice(1), { cwd: root, stdio: 'inherit' }).status !== 0) process.exit(1)
}
