import { runTogether } from '../tests-together.mjs'

await runTogether('dom', 3, 3)
