import { heatedRhPercent } from '#core/ask/heated-air.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import type { SpoolReport, StandingAir } from '#core/spool/spool-report.ts'
import { heatSourcesOf } from '#journal/heat-sources.ts'
import { roomAirOrUsual } from '#journal/room-air-or-usual.ts'
import { inShelfOrder } from '#journal/shelf-order.ts'
import type { SpoolRecord, State } from '#journal/state.ts'
import { roomOfSpool } from './spool-asked.ts'

/** Somewhere a spool may wait or print from, with the air there. */
export interface PrintPlace {
  readonly key: string
  readonly name: string
  readonly air: StandingAir
}

/** Where a spool may print from: where it is, the open room, boxes as they stand, dryers left on at a measured heat. */
export function printPlaces(
  state: State,
  spool: SpoolRecord,
  report: SpoolReport,
  nowMs: number,
  reportOf: (boxId: string) => BoxReport | undefined,
): PrintPlace[] {
  const room = roomOfSpool(state, spool)
  const { temperatureC, relativeHumidityPercent } = roomAirOrUsual(state, room, nowMs)
  const open: StandingAir = { temperatureC, rhPercent: relativeHumidityPercent }
  const isIn = (boxId: string) => spool.where.at === 'box' && spool.where.boxId === boxId
  const boxes = inShelfOrder(state).flatMap((box): PrintPlace[] => {
    const rhPercent = isIn(box.boxId) ? report.hereRhPercent : reportOf(box.boxId)?.past.middle.at(-1)
    return rhPercent == null
      ? []
      : [{ key: `box:${box.boxId}`, name: `from ${box.name}`, air: { temperatureC, rhPercent } }]
  })
  const dryers = heatSourcesOf(state).flatMap((source): PrintPlace[] => {
    const measured = source.measured.at(-1)
    return measured && (source.kind === 'dryer' || source.kind === 'dehydrator')
      ? [
          {
            key: `dryer:${source.heatSourceId}`,
            name: `from ${source.name}, left on`,
            air: {
              temperatureC: measured.measuredC,
              rhPercent: heatedRhPercent({ temperatureC, relativeHumidityPercent }, measured.measuredC),
            },
          },
        ]
      : []
  })
  const all = [{ key: 'open', name: 'in the open room', air: open }, ...boxes, ...dryers]
  // where it is now comes first
  return [...all].sort((a, b) => Number(isHere(b, spool)) - Number(isHere(a, spool)))
}

const isHere = ({ key }: PrintPlace, { where }: SpoolRecord): boolean =>
  key === (where.at === 'box' ? `box:${where.boxId}` : 'open')
