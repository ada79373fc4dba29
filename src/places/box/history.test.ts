import { describe, expect, test } from '@jest/globals'
import { boathouseLoft } from '#testing/loft-once.ts'
import { estimateBox } from '#core/estimate/estimate-box.ts'
import { boxFacts } from '#journal/box-facts.ts'
import { boxView } from '#journal/box-view.ts'
import { fold } from '#journal/fold.ts'
import { historyData } from './history-data.ts'
import { historyOption, labelled } from './history-option.ts'

const NOW = Date.parse('2025-11-08T10:00:00Z')
const DAY = 86_400_000
const state = fold(boathouseLoft(NOW, 'UTC'))
const view = boxView(state, 'launch', NOW)!
const report = estimateBox(boxFacts(state, view, NOW)!, { seed: 3, drawsPerRound: 100 })
const data = historyData(view, report, NOW, 'UTC')

describe('what the chart draws', () => {
  test('every reading, the target and its band, events in order', () => {
    expect(data.readings).toHaveLength(view.readings.length)
    expect(data.target).toBe(25)
    expect(data.nearHalfWidth).toBe(3)
    expect(data.events.map(event => event.ms)).toEqual(
      [...data.events.map(event => event.ms)].sort((a, b) => a - b),
    )
    expect(data.events.map(event => event.kind)).toContain('heat')
    expect(data.events.map(event => event.text)).toContain('2 spools in')
  })
  test('thirteen ways it may go, each from now on', () => {
    expect(data.futures).toHaveLength(13)
    for (const future of data.futures) expect(future[0]![0]).toBe(NOW)
  })
  test('the past keeps at least half of the page, and the axis holds every reading', () => {
    expect(data.toMs - NOW).toBeLessThanOrEqual(NOW - data.fromMs)
    expect(data.mostRh).toBeGreaterThanOrEqual(Math.max(...data.readings.map(([, rh]) => rh)))
  })
  test('an opening told beside a spool’s arrival is not drawn twice', () => {
    const arrival = data.events.find(event => event.kind === 'in')!
    expect(
      data.events.filter(event => event.kind === 'open' && Math.abs(event.ms - arrival.ms) < DAY),
    ).toEqual([])
  })
  test('without a reckoning it still draws what was read', () => {
    const bare = historyData(view, undefined, NOW, 'UTC')
    expect(bare.past).toBeNull()
    expect(bare.futures).toEqual([])
    expect(bare.readings.length).toBeGreaterThan(10)
  })
  test('says in words what it shows', () => expect(data.summary).toMatch(/^\d+ readings since .*target 25 %/))
})

const COLOURS = { ink: '#111', pencil: '#222', heat: '#333', ground: '#444', band: '#555' }

describe('the chart', () => {
  const option = historyOption(data, COLOURS, 1184) as Record<string, unknown> & {
    series: { type: string; lineStyle?: { color: string } }[]
  }
  test('has no legend, tooltip or toolbox', () => {
    for (const part of ['legend', 'tooltip', 'toolbox', 'dataZoom']) expect(option).not.toHaveProperty(part)
  })
  test('uses the house colours only', () => {
    const used = JSON.stringify(option).match(/#[0-9a-f]{3,6}/gi) ?? []
    for (const colour of used) expect(Object.values(COLOURS)).toContain(colour)
  })
  test('draws futures and ranges in pencil, the estimate in ink', () => {
    const lines = option.series
      .filter(item => item.type === 'line' && item.lineStyle)
      .map(item => item.lineStyle!.color)
    expect(lines.filter(colour => colour === COLOURS.pencil).length).toBeGreaterThanOrEqual(13)
    expect(lines).toContain(COLOURS.ink)
  })
})

test('event words that would touch take turns in height, and the last stand left of today', () => {
  const at = (day: number, text: string) => ({ ms: NOW - day * DAY, text, kind: 'heat' as const })
  const placed = labelled(
    {
      events: [at(60, 'oven, 2 h at 110 °C'), at(57, 'lid open'), at(1, 'oven, 2 h at 110 °C')],
      fromMs: NOW - 100 * DAY,
      toMs: NOW + 100 * DAY,
      nowMs: NOW,
    },
    1000,
  )
  expect(placed.map(item => item.level)).toEqual([0, 1, 0])
  expect(placed.map(item => item.toLeft)).toEqual([false, false, true])
})
