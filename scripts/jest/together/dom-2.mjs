import { runTogether } from '../tests-together.mjs'

await runTogether(import.meta.filename)
