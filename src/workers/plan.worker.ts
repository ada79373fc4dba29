import { expose } from 'comlink'
import loadHighs from 'highs'
import wasmUrl from 'highs/runtime?url'
import { exactPlan } from '#core/renewal/exact-plan.ts'
import type { OvenPlanAsked } from '#core/renewal/oven-days.ts'
import { highsSolver } from './highs-solver.ts'

const solver = loadHighs({ locateFile: () => wasmUrl }).then(highs => highsSolver(highs))

expose({ plan: async (asked: OvenPlanAsked) => exactPlan(asked, await solver) })
