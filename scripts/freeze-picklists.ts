// Writes the released lists of choices anew, after the version of every kind that uses a grown one was raised.
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { choicesOfAllKinds } from '../src/testing/choices-in.ts'
import { root } from './set-up.mjs'

const file = join(root, 'src/testing/fixtures/picklists.json')
writeFileSync(file, `${JSON.stringify(choicesOfAllKinds(), null, 1)}\n`)
