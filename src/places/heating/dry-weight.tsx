import type { ChargeRecord } from '#journal/state.ts'
import { leftByHeat } from '#session/left-by-heat.ts'
import type { SessionAt } from '#session/heating.ts'
import { useJournal } from '#session/journal-query.ts'
import { useWriteAct } from '#session/writing.ts'
import { Refused } from '#ui/refused.tsx'
import { useMeasures } from '#ui/use-measures.ts'
import hand from '#ui/hand.module.css'

/** Less than this is the scale's own doubt. */
const LEAST_SHARE = 0.01

/** Beads whose weight nobody knew, dried once and weighed: what they weigh dry is known from then on. */
export function DryWeight({
  charge,
  grossG,
  tareG,
  at,
}: {
  readonly charge: ChargeRecord
  readonly grossG: number | null
  readonly tareG: number
  readonly at: SessionAt
}) {
  const { state } = useJournal()
  const { weight } = useMeasures()
  const write = useWriteAct()
  if (grossG === null || charge.massKnown === 'measured') return null
  const left = leftByHeat(state, at, charge)
  const dryG = (grossG - tareG) / (1 + (left.low + left.high) / 2)
  if (Math.abs(dryG / charge.dryMassG - 1) < LEAST_SHARE && charge.massKnown === 'told') return null
  return (
    <>
      <button
        type="button"
        className={hand.worded}
        disabled={write.isPending}
        onClick={() =>
          write.mutate({
            what: `${charge.name}: ${weight.text(dryG)} dry, by the scale`,
            drafts: [
              {
                kind: 'charge.changed',
                payload: {
                  chargeId: charge.chargeId,
                  dryMassG: Math.round(dryG * 10) / 10,
                  massKnown: 'measured',
                },
              },
            ],
          })
        }
      >
        {weight.text(dryG)} dry, not {weight.text(charge.dryMassG)}: take that from now on
      </button>
      {write.error && <Refused error={write.error} remedy="press it again" />}
    </>
  )
}
