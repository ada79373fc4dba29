import { least } from '#units/extremes.ts'
import { secondsFromDays, secondsFromMs } from '#units/time.ts'
import type { Arrangement } from '#core/build/arrangement.ts'
import type { LeakRange } from '#core/build/fittings.ts'
import { insideL, surfaceM2 } from '#core/build/inside.ts'
import { wallConductanceLPerH, wallLaw } from '#core/container/wall.ts'
import type { BoxFacts } from '#core/evidence/facts.ts'
import { freshnessRange } from '#core/evidence/freshness.ts'
import { wetnessTold } from '#core/evidence/wetness.ts'
import { USUAL_HYGROMETER } from '#core/reading/hygrometer.ts'
import type { PlanCandidate, PlanFilling } from '#records/kinds/plan.ts'
import { insideOfCandidate, type PlanSpool } from './plan-wish.ts'
import { profileOf, roomAirAt } from './room-air.ts'
import { readingsOf } from './readings-of.ts'
import type { PlanRecord, State } from './state.ts'

const FIRST_DAY_S = secondsFromDays(1)

/**
 * A planned box as the estimator knows boxes: closed now, its spools straight from the room, its beads new. All that
 * leaks stands as one lid.
 * @param atS how long after closing it is looked at: 0, or a day
 */
export function planBoxFacts(
  plan: PlanRecord,
  candidate: PlanCandidate,
  arrangement: Arrangement | null,
  spools: readonly PlanSpool[],
  leak: LeakRange,
  filling: PlanFilling,
  state: State,
  nowMs: number,
  isFirstDay: boolean,
): BoxFacts | null {
  const room = state.rooms.get(plan.roomId)
  if (!room) return null
  const air = roomAirAt(state, room, nowMs)
  const inside = insideOfCandidate(candidate)
  const going = new Set(arrangement?.lines.flatMap(line => line.spools.map(({ id }) => id)))
  const fromS = secondsFromMs(nowMs)
  const stay = { inS: fromS, outS: null }
  const inIt = spools.filter(spool => going.has(spool.id))
  if (inIt.length === 0) return null
  return {
    fromS,
    nowS: isFirstDay ? fromS + FIRST_DAY_S : fromS,
    insideL: insideL(inside),
    wall: {
      conductanceLPerH: wallConductanceLPerH(candidate.wall, surfaceM2(inside), candidate.wallThicknessMm),
      law: wallLaw(candidate.wall),
    },
    leak: { lowLPerH: leak.lowLPerH, highLPerH: leak.highLPerH, name: 'lid and holes', knowledge: 'told' },
    openingsPerMonth: plan.openingsPerMonth,
    openings: [],
    charges: [
      {
        id: 'planned-charge',
        name: 'the beads',
        kind: filling.desiccant,
        dryMassG: filling.grams,
        massKnowledge: 'told',
        holder: filling.holder,
        freshness: freshnessRange('new', filling.desiccant, air),
        ...stay,
        cycles: { usual: 0, overheated: 0 },
        heatings: [],
        weighings: [],
        looks: [],
      },
    ],
    spools: inIt.map(spool => ({
      id: spool.id,
      name: spool.name,
      material: state.materials[spool.material],
      filamentG: spool.filamentG,
      emptyG: spool.weightG - spool.filamentG,
      cardboardG: spool.cardboardG,
      size: spool.size,
      wetness: { told: wetnessTold('weeks in the room', air), group: 'weeks in the room', past: [] },
      ...stay,
    })),
    room: {
      profile: profileOf(room),
      readings: readingsOf(state, { in: 'room', roomId: room.roomId })
        .filter(reading => reading.atMs <= nowMs)
        .slice(-40)
        .map(reading => ({
          atS: secondsFromMs(reading.atMs),
          temperatureC: reading.temperatureC,
          relativeHumidityPercent: reading.relativeHumidityPercent,
        })),
      knowledge: room.climateKnown,
    },
    hygrometer: USUAL_HYGROMETER,
    readings: [],
    targetRhPercent: least(inIt.map(spool => state.materials[spool.material].targetRhPercent)),
  }
}
