import {
  hangMm,
  hangs,
  riseMm,
  type Arrangement,
  type ArrangementKind,
  type Asked,
  type Line,
  type PlannedSpool,
} from './arrangement.ts'
import { fillAt, fillLine, fillRow, heightsOf, signatureOf, type Search } from './fill-line.ts'
import { facesOf, type Axis } from './inside.ts'
import { linesOf, STACKED } from './lines-to-try.ts'

/** Up to so many spools every order, row and choice is tried; beyond, they are put in one after another. */
export const MOST_TRIED = 8

export interface Found {
  readonly arrangement: Arrangement
  readonly count: number
  /** Every order, row and choice of this way of standing was tried: no more go in. */
  readonly proven: boolean
}

/** Ways a kind may lie: along the length or the depth; lying spools stand upright on their flange. */
const AXES: Readonly<Record<ArrangementKind, readonly Axis[]>> = {
  axle: [0, 1],
  'two axles': [0, 1],
  spindle: [0, 1],
  rollers: [0, 1],
  rim: [0, 1],
  lying: [2],
}

/**
 * The arrangement of a kind that takes most spools with every clearance kept. Exhaustive over direction, rows, choice
 * and order for up to 8 spools; for more they go in one after another, the narrowest first, and it is not proven.
 * @returns null where not one goes in
 */
export function findArrangement(
  kind: ArrangementKind,
  spools: readonly PlannedSpool[],
  asked: Asked,
): Found | null {
  const faces = facesOf(asked.inside)
  // a rod thicker than the bore carries nothing
  const carried = hangs(kind) ? spools.filter(spool => hangMm(spool, asked.support) >= 0) : spools
  const exhaustive = carried.length <= MOST_TRIED
  let best: Arrangement | null = null
  let most = 0
  for (const axis of AXES[kind])
    for (const lines of linesOf(kind, axis, carried, asked)) {
      const search = { way: { kind, axis }, lines, faces, asked }
      const found = exhaustive ? fillAll(search, carried) : fillGreedily(search, carried)
      if (found && found.count > most) {
        most = found.count
        best = { kind, axis, lines: found.lines }
        if (most === spools.length) return { arrangement: best, count: most, proven: true }
      }
    }
  return best && { arrangement: best, count: most, proven: exhaustive }
}

/** The best of several kinds; the first named wins where they take as many. */
export function findBest(
  kinds: readonly ArrangementKind[],
  spools: readonly PlannedSpool[],
  asked: Asked,
): Found | null {
  let best: Found | null = null
  for (const kind of kinds) {
    const found = findArrangement(kind, spools, asked)
    if (found && found.count > (best?.count ?? 0)) best = found
  }
  return best
}

type Filled = { readonly count: number; readonly lines: Line[] }

/** Every choice of spools for every line: which sets a line takes is found once, then lines share them out. */
function fillAll(search: Search, spools: readonly PlannedSpool[]): Filled | null {
  const full = (1 << spools.length) - 1
  const setOf = (mask: number) => spools.filter((_, i) => mask & (1 << i))
  const known = new Map<string, Line | null>()
  const fill = (line: number, mask: number): Line | null => {
    const { at, mostRimMm } = search.lines[line]!
    if (setOf(mask).some(spool => spool.rimDiameterMm > mostRimMm)) return null
    const key = `${line} ${setOf(mask).map(signatureOf).sort().join()}`
    const before = known.get(key)
    if (before !== undefined) return before && renamed(before, setOf(mask), spools)
    // what takes less does not take more
    let isPart = true
    for (let i = 0; i < spools.length && isPart; i++)
      if (mask & (1 << i) && mask !== 1 << i && !fill(line, mask & ~(1 << i))) isPart = false
    const filled = isPart ? fillLine(search, at, setOf(mask), heightsOf(search, setOf(mask))) : null
    known.set(key, filled)
    return filled
  }
  if (search.lines === STACKED) return fillStacked(search, setOf, full)
  // the most spools of a set of lines: one line after another takes its share of what is left
  let best = new Map<number, { count: number; lines: Line[] }>([[0, { count: 0, lines: [] }]])
  for (let line = 0; line < search.lines.length; line++) {
    const next = new Map(best)
    for (const [used, so] of best)
      for (let share = full & ~used; share > 0; share = (share - 1) & full & ~used) {
        const count = so.count + bits(share)
        if ((next.get(used | share)?.count ?? 0) >= count) continue
        const filled = fill(line, share)
        if (filled) next.set(used | share, { count, lines: [...so.lines, filled] })
      }
    best = next
  }
  const most = [...best.values()].reduce((a, b) => (b.count > a.count ? b : a))
  return most.count > 0 ? most : null
}

