// Pages killed at thirty random moments of the round, a swap, a bringing together and a replacement: nothing lost,
// nothing half done; and two tabs writing four hundred acts. `npm test` kills eight and writes 120.
import { spawnSync } from 'node:child_process'
import { ensureChromium, root } from './set-up.mjs'

ensureChromium()
const run = (...args) =>
  spawnSync(process.execPath, args, {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, VELD_KILLS: 'all' },
  })
const built = run('scripts/build.mjs')
const killed = run(
  '--experimental-vm-modules',
  '--disable-warning=ExperimentalWarning',
  'node_modules/jest/bin/jest.js',
  '--selectProjects',
  'e2e',
  '--testPathPatterns',
  'keeping',
)
process.exit(built.status || killed.status)
