import type { RandomSource } from '#core/estimate/random.ts'
import { readAct, type Act } from '#records/act.ts'
import { RECORDS_VERSION } from '#records/entry.ts'
import { mutated } from './hostile-files.ts'

export type Records = readonly (readonly [key: string, raw: unknown])[]

const whole = (random: RandomSource, below: number): number => Math.floor(random.uniform() * below)

/** Records as a browser holds them: months that are over in one each, the rest by themselves. */
export function goodStore(acts: readonly Act[], random: RandomSource): Records {
  const cut = whole(random, acts.length)
  const [packed, loose] = [acts.slice(0, cut), acts.slice(cut)]
  return [
    ...(packed.length > 0
      ? [[`pack:2025-01:${packed[0]!.id}`, { pack: 1, checkedFor: RECORDS_VERSION, acts: packed }] as const]
      : []),
    ...loose.map(act => [act.id, act] as const),
  ]
}

/** The same after something went wrong with it: values changed, records cut, swapped, doubled, made of noise. */
export function damagedStore(good: Records, random: RandomSource): Records {
  const records = good.map(([key, raw]) => [key, structuredClone(raw)] as [string, unknown])
  const times = 1 + whole(random, 6)
  for (let i = 0; i < times; i++) {
    const at = whole(random, records.length)
    const edit = random.uniform()
    const record = records[at]
    if (record === undefined) break
    if (edit < 0.1) records.splice(at, 1)
    else if (edit < 0.2) record[0] = records[whole(random, records.length)]![0]
    else if (edit < 0.3) records.push([`${record[0]}-again`, structuredClone(record[1])])
    else if (edit < 0.4)
      record[1] = ['scrambled', null, 7, [], undefined, new Uint8Array(4)][whole(random, 6)]
    else record[1] = mutated(record[1], random)
  }
  return records
}

/** Ids of acts that are in a store unharmed: whatever happened to the others, these are there. */
export const unharmedIds = (good: Records, damaged: Records): readonly string[] => {
  const before = new Map(good.map(([key, raw]) => [key, JSON.stringify(raw)]))
  return damaged.flatMap(([key, raw]) =>
    before.get(key) === JSON.stringify(raw) && !key.startsWith('pack:') && readAct(raw).ok ? [key] : [],
  )
}
