import { runTogether } from '../tests-together.mjs'

await runTogether('dom', 1, 3)
