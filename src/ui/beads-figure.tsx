import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import { enteredAnswer, totalAnswer } from '#core/answers/answers.ts'
import type { ChargeRecord } from '#journal/state.ts'
import { Figure } from './figure.tsx'
import { useMeasures } from './use-measures.ts'

export const beadsInG = (charges: readonly ChargeRecord[]): number =>
  charges.reduce((sum, charge) => sum + charge.dryMassG, 0)

/** What lies in a box, by kind: "silica beads", "silica beads and molecular sieve 4A". */
export function kindsText(charges: readonly ChargeRecord[]): string {
  const names = [
    ...new Set(
      charges.map(({ desiccant }) =>
        DESICCANTS[desiccant].gel ? 'silica beads' : DESICCANTS[desiccant].name,
      ),
    ),
  ]
  return names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`
}

/** Beads in a box, all charges together, with the reason: one as entered, several as their sum. */
export function BeadsFigure({ charges }: { readonly charges: readonly ChargeRecord[] }) {
  const { weight } = useMeasures()
  const [first] = charges
  if (!first) return null
  const answer =
    charges.length === 1
      ? enteredAnswer('beads in it', 'beads, dry', first.dryMassG, 'g', first.massKnown)
      : totalAnswer(
          'beads in it',
          'g',
          charges.map(charge => [charge.name, charge.dryMassG]),
        )
  return <Figure answer={answer}>{weight.text(beadsInG(charges))}</Figure>
}
