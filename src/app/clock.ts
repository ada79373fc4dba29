import { ulid } from 'ulid'
import type { Maker } from '#records/act.ts'

/** The only place that reads the device's clock, zone and chance. */
export function deviceMaker(): Maker {
  return {
    nowMs: () => Date.now(),
    zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    newId: () => ulid(),
  }
}

/** The demonstration on another day: `?today=2028-02-29` in the address, at ten in the morning UTC. */
export function demoMaker(search: string): Maker {
  // marked, so that made-up acts are known wherever they turn up
  const device = { ...deviceMaker(), newId: () => `demo-${ulid()}` }
  const wanted = /^\d{4}-\d{2}-\d{2}$/.exec(new URLSearchParams(search).get('today') ?? '')
  const startMs = wanted ? Date.parse(`${wanted[0]}T10:00:00Z`) : Number.NaN
  if (Number.isNaN(startMs)) return device
  const shiftMs = startMs - Date.now()
  return { ...device, nowMs: () => Date.now() + shiftMs }
}
