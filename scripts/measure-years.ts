// One process's share of the years: every rule on each box, a line of JSON for each box.
// Arguments: which share, of how many, and the boxes' numbers; left out: all forty.
import { RULES, yearOf, type RuleName, type Year } from '../src/testing/histories/year.ts'
import { MEASURED } from '../src/testing/histories/sets.ts'

export const BOXES = 40
export type MeasuredYear = { readonly box: number } & Readonly<Record<RuleName, Omit<Year, 'seed'>>>

export function measuredYear(box: number): MeasuredYear {
  const under = (name: RuleName) => {
    const { offDays, renewals } = yearOf(MEASURED.years + box, RULES[name])
    return { offDays, renewals }
  }
  return {
    box,
    veld: under('veld'),
    'first of the month': under('first of the month'),
    'two readings over': under('two readings over'),
    'all-knowing': under('all-knowing'),
  }
}

const [share, of, ...some] = process.argv.slice(2).map(Number) as [number, number, ...number[]]
if (of !== undefined) {
  const boxes = some.length > 0 ? some : Array.from({ length: BOXES }, (_, box) => box)
  boxes.forEach((box, i) => {
    if (i % of === share) console.log(JSON.stringify(measuredYear(box)))
  })
}
