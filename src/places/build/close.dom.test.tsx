import { afterEach, describe, expect, test } from '@jest/globals'
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react'
import { everyFigureAgrees } from '#testing/every-figure.ts'
import { headingOf as heading, loftActs, openBuild, planIn as plan } from '#testing/open-build.tsx'

afterEach(cleanup)
const open = (at: string) =>
  openBuild(at, loftActs, {
    grams: (_, weeks) =>
      Promise.resolve([
        { remedy: 'as it is', weeks: weeks[0]!, grams: null, perDraw: [1500] },
        { remedy: 'dry the damp spools', weeks: weeks[0]!, grams: 48, perDraw: [20, 31, 48] },
      ]),
  })
const reckoned = () => waitFor(() => expect(heading()).toMatch(/of water a day/))
const typeIn = (label: RegExp | string, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } })
const textOf = (part: string) => document.querySelector(`[data-part="${part}"]`)?.textContent ?? ''

describe('seal and fill', () => {
  test('water by path, what helps, grams dry and damp; every figure can be worked out from its reason', async () => {
    open('/build/coxless/close')
    await reckoned()
    expect(textOf('water-in')).toMatch(/lid and gasket.*in all/)
    await waitFor(() =>
      expect(textOf('charge')).toMatch(/For 8 weeks 50.g with spools that are dry \(2 packets\)/),
    )
    expect(textOf('charge')).toMatch(/straight from the room no amount holds it/)
    expect(textOf('drain')).toMatch(/apart in height/)
    expect(await everyFigureAgrees()).toBeGreaterThan(14)
  }, 60_000)
  test('packets, mugs or grams; what can’t be is refused by field and remedy', async () => {
    const store = open('/build/coxless/close')
    await reckoned()
    fireEvent.click(screen.getByText('What goes in'))
    typeIn('Packets', '0')
    typeIn('In each, g', '-5')
    typeIn('Weeks between renewals', '0')
    fireEvent.click(screen.getByText('Keep it'))
    expect(await screen.findByText(/^Packets: type a whole number from 1 to 100/)).toBeTruthy()
    expect(screen.getByText(/^In each: type more than 0/)).toBeTruthy()
    expect(screen.getByText(/^Weeks between renewals: type 1 to 104/)).toBeTruthy()
    typeIn('Told by', 'mugs')
    typeIn('Mugs', '1,5')
    typeIn('Weeks between renewals', '6')
    fireEvent.click(screen.getByText('Keep it'))
    // 1.5 × 250 mL × 0.72 g/mL
    await waitFor(() =>
      expect(plan(store)).toMatchObject({
        weeksWanted: 6,
        filling: { grams: 270, pieces: null, desiccant: 'silica-a' },
      }),
    )
    await waitFor(() => expect(heading()).toMatch(/270.g take it for/))
  })
  test('no clips at all: said with the remedy; it can do without beads, and with them again', async () => {
    const store = open('/build/coxless/close')
    await reckoned()
    fireEvent.click(screen.getByText('Strip and clips'))
    typeIn('Clips all round', '0')
    fireEvent.click(screen.getByText('Keep it'))
    expect(await screen.findByText(/^Clips: with none nothing presses the strip/)).toBeTruthy()
    typeIn('Clips all round', '12')
    fireEvent.click(screen.getByText('Keep it'))
    await waitFor(() => expect(plan(store).strip.clips).toBe(12))
    await waitFor(() => expect(textOf('strip')).not.toMatch(/gape/))
    fireEvent.click(screen.getByText('It does without beads'))
    await waitFor(() => expect(plan(store).without).toEqual(['charge']))
    await waitFor(() => expect(heading()).toMatch(/it does without beads$/))
    fireEvent.click(screen.getByText('Beads after all'))
    await waitFor(() => expect(plan(store).without).toEqual([]))
  })
  test('what could not be reckoned is said, not waited for', async () => {
    const failed = () => Promise.reject(new Error('The reckoning broke off.'))
    openBuild('/build/coxless/close', loftActs, { grams: failed, report: failed })
    await reckoned()
    await waitFor(() => expect(textOf('charge')).toMatch(/The sizes could not be reckoned/))
    await waitFor(() => expect(textOf('first-day')).toMatch(/It could not be reckoned; nothing is lost/))
  })
})
