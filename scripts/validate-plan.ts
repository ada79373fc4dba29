// Plans of renewals: a hundred random shelves solved and checked by a checker that knows nothing of the planner, small ones
// against every plan there is; a hundred shelves of five made-up boxes planned by what is known of them and lived through
// half a year in their own truth, against two habits. Whole: writes docs/validation/plan.json. `--fifth`: a share.
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { coreHash } from './core-hash.mjs'
import { inShares } from './in-shares.ts'
import { keptHash } from './kept-hash.ts'
import { LIVED, SHELVES, type MeasuredLife, type MeasuredShelf } from './measure-plans.ts'
import { root } from './set-up.mjs'

const file = join(root, 'docs/validation/plan.json')
const isShare = process.argv.includes('--share')
const script = join(root, 'scripts/measure-plans.ts')
/** Of a share: small shelves, each tried whole, and a few that take no minute; two boxes of one house. */
const SOME_SHELVES = ['2', '7', '12', '17', '22', '33']
const SOME_LIVES = ['6']

const measured = <T>(what: string, some: readonly string[]) =>
  inShares<T>(script, [what, ...(isShare ? some : [])], isShare ? 1 : undefined)
const solving = measured<MeasuredShelf>('shelves', SOME_SHELVES)
// whole, each takes both cores; of a share each is one process
if (!isShare) await solving
const lives = await measured<MeasuredLife>(isShare ? 'lived by two' : 'lived', SOME_LIVES)
const shelves = await solving
shelves.sort((a, b) => a.shelf - b.shelf)
lives.sort((a, b) => a.shelf - b.shelf)

const seconds = shelves.map(one => one.seconds).sort((a, b) => a - b)
const total = (of: (life: MeasuredLife) => number) => lives.reduce((sum, life) => sum + of(life), 0)
const summed = (name: 'plan' | 'monthly' | 'fourth' | 'dark') => ({
  ovenDays: total(life => life[name].days),
  renewals: total(life => life[name].renewals),
  ovenHours: Math.round(total(life => life[name].hours)),
  boxDaysOff: total(life => life[name].offDays),
})
/** A habit beats the plan where it takes no more days at the oven and leaves fewer box-days off target. */
const beatenBy = (...habits: readonly ('monthly' | 'fourth' | 'dark')[]) =>
  lives
    .filter(life =>
      habits.some(name => life[name].days <= life.plan.days && life[name].offDays < life.plan.offDays),
    )
    .map(({ shelf, plan, ...life }) => ({
      shelf,
      plan,
      ...Object.fromEntries(habits.map(name => [name, life[name]])),
    }))
const result = {
  what: 'Random shelves solved and checked; shelves of five made-up boxes lived through half a year against two habits.',
  shelves: shelves.length,
  proven: shelves.filter(one => one.proven).length,
  notProven: shelves
    .filter(one => !one.proven)
    .map(({ shelf, boxes, weeks, sessions, leastSessions }) => ({
      shelf,
      boxes,
      weeks,
      sessions,
      leastSessions,
    })),
  secondsMedian: seconds[Math.floor(seconds.length / 2)],
  secondsMost: seconds.at(-1),
  daysFewerThanTheQuickPlan: shelves.reduce((sum, one) => sum + one.greedySessions - one.sessions, 0),
  lived: lives.length,
  livedBoxes: total(life => life.boxes),
  boxDaysLeftOut: total(life => life.leftOutDays),
  plan: summed('plan'),
  firstOfTheMonth: summed('monthly'),
  everyFourthSaturday: summed('fourth'),
  whenTheyLookDark: summed('dark'),
  beatenByAHabit: beatenBy('monthly', 'dark'),
  beatenByEveryFourthSaturday: beatenBy('fourth'),
  wrong: shelves.flatMap(one => one.wrong),
  coreHash: await coreHash(['scripts/measure-plans.ts']),
}
console.log(JSON.stringify(result, null, 2))
const problems = [...result.wrong]
if (isShare) {
  if (keptHash(file) !== result.coreHash)
    problems.push('docs/validation/plan.json is older than the core it describes.')
} else {
  if (shelves.length < SHELVES || lives.length < LIVED) problems.push('Not all were measured.')
  mkdirSync(join(root, 'docs/validation'), { recursive: true })
  writeFileSync(file, `${JSON.stringify(result, null, 2)}\n`)
}
for (const problem of problems) console.error(problem)
process.exit(problems.length > 0 ? 1 : 0)
