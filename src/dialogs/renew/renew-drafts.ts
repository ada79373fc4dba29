import type { Draft, Maker } from '#records/act.ts'
import type { Indicator, Oven } from '#records/kinds/charge.ts'
import type { Freshness } from '#core/evidence/freshness.ts'
import type { ChargeRecord } from '#journal/state.ts'
import type { Weight } from '#session/move-drafts.ts'

/** The same beads, heated; or new ones in their place. */
export type Renewal =
  | {
      readonly how: 'heated'
      /** null: a microwave, where no thermometer tells. */
      readonly temperatureC: number | null
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

/** One renewal as one act. */
export function renewDrafts(
  charge: ChargeRecord,
  renewal: Renewal,
  atMs: number,
  maker: Pick<Maker, 'newId'>,
  /** The scale's step. */
  scaleErrorG: number,
): Draft[] {
  const { chargeId, boxId, madeMs } = charge
  // entered a moment ago: nothing is done with it before it is there
  const minutesBefore = (minutes: number): number =>
    Math.max(atMs - minutes * MINUTE_MS, madeMs + 2 - minutes)
  const weighed = (weight: Weight | null, whenMs: number): Draft[] =>
    weight
      ? [
          {
            kind: 'charge.weighed',
            atMs: whenMs,
            payload: { chargeId, grossG: weight.grossG, tareG: weight.tareG, scaleErrorG },
          },
        ]
      : []
  if (renewal.how === 'heated') {
    const { temperatureC, hours, oven, roomId } = renewal
    return [
      ...weighed(renewal.before, minutesBefore(2)),
      {
        kind: 'charge.heated',
        atMs: minutesBefore(1),
        payload: { chargeId, temperatureC, hours, oven, roomId },
      },
      ...weighed(renewal.after, atMs),
    ]
  }
  const newChargeId = maker.newId()
  const { name, desiccant, holder, pieces, tareG, fillLineG } = charge
  const drafts: Draft[] = [
    ...weighed(renewal.before, minutesBefore(1)),
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
        ...(pieces ? { pieces } : {}),
        ...(tareG ? { tareG } : {}),
        ...(fillLineG ? { fillLineG } : {}),
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
