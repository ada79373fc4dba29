import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { BrowserContext, Page } from 'puppeteer-core'
import { seededRandom } from '../src/core/estimate/random.ts'
import type { Act } from '../src/records/act.ts'
import type { State } from '../src/journal/state.ts'
import { undoSteps } from '../src/journal/undo.ts'
import { isTakenBack } from '../src/journal/in-force.ts'
import { toldFirstBox } from './first-box.ts'
import { boxesStand, openStage, problemsOf, setDemoDay, type Stage } from './harness.ts'
import { ownActs, records, refill, saveBackup, stateOf } from './own-journal.ts'
import { DEMO_DAY_MS } from './reckoned.ts'

let stage: Stage
let folder: string
const acts = ownActs(DEMO_DAY_MS)
const few = acts.slice(0, -6)

beforeAll(async () => {
  stage = await openStage()
  folder = mkdtempSync(join(tmpdir(), 'veld-files-'))
  saveBackup(join(folder, 'all.zip'), acts, DEMO_DAY_MS)
}, 60_000)
afterAll(async () => {
  await stage.close()
  rmSync(folder, { recursive: true, force: true })
})

/** An own journal of its own context, filled; the app is not open yet. */
const ownPage = (list = few): Promise<Page> => stage.open(null, { fresh: true, onDemoDay: true, acts: list })
const go = async (page: Page, hash: string, wait: string) => {
  const isOpen = page.url().startsWith(`${stage.address}#`)
  await page.goto(`${stage.address}#${hash}`)
  if (isOpen) await page.reload()
  return page.waitForSelector(wait)
}
/** A page of the same address without the app: what was written is looked at before the app could tidy it. */
const again = async (context: BrowserContext): Promise<Page> => {
  const page = await context.newPage()
  await page.goto(`${stage.address}icon-180.png`)
  return page
}
const wait = (ms: number) => new Promise(resolve => setTimeout(resolve, ms))
/** Ends the page's process at once, as a phone out of battery does. */
async function kill(page: Page): Promise<void> {
  const client = await page.createCDPSession()
  await Promise.race([client.send('Page.crash').catch(() => {}), wait(250)])
  await page.close().catch(() => {})
}
const clickText = (page: Page, text: string) =>
  page.evaluate(wanted => {
    const found = [...document.querySelectorAll<HTMLElement>('button, summary, a')].find(
      item => item.textContent.trim() === wanted,
    )
    found?.click()
    return found !== undefined
  }, text)

const random = seededRandom(77)
/** Moments of each of the eight doings at which the page dies: forty where the validation runs whole. */
const MOMENTS = process.env['VELD_KILLS'] ? 40 : 1
const LIMIT_MS = process.env['VELD_KILLS'] ? 900_000 : 120_000

