// One process's share of more histories told wrongly, made by the rules of the frozen ones: a line of JSON for each.
// Arguments: which share, of how many, from which number of each kind up to which.
import { packed, unpacked } from '../src/testing/histories/packed.ts'
import { toldWrongly, WRONGS } from '../src/testing/histories/sets.ts'
import { measured } from './measured-history.ts'

const [share, of, from, to] = process.argv.slice(2).map(Number) as [number, number, number, number]
for (let index = from; index < to; index++)
  if (index % of === share)
    for (const wrong of WRONGS)
      // through the form they are kept in, which rounds their times
      console.log(JSON.stringify(measured(wrong, unpacked(packed(toldWrongly(wrong, index))))))
