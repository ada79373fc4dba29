import type { HeatWanted } from '#formats/quick/wanted.ts'
import type { HeatSourceMade } from '#records/kinds/heat-source.ts'

/** A heat source as it is kept: what nobody told is left out. */
export function heatPayload(wanted: HeatWanted): Omit<HeatSourceMade, 'heatSourceId'> {
  const { kind: _, count: __, source, food, name, ...told } = wanted
  const said = Object.fromEntries(Object.entries(told).filter(([, value]) => value !== null))
  return { name, kind: source, ...said, ...(food === null ? {} : { food: food === 'yes' }) }
}