describe('the page killed at a random moment', () => {
  test(
    'during the round: what was answered for is kept, nothing is half there',
    async () => {
      let page = await ownPage()
      const context = page.browserContext()
      for (let i = 0; i < MOMENTS; i++) {
        await refill(page, few)
        await go(page, '/round', '[data-part="round-stop"]')
        const killAt = Date.now() + 100 + random.uniform() * 1600
        const dying = page
        let answered = 0
        const typing = (async () => {
          for (let stop = 0; stop < 9; stop++) {
            const before = await dying.$eval('[data-part="round-stop"] h1', h1 => h1.textContent)
            await dying.keyboard.type('33')
            await dying.keyboard.press('Enter')
            await dying.keyboard.press('Enter')
            // a question is answered by pressing on
            await dying.keyboard.press('Enter')
            await dying.waitForFunction(
              name => document.querySelector('[data-part="round-stop"] h1')?.textContent !== name,
              { polling: 20 },
              before,
            )
            answered = stop + 1
          }
        })().catch(() => {})
        await wait(Math.max(0, killAt - Date.now()))
        const sure = answered
        await kill(page)
        await typing
        page = await again(context)
        const { acts: found, state } = stateOf(await records(page))
        const fresh = found.slice().filter(act => !few.some(old => old.id === act.id))
        expect(fresh.length).toBeGreaterThanOrEqual(sure)
        for (const act of fresh)
          expect(act.entries.filter(entry => entry.kind === 'reading.taken')).toHaveLength(1)
        expect(state.contradictions).toEqual([])
      }
      await context.close()
    },
    LIMIT_MS,
  )

  test(
    'during a swap: both beads have moved, or neither',
    async () => {
      let page = await ownPage()
      const context = page.browserContext()
      for (let i = 0; i < MOMENTS; i++) {
        await refill(page, few)
        await go(page, '/box/cox', '[data-place="box"]')
        await page.keyboard.press('m')
        await page.waitForSelector('[data-part="move-form"]')
        await page.select('[data-part="move-form"] select', 'cox-beads')
        await page.waitForFunction(
          () => document.querySelectorAll('[data-part="move-form"] select').length === 2,
        )
        const other = (await page.$$('[data-part="move-form"] select'))[1]!
        await other.select('ferry-beads')
        await page.evaluate(() => {
          const away = [...document.querySelectorAll<HTMLElement>('[data-part="place-word"]')].find(item =>
            item.textContent.includes('put away'),
          )
          away?.click()
        })
        await clickText(page, 'Keep it')
        await wait(random.uniform() * 60)
        await kill(page)
        page = await again(context)
        const { state } = stateOf(await records(page))
        const places = [state.charges.get('cox-beads')!.boxId, state.charges.get('ferry-beads')!.boxId]
        expect([
          ['cox', 'ferry'],
          [null, 'cox'],
        ]).toContainEqual(places)
        expect(state.contradictions).toEqual([])
      }
      await context.close()
    },
    LIMIT_MS,
  )

  const spoolsOf = (list: readonly Act[]) => stateOf(byId(list)).state.spools.size
  /** What a person does up to the last press, and the last press itself. */
  const DOINGS: readonly {
    readonly name: string
    readonly before: readonly Act[]
    readonly ready: (page: Page) => Promise<unknown>
    readonly press: (page: Page) => Promise<unknown>
    /** How much of it is there: nothing, or all. */
    readonly there: (state: State) => number
    readonly all: number
  }[] = [
    {
      name: 'first use',
      before: [],
      ready: async page => {
        await go(page, '/start', '[data-place="start"] input')
        await toldFirstBox(page)
      },
      press: page => page.$eval('[data-place="start"] button[type="submit"]', item => item.click()),
      there: state => state.boxes.size + state.readings.length + state.instruments.size,
      all: 3,
    },
    {
      name: 'undo',
      before: acts,
      ready: page => go(page, '/entries', '[data-part="undo"]'),
      press: page => page.$eval('button[data-part="undo"]', item => item.click()),
      there: state => stateOf(byId(acts)).state.readings.length - state.readings.length,
      all: undoSteps(acts).undo!.entries.filter(entry => entry.kind === 'reading.taken').length,
    },
    {
      name: 'the quick field',
      before: few,
      ready: async page => {
        await go(page, '/kit', '[data-part="quick-add"] input')
        await page.type('[data-part="quick-add"] input', 'PETG teal 1 kg into Launch')
        await page.waitForSelector('[data-part="quick-add"] button[type="submit"]:not([disabled])')
      },
      press: page => page.$eval('[data-part="quick-add"] button[type="submit"]', item => item.click()),
      there: state => state.spools.size - spoolsOf(few),
      all: 1,
    },
    {
      name: 'a batch',
      before: few,
      ready: async page => {
        await go(page, '/kit', '[data-part="quick-add"] input')
        await clickText(page, 'Paste a list')
        await (await page.waitForSelector('textarea'))!.type(
          ['PLA red 1 kg into Launch', 'PETG teal 1 kg into Launch', 'PLA white 1 kg into Cox'].join('\n'),
        )
        await page.waitForSelector('[role="dialog"] button[type="submit"]:not([disabled])')
      },
      press: page => page.$eval('[role="dialog"] button[type="submit"]', item => item.click()),
      there: state => state.spools.size - spoolsOf(few),
      all: 3,
    },
  ]
  test.each(DOINGS)(
    'at the last press of $name: as before, or as after',
    async ({ before, ready, press, there, all }) => {
      let page = await ownPage([])
      const context = page.browserContext()
      for (let i = 0; i < MOMENTS; i++) {
        await refill(page, before)
        await ready(page)
        await press(page)
        await wait(random.uniform() * 60)
        await kill(page)
        page = await again(context)
        const { acts: found, state } = stateOf(await records(page))
        expect([before.length, before.length + 1]).toContain(found.length)
        expect([0, all]).toContain(there(state))
        expect(state.contradictions).toEqual([])
      }
      await context.close()
    },
    LIMIT_MS,
  )

  test.each([
    ['together', ['Bring it together']],
    ['replace', ['Or put it in place of everything here', 'Replace everything']],
  ])(
    'while files are brought %s: as before, or as after',
    async (doing, words) => {
      const [before, after] = [stateOf(byId(few)), stateOf(byId(acts))].map(
        item => item.state.readings.length,
      )
      const seen = new Set<number>()
      let page = await ownPage()
      const context = page.browserContext()
      for (let i = 0; i < MOMENTS; i++) {
        await refill(page, few)
        await go(page, '/files', '[data-place="files"] input[type="file"]')
        const input = await page.$('[data-place="files"] input[type="file"]')
        await (input as unknown as { uploadFile: (path: string) => Promise<void> }).uploadFile(
          join(folder, 'all.zip'),
        )
        await page.waitForSelector('[data-looked]')
        if (doing === 'replace') {
          await clickText(page, words[0]!)
          await (await page.waitForSelector('[data-looked] input'))!.type('replace')
        }
        await clickText(page, words.at(-1)!)
        await wait(random.uniform() * 50)
        await kill(page)
        page = await again(context)
        const { state } = stateOf(await records(page))
        seen.add(state.readings.length)
        expect([before, after]).toContain(state.readings.length)
        expect(state.contradictions).toEqual([])
      }
      await context.close()
      expect(seen.size).toBeGreaterThan(0)
    },
    LIMIT_MS,
  )
})
const byId = (list: readonly Act[]) => Object.fromEntries(list.map(act => [act.id, act]))

