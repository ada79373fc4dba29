// Everything, in order: set-up, format, types, lint, unit and dom tests, the validation's freshness and a seeded
// fifth of it, the build, the browser tests. Ends with "N passed, N failed".
import { spawnSync } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { ensureChromium, ensureModules, root } from './set-up.mjs'

ensureModules()
ensureChromium()

const scratch = join(root, '.tmp')
rmSync(scratch, { recursive: true, force: true })
mkdirSync(scratch, { recursive: true })
let passed = 0
let failed = 0
const bin = name => join(root, 'node_modules/.bin', name)

function step(name, command, args) {
  const started = Date.now()
  console.log(`\n— ${name}`)
  const ok = spawnSync(command, args, { cwd: root, stdio: 'inherit' }).status === 0
  console.log(`  ${ok ? 'passed' : 'FAILED'} in ${((Date.now() - started) / 1000).toFixed(0)} s`)
  if (ok) passed++
  else failed++
  return ok
}

function jest(name, projects, ...more) {
  const report = join(scratch, `${name}.json`)
  console.log(`\n— ${name} tests`)
  const run = spawnSync(
    process.execPath,
    [
      '--experimental-vm-modules',
      '--disable-warning=ExperimentalWarning',
      'node_modules/jest/bin/jest.js',
      '--ci',
      '--selectProjects',
      ...projects,
      '--json',
      `--outputFile=${report}`,
      ...more,
    ],
    { cwd: root, stdio: ['ignore', 'ignore', 'inherit'] },
  )
  try {
    const result = JSON.parse(readFileSync(report, 'utf8'))
    passed += result.numPassedTests
    // a suite that could not even start counts as one failure
    failed += result.numFailedTests + result.numRuntimeErrorTestSuites
    if (run.status !== 0 && result.numFailedTests + result.numRuntimeErrorTestSuites === 0) failed++
  } catch {
    failed++
  }
}

step('format', bin('prettier'), ['--check', '--log-level', 'warn', '.'])
step('types', bin('tsc'), [])
step('lint', bin('oxlint'), ['--type-aware', '--deny-warnings', '--quiet'])
step('unit names', process.execPath, ['scripts/check-units.mjs'])
jest('unit', ['unit', 'dom'])
step('validation, a seeded fifth', bin('tsx'), ['scripts/validate.ts', '--fifth'])
step('same answers, a fifth', bin('tsx'), ['scripts/validate-answers.ts', '--fifth'])
step('hostile files, a seeded fifth', bin('tsx'), ['scripts/validate-hostile.ts', '--fifth'])
if (step('build', process.execPath, ['scripts/build.mjs'])) jest('browser', ['e2e'], '--maxWorkers=2')
console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
