import { expect, test } from '@jest/globals'
import { MATERIALS } from '../filament/catalogue.ts'
import { equilibriumMoisturePercent } from '../filament/sorption.ts'
import { USUAL_SPOOL } from '../filament/winding.ts'
import type { SpoolFacts } from './facts.ts'
import { betweenRh, spoolStart, type SpoolRh } from './spool-start.ts'

const DAY = 86_400
const spool = (material: keyof typeof MATERIALS, wetness: SpoolFacts['wetness']): SpoolFacts => ({
  id: 's',
  name: 's',
  material: MATERIALS[material],
  filamentG: 1000,
  emptyG: 220,
  cardboardG: 0,
  size: USUAL_SPOOL,
  wetness,
  inS: 0,
  outS: null,
})
const room = { temperatureC: 22, relativeHumidityPercent: 50 }
const rings = (rh: SpoolRh) => rh as readonly number[]

test('nylon dried today starts where its heat in this room leaves it: the outside near 0.2–0.35 %, the core wetter', () => {
  const dried = spool('PA6', { told: { kind: 'dried', intake: room }, group: 'g', past: [] })
  const start = spoolStart(dried)
  const moisture = (rh: number) => equilibriumMoisturePercent(MATERIALS.PA6, rh)
  const [driest, dampest] = [moisture(rings(start.low)[0]!), moisture(rings(start.high)[0]!)]
  expect(driest).toBeGreaterThan(0.05)
  expect(dampest).toBeLessThan(0.4)
  expect(dampest).toBeGreaterThan(driest)
  expect(rings(start.high).at(-1)).toBeGreaterThan(rings(start.high)[0]!)
})

test('in a damper room the same drying leaves more', () => {
  const after = (relativeHumidityPercent: number) => {
    const told = { kind: 'dried', intake: { temperatureC: 27, relativeHumidityPercent } } as const
    return rings(spoolStart(spool('PA6', { told, group: 'g', past: [] })).low)[0]!
  }
  expect(after(80)).toBeGreaterThan(1.5 * after(40))
})

test('a spool carries what it has through where it has been: two dry months outlast a day in the open', () => {
  const told = { kind: 'between', lowRhPercent: 40, highRhPercent: 60 } as const
  const dryMonths = { forS: 60 * DAY, temperatureC: 20, lowRhPercent: 8, highRhPercent: 14 }
  const openDay = { forS: DAY, temperatureC: 20, lowRhPercent: 50, highRhPercent: 60 }
  const fresh = spoolStart(spool('PLA', { told, group: 'g', past: [] }))
  expect(fresh).toEqual({ low: 40, high: 60 })
  const { low, high } = spoolStart(spool('PLA', { told, group: 'g', past: [dryMonths, openDay] }))
  expect(rings(high).at(-1)).toBeLessThan(25)
  expect(rings(low)[0]).toBeGreaterThan(30)
  // the outside has been in the open last, the core hardly noticed
  expect(rings(low)[0]).toBeGreaterThan(2 * rings(low).at(-1)!)
})

test('between the driest and the dampest, ring by ring', () => {
  expect(betweenRh({ low: 10, high: 30 }, 0.5)).toBe(20)
  const mixed = betweenRh({ low: 10, high: [30, 20, 20, 20, 20, 20, 20, 20] }, 0.5)
  expect(mixed).toEqual([20, 15, 15, 15, 15, 15, 15, 15])
})
