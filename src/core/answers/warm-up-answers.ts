import type { Litres } from '#units/quantity.ts'
import { input, type Answer } from '../answer.ts'
import { answer } from './answers.ts'
import type { WarmUpFound } from '../spool/warm-up.ts'

/** Water that came out of a spool while its chamber was warmed, at the least, mg. */
export function warmedOutAnswer(
  name: string,
  chamberL: Litres,
  leastMg: number,
  { from, most }: NonNullable<WarmUpFound['bySaying']>,
): Answer {
  return answer(
    `water out of ${name}, at the least`,
    leastMg,
    'mg',
    'computed',
    'warmed-out',
    [
      input('c2', 'vapour with the spool in it', most.densityGPerM3, 'g/m³', 'measured'),
      input('c1', 'the same before it was warmed', from.densityGPerM3, 'g/m³', 'measured'),
      input('e2', 'vapour of the empty chamber at that heat', most.emptyGPerM3!, 'g/m³', 'measured'),
      input('e1', 'the same before it was warmed', from.emptyGPerM3!, 'g/m³', 'measured'),
      input('d', 'what one display cannot tell', most.doubtGPerM3, 'g/m³', 'assumed'),
      input('V', 'chamber', chamberL, 'L', 'told'),
    ],
    'What the walls took up and the gaps let out is not in it; nor does it say how much is left.',
  )
}
