import { driveOf, sealTotalAnswer } from '#core/answers/seal-answers.ts'
import type { PlanSeal } from '#journal/plan-seal.ts'
import { Figure } from '#ui/figure.tsx'
import { mgText } from './water-in.tsx'

/** What the holes as they came out let in, beside what they would as drawn; openings aside. */
export function AsDrilledLeak({ seal, drawn }: { readonly seal: PlanSeal; readonly drawn: PlanSeal }) {
  const now = sealTotalAnswer(seal.items, 0, seal.drive)
  const before = sealTotalAnswer(drawn.items, 0, drawn.drive)
  const isSame = Math.abs(now.value - before.value) < 0.05 || driveOf(seal.drive) <= 0
  return (
    <p data-part="as-drilled-leak">
      As drilled <Figure answer={now}>{mgText(now.value)}</Figure> of water a day come in through lid, walls
      and holes
      {isSame ? (
        ', as drawn.'
      ) : (
        <>
          ; as drawn it was <Figure answer={before}>{mgText(before.value)}</Figure>.
        </>
      )}
    </p>
  )
}
