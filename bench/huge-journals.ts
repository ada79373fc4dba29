// Journals far beyond any person's: a hundred thousand readings of one box, two hundred thousand acts. Prints times, bytes and
// memory in a real browser; run by `npm run bench`, or alone: tsx bench/huge-journals.ts
import { pathToFileURL } from 'node:url'
import type { Page } from 'puppeteer-core'
import { openStage, type Stage } from '../e2e/harness.ts'
import { fill, ownActs } from '../e2e/own-journal.ts'
import type { Act } from '../src/records/act.ts'

const MINUTE_MS = 60_000
const READINGS = 100_000
const READINGS_AN_ACT = 2000
const ACTS = 200_000
const PUT_AT_ONCE = 5000

export async function hugeJournals(): Promise<void> {
  const nowMs = Date.now()
  const stage = await openStage()
  try {
    if (!process.argv.includes('--acts'))
      await measured(stage, `${READINGS} readings in one box`, manyReadings(nowMs))
    await measured(stage, `${ACTS} acts`, manyActs(nowMs))
  } finally {
    await stage.close()
  }
}

/** Every minute and a half for a hundred days, in Launch. */
function manyReadings(nowMs: number): Act[] {
  const acts = ownActs(nowMs)
  const like = acts
    .flatMap(act => act.entries.map(entry => ({ act, entry })))
    .find(({ entry }) => entry.kind === 'reading.taken' && entry.subjects.includes('launch'))!
  return [
    ...acts,
    ...Array.from({ length: READINGS / READINGS_AN_ACT }, (_, part) => ({
      ...like.act,
      id: `own-many-${String(part).padStart(6, '0')}`,
      what: 'A logger',
      entries: Array.from({ length: READINGS_AN_ACT }, (__, i) => {
        const n = part * READINGS_AN_ACT + i
        return {
          ...like.entry,
          id: `own-many-e${n}`,
          at: new Date(nowMs - n * 1.5 * MINUTE_MS).toISOString(),
        }
      }) as Act['entries'],
    })),
  ]
}

/** A lid off, again and again: of every box in turn. */
function manyActs(nowMs: number): Act[] {
  const acts = ownActs(nowMs)
  const like = acts
    .flatMap(act => act.entries.map(entry => ({ act, entry })))
    .find(({ entry }) => entry.kind === 'box.opened')!
  return [
    ...acts,
    ...Array.from({ length: ACTS - acts.length }, (_, n) => {
      const at = new Date(nowMs - (ACTS - n) * MINUTE_MS).toISOString()
      return {
        ...like.act,
        id: `own-many-${String(n).padStart(6, '0')}`,
        writtenAt: at,
        entries: [{ ...like.entry, id: `own-many-e${n}`, at }] as Act['entries'],
      }
    }),
  ]
}

async function measured(stage: Stage, what: string, acts: readonly Act[]): Promise<void> {
  const page = await stage.open('/preferences', { fresh: true })
  page.setDefaultTimeout(600_000)
  await page.waitForSelector('[data-place="preferences"]')
  for (let i = 0; i < acts.length; i += PUT_AT_ONCE) await fill(page, acts.slice(i, i + PUT_AT_ONCE))
  console.log(`\n${what}: ${acts.length} acts`)
  const shelf = await opened(page, `${stage.address}#/`, '[data-slip]')
  const box = await opened(page, `${stage.address}#/box/launch`, '[data-place="box"] h1')
  // months that are over are put together after the first opening
  await new Promise(resolve => setTimeout(resolve, 30_000))
  const again = await opened(page, `${stage.address}#/`, '[data-slip]')
  const { JSHeapUsedSize } = await page.metrics()
  const bytes = await page.evaluate(async () => (await navigator.storage.estimate()).usage ?? 0)
  console.log(
    `  shelf ${shelf} ms, box ${box} ms, shelf once its months are packed ${again} ms; ${mega(JSHeapUsedSize ?? 0)} MB of memory, ${mega(bytes)} MB kept`,
  )
  await page.browserContext().close()
}

async function opened(page: Page, address: string, selector: string): Promise<number> {
  const start = performance.now()
  await page.goto(address)
  await page.reload({ waitUntil: 'domcontentloaded' })
  await page.waitForSelector(selector)
  return Math.round(performance.now() - start)
}

const mega = (bytes: number): string => (bytes / 1e6).toFixed(0)

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) await hugeJournals()
