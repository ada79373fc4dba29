// The demonstration's boxes reckoned by the app in a browser, for the browser tests to begin with.
// Whole: all of them; writes docs/validation/demonstration.json and its results beside it. `--share`: what is kept there is given to the
// app, but the results of one box, which is reckoned anew and held against them; nothing is written there.
import { readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { gunzipSync, gzipSync } from 'fflate'
import type { Page } from 'puppeteer-core'
import { openStage, settled } from '../e2e/harness.ts'
import { DEMO_DAY, RECKONED, readKept, writeReckoned, type Results } from '../e2e/reckoned.ts'
import { coreHash } from './core-hash.mjs'
import { apart } from './apart.ts'
import { keptHash } from './kept-hash.ts'
import { root } from './set-up.mjs'

/** Beside it the validations' shares are measured: it may have a fifth of the machine. */
const PATIENCE_MS = 400_000
/** The boxes whose pages the tests look at, with how many beads they want. */
const SIZED = ['launch', 'skeg', 'cox', 'stroke', 'bilge', 'rigger', 'thole']
/** Of the boxes with all three results the one that is soonest done. */
const ANEW = ['report rigger', 'grams rigger', 'fresh rigger']

const isShare = process.argv.includes('--share')
const file = join(root, 'docs/validation/demonstration.json')
const resultsFile = `${file}.gz`
const hash = await coreHash()
// the loft's own times are those of where it is made: elsewhere its boxes have another history, so what is kept is of one place
if (!isShare) process.env['TZ'] = 'UTC'
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone
const problems: string[] = []

const kept: Results =
  isShare && zone === 'UTC' ? JSON.parse(Buffer.from(gunzipSync(readFileSync(resultsFile))).toString()) : []
if (isShare && zone !== 'UTC')
  console.log(
    `Reckoned for ${zone}: docs/validation/demonstration.json is of UTC, nothing is held against it.`,
  )
rmSync(RECKONED, { force: true })
if (kept.length > 0) writeReckoned({ results_demo: kept.filter(([name]) => !ANEW.includes(name)) })

const stage = await openStage()
try {
  const page = await stage.open('/demo', { fresh: true })
  await settled(page, PATIENCE_MS)
  // the plan of renewals as well, with how long fresh beads hold
  await page.evaluate(() => (location.hash = '#/demo/renew'))
  await page.waitForSelector('[data-place="renew"][data-standing]', { timeout: PATIENCE_MS })
  await settled(page, PATIENCE_MS)
  // and every spool
  await page.evaluate(() => (location.hash = '#/demo/spools'))
  await page.waitForSelector('[data-place="spools"]', { timeout: PATIENCE_MS })
  await settled(page, PATIENCE_MS)
  // and how many beads the boxes want, one in each of two windows at a time
  await sizeAll(page, await unsized(page))
  const found = await readKept(page)
  writeReckoned(found)
  if (kept.length > 0) hold(found['results_demo'] ?? [])
  else if (!isShare) {
    const results = found['results_demo'] ?? []
    writeFileSync(resultsFile, gzipSync(Buffer.from(JSON.stringify(results)), { level: 9, mtime: 0 }))
    const told = {
      what: "All that the app works out for the demonstration's boxes, spools and plan, on its day.",
      day: DEMO_DAY.split('=')[1],
      results: results.length,
      coreHash: hash,
    }
    writeFileSync(file, `${JSON.stringify(told, null, 2)}\n`)
    console.log(JSON.stringify(told, null, 2))
  }
} finally {
  await stage.close()
}
if (isShare && keptHash(file) !== hash)
  problems.push('docs/validation/demonstration.json is older than src/core.')
for (const problem of problems) console.error(problem)
if (problems.length > 0) console.error('`npx tsx scripts/validate-demo.ts` reckons all of it anew.')
process.exit(problems.length > 0 ? 1 : 0)

/** Boxes whose beads nobody has counted on the facts their report stands on. */
async function unsized(page: Page): Promise<string[]> {
  const standsOn = new Map(
    (await readKept(page))['results_demo']?.map(([name, { standsOn: on }]) => [name, on]),
  )
  return SIZED.filter(
    box => !standsOn.has(`grams ${box}`) || standsOn.get(`grams ${box}`) !== standsOn.get(`report ${box}`),
  )
}

async function sizeAll(page: Page, boxes: string[]): Promise<void> {
  const sizing = async (on: Page) => {
    for (let box = boxes.shift(); box !== undefined; box = boxes.shift()) {
      await on.goto(`${stage.address}${DEMO_DAY}#/demo/box/${box}`)
      await on.waitForSelector('[data-place="box"]', { timeout: PATIENCE_MS })
      await settled(on, PATIENCE_MS)
      await on.waitForFunction(() => !document.body.textContent.includes('Sizing …'), {
        polling: 200,
        timeout: PATIENCE_MS,
      })
    }
  }
  const lanes = [sizing(page)]
  if (boxes.length > 0) lanes.push(page.browserContext().newPage().then(sizing))
  await Promise.all(lanes)
}

/** What was found is what is kept, or a problem says where not. */
function hold(found: Results): void {
  const before = new Map(kept)
  const names = new Set(found.map(([name]) => name))
  for (const [name] of kept) if (!names.has(name)) problems.push(`${name} is kept, but was not worked out.`)
  const others: string[] = []
  for (const [name, { standsOn, value }] of found) {
    const known = before.get(name)
    if (known?.standsOn !== standsOn) others.push(name)
    else {
      const difference = apart(known.value, value)
      if (difference !== null) problems.push(`${name}: ${difference}.`)
    }
  }
  if (others.length > 0)
    problems.push(
      `${others.length} of ${found.length} results stand on other facts than those kept: ${others[0]}.`,
    )
}
