import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { gunzipSync, strFromU8 } from 'fflate'
import { unpacked, type Kept, type Packed } from './packed.ts'
import type { CaseCause, Wrong } from './sets.ts'

/** What SHA-256 of the kept file begins with. */
export const FROZEN = '2c915d636a9509af'

export type Part = 'truly' | Wrong | CaseCause

/** The histories as they were frozen. @throws Error where the file is another */
export function frozenHistories(file: string): Readonly<Record<Part, readonly Kept[]>> {
  const bytes = readFileSync(file)
  const is = createHash('sha256').update(bytes).digest('hex').slice(0, FROZEN.length)
  if (is !== FROZEN) throw new Error(`${file} is not what was frozen: ${is} instead of ${FROZEN}.`)
  const all = JSON.parse(strFromU8(gunzipSync(bytes))) as Record<Part, Packed[]>
  return Object.fromEntries(
    Object.entries(all).map(([part, list]) => [part, list.map(unpacked)]),
  ) as unknown as Record<Part, Kept[]>
}
