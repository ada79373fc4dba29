import { HEAT_SOURCE_KINDS, HEAT_SOURCES, untoldSource, type HeatSource } from '#core/renewal/heat-source.ts'
import { asHeatSource, heatSourcesOf } from '#journal/heat-sources.ts'
import type { State } from '#journal/state.ts'

/** One that can be chosen: of the kit, or the usual one of a kind that nobody entered. */
export interface SourceChoice {
  readonly key: string
  readonly name: string
  readonly source: HeatSource
  readonly pricePerKwh: number | null
  /** null: not of the kit. */
  readonly heatSourceId: string | null
}

const usualSourceName = (kind: keyof typeof HEAT_SOURCES): string =>
  kind === 'sun' || kind === 'own heater'
    ? HEAT_SOURCES[kind].name
    : `a ${HEAT_SOURCES[kind].name}`.replace(/^a (?=[aeiou])/, 'an ')

/** Sources of the kit; where there are none, the usual of each kind. A plug-in unit has its own and no other. */
export function sourceChoices(state: State, isUnit: boolean): SourceChoice[] {
  const own = heatSourcesOf(state)
    .filter(record => (record.kind === 'own heater') === isUnit)
    .map((record): SourceChoice => ({
      key: record.heatSourceId,
      name: record.name,
      source: asHeatSource(record),
      pricePerKwh: record.pricePerKwh ?? null,
      heatSourceId: record.heatSourceId,
    }))
  if (own.length > 0) return own
  return HEAT_SOURCE_KINDS.filter(kind => (kind === 'own heater') === isUnit).map(kind => ({
    key: kind,
    name: usualSourceName(kind),
    source: untoldSource(kind),
    pricePerKwh: null,
    heatSourceId: null,
  }))
}