/** A line found for spools of the same sizes, with these in their places. */
function renamed(line: Line, set: readonly PlannedSpool[], all: readonly PlannedSpool[]): Line {
  const left = [...set]
  return {
    at: line.at,
    spools: line.spools.map(({ id, alongMm }) => {
      const like = signatureOf(all.find(spool => spool.id === id)!)
      const [taken] = left.splice(
        left.findIndex(spool => signatureOf(spool) === like),
        1,
      )
      return { id: taken!.id, alongMm }
    }),
  }
}

/** Two rods one over the other: the upper as high as the lid lets it, the lower close under it. */
function fillStacked(search: Search, setOf: (mask: number) => PlannedSpool[], full: number): Filled | null {
  const { asked, way } = search
  const rise = (spool: PlannedSpool) => riseMm(way.kind, spool, asked.support)
  const uppers = Array.from({ length: full }, (_, i) => i + 1)
    .map(mask => ({ mask, high: heightsOf(search, setOf(mask)).tries[0] }))
    .flatMap(({ mask, high }) => {
      const line = high === undefined ? null : fillAt(search, [0, 0, 0], setOf(mask), high)
      return line && high !== undefined ? [{ mask, high, line }] : []
    })
  let best: Filled | null = null
  for (const { mask: upper, high, line } of uppers.sort((a, b) => bits(b.mask) - bits(a.mask))) {
    const deepest = Math.max(...setOf(upper).map(spool => spool.rimDiameterMm / 2 - rise(spool)))
    for (let lower = full & ~upper; lower > 0; lower = (lower - 1) & full & ~upper) {
      if (bits(upper | lower) <= (best?.count ?? 0)) continue
      const below = setOf(lower)
      const tallest = Math.max(...below.map(spool => spool.rimDiameterMm / 2 + rise(spool)))
      const low = high - deepest - asked.clearances.betweenMm - tallest
      const bottom = fillAt(search, [0, 0, 0], below, low)
      if (bottom) best = { count: bits(upper | lower), lines: [bottom, line] }
    }
  }
  return best
}

function bits(mask: number): number {
  let count = 0
  for (let rest = mask; rest > 0; rest &= rest - 1) count++
  return count
}

/** Many spools: the narrowest first, each into the first line that still takes it. */
function fillGreedily(search: Search, spools: readonly PlannedSpool[]): Filled | null {
  const order = [...spools].sort((a, b) => a.widthMm - b.widthMm || a.rimDiameterMm - b.rimDiameterMm)
  // one rod over another is tried for few spools only
  const lines = search.lines === STACKED ? [] : search.lines
  const inLine: PlannedSpool[][] = lines.map(() => [])
  const filled: (Line | null)[] = lines.map(() => null)
  for (const spool of order)
    for (const [i, { at, mostRimMm }] of lines.entries()) {
      if (spool.rimDiameterMm > mostRimMm) continue
      const row = settled(search.way.axis, [...inLine[i]!, spool])
      const line = fillRow(search, at, row)
      if (!line) continue
      inLine[i]!.push(spool)
      filled[i] = line
      break
    }
  const full = filled.filter(line => line !== null)
  return full.length > 0
    ? { count: full.reduce((sum, line) => sum + line.spools.length, 0), lines: full }
    : null
}

/** A plain order for many: the largest in the middle of a row, the smallest at the foot of a stack. */
function settled(axis: Axis, list: readonly PlannedSpool[]): PlannedSpool[] {
  if (axis === 2) return [...list].sort((a, b) => a.rimDiameterMm - b.rimDiameterMm)
  const bySize = [...list].sort((a, b) => b.rimDiameterMm - a.rimDiameterMm)
  return bySize.reduce<PlannedSpool[]>((row, spool, i) => (i % 2 ? [...row, spool] : [spool, ...row]), [])
}
