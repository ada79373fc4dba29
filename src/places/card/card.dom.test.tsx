import { afterEach, expect, test } from '@jest/globals'
import { cleanup, screen, waitFor } from '@testing-library/react'
import jsQR from 'jsqr'
import { boathouseLoft } from '#testing/loft-once.ts'
import { makeAct } from '#records/act.ts'
import { sameThreadEstimator } from '#workers/calls.ts'
import { idleEstimator, memoryStore, NOW, renderPlace, testMaker } from '#testing/place-harness.tsx'
import CardPlace from './card-place.tsx'
import { qrModules } from '#draw/qr-code.tsx'

afterEach(cleanup)

/** Modules as a picture a camera would take: each 4 px, with the quiet zone. */
function picture(text: string): { data: Uint8ClampedArray; side: number } {
  const { size, isDark } = qrModules(text)
  const side = (size + 8) * 4
  const data = new Uint8ClampedArray(side * side * 4).fill(255)
  for (let y = 0; y < side; y++)
    for (let x = 0; x < side; x++)
      if (isDark(Math.floor(x / 4) - 4, Math.floor(y / 4) - 4))
        data.fill(0, (y * side + x) * 4, (y * side + x) * 4 + 3)
  return { data, side }
}

test.each(['http://127.0.0.1:4180/#/box/01ABCDEF', 'https://somewhere.example/tools/veld/#/demo/box/launch'])(
  'another program reads the code of %s',
  address => {
    const { data, side } = picture(address)
    expect(jsQR(data, side, side)?.data).toBe(address)
  },
)

test('the card says what is in it and what to keep', async () => {
  renderPlace(<CardPlace />, {
    store: memoryStore(boathouseLoft(NOW, 'UTC')),
    path: '/box/:boxId/card',
    at: '/box/stroke/card',
  })
  expect(await screen.findByRole('heading', { level: 1, name: 'Stroke' })).toBeTruthy()
  const text = document.querySelector('[data-part="card"]')!.textContent.replaceAll('\u2006', ' ')
  expect(text).toMatch(/keep below 20 % RH/)
  expect(text).toMatch(/PETG teal PETG, \d+ g left, below 20 %/)
  expect(text).toMatch(/of silica beads, \d+ L clip box, long/)
  expect(screen.getByRole('img', { name: 'Opens the page of Stroke' })).toBeTruthy()
})

test('a box closed lately says on its card what its display should show in the first days', async () => {
  const heated = makeAct(testMaker, 'Cox: renewed', [
    {
      kind: 'charge.heated',
      atMs: NOW - 3_600_000,
      payload: { chargeId: 'cox-beads', temperatureC: 110, hours: 2, oven: 'electric', roomId: null },
    },
  ])
  renderPlace(<CardPlace />, {
    store: memoryStore([...boathouseLoft(NOW, 'UTC'), heated]),
    path: '/box/:boxId/card',
    at: '/box/cox/card',
    estimator: { ...idleEstimator, firstDay: facts => sameThreadEstimator.firstDay(facts) },
  })
  const line = await waitFor(
    () => {
      const found = document.querySelector('[data-part="card-first-days"]')
      expect(found).not.toBeNull()
      return found!
    },
    { timeout: 20_000 },
  )
  expect(line.textContent).toMatch(/it should show \d+–\d+ after 1 h, \d+–\d+ after 6 h, .* after three days/)
}, 30_000)
