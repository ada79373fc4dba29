import { readdirSync, statSync } from 'node:fs'
import { basename, dirname, join, sep } from 'node:path'
import { afterAll, beforeAll, describe, test } from '@jest/globals'

const root = join(import.meta.dirname, '../..')
const FOLDERS = ['demo', 'scripts', 'server', 'src']
const isPageTest = path => /\.dom\.test\.tsx?$/.test(path)
const isUnitTest = path => /\.test\.ts$/.test(path) && !isPageTest(path)

/**
 * A file of tests lives for seconds and spends a quarter of them on reading modules and running code that is not compiled yet.
 * Read into one context, files share both. Each becomes a `describe` of its own, so that its hooks stay its own; what it does to
 * the page's globals it has to put back. By itself each runs as ever: `npm run unit`.
 * @param partFile `dom-2.mjs`: the second part of the page tests, of as many as there are such files beside it; the tests are dealt
 *   out among them by size, as cards are
 */
export async function runTogether(partFile) {
  const [kind] = basename(partFile).split('-')
  const parts = readdirSync(dirname(partFile)).filter(name => name.startsWith(`${kind}-`))
  const part = parts.toSorted().indexOf(basename(partFile))
  const files = filesOf(kind).filter((_, place) => dealtTo(place, parts.length) === part)
  for (const file of files) {
    await within(file, () => import(join(root, file)))
    if (globalThis.stateOfCircus.hasFocusedTests)
      throw new Error(`${file} has a test marked "only": all others here would be left out.`)
  }
}

/** To and fro, so that no part has the larger of each round. */
function dealtTo(place, parts) {
  const seat = place % parts
  return Math.floor(place / parts) % 2 === 0 ? seat : parts - 1 - seat
}

/** Largest first. */
function filesOf(kind) {
  const isOne = kind === 'dom' ? isPageTest : isUnitTest
  return FOLDERS.flatMap(folder =>
    readdirSync(join(root, folder), { recursive: true })
      .map(path => `${folder}/${path.split(sep).join('/')}`)
      .filter(isOne),
  )
    .map(file => ({ file, bytes: statSync(join(root, file)).size }))
    .sort((a, b) => b.bytes - a.bytes || (a.file < b.file ? -1 : 1))
    .map(({ file }) => file)
}

/**
 * What is told while `load` works belongs to a `describe`. Its own function may not wait for a file to be read, so the block is
 * made empty and stood in again afterwards; the environment lends Jest's state for it.
 */
async function within(name, load) {
  const state = globalThis.stateOfCircus
  const top = state.currentDescribeBlock
  let own
  describe(name, () => {
    own = state.currentDescribeBlock
  })
  state.currentDescribeBlock = own
  try {
    tidyAround()
    await load()
  } catch (reason) {
    // the others are not to be lost with it
    test('can be read', () => {
      throw reason
    })
  }
  state.currentDescribeBlock = top
}

/**
 * A page as it was before a file's tests: what it stores is gone, what was put in place of its globals is back. Only what tests
 * put there while they run, not while they are read: by then all files are.
 */
function tidyAround() {
  if (typeof window === 'undefined') return
  let before
  beforeAll(() => {
    localStorage.clear()
    sessionStorage.clear()
    history.replaceState(null, '', '/')
    before = owners().map(owner => [owner, Object.getOwnPropertyDescriptors(owner)])
  })
  afterAll(() => {
    for (const [owner, descriptors] of before) putBack(owner, descriptors)
  })
}

/** Whose properties a test replaces to see what is asked of a browser. */
const owners = () => [
  window,
  navigator,
  URL,
  ...Object.getOwnPropertyNames(window)
    .filter(name => /^HTML\w*Element$/.test(name))
    .map(name => window[name].prototype),
]

function putBack(owner, descriptors) {
  for (const key of Reflect.ownKeys(owner)) {
    const was = descriptors[key]
    const is = Object.getOwnPropertyDescriptor(owner, key)
    if (!is?.configurable || (was && was.value === is.value && was.get === is.get)) continue
    if (was) Object.defineProperty(owner, key, was)
    else Reflect.deleteProperty(owner, key)
  }
}
