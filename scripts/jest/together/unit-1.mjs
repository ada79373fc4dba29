import { runTogether } from '../tests-together.mjs'

await runTogether('unit', 1, 2)
