// The pictures of docs/screenshots, from the demonstration on a fixed day: npm run build && npm run shots
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Page } from 'puppeteer-core'
import { openStage, problemsOf, settled, type OpenOptions } from '../e2e/harness.ts'
import { fill, ownActs, saveBackup } from '../e2e/own-journal.ts'
import { fourteenBoxes } from '../src/testing/fourteen-boxes.ts'
import { makeAct, makeWithdrawal, type Act, type Draft } from '../src/records/act.ts'
import { root } from './set-up.mjs'

const TODAY = '?today=2025-11-08'
const PHONE = { width: 390, height: 844 }
const SHOTS: readonly { name: string; hash: string; options?: OpenOptions }[] = [
  { name: 'shelf', hash: '/demo' },
  { name: 'shelf-phone', hash: '/demo', options: PHONE },
  { name: 'box', hash: '/demo/box/launch' },
  { name: 'kit', hash: '/demo/kit' },
  { name: 'beads', hash: '/demo/kit/beads/spare-beads-1' },
  { name: 'spools', hash: '/demo/spools' },
  { name: 'spool', hash: '/demo/spools/spare-spool-4' },
  { name: 'dry', hash: '/demo/spools/spare-spool-2/dry' },
  { name: 'drying-run-phone', hash: '/demo/spools/spare-spool-7/run', options: PHONE },
  { name: 'signs', hash: '/demo/spools/spare-spool-6/signs' },
  {
    name: 'labels',
    hash: `/demo/labels?of=box:launch&of=box:skeg&${[1, 2, 3, 4, 5, 6, 7].map(n => `of=spool:spare-spool-${n}`).join('&')}`,
  },
  { name: 'build-arrange', hash: '/demo/build/coxless/arrange' },
  { name: 'wrong', hash: '/demo/box/rigger/wrong' },
]
const NOW = Date.parse('2025-11-08T10:00:00Z')

const PLAN_DAY_MS = Date.parse('2027-02-02T10:00:00Z')
const stage = await openStage()
const file = (name: string) => `${join(root, 'docs/screenshots', name)}.png` as const
try {
  for (const { name, hash, options } of SHOTS) {
    const page = await stage.open(hash, { search: TODAY, zone: 'UTC', ...options })
    await settled(page)
    if (name === 'wrong') await page.waitForSelector('[role=img] svg path')
    if (name === 'spool' || name === 'dry') await page.waitForSelector('[data-part="moisture"] svg path')
    if (name === 'build-arrange')
      await page.waitForFunction(
        () => /[Tt]akes/.test(document.querySelector('h1')?.textContent ?? ''),
        {},
        { timeout: 20_000 },
      )
    if (name.startsWith('build-'))
      await page.waitForFunction(
        () =>
          !/Trying/.test(document.querySelector('h1')?.textContent ?? '') &&
          !/Sizing …|Reckoning …/.test(document.body.textContent),
        { timeout: 60_000 },
      )
    if (name === 'signs') {
      for (const question of ['sizzle', 'string or grow', 'dull, chalky'])
        await page
          .locator(
            `::-p-xpath(//fieldset[legend[contains(., "${question}")]]//label[normalize-space(.)="yes"])`,
          )
          .click()
      await page
        .locator(
          '::-p-xpath(//fieldset[legend[contains(., "other spools")]]//label[normalize-space(.)="no"])',
        )
        .click()
      await page.evaluate(() => (document.activeElement as HTMLElement).blur())
    }
    if (/^.demo.box.[a-z]+$/.test(hash))
      await page.waitForFunction(
        () =>
          !document.body.textContent.includes('Sizing …') &&
          document.querySelector('[data-part="history"] svg'),
        { timeout: 60_000 },
      )
    if (name.startsWith('kit'))
      await page.type('[data-part="quick-add"] input', '2 packets 60 g beads, orange, into Launch')
    await page.evaluate(() => document.fonts.ready)
    // the page of a box to its end, with every spool
    await page.screenshot({ path: file(name), fullPage: name === 'box' })
    console.log(name, problemsOf(page).join(' '))
    await page.close()
  }
  await dailyLife()
  await plannedRenewals()
  await broughtIn()
} finally {
  await stage.close()
}

/** The round, a session at the oven. */
async function dailyLife(): Promise<void> {
  const open = (hash: string, options: OpenOptions = {}) =>
    stage.open(hash, { search: TODAY, zone: 'UTC', fresh: true, ...options })
  const shoot = async (page: Page, name: string) => {
    await page.evaluate(() => document.fonts.ready)
    await page.screenshot({ path: file(name) })
    console.log(name, problemsOf(page).join(' '))
    await page.close()
  }
  const page = await open('/demo/round', PHONE)
  for (const rh of ['78', '15', '19']) {
    await (await page.waitForSelector('[data-part="big-number"]'))!.type(rh)
    const before = await page.$eval('[data-part="round-stop"] h1', h1 => h1.textContent)
    await page.click('[data-part="round-next"]')
    await page.waitForFunction(
      was => document.querySelector('[data-part="round-stop"] h1')!.textContent !== was,
      {},
      before,
    )
  }
  await (await page.waitForSelector('[data-part="big-number"]'))!.type('26')
  await page.waitForFunction(
    () => document.querySelector('[data-part="round-held"]')?.textContent.includes('The beads hold'),
    {
      timeout: 60_000,
    },
  )
  await page.evaluate(() => (document.activeElement as HTMLElement).blur())
  await shoot(page, 'round-phone')
  // at the oven: two charges in, weighed twice
  const oven = await open('/demo/renew', PHONE)
  await settled(oven)
  await fill(oven, atTheOven(NOW), 'demo')
  await oven.evaluate(() => (location.hash = '/demo/renew/session/demo-shot-session'))
  await oven.reload({ waitUntil: 'load' })
  await oven.waitForSelector('[data-part="timer"]')
  await oven.waitForSelector('[data-part="falls"]')
  await shoot(oven, 'session-phone')
}

