import { afterEach, expect, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { useState } from 'react'
import { renderPlace } from '#testing/place-harness.tsx'
import { Dialog } from './dialog.tsx'
import { useRoving } from './roving.ts'

afterEach(cleanup)

function Opener() {
  const [open, setOpen] = useState(false)
  return (
    <>
      <button type="button" onClick={() => setOpen(true)}>
        open it
      </button>
      {open && (
        <Dialog title="A question" onClose={() => setOpen(false)}>
          <input aria-label="first" />
          <input aria-label="second" />
        </Dialog>
      )}
    </>
  )
}

test('a dialog begins at its first field, and Escape gives the focus back to what opened it', async () => {
  renderPlace(<Opener />)
  const opener = await screen.findByText('open it')
  opener.focus()
  fireEvent.click(opener)
  const first = await screen.findByLabelText('first')
  expect(first.getAttribute('data-autofocus')).toBe('true')
  fireEvent.keyDown(first, { key: 'Escape' })
  await waitFor(() => expect(screen.queryByLabelText('first')).toBeNull())
  await waitFor(() => expect(document.activeElement).toBe(opener))
})

function Wall() {
  const { ref, ...keys } = useRoving()
  return (
    <div ref={ref} {...keys}>
      {['a', 'b', 'c'].map(name => (
        <button key={name} type="button" data-roving>
          {name}
        </button>
      ))}
    </div>
  )
}
test('one stop for Tab, arrows from thing to thing, and back to where one was', async () => {
  renderPlace(<Wall />)
  const [a, b, c] = (await screen.findAllByRole('button')).filter(item => item.hasAttribute('data-roving'))
  const stops = () => [a, b, c].map(item => item!.tabIndex)
  expect(stops()).toEqual([0, -1, -1])
  a!.focus()
  fireEvent.keyDown(a!, { key: 'ArrowRight' })
  expect(document.activeElement).toBe(b)
  fireEvent.keyDown(b!, { key: 'End' })
  expect(document.activeElement).toBe(c)
  expect(stops()).toEqual([-1, -1, 0])
  fireEvent.keyDown(c!, { key: 'ArrowRight' })
  expect(document.activeElement).toBe(c)
  fireEvent.keyDown(c!, { key: 'Home' })
  expect(stops()).toEqual([0, -1, -1])
})
