import { runTogether } from '../tests-together.mjs'

await runTogether('dom', 2, 3)
