import { vapourPressureOfRhPa } from '#core/air/vapour.ts'
import { floorAfterAnswer, residualAnswer } from '#core/answers/renewal-answers.ts'
import { afterHeating, ovenVapourPressurePa } from '#core/renewal/after-heating.ts'
import type { Oven } from '#records/kinds/charge.ts'
import type { Room } from '#records/kinds/room.ts'
import { roomAirAt } from '#journal/room-air.ts'
import type { ChargeRecord, State } from '#journal/state.ts'
import { Figure } from '#ui/figure.tsx'
import { inTenths, inWhole, THIN } from '#ui/format.ts'
import { useMeasures } from '#ui/use-measures.ts'

/** What this heat would leave in the beads, and the lowest air they could hold afterwards, in this room on this day. */
export function AfterLine({
  state,
  charge,
  room,
  oven,
  temperatureC,
  atMs,
}: {
  readonly state: State
  readonly charge: ChargeRecord
  readonly room: Room
  readonly oven: Oven
  readonly temperatureC: number
  readonly atMs: number
}) {
  const { temperature, water } = useMeasures()
  const air = roomAirAt(state, room, atMs)
  const ovenPa = ovenVapourPressurePa(vapourPressureOfRhPa(air), oven)
  const heat = { desiccant: charge.desiccant, ovenPa, temperatureC, boxC: air.temperatureC }
  const after = afterHeating(heat)
  const residual = residualAnswer(after, heat)
  const floor = floorAfterAnswer(after, charge.desiccant, air.temperatureC)
  const [lowG, highG] = [after.lowGPerG * charge.dryMassG, after.highGPerG * charge.dryMassG]
  return (
    <p data-part="after-line" aria-live="polite">
      In {room.name}’s air ({inWhole(air.relativeHumidityPercent)}
      {THIN}% at {temperature.text(air.temperatureC)}
      {oven === 'gas' ? ', and a flame’s water' : ''}) this leaves{' '}
      <Figure answer={residual}>
        {water.bare(lowG)}–{water.text(highG)}
      </Figure>{' '}
      in the beads. The box can then come down to{' '}
      <Figure answer={floor}>
        {inTenths(after.floorRhPercent)}–{inWhole(after.floorHighRhPercent)}
        {THIN}%
      </Figure>
      , no lower.
    </p>
  )
}
