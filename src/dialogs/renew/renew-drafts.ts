import type { Draft, Maker } from '#records/act.ts'
import type { Indicator, Oven } from '#records/kinds/charge.ts'
import type { Freshness } from '#core/evidence/freshness.ts'
import type { ChargeRecord } from '#journal/state.ts'
import type { Weight } from '#session/move-drafts.ts'

/** The same beads, heated; or new ones in their place. */
export type Renewal =
  | {
      readonly how: 'heated'
      readonly temperatureC: number
      readonly hours: number
      readonly oven: Oven
      readonly roomId: string
      /** What the scale said before and after. */
      readonly before: Weight | null
      readonly after: Weight | null
    }
  | {
      readonly how: 'replaced'
      readonly dryMassG: number
      readonly indicator: Indicator
      readonly freshness: Freshness
      readonly before: Weight | null
    }

/** Weighed when they come out, heated, weighed when they go in: in this order, a minute apart. */
const MINUTE_MS = 60_000
const SCALE_ERROR_G = 1

/** One renewal as one act. */
export function renewDrafts(
  charge: ChargeRecord,
  renewal: Renewal,
  atMs: number,
  maker: Pick<Maker, 'newId'>,
): Draft[] {
  const { chargeId, boxId } = charge
  const weighed = (weight: Weight | null, whenMs: number): Draft[] =>
    weight
      ? [
          {
            kind: 'charge.weighed',
            atMs: whenMs,
            payload: { chargeId, grossG: weight.grossG, tareG: weight.tareG, scaleErrorG: SCALE_ERROR_G },
          },
        ]
      : []
  if (renewal.how === 'heated') {
    const { temperatureC, hours, oven, roomId } = renewal
    return [
      ...weighed(renewal.before, atMs - 2 * MINUTE_MS),
      {
        kind: 'charge.heated',
        atMs: atMs - MINUTE_MS,
        payload: { chargeId, temperatureC, hours, oven, roomId },
      },
      ...weighed(renewal.after, atMs),
    ]
  }
  const newChargeId = maker.newId()
  const { name, desiccant, holder } = charge
  const drafts: Draft[] = [
    ...weighed(renewal.before, atMs - MINUTE_MS),
    {
      kind: 'charge.made',
      atMs,
      payload: {
        chargeId: newChargeId,
        name,
        desiccant,
        dryMassG: renewal.dryMassG,
        massKnown: 'told',
        holder,
        freshness: renewal.freshness,
        freshnessKnown: 'told',
        indicator: renewal.indicator,
        boxId: null,
      },
    },
  ]
  if (boxId !== null)
    drafts.push({
      kind: 'charge.replaced',
      atMs,
      payload: { boxId, outChargeId: chargeId, inChargeId: newChargeId },
    })
  drafts.push({ kind: 'charge.retired', atMs, payload: { chargeId } })
  return drafts
}
