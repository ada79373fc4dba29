import { describe, expect, test } from '@jest/globals'
import { fireEvent, screen, waitFor } from '@testing-library/react'
import jsQR from 'jsqr'
import { boathouseLoft } from '#testing/loft-once.ts'
import { makeAct, type Draft } from '#records/act.ts'
import { memoryStore, NOW, renderPlace, testMaker } from '#testing/place-harness.tsx'
import LabelsPlace from './labels-place.tsx'

const acts = boathouseLoft(NOW, 'UTC')
const answer = () => screen.getByRole('heading', { level: 1 }).textContent
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }))
async function open(at = '/labels', more: readonly Draft[] = []) {
  const store = memoryStore(more.length > 0 ? [...acts, makeAct(testMaker, 'more', more)] : [...acts])
  renderPlace(<LabelsPlace />, { store, path: '/labels', at })
  await waitFor(() => expect(document.querySelector('[data-place="labels"]')).not.toBeNull())
}

/** What an independent reader finds in each code that is drawn, in their order. */
function codes(): (string | undefined)[] {
  return [...document.querySelectorAll('[data-label]')].map(label => {
    const group = label.querySelector('g[shape-rendering="crispEdges"]')!
    const side = Number(group.querySelector('rect')!.getAttribute('width'))
    const scale = 4
    const pixels = new Uint8ClampedArray((side * scale) ** 2 * 4).fill(255)
    const d = group.querySelector('path')!.getAttribute('d')!
    for (const [, x, y, run] of d.matchAll(/M(\d+) (\d+)h(\d+)v1/g))
      for (let py = Number(y) * scale; py < (Number(y) + 1) * scale; py++)
        for (let px = Number(x) * scale; px < (Number(x) + Number(run)) * scale; px++)
          pixels.fill(0, (py * side * scale + px) * 4, (py * side * scale + px) * 4 + 3)
    return jsQR(pixels, side * scale, side * scale)?.data
  })
}

describe('labels', () => {
  test('nothing chosen: says what to do, prints nothing', async () => {
    await open()
    expect(answer()).toBe('Labels: choose for what.')
    expect(screen.queryByRole('button', { name: /^Print/ })).toBeNull()
  })
  test('one asked for: its hatch, its facts, a code that opens its page', async () => {
    await open('/labels?of=spool:spare-spool-7')
    expect(answer()).toBe('One label on 1 sheet.')
    const [label] = document.querySelectorAll('[data-label]')
    const text = label!.textContent
    expect(text).toMatch(/TPU heron/)
    expect(text).toMatch(/TPU, Slipway/)
    expect(text).toMatch(/gross 878.g/)
    expect(text).toMatch(/empty 188.g/)
    expect(text).toMatch(/preset soft, slow/)
    expect(label!.querySelector('rect')!.getAttribute('fill')).toBe('url(#hatch-TPU-teal)')
    expect(codes()).toEqual([expect.stringMatching(/#\/?.*spools\/spare-spool-7$/)])
  })
  test('found, all of them, none of them; boxes with their target', async () => {
    await open()
    fireEvent.change(screen.getByLabelText('Find'), { target: { value: 'petg' } })
    press(/^All \d+/)
    const names = [...document.querySelectorAll('[data-label]')].map(one => one.getAttribute('data-label'))
    expect(names.length).toBeGreaterThan(1)
    fireEvent.change(screen.getByLabelText('Find'), { target: { value: 'launch' } })
    press(/^All \d+/)
    expect(document.querySelector('[data-label="Launch"]')!.textContent).toMatch(/below \d+.% RH/)
    fireEvent.change(screen.getByLabelText('Find'), { target: { value: '' } })
    press('None of them')
    expect(document.querySelector('[data-label]')).toBeNull()
    fireEvent.change(screen.getByLabelText('Find'), { target: { value: 'no such thing' } })
    expect(screen.getByText('Nothing is called so.')).toBeTruthy()
  })
  test('sixty labels with long names: each once, none wider than its room, every code reads', async () => {
    const longs = Array.from({ length: 60 }, (_, i): Draft => ({
      kind: 'spool.made',
      atMs: NOW - 1e6,
      payload: {
        spoolId: `long-${i}`,
        name: `${i} Carbon-filled WWW winter order, second pallet, left door`.slice(0, 60),
        material: 'PA6-CF',
        colour: 'ink',
        filamentG: 500 + i,
        filamentKnown: 'told',
        emptyG: 200,
        cardboardG: 0,
        rimDiameterMm: 200,
        widthMm: 66,
        maker: 'A maker whose name is as long as a name may ever be, and so',
        wetness: 'unknown',
        wetnessKnown: 'assumed',
        where: { at: 'open' },
      },
    }))
    await open('/labels', longs)
    fireEvent.change(screen.getByLabelText('Find'), { target: { value: 'carbon-filled' } })
    press('All 60')
    expect(answer()).toBe('60 labels on 3 sheets.')
    const drawn = [...document.querySelectorAll('[data-label]')]
    expect(new Set(drawn.map(one => one.getAttribute('data-label'))).size).toBe(60)
    for (const one of drawn)
      for (const text of one.querySelectorAll('text'))
        expect(text.textContent.length * Number(text.getAttribute('font-size')) * 0.5).toBeLessThan(50)
    const read = codes()
    expect(read.filter(one => /spools\/long-\d+$/.test(one ?? ''))).toHaveLength(60)
    expect(new Set(read).size).toBe(60)
  }, 60_000)
  test('stickers gone, and measures that leave no room: the field and the remedy', async () => {
    await open('/labels?of=spool:spare-spool-7')
    fireEvent.change(screen.getByLabelText('Stickers gone from the first sheet'), { target: { value: '5' } })
    const place = document.querySelector('[data-label]')!.parentElement!.getAttribute('transform')!
    // the sixth: third column of the second row
    expect(place).toMatch(/^translate\(139\.33\d* 46\.125\)$/)
    fireEvent.change(screen.getByLabelText('Stickers gone from the first sheet'), { target: { value: '24' } })
    expect(screen.getByText(/Type 0 to 23/)).toBeTruthy()
    fireEvent.change(screen.getByLabelText('Columns'), { target: { value: '0' } })
    expect(screen.getByText('Type a whole number, 1 to 12.')).toBeTruthy()
    fireEvent.change(screen.getByLabelText('Columns'), { target: { value: '9' } })
    await waitFor(() => expect(document.body.textContent).toMatch(/Columns: 9 of them leave 20 mm/))
    expect(document.querySelector('[data-label]')).toBeNull()
  })
})
