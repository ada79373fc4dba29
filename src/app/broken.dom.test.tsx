import { afterEach, expect, test } from '@jest/globals'
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react'
import { boathouseLoft } from '#testing/loft-once.ts'
import { makeAct } from '#records/act.ts'
import { openJournal } from '#store/journal-store.ts'
import { NOW, testMaker } from '#testing/place-harness.tsx'
import { Broken } from './broken.tsx'

afterEach(async () => {
  cleanup()
  await openJournal('own').clear()
})
const [first, ...more] = boathouseLoft(NOW, 'UTC')
const reading = more.find(act => act.entries[0]!.kind === 'reading.taken')!

test('a page that cannot be drawn: the way home, the last thing done to be taken back, the records as a file', async () => {
  const store = openJournal('own')
  await store.append(first!)
  await store.append({ ...makeAct(testMaker, 'A reading of Launch', []), entries: reading.entries })
  const handed: File[] = []
  URL.createObjectURL = file => {
    handed.push(file as File)
    return 'blob:raw'
  }
  URL.revokeObjectURL = () => {}
  HTMLAnchorElement.prototype.click = () => {}
  render(<Broken error={new RangeError('Maximum call stack size exceeded')} />)
  expect(screen.getByText(/nothing is lost; what went wrong is the drawing: Maximum call stack/)).toBeTruthy()
  expect(screen.getByRole('link', { name: 'To the shelf' }).getAttribute('href')).toBe('#/')
  fireEvent.click(screen.getByRole('button', { name: 'The records as a file' }))
  await screen.findByText(/Handed to the downloads: veld-raw-records\.json/)
  expect(handed[0]!.size).toBeGreaterThan(200)
  const back = await screen.findByRole('button', { name: 'Take back: A reading of Launch' })
  fireEvent.click(back)
  await waitFor(async () => {
    const { acts } = await store.readAll()
    expect(acts.some(act => act.what === 'Took back: A reading of Launch')).toBe(true)
  })
})

test('an address with nothing at it: said, with the way home, and nothing to take back', () => {
  render(<Broken error={null} />)
  expect(screen.getByRole('heading').textContent).toBe('Nothing is kept at this address.')
  expect(screen.queryByRole('button')).toBeNull()
})
