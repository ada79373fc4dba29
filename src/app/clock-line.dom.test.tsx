import { afterEach, expect, test } from '@jest/globals'
import { cleanup, fireEvent } from '@testing-library/react'
import { makeAct } from '#records/act.ts'
import { memoryStore, NOW, renderPlace, testMaker } from '#testing/place-harness.tsx'
import { ClockLine } from './clock-line.tsx'

afterEach(cleanup)
const opened = (hours: number) =>
  makeAct({ ...testMaker, nowMs: () => NOW + hours * 3_600_000 }, 'A box', [
    { kind: 'box.changed', payload: { boxId: 'launch', name: 'Launch' } },
  ])
const line = (hours: readonly number[]) =>
  renderPlace(
    <>
      <ClockLine />
      <p>the page</p>
    </>,
    { store: memoryStore(hours.map(opened)), path: '/' },
  )

test('written by a clock ahead of this one: asked which is wrong, until it is answered', async () => {
  const page = line([-5, 7 * 24, 50])
  const said = await page.findByRole('status')
  expect(said.textContent).toMatch(
    /^2 things were written by a clock that was ahead of this one: it said Sat 15 Nov, .* this device says Sat 8 Nov/,
  )
  expect(page.getByRole('link').getAttribute('href')).toBe('/entries')
  fireEvent.click(page.getByText('This clock is right'))
  expect(page.queryByRole('status')).toBeNull()
})

test('devices that differ by hours are not asked about', async () => {
  const page = line([-5, 23])
  await page.findByText('the page')
  expect(page.queryByRole('status')).toBeNull()
})
