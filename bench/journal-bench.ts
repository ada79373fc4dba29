// The life of a long journal in a real browser: 40 boxes over five years. Prints times, bytes and the three costliest
// functions; run by `npm run bench`.
import { BOXES, longJournal } from './long-journal.ts'
import { existsSync, readFileSync } from 'node:fs'
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import type { Page } from 'puppeteer-core'
import { openStage, settled, type Stage } from '../e2e/harness.ts'
import { plainServer } from '../e2e/plain-server.ts'
import { root } from '../scripts/set-up.mjs'
import type { Act } from '../src/records/act.ts'
import { fill, records } from '../e2e/own-journal.ts'
import { inForce } from '../src/journal/in-force.ts'
import { fold } from '../src/journal/fold.ts'
import { undoSteps } from '../src/journal/undo.ts'

export async function journalBench(): Promise<void> {
  const nowMs = Date.now()
  const acts = longJournal(nowMs)
  const entries = acts.reduce((sum, act) => sum + act.entries.length, 0)
  console.log(`\nLong journal: ${BOXES} boxes, ${acts.length} acts, ${entries} entries`)
  const timed = (what: string, work: () => unknown) => {
    const start = performance.now()
    work()
    console.log(`  ${what}, in Node: ${Math.round(performance.now() - start)} ms`)
  }
  timed('fold', () => fold(acts))
  timed('undo steps', () => undoSteps(acts))
  const stage = await openStage()
  console.log(`  its three costliest functions: ${await costliest(stage, acts)}`)
  const page = await filled(stage, acts)
  const started = performance.now()
  await shelfDrawn(page, stage.address)
  console.log(`  cold start to a drawn shelf: ${Math.round(performance.now() - started)} ms`)

  await forecastAll(page)
  // the months are packed by now, and every result stands under its facts
  const again = performance.now()
  await shelfDrawn(page, stage.address)
  const drawn = performance.now()
  await settled(page, 60_000)
  console.log(
    `  cold start with its months packed: ${Math.round(drawn - again)} ms; every date ${Math.round(performance.now() - drawn)} ms after the shelf`,
  )

  // one edit of a reading four years old, through the page
  const before = await records(page)
  const old = inForce(acts).find(
    item => item.entry.kind === 'reading.taken' && item.atMs > nowMs - 4 * 365 * 86_400_000,
  )!
  const day = new Date(old.atMs).toISOString().slice(0, 10)
  await page.goto(`${stage.address}#/entries?kind=reading.taken&box=${old.entry.subjects[0]!}`)
  await page.waitForSelector('[data-part="entry-row"]', { timeout: 60_000 })
  for (let i = 0; i < 60 && (await page.$(`[data-entry="${old.entry.id}"]`)) === null; i++)
    await page.evaluate(() =>
      [...document.querySelectorAll<HTMLElement>('button')]
        .find(item => item.textContent === 'Show earlier')
        ?.click(),
    )
  await page.evaluate(
    id => document.querySelector<HTMLElement>(`[data-entry="${id}"] button`)?.click(),
    old.entry.id,
  )
  const field = await page.waitForSelector('[role="dialog"] form input')
  await field!.evaluate(input => input.select())
  await field!.type('77')
  const edit = await acted(
    () => page.keyboard.press('Enter'),
    () =>
      page.waitForFunction(
        () => !document.querySelector('[role="dialog"]') && document.querySelector('[data-part="undo"]'),
      ),
  )
  const after = await records(page)
  console.log(`  one edit of a reading of ${day}: ${edit} ms, ${bytesNew(before, after)} bytes written`)
  const undo = await acted(
    () => page.click('[data-part="undo"]'),
    () =>
      page.waitForFunction(() =>
        [...document.querySelectorAll('[data-part="undo"]')].some(item =>
          item.textContent.startsWith('Redo'),
        ),
      ),
  )
  console.log(`  one undo: ${undo} ms, ${bytesNew(after, await records(page))} bytes written`)
  await stage.close()
}

