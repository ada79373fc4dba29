import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import { MATERIALS } from '#core/filament/catalogue.ts'
import type { MaterialId } from '#core/filament/material.ts'
import { USUAL_SPOOL } from '#core/filament/winding.ts'
import { ALWAYS, type BoxModel, type ChargeModel, type SpoolModel } from '#core/model/box-model.ts'
import { steadyAir } from '#core/ask/spool-time.ts'

const DAY_S = 86_400

/** A charge that is inside all the time, for tests. */
export const someCharge = (change: Partial<ChargeModel> = {}): ChargeModel => ({
  ...ALWAYS,
  id: 'c',
  sorbent: DESICCANTS['silica-a'].sorbent,
  dryMassG: 160,
  capacityFactor: 1,
  loadingGPerG: 0.02,
  conductanceLPerH: 7,
  solidsL: 0,
  renewals: [],
  ...change,
})

/** A spool that is inside all the time, for tests. */
export const someSpool = (
  material: MaterialId,
  wetRhPercent: number,
  change: Partial<SpoolModel> = {},
): SpoolModel => ({
  ...ALWAYS,
  id: `${material}-${wetRhPercent}`,
  material: MATERIALS[material],
  size: USUAL_SPOOL,
  filamentG: 870,
  diameterMm: 1.75,
  flanges: 'closed',
  slitShare: 0.07,
  wetRhPercent,
  cardboardG: 0,
  solidsL: 0,
  ...change,
})

/** A closed box of one charge and two spools in a steady room, for tests. */
export const someBox = (change: Partial<BoxModel> = {}): BoxModel => ({
  insideL: 11,
  inlets: [{ by: 'lid', conductanceLPerH: 0.4 }],
  charges: [someCharge()],
  spools: [someSpool('PLA', 40), someSpool('PETG', 35, { cardboardG: 210 })],
  openings: [],
  airRhPercent: 50,
  surroundings: steadyAir(19, 58),
  ...change,
})

/** Openings at even steps over a span. */
export const openingsEvery = (days: number, openSeconds: number, spanDays: number) =>
  Array.from({ length: Math.ceil(spanDays / days) - 1 }, (_, i) => ({
    atS: (i + 1) * days * DAY_S,
    openSeconds,
  }))
