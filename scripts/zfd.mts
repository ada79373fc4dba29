import { openStage, settled } from '../e2e/harness.ts'
import { fill } from '../e2e/own-journal.ts'
import { makeAct } from '../src/records/act.ts'
const NOW = Date.parse('2025-11-08T10:00:00Z')
let ids = 0
const maker = { nowMs: () => NOW - 3_600_000, zone: 'UTC', newId: () => `demo-shot${++ids}` }
const H = 3_600_000
const stage = await openStage()
try {
  for (const [name, o] of [
    ['fd1', { width: 1280, height: 800 }],
    ['fd2', { width: 390, height: 844 }],
  ] as const) {
    const page = await stage.open('/demo/box/cox', {
      search: '?today=2025-11-08',
      zone: 'UTC',
      fresh: true,
      ...o,
    })
    await settled(page)
    const read = (h: number, rh: number) => ({
      kind: 'reading.taken',
      atMs: NOW - 15 * H + h * H,
      payload: {
        place: { in: 'box', boxId: 'cox' },
        instrumentId: 'round-display',
        relativeHumidityPercent: rh,
        temperatureC: 8,
        temperatureKnown: 'measured',
      },
    })
    await fill(
      page,
      [
        makeAct(maker, 'x', [
          {
            kind: 'charge.heated',
            atMs: NOW - 15 * H,
            payload: { chargeId: 'cox-beads', temperatureC: 110, hours: 2, oven: 'electric', roomId: null },
          },
          read(1, 24),
          read(6, 11),
          read(13, 26),
        ] as never),
      ],
      'demo',
    )
    await page.reload()
    await page.waitForSelector('[data-part="first-days"]')
    await settled(page)
    await new Promise(r => setTimeout(r, 2500))
    await page.screenshot({ path: `/tmp/${name}.png` })
    await page.browserContext().close()
  }
  const p = await stage.open('/demo/kit/displays', {
    search: '?today=2025-11-08',
    zone: 'UTC',
    width: 390,
    height: 844,
    dark: true,
  })
  await p.waitForSelector('[data-display]')
  await new Promise(r => setTimeout(r, 800))
  await p.screenshot({ path: '/tmp/fd3.png', fullPage: true })
} finally {
  await stage.close()
  process.exit(0)
}
