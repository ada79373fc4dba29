import { least } from '#units/extremes.ts'
import { seededRandom } from '#core/estimate/random.ts'
import {
  ARRANGEMENT_KINDS,
  USUAL_CLEARANCES,
  USUAL_SUPPORT,
  type Asked,
  type Clearances,
  type PlannedSpool,
} from '#core/build/arrangement.ts'
import { clearancesOf, shortagesOf, standingSpools } from '#core/build/clearances.ts'
import { findArrangement, type Found } from '#core/build/find-arrangement.ts'
import type { Block, Inside } from '#core/build/inside.ts'
import { insideByMm, rimPoints, rollsOverlap, type Bin, type Roll } from './solid-check.ts'

export const spoolOf = (id: string, rim: number, width: number, bore = 52): PlannedSpool => ({
  id,
  name: id,
  rimDiameterMm: rim,
  widthMm: width,
  boreMm: bore,
})
export const boxOf = (
  rim: readonly [number, number],
  base: readonly [number, number],
  heightMm: number,
  blocks: readonly Block[] = [],
  section: Inside['section'] = 'rectangular',
): Inside => ({ section, rimMm: rim, baseMm: base, heightMm, blocks })
export const asked = (inside: Inside, clearances: Partial<Clearances> = {}): Asked => ({
  inside,
  clearances: { ...USUAL_CLEARANCES, ...clearances },
  support: USUAL_SUPPORT,
})
const binOf = (inside: Inside): Bin => ({
  round: inside.section === 'round',
  rim: inside.rimMm,
  base: inside.baseMm,
  height: inside.heightMm,
})
function rollsOf(found: Found, spools: readonly PlannedSpool[], of: Asked): Roll[] {
  return standingSpools(found.arrangement, spools, of).map(({ disc }) => {
    const end = (side: number) =>
      disc.centre.map((value, i) => (i === disc.axis ? value + (side * disc.widthMm) / 2 : value)) as never
    return { ends: [end(-1), end(1)], radius: disc.radiusMm }
  })
}
/** By geometry of its own: everything inside, nothing in anything else. */
export function wrongWith(found: Found, spools: readonly PlannedSpool[], of: Asked): string[] {
  const rolls = rollsOf(found, spools, of)
  const wrong: string[] = []
  rolls.forEach((roll, i) => {
    const nearest = least(rimPoints(roll).map(point => insideByMm(binOf(of.inside), point)))
    if (nearest < -0.02) wrong.push(`${i} stands ${-nearest} mm outside`)
    for (const other of rolls.slice(i + 1)) if (rollsOverlap(roll, other)) wrong.push(`${i} overlaps`)
    for (const { from, to, name } of of.inside.blocks)
      for (const [x, y, z] of rimPoints(roll))
        if (
          x > from[0] + 0.01 &&
          x < to[0] - 0.01 &&
          y > from[1] + 0.01 &&
          y < to[1] - 0.01 &&
          z > from[2] + 0.01 &&
          z < to[2] - 0.01
        )
          wrong.push(`${i} is in ${name}`)
  })
  return [...new Set(wrong)]
}

const GRID = 5
/** How many hang on one rod along the length: every order, height and place of a grid. Knows walls by their own formula. */
function bruteCount(spools: readonly PlannedSpool[], of: Asked): number {
  const { inside, clearances: c, support } = of
  const wallAt = (i: 0 | 1, z: number) =>
    (inside.baseMm[i] + (inside.rimMm[i] - inside.baseMm[i]) * (z / inside.heightMm)) / 2
  const lean = (i: 0 | 1) => Math.hypot(1, (inside.rimMm[i] - inside.baseMm[i]) / 2 / inside.heightMm)
  /** How far from the middle this one may stand on a rod so high; less than 0: nowhere. */
  const reachOf = (spool: PlannedSpool, rod: number): number => {
    const r = spool.rimDiameterMm / 2
    const z = rod - (spool.boreMm - support.rodDiameterMm) / 2
    if (z + r > inside.heightMm - c.lidMm + 1e-6 || z - r < c.floorMm - 1e-6) return -1
    let reach = Infinity
    for (let a = 0; a < 360; a += 1) {
      const [y, up] = [r * Math.cos((a * Math.PI) / 180), z + r * Math.sin((a * Math.PI) / 180)]
      // room straight across, less the lean, is room to the wall
      if ((wallAt(1, up) - Math.abs(y)) / lean(1) < c.sidesMm - 0.01) return -1
      reach = Math.min(reach, wallAt(0, up) - spool.widthMm / 2 - lean(0) * (c.endsMm - 0.01))
    }
    return reach
  }
  let best = 0
  for (let rod = GRID; rod < inside.heightMm; rod += GRID) {
    const reach = new Map(spools.map(spool => [spool, reachOf(spool, rod)]))
    const go = (edge: number, left: readonly PlannedSpool[], count: number): void => {
      best = Math.max(best, count)
      if (count + left.length <= best) return
      for (const spool of left) {
        const most = reach.get(spool)!
        // the first place of the grid on which its near flange may stand: any further leaves less for the rest
        const flange = Math.ceil(Math.max(edge, -most - spool.widthMm / 2) / (GRID / 2) - 1e-6) * (GRID / 2)
        if (most >= 0 && flange + spool.widthMm / 2 <= most + 1e-6)
          go(
            flange + spool.widthMm + c.betweenMm,
            left.filter(one => one !== spool),
            count + 1,
          )
      }
    }
    go(-Infinity, spools, 0)
  }
  return best
}

