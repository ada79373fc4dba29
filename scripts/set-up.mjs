// What a fresh machine lacks, put in place. Node built-ins only: this runs before node_modules exists.
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, statSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = join(dirname(fileURLToPath(import.meta.url)), '..')
/** Chromium without windows first: a browser test takes it two thirds of the work. */
const BROWSERS = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium']
/** Where the browser for the tests is; undefined where there is none. */
export const findChromium = () =>
  (process.env.CHROMIUM_PATH ? [process.env.CHROMIUM_PATH] : BROWSERS).find(path => existsSync(path))

export function run(command, args, options = {}) {
  return spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options }).status === 0
}

export function ensureModules() {
  const mark = join(root, 'node_modules/.package-lock.json')
  const lock = join(root, 'package-lock.json')
  if (existsSync(mark) && statSync(mark).mtimeMs >= statSync(lock).mtimeMs - 1000) return
  console.log('Installing packages (about a minute and a half) …')
  if (!run('npm', ['ci', '--no-progress', '--loglevel=error'])) {
    console.error('npm ci failed. Check the connection to the package registry and run the command again.')
    process.exit(1)
  }
}

/** @returns whether there is one now; where there is none and none can be installed, a sentence says what to do */
export async function ensureChromium() {
  const found = findChromium()
  if (found && found !== BROWSERS[1]) return true
  if (!process.env.CHROMIUM_PATH && process.getuid?.() === 0) {
    console.log('Installing the browser for the tests (Debian package chromium-headless-shell) …')
    if ((await installed('chromium-headless-shell')) || found || (await installed('chromium'))) return true
  }
  if (!found) console.error(NO_BROWSER)
  return found !== undefined
}
export const NO_BROWSER =
  'The browser tests need Chromium. Install the Debian package: apt-get install chromium-headless-shell\n' +
  '(or chromium; as root), or set CHROMIUM_PATH to a Chromium you have, then run npm test again.'

/** Where another browser would do, a machine without a network is not waited for longer than this. */
const PATIENCE_MS = 120_000
async function installed(debianPackage) {
  const quiet = {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    timeout: findChromium() && PATIENCE_MS,
  }
  return (
    (await ended('apt-get', ['update', '-qq'], quiet)) &&
    // what it recommends is a desktop: a hundred packages, printers and all, that no test asks for
    (await ended('apt-get', ['install', '-y', '-qq', '--no-install-recommends', debianPackage], quiet)) &&
    findChromium() !== undefined
  )
}

const ended = (command, args, options) =>
  new Promise(resolve => {
    const child = spawn(command, args, options)
    child.once('error', () => resolve(false))
    child.once('close', code => resolve(code === 0))
  })
