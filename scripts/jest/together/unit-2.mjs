import { runTogether } from '../tests-together.mjs'

await runTogether('unit', 2, 2)