/** Stroke's and Cox's beads in the bay oven for fifty minutes, as a person would have entered it. */
function atTheOven(nowMs: number): Act[] {
  const minute = 60_000
  let count = 0
  const act = (minutesAgo: number, drafts: readonly Draft[]): Act => {
    const atMs = nowMs - minutesAgo * minute
    return makeAct(
      { nowMs: () => atMs, zone: 'UTC', newId: () => `demo-shot-oven${++count}` },
      'At the oven',
      drafts,
    )
  }
  const sessionId = 'demo-shot-session'
  const stepped = (step: 'displays out' | 'weighed in' | 'in', chargeId: string | null = null): Draft => ({
    kind: 'session.stepped',
    payload: { sessionId, batch: 0, step, chargeId },
  })
  const weighedIn = (chargeId: string, grossG: number, tareG: number): Draft[] => [
    { kind: 'charge.weighed', payload: { chargeId, grossG, tareG, scaleErrorG: 1 } },
    stepped('weighed in', chargeId),
  ]
  const hot = (chargeId: string, grossG: number, tareG: number): Draft => ({
    kind: 'session.weighed',
    payload: { sessionId, batch: 0, chargeId, grossG, tareG },
  })
  return [
    act(62, [
      {
        kind: 'session.begun',
        payload: {
          sessionId,
          oven: 'electric',
          heatSourceId: 'bay-oven',
          dialC: 120,
          temperatureC: 112,
          roomId: null,
          batches: [{ minutes: 70, chargeIds: ['stroke-beads', 'cox-beads'] }],
        },
      },
    ]),
    act(60, [stepped('displays out')]),
    act(58, weighedIn('stroke-beads', 263, 125)),
    act(57, weighedIn('cox-beads', 192, 142)),
    act(50, [stepped('in')]),
    act(26, [hot('stroke-beads', 255, 125)]),
    act(4, [hot('stroke-beads', 250, 125)]),
  ]
}

/** A backup of another device, looked at before it is brought in: it takes one reading back and makes a box smaller. */
async function broughtIn(): Promise<void> {
  const nowMs = Date.now()
  const acts = ownActs(nowMs)
  let count = 0
  const maker = { nowMs: () => nowMs, zone: 'UTC', newId: () => `own-shot${++count}` }
  const here = acts.slice(0, -2)
  const taken = here.findLast(act => act.entries.length === 1)!
  const changed = makeAct(maker, 'changed', [
    { kind: 'box.changed', payload: { boxId: 'cox', name: 'Stern', widthMm: 90 } },
  ])
  const folder = mkdtempSync(join(tmpdir(), 'veld-shot-'))
  saveBackup(join(folder, 'phone.zip'), [...acts, makeWithdrawal(maker, taken), changed], nowMs)
  const page = await stage.open('/preferences', { fresh: true })
  await page.waitForSelector('[data-place]')
  await fill(page, here)
  await page.evaluate(() => (location.hash = '#/files'))
  await page.reload({ waitUntil: 'load' })
  const input = await page.waitForSelector('[data-place="files"] input[type="file"]')
  await (input as unknown as { uploadFile: (path: string) => Promise<void> }).uploadFile(
    join(folder, 'phone.zip'),
  )
  await page.waitForSelector('[data-looked]')
  await page.evaluate(() => document.fonts.ready)
  await page.screenshot({ path: file('files') })
  console.log('files', problemsOf(page).join(' '))
  rmSync(folder, { recursive: true, force: true })
  await page.close()
}

/** A fuller shelf: the plan with a day pulled too far, the sheet for its next day, a session on the laptop. */
async function plannedRenewals(): Promise<void> {
  const page = await stage.open('/preferences', { fresh: true })
  // on a day of its own: how far a session can be pulled is another on another day
  await page.evaluateOnNewDocument(shiftMs => {
    const deviceMs = Date.now
    Date.now = () => deviceMs() + shiftMs
  }, PLAN_DAY_MS - Date.now())
  await fill(page, fourteenBoxes(PLAN_DAY_MS, 'UTC'))
  await page.evaluate(() => (location.hash = '#/renew'))
  await page.reload({ waitUntil: 'load' })
  await page.waitForSelector('[data-place="renew"][data-standing]', { timeout: 180_000 })
  await settled(page)
  await page.$$eval('[data-session]', all => (all.at(-1) as SVGElement).focus())
  for (let i = 0; i < 7; i++) await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Enter')
  await page.waitForSelector('[data-part="moved"] button')
  await page.evaluate(() => document.fonts.ready)
  await page.screenshot({ path: file('plan') })
  await page.locator('::-p-xpath(//button[starts-with(normalize-space(.), "Put it back")])').click()
  await page.locator('::-p-xpath(//a[starts-with(normalize-space(.), "Sheet for")])').click()
  await page.waitForSelector('[data-sheet]')
  await page.screenshot({ path: file('sheet') })
  await page.locator('::-p-xpath(//button[contains(normalize-space(.), "begin")])').click()
  await page.locator('::-p-xpath(//button[contains(normalize-space(.), "They are out")])').click()
  await page.waitForSelector('[data-step="weighed in"]')
  await page.screenshot({ path: file('session') })
  console.log('plan sheet session', problemsOf(page).join(' '))
  await page.close()
}
