// Pages killed at forty random moments of each doing (the round, a swap, first use, an undo, the quick field, a batch, a bringing
// together, a replacement): nothing lost, nothing half done; and two tabs that press four hundred times. `npm test` kills one of
// each and presses 60 times.
import { spawnSync } from 'node:child_process'
import { ensureChromium, root } from './set-up.mjs'

if (!(await ensureChromium())) process.exit(1)
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