/** All forty boxes reckoned through the pool of workers, and the longest the page was busy meanwhile. */
async function forecastAll(page: Page): Promise<void> {
  const started = performance.now()
  await page.evaluate(() => {
    const seen: number[] = []
    new PerformanceObserver(list => {
      for (const entry of list.getEntries()) seen.push(entry.duration)
    }).observe({ type: 'longtask' })
    Object.assign(window, { longTasks: seen })
  })
  await settled(page, 400_000)
  const longest = await page.evaluate(() =>
    Math.max(0, ...(window as unknown as { longTasks: number[] }).longTasks),
  )
  console.log(
    `  forecast of ${BOXES} boxes through the pool, 350 draws that count each over 400 days behind and 400 ahead: ${((performance.now() - started) / 1000).toFixed(0)} s; longest task of the page meanwhile: ${longest === 0 ? 'under 50' : longest.toFixed(0)} ms`,
  )
}

async function filled(stage: Stage, acts: readonly Act[], at?: string): Promise<Page> {
  const page = await stage.open('/preferences', { fresh: true, ...(at === undefined ? {} : { at }) })
  await page.waitForSelector('[data-place="preferences"]')
  for (let i = 0; i < acts.length; i += 2000) await fill(page, acts.slice(i, i + 2000))
  return page
}

async function shelfDrawn(page: Page, address: string): Promise<void> {
  await page.goto(`${address}#/`)
  await page.reload({ waitUntil: 'domcontentloaded' })
  await page.waitForFunction(
    count => document.querySelectorAll('[data-slip]').length === count,
    { polling: 20, timeout: 120_000 },
    BOXES,
  )
}

/** The cold start again on a build that kept its names, under the profiler. */
async function costliest(stage: Stage, acts: readonly Act[]): Promise<string> {
  const folder = join(root, '.tmp/bench-dist')
  spawnSync(
    process.execPath,
    [
      join(root, 'node_modules/vite/bin/vite.js'),
      'build',
      '--minify',
      'false',
      '--outDir',
      folder,
      '--logLevel',
      'error',
    ],
    { cwd: root },
  )
  const server = await plainServer(folder, '/')
  const page = await filled(stage, acts, server.address)
  const client = await page.createCDPSession()
  await client.send('Profiler.enable')
  await client.send('Profiler.start')
  await shelfDrawn(page, server.address)
  const { profile } = await client.send('Profiler.stop')
  await page.close()
  await server.close()
  const self = new Map<string, number>()
  const sampleMs = (profile.endTime - profile.startTime) / Math.max(1, profile.samples?.length ?? 1) / 1000
  // an arrow without a name is told by its line
  const nameOf = ({ functionName, url, lineNumber }: (typeof profile.nodes)[number]['callFrame']): string => {
    if (functionName) return functionName
    const file = join(folder, new URL(url || server.address).pathname)
    const line =
      /\.js$/.test(file) && existsSync(file) ? readFileSync(file, 'utf8').split('\n')[lineNumber] : undefined
    return `(unnamed: ${line?.trim().slice(0, 70) ?? '?'})`
  }
  const names = new Map(profile.nodes.map(node => [node.id, nameOf(node.callFrame)]))
  for (const id of profile.samples ?? []) {
    const name = names.get(id) ?? '(program)'
    if (!/^\((idle|program|root)\)/.test(name)) self.set(name, (self.get(name) ?? 0) + sampleMs)
  }
  return [...self]
    .sort((a, b) => b[1] - a[1])
    .slice(0, 3)
    .map(([name, ms]) => `${name} ${Math.round(ms)} ms`)
    .join('; ')
}

async function acted(act: () => Promise<unknown>, done: () => Promise<unknown>): Promise<number> {
  const start = performance.now()
  await act()
  await done()
  return Math.round(performance.now() - start)
}

/** What was written, as JSON: new records only, since none is ever written again. */
const bytesNew = (before: Record<string, unknown>, after: Record<string, unknown>): number =>
  Object.entries(after)
    .filter(([key]) => !(key in before))
    .reduce((sum, [, value]) => sum + Buffer.byteLength(JSON.stringify(value)), 0)
