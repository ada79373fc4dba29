import { greatest, least } from '#units/extremes.ts'
import type { Celsius, Pascal } from '#units/quantity.ts'
import { packBatches } from '#core/renewal/batches.ts'
import { bestDial, refusals, type HeatedIn } from '#core/renewal/heat-limits.ts'
import { hasDial, heatAt, type HeatSource } from '#core/renewal/heat-source.ts'
import { heatThese, type ChargeToHeat, type HeatThese } from '#core/renewal/heat-these.ts'
import type { ChargeRecord } from '#journal/state.ts'
import type { SessionBegun } from '#records/kinds/session.ts'

export interface Wanted {
  readonly charge: ChargeRecord
  readonly toHeat: ChargeToHeat
}
export interface Heating {
  readonly dialC: Celsius | null
  readonly temperatureC: Celsius | null
  readonly batches: SessionBegun['batches']
  readonly minutes: number
  /** What heating each charge by itself would take and leave. */
  readonly plans: ReadonlyMap<string, HeatThese>
  readonly refused: readonly { readonly name: string; readonly says: string }[]
}

/** Beads are poured out, but for packets and units: these stay as they are. */
export const usualHeatedIn = ({ holder }: Pick<ChargeRecord, 'holder'>): HeatedIn =>
  holder === 'plug-in unit' || holder === 'packet' ? 'holder' : 'dish'

/** Several charges in one source: the setting all of them stand, and their batches; those that may not go are named. */
export function planHeating(
  wanted: readonly Wanted[],
  source: HeatSource,
  air: { readonly roomPa: Pascal; readonly roomC: Celsius },
  dial: Celsius | null = null,
): Heating {
  const ask = ({ charge, toHeat }: Wanted) => ({
    charge: toHeat,
    source,
    heatedIn: usualHeatedIn(charge),
    displaysOut: true,
  })
  const dials = wanted.map(one => dial ?? bestDial(ask(one)))
  const may = wanted.filter((_, i) => dials[i] !== null)
  const known = dials.filter(one => one !== null)
  const dialC = known.length === 0 ? null : least(known)
  const refused = wanted.flatMap((one, i) => {
    const at = dials[i] === null || dialC === null ? (dial ?? 100) : dialC
    const [why] = refusals({ ...ask(one), dialC: at })
    return dials[i] === null || why
      ? [{ name: one.charge.name, says: why?.says ?? 'No setting of it would do.' }]
      : []
  })
  const plans = new Map(
    may.map(one => [one.charge.chargeId, heatThese({ ...ask(one), dialC: dialC!, ...air, boxC: air.roomC })]),
  )
  const packed = packBatches(
    may.map(({ charge }) => ({
      id: charge.chargeId,
      desiccant: charge.desiccant,
      dryMassG: charge.dryMassG,
    })),
    source,
  )
  const batches = packed.map(chargeIds => ({
    minutes: Math.round(
      Math.max(greatest(chargeIds.map(id => plans.get(id)!.minutes.middle * plans.get(id)!.bed.batches)), 1),
    ),
    chargeIds,
  }))
  return {
    dialC: hasDial(source.kind) ? dialC : null,
    temperatureC: source.kind === 'microwave' || dialC === null ? null : heatAt(source, dialC).middleC,
    batches,
    plans,
    minutes: batches.reduce((sum, batch) => sum + batch.minutes, 0),
    refused,
  }
}
