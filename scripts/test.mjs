// Everything: set-up, format, types, lint, unit and dom tests, the build, the browser tests; at leisure beside them the
// validations' freshness and a seeded fifth of them. Ends with "N passed, N failed".
import { spawn } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { setPriority } from 'node:os'
import { join } from 'node:path'
import { ensureChromium, ensureModules, NO_BROWSER, root } from './set-up.mjs'

// the browser is wanted last, and its installing waits for the network more than it works
const browser = ensureChromium()
ensureModules()

const scratch = join(root, '.tmp')
rmSync(scratch, { recursive: true, force: true })
mkdirSync(scratch, { recursive: true })
let passed = 0
let failed = 0
const failures = []
const bin = name => join(root, 'node_modules/.bin', name)
/** Read by tsx in the same process: its own command would start another. */
const tsx = (script, ...more) => [process.execPath, ['--import', 'tsx', script, ...more]]

/** Tests make much that is soon forgotten: with more room for it, MB, the collector copies less. */
const ROOM_FOR_THE_YOUNG = '--max-semi-space-size=64'
/**
 * Tests run for a minute or two in a context of their own where nothing is compiled yet: what has to run
 * nine times as often as by default before it is compiled well is mostly done by then. A sixth of the time of all unit and page tests went into compiling.
 */
const COMPILED_LATER = '--interrupt-budget=600000'

/** Lowest: what is measured at leisure takes the time the tests leave. */
const AT_LEISURE = 19

/** One step; its words are shown when it ends. @returns whether it passed */
function step([name, command, args], priority = 0) {
  const started = Date.now()
  const env = {
    ...process.env,
    NODE_OPTIONS: `${process.env.NODE_OPTIONS ?? ''} ${ROOM_FOR_THE_YOUNG}`.trim(),
  }
  const child = spawn(command, args, { cwd: root, env, stdio: ['ignore', 'pipe', 'pipe'] })
  if (child.pid !== undefined && priority !== 0) setPriority(child.pid, priority)
  let said = ''
  for (const stream of [child.stdout, child.stderr]) stream.on('data', chunk => (said += chunk))
  return new Promise(resolve => {
    const end = code => {
      const seconds = ((Date.now() - started) / 1000).toFixed(0)
      console.log(`\n— ${name}\n${said}  ${code === 0 ? 'passed' : 'FAILED'} in ${seconds} s`)
      if (code === 0) passed++
      else failed++
      resolve(code === 0)
    }
    child.once('error', error => {
      said += `${error.message}\n`
      end(1)
    })
    child.once('close', end)
  })
}

/** Steps that do not need each other, side by side. */
const together = steps => Promise.all(steps.map(one => step(one)))

async function jest(name, projects, ...more) {
  const report = join(scratch, `${name}.json`)
  console.log(`\n— ${name} tests`)
  const child = spawn(
    process.execPath,
    [
      '--experimental-vm-modules',
      '--disable-warning=ExperimentalWarning',
      ROOM_FOR_THE_YOUNG,
      COMPILED_LATER,
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
  const status = await new Promise(resolve => child.once('error', () => resolve(1)).once('close', resolve))
  try {
    const result = JSON.parse(readFileSync(report, 'utf8'))
    passed += result.numPassedTests
    // a suite that could not even start counts as one failure
    failed += result.numFailedTests + result.numRuntimeErrorTestSuites
    for (const suite of result.testResults.filter(one => one.status === 'failed')) {
      const names = suite.assertionResults.filter(one => one.status === 'failed').map(one => one.fullName)
      failures.push(...(names.length > 0 ? names : ['did not start']).map(one => `${suite.name}: ${one}`))
    }
    if (status !== 0 && result.numFailedTests + result.numRuntimeErrorTestSuites === 0) failed++
  } catch {
    failed++
  }
}

/** Two at a time, and only in the time that all else leaves. */
async function atLeisure(steps) {
  const waiting = [...steps]
  const lane = async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) await step(next, AT_LEISURE)
  }
  await Promise.all([lane(), lane()])
}

await together([
  ['format', bin('oxfmt'), ['--check', '.']],
  ['types', bin('tsc'), []],
  ['lint', bin('oxlint'), ['--type-aware', '--deny-warnings', '--quiet']],
  ['unit names', process.execPath, ['scripts/check-units.mjs']],
])
const shares = atLeisure([
  ['plans of renewals, a share', ...tsx('scripts/validate-plan.ts', '--share')],
  ['histories, a share', ...tsx('scripts/validate-histories.ts', '--share')],
  ['told wrongly, one more of each', ...tsx('scripts/validate-wrongs.ts', '--share')],
  ['validation, a seeded fifth', ...tsx('scripts/validate.ts', '--fifth')],
  ['hostile files, a seeded fifth', ...tsx('scripts/validate-hostile.ts', '--fifth')],
  ['same answers, a share', ...tsx('scripts/validate-answers.ts', '--share')],
  ['a year under four rules, one box', ...tsx('scripts/validate-policy.ts', '--share')],
  ['drying runs, a share', ...tsx('scripts/validate-spools.ts', '--share')],
  ['packing, a fifth', ...tsx('scripts/validate-packing.ts', '--fifth')],
])
// a page waits for what it shows much of its time: a third worker fills the two cores
await jest('unit', ['together-unit', 'together-dom'], '--maxWorkers=3')
const built = await step(['build', process.execPath, ['scripts/build.mjs']])
if (!(await browser)) {
  failed++
  failures.push(NO_BROWSER)
} else if (built) {
  // what is kept of it and is old is reckoned anew, and says so: the tests begin with it either way
  await step(['the demonstration, one box reckoned anew', ...tsx('scripts/validate-demo.ts', '--share')])
  // browsers wait for what they show as well
  await jest('browser', ['e2e'], '--maxWorkers=3')
}
await shares
if (failures.length > 0) console.log(`\nFailed:\n${failures.join('\n')}`)
console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed === 0 ? 0 : 1)
