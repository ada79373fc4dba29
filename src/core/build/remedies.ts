import type { Millimetres } from '#units/quantity.ts'
import { hangs, type Arrangement, type Asked, type PlannedSpool } from './arrangement.ts'
import { clearancesOf, missingMm, shortagesOf } from './clearances.ts'

/** A way out of a shortage that was tried and works. */
export interface Remedy {
  readonly kind: 'rod' | 'along' | 'across' | 'arrange' | 'leave out' | 'ask less'
  /** How far, mm; signed for a move; what is then asked for 'ask less'. */
  readonly byMm: Millimetres
  readonly spoolId: string | null
  readonly arrangement: Arrangement
  readonly asked: Asked
}

const moved = (
  arrangement: Arrangement,
  line: number,
  change: readonly [number, number, number],
): Arrangement => ({
  ...arrangement,
  lines: arrangement.lines.map((one, i) =>
    i === line
      ? { ...one, at: [one.at[0] + change[0], one.at[1] + change[1], one.at[2] + change[2]] as const }
      : one,
  ),
})

/**
 * What would do about the worst shortage: each way is tried and kept only where nothing is short afterwards; the least
 * first. Leaving the spool out and asking less always work.
 */
export function remediesFor(
  arrangement: Arrangement,
  spools: readonly PlannedSpool[],
  asked: Asked,
  arranged: Arrangement | null,
): Remedy[] {
  const isShort = (next: Arrangement, of: Asked = asked) =>
    shortagesOf(clearancesOf(next, spools, of)).length > 0
  const worst = shortagesOf(clearancesOf(arrangement, spools, asked))[0]
  if (!worst) return []
  const remedies: Remedy[] = []
  const offer = (
    kind: Remedy['kind'],
    byMm: number,
    next: Arrangement,
    of: Asked = asked,
    spoolId: string | null = null,
  ) => {
    if (!isShort(next, of)) remedies.push({ kind, byMm, spoolId, arrangement: next, asked: of })
  }
  const line = arrangement.lines.findIndex(one => one.spools.some(({ id }) => id === worst.spoolId))
  const short = Math.ceil(missingMm(worst) * 2) / 2
  const tries = [short, short + 1, short + 2, short + 5]
  const first = (kind: Remedy['kind'], change: (byMm: number) => Arrangement) => {
    for (const size of tries)
      for (const byMm of [-size, size]) {
        const before = remedies.length
        offer(kind, byMm, change(byMm))
        if (remedies.length > before) return
      }
  }
  if (hangs(arrangement.kind)) first('rod', byMm => moved(arrangement, line, [0, 0, byMm]))
  const other = arrangement.axis === 0 ? 1 : 0
  first('across', byMm => moved(arrangement, line, other === 0 ? [byMm, 0, 0] : [0, byMm, 0]))
  first('along', byMm => ({
    ...arrangement,
    lines: arrangement.lines.map(one => ({
      ...one,
      spools: one.spools.map(spool =>
        spool.id === worst.spoolId ? { ...spool, alongMm: spool.alongMm + byMm } : spool,
      ),
    })),
  }))
  if (arranged) offer('arrange', 0, arranged)
  const without: Arrangement = {
    ...arrangement,
    lines: arrangement.lines.map(one => ({
      ...one,
      spools: one.spools.filter(({ id }) => id !== worst.spoolId),
    })),
  }
  offer('leave out', 0, without, asked, worst.spoolId)
  if (worst.asks && worst.isMm >= 0) {
    const least = Math.floor(worst.isMm * 2) / 2
    const clearances = { ...asked.clearances, [worst.asks]: least }
    offer('ask less', least, arrangement, { ...asked, clearances })
  }
  return remedies
}
