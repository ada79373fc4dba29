import type { HeatSource } from '#core/renewal/heat-source.ts'
import type { HeatSourceRecord, State } from './state.ts'

/** Heat sources that are still there. */
export const heatSourcesOf = (state: State): HeatSourceRecord[] =>
  [...state.heatSources.values()].filter(item => item.retiredMs === null)

/** A heat source as the core takes it: what nobody told is null. */
export const asHeatSource = (record: HeatSourceRecord): HeatSource => ({
  kind: record.kind,
  lowestC: record.lowestC ?? null,
  highestC: record.highestC ?? null,
  swingC: record.swingC ?? null,
  watts: record.watts ?? null,
  trays: record.trays ?? null,
  trayAreaCm2: record.trayAreaCm2 ?? null,
  trayDepthMm: record.trayDepthMm ?? null,
  food: record.food ?? null,
  measured: record.measured,
})