/** The same box with length and depth changed over. */
function turned(of: Asked): Asked {
  const { rimMm, baseMm } = of.inside
  return { ...of, inside: { ...of.inside, rimMm: [rimMm[1], rimMm[0]], baseMm: [baseMm[1], baseMm[0]] } }
}

/** A random box and what is to go in; the same number gives the same one. */
function caseOf(n: number) {
  const source = seededRandom(41 + 977 * n)
  const uniform = () => source.uniform()
  const pick = (from: number, to: number, step: number) =>
    from + step * Math.floor(uniform() * (Math.round((to - from) / step) + 1))
  const straight = n % 2 === 0
  const on = straight ? GRID : 1
  const rim = [pick(180, 420, GRID), pick(220, 300, GRID)] as const
  const share = straight ? 1 : 0.85 + 0.1 * uniform()
  const inside = boxOf(rim, [rim[0] * share, rim[1] * share], pick(230, 300, GRID))
  const of = asked(inside, {
    betweenMm: pick(0, 10, on),
    endsMm: pick(0, 10, on),
    lidMm: pick(0, 10, on),
    floorMm: pick(0, 10, on),
  })
  const spools = Array.from({ length: 1 + (n % 6) }, (_, i) =>
    spoolOf(`s${i}`, pick(120, 210, 2 * on), pick(35, 75, on), pick(20, 70, 2)),
  )
  return { of, spools, uniform }
}

/** What is wrong with the arrangements found for one random box: against a grid, by solid geometry, and against trying. */
export function packingCase(n: number): {
  readonly wrong: string[]
  readonly asGrid: boolean
  readonly tried: number
} {
  const { of, spools, uniform } = caseOf(n)
  const wrong: string[] = []
  const onRod = findArrangement('axle', spools, of)?.count ?? 0
  const best = (one: Asked) => Math.max(bruteCount(spools, one), bruteCount(spools, turned(one)))
  const grid = best(of)
  if (onRod < grid) wrong.push(`${onRod} on a rod, ${grid} on the grid`)
  // a place off the grid is within 5 mm of one on it
  const { clearances: c } = of
  const eased = best(
    asked(of.inside, {
      betweenMm: c.betweenMm - GRID,
      endsMm: c.endsMm - GRID,
      lidMm: c.lidMm - GRID,
      floorMm: c.floorMm - GRID,
      sidesMm: c.sidesMm - GRID,
    }),
  )
  if (onRod > eased) wrong.push(`${onRod} on a rod, ${eased} on the grid with 5 mm in hand`)
  const wider = Object.fromEntries(Object.entries(c).map(([key, mm]) => [key, mm + 4]))
  for (const kind of ARRANGEMENT_KINDS) {
    const found = findArrangement(kind, spools, of)
    const loose = findArrangement(kind, spools, { ...of, clearances: wider as unknown as Clearances })
    if ((loose?.count ?? 0) > (found?.count ?? 0)) wrong.push(`${kind}: more clearance takes more`)
    if (!found) continue
    wrong.push(...wrongWith(found, spools, of).map(what => `${kind}: ${what}`))
    for (const { spoolId } of shortagesOf(clearancesOf(found.arrangement, spools, of)))
      wrong.push(`${kind}: ${spoolId} is short of room`)
  }
  // by hand: in the order they come, from the left, the rod somewhere about half height
  let tried = 0
  for (let attempt = 0; attempt < 5; attempt++) {
    let edge = 0 - of.inside.baseMm[0] / 2 + c.endsMm + uniform() * 20
    const some = spools.filter(() => uniform() < 0.7)
    const line = {
      at: [0, 0, of.inside.heightMm / 2 + 20 * uniform()] as const,
      spools: some.map(({ id, widthMm }) => {
        const alongMm = edge + widthMm / 2
        edge += widthMm + c.betweenMm
        return { id, alongMm }
      }),
    }
    const byHand = { kind: 'axle', axis: 0, lines: [line] } as const
    if (some.length === 0 || shortagesOf(clearancesOf(byHand, spools, of)).length > 0) continue
    tried++
    if (some.length > onRod) wrong.push(`${some.length} by hand, ${onRod} found`)
  }
  return { wrong: wrong.map(what => `case ${n}: ${what}`), asGrid: onRod === grid, tried }
}