/** Acts each of two tabs writes: four hundred together where the validation runs whole. */
const ACTS_A_TAB = process.env['VELD_KILLS'] ? 200 : 30
test(`two tabs press undo and take back ${ACTS_A_TAB} times each: nothing is lost or taken back twice, and each hears the other`, async () => {
  const page = await ownPage()
  const context = page.browserContext()
  await go(page, '/entries', '[data-place="entries"]')
  const other = await context.newPage()
  await setDemoDay(other)
  await other.goto(`${stage.address}#/entries`)
  await other.waitForSelector('[data-place="entries"] [data-part="entry-row"]')
  await page.bringToFront()
  const write = (tab: Page) =>
    tab.evaluate(async acts => {
      // a tab that is not in front has its timers slowed; a message is not
      const tick = () =>
        new Promise<void>(resolve => {
          const { port1, port2 } = new MessageChannel()
          port1.onmessage = () => resolve()
          port2.postMessage(null)
        })
      // through the app: each press of an enabled button is one act
      for (let i = 0; i < acts; i++) {
        let button: HTMLButtonElement | undefined
        while (!button) {
          await tick()
          button = [...document.querySelectorAll<HTMLButtonElement>('button')].find(
            item => item.textContent.startsWith(i % 2 === 0 ? 'Take back' : 'Undo') && !item.disabled,
          )
        }
        button.click()
        // one press after the other: each is kept or refused before the next
        for (let n = 0; n < 20; n++) await tick()
        while (
          [...document.querySelectorAll<HTMLButtonElement>('button:disabled')].some(item =>
            /^(Take back|Undo)/.test(item.textContent),
          )
        )
          await tick()
      }
    }, ACTS_A_TAB)
  const count = Object.keys(await records(page)).length
  await Promise.all([write(page), write(other)])
  await wait(1500)
  const found = await records(page)
  const { acts: all } = stateOf(found)
  const written = all.length - count
  // a press is lost only to one of the other tab's that stands
  expect(written).toBeGreaterThanOrEqual(ACTS_A_TAB)
  expect(written).toBeLessThanOrEqual(2 * ACTS_A_TAB)
  // one press that stands for each thing that is taken back: of two tabs at once the later is told
  const of = new Map<string, number>()
  for (const { withdraws, id } of all)
    if (withdraws !== undefined && !isTakenBack(all, id)) of.set(withdraws, (of.get(withdraws) ?? 0) + 1)
  expect([...of.values()].filter(times => times > 1)).toEqual([])
  const shown = (tab: Page) => tab.$eval('h1', h1 => h1.textContent)
  expect(await shown(page)).toBe(await shown(other))
  await context.close()
}, 120_000)

describe('records that do not read', () => {
  test('damaged by hand: set aside, counted, everything else shown, and it can be taken out', async () => {
    const page = await ownPage()
    await page.evaluate(
      () =>
        new Promise<void>(resolve => {
          const request = indexedDB.open('veld')
          request.onsuccess = () => {
            const transaction = request.result.transaction('journal_own', 'readwrite')
            const store = transaction.objectStore('journal_own')
            store.put('scrambled', 'own-00003-broken')
            store.put({ id: 'x', format: 7 }, 'x')
            store.put(null, 'nothing')
            store.openCursor().onsuccess = event => {
              const cursor = (event.target as IDBRequest<IDBCursorWithValue | null>).result
              const value = cursor?.value as { what?: string; entries?: unknown } | undefined
              if (!cursor) return
              if (value?.what?.includes('Round of the shelf')) cursor.update({ ...value, entries: 'gone' })
              else cursor.continue()
            }
            transaction.oncomplete = () => {
              request.result.close()
              resolve()
            }
          }
        }),
    )
    await go(page, '/', '[data-place="shelf"]')
    expect(await page.$eval('p[role="status"]', notice => notice.textContent)).toMatch(
      /4 records could not be read/,
    )
    await boxesStand(page, 9)
    await go(page, '/files', '[data-place="files"]')
    await page.waitForFunction(() => document.body.textContent.includes('4 records that do not read'))
    await page.evaluate(() => {
      Object.assign(window, { handed: [] })
      HTMLAnchorElement.prototype.click = function () {
        ;(window as unknown as { handed: string[] }).handed.push(this.download)
      }
    })
    await clickText(page, 'Take them out as a file')
    await page.waitForFunction(() =>
      (window as unknown as { handed: string[] }).handed[0]?.startsWith('veld-set-aside'),
    )
    expect(problemsOf(page)).toEqual([])
    await page.close()
  }, 90_000)
})
