// A plan far beyond any shelf: sixty boxes through half a year of Saturdays, with a filling of spares. Prints the seconds of each of
// its aims, and whether it is proven; run by `npm run bench`, or alone: tsx bench/large-plan.ts
import loadHighs from 'highs'
import { pathToFileURL } from 'node:url'
import { exactPlan } from '../src/core/renewal/exact-plan.ts'
import { greedyPlan } from '../src/core/renewal/greedy-plan.ts'
import type { Solver } from '../src/core/renewal/linear-model.ts'
import { livesThrough, shelf } from '../src/testing/oven-shelves.ts'
import { highsSolver } from '../src/workers/highs-solver.ts'

const AIMS = ['days', 'fillings', 'changes', 'days in hand']

export async function largePlan(): Promise<void> {
  const plain = shelf(60, { boxes: 60, weeks: 26, spareShare: 1 })
  const quick = greedyPlan(plain)
  // a plan seen before, so that all four aims have their turn
  const asked = { ...plain, seen: quick.sessions }
  const solve = highsSolver(await loadHighs())
  const seconds: number[] = []
  const timed: Solver = async model => {
    const began = performance.now()
    const solved = await solve(model)
    seconds.push((performance.now() - began) / 1000)
    return solved
  }
  const exact = await exactPlan(asked, timed)
  if (!exact) throw new Error('No plan keeps to the hours.')
  const { plan, proven, leastSessions } = exact
  const fillings = (batches: readonly number[]) => batches.reduce((sum, one) => sum + one, 0)
  console.log('\nsixty boxes, 26 weeks, a filling of spares')
  console.log(`  ${AIMS.map((aim, i) => `${aim} ${seconds[i]?.toFixed(0) ?? '–'} s`).join(', ')}`)
  console.log(
    `  ${proven ? 'proven' : 'not proven'}: ${plan.sessions.length} days (no plan has fewer than ${leastSessions}), ${fillings(plan.batches)} fillings; the quick plan ${quick.sessions.length} and ${fillings(quick.batches)}`,
  )
  console.log(`  lived through: ${livesThrough(asked, plan).length} wrong`)
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) await largePlan()
