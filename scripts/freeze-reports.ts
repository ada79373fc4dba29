// Writes the frozen reports of the demonstration anew. A commit that does so says which physics changed what.
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { loftReports } from '../demo/loft-reports.ts'
import { root } from './set-up.mjs'

writeFileSync(join(root, 'demo/fixtures/loft-reports.json'), `${JSON.stringify(loftReports(), null, 1)}\n`)
