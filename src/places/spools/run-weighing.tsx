import * as v from 'valibot'
import { finite } from '#records/fields.ts'
import { useMeasures } from '#ui/use-measures.ts'
import { OneNumber } from './one-number.tsx'

/** One weight on the way, against slips. */
export function Weighing({
  lastG,
  isBusy,
  write,
}: {
  readonly lastG: number | null
  readonly isBusy: boolean
  readonly write: (grossG: number) => void
}) {
  const { weight, water } = useMeasures()
  const keep = (typed: string): string | null => {
    const grossG = weight.parse(typed)
    if (!v.is(finite(1, 15_000), grossG))
      return 'On the scale is a weight: put spool and all on it and type what it shows.'
    if (lastG !== null && Math.abs(grossG - lastG) > MOST_APART_SHARE * lastG)
      return `It was ${water.text(lastG)} before: weigh again, as it was weighed then.`
    write(grossG)
    return null
  }
  return (
    <OneNumber
      label={`Spool and all, ${weight.unit}`}
      description="Out, on the scale, and back within a minute: the same scale each time."
      word="Write it down"
      isMain
      isBusy={isBusy}
      keep={keep}
    />
  )
}
/** Nothing dries by so much of its weight between two looks. */
const MOST_APART_SHARE = 0.2
