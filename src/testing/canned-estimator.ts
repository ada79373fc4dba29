import { estimateBox } from '#core/estimate/estimate-box.ts'
import type { BoxReport } from '#core/estimate/report.ts'
import type { BoxFacts } from '#core/evidence/facts.ts'
import type { Estimator } from '#workers/protocol.ts'
import { secondsFromDays } from '#units/time.ts'
import { idleEstimator } from './place-harness.tsx'

/** Days until a box leaves its target: surely held, surely over; and how long fresh beads hold. */
export interface Canned {
  readonly early: number
  readonly late: number
  readonly fresh: number
}
const TWENTIETHS = Array.from({ length: 19 }, (_, i) => (i + 1) / 20)

/** Answers with dates that a test gives, by the name of a box's beads: one real report, its dates put in place. */
export function cannedEstimator(base: BoxReport, by: (chargeId: string) => Canned): Estimator {
  const told = (facts: BoxFacts) => by(facts.charges[0]!.id)
  const shares = (early: number, late: number) =>
    TWENTIETHS.map(share => ({ share, days: early + ((late - early) * (share - 0.1)) / 0.8 }))
  return {
    ...idleEstimator,
    report: facts => {
      const { early, late } = told(facts)
      const atS = (days: number) => facts.nowS + secondsFromDays(days)
      const report: BoxReport = {
        ...base,
        nowS: facts.nowS,
        targetRhPercent: facts.targetRhPercent,
        wrong: [],
        contradiction: null,
        atTarget: false,
        floor: null,
        standing: { is: 'shown' },
        leaves: {
          spread: { low: atS(early), middle: atS((early + late) / 2), high: atS(late) },
          beyondHorizon: { early: false, middle: false, late: false },
          sharesOfDates: shares(early, late).map(({ share, days }) => ({ share, atS: atS(days) })),
        },
        charges: [{ ...base.charges[0]!, ids: facts.charges.map(charge => charge.id) }],
      }
      return Promise.resolve(report)
    },
    fresh: facts => {
      const { fresh } = told(facts)
      return Promise.resolve(
        [0, 182].map(day => ({
          dayS: facts.nowS + secondsFromDays(day),
          heldS: shares(fresh, fresh * 1.5).map(({ share, days }) => ({
            share,
            heldS: secondsFromDays(days),
          })),
        })),
      )
    },
  }
}

/** A real report to put dates into. */
export const someReport = (facts: BoxFacts): BoxReport => estimateBox(facts, { seed: 2, drawsPerRound: 20 })
