import { afterEach, expect, test } from '@jest/globals'
import { cleanup, screen } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import { memoryStore, NOW, renderPlace } from '#testing/place-harness.tsx'
import BeadsPlace from './beads-place.tsx'

afterEach(cleanup)
const open = async (id: string) => {
  renderPlace(<BeadsPlace />, {
    store: memoryStore(boathouseLoft(NOW, 'UTC')),
    path: '/kit/beads/:id',
    at: `/kit/beads/${id}`,
  })
  return (await screen.findByRole('heading', { level: 1 })).textContent
}

test('cycles, weighings, and what is left of its capacity', async () => {
  // four heats at half a per cent each: 0.98
  expect(await open('spare-beads-1')).toBe(
    'Spare packet, port: heated 4 times, and holds about 98\u2006% of what it did.',
  )
  expect(document.body.textContent).toMatch(/93 to 103.% of what it held new/)
  expect(screen.getAllByText(/stayed in$/)).toHaveLength(4)
  expect(document.body.textContent).toMatch(/No trend: they come out as dry as at first/)
  expect(screen.getByRole('link', { name: 'Heat these' })).toBeTruthy()
})
test('never heated, never weighed: it says so', async () => {
  expect(await open('ferry-sieve')).toMatch(/never heated yet/)
  expect(document.body.textContent).toMatch(/None was weighed after its heat/)
})
test('no such beads', async () => expect(await open('nobody')).toBe('No such beads'))
