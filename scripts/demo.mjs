// One command from a fresh clone to the running demo: installs, builds, serves on loopback, prints the address.
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { ensureModules, root, run } from './set-up.mjs'

ensureModules()
console.log('Building …')
if (!run(process.execPath, ['scripts/build.mjs'])) process.exit(1)
const server = spawn(process.execPath, [join(root, 'dist-server/serve.mjs'), '--demo'], { stdio: 'inherit' })
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
server.on('exit', code => process.exit(code ?? 0))
