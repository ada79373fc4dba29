import type { Grams, Millimetres } from '#units/quantity.ts'
import { hangs, type Arrangement } from './arrangement.ts'
import { fittingOf, type Fitting, type Tube } from './fittings.ts'
import type { OutletWish } from './holes.ts'
import { BUSHING_OVER_MM, type RodCut } from './rod-cut.ts'
import { ROD_MATERIALS, type Rod } from './rod.ts'
import type { StripReport } from './foam-strip.ts'

/** Something to get: so many, or so much by length or weight, and what one costs where that is told. */
export interface Part {
  readonly id: string
  readonly name: string
  readonly count: number
  readonly lengthMm: Millimetres | null
  readonly grams: Grams | null
  readonly price: number | null
}

export interface PartFacts {
  readonly container: { readonly name: string; readonly price: number | null }
  readonly arrangement: Arrangement | null
  readonly cuts: readonly RodCut[]
  readonly rod: Rod
  readonly spools: readonly { readonly id: string; readonly name: string; readonly boreMm: Millimetres }[]
  readonly outlets: readonly OutletWish[]
  readonly ownFittings: readonly Fitting[]
  readonly tube: Tube
  readonly strip: StripReport | null
  readonly filling: { readonly name: string; readonly grams: Grams; readonly pieces: number | null } | null
  readonly hasDisplay: boolean
  readonly prices: readonly { readonly part: string; readonly price: number }[]
}

/** What a plan takes, in the order it is needed. */
export function partsOf(facts: PartFacts): Part[] {
  const priceOf = (id: string) => facts.prices.find(one => one.part === id)?.price ?? null
  const part = (
    id: string,
    name: string,
    count: number,
    more: { readonly lengthMm?: number; readonly grams?: number } = {},
  ): Part[] =>
    count > 0
      ? [{ id, name, count, lengthMm: more.lengthMm ?? null, grams: more.grams ?? null, price: priceOf(id) }]
      : []
  const { arrangement, cuts, rod, spools, outlets, tube, strip, filling } = facts
  const onRods = cuts.flatMap(cut => cut.loads)
  const shims = spools.filter(
    spool =>
      onRods.some(load => load.spoolId === spool.id) && spool.boreMm - rod.diameterMm > BUSHING_OVER_MM,
  )
  const byFitting = new Map<string, number>()
  for (const { fitting } of outlets) byFitting.set(fitting, (byFitting.get(fitting) ?? 0) + 1)
  const stuff = ROD_MATERIALS[rod.material].name
  const twin = inchTwin(rod.diameterMm)
  const thick = `${rod.diameterMm} mm${twin ? ` or ${twin.name} in` : ''}`
  const [box] = part('container', facts.container.name, 1)
  return [
    { ...box!, price: facts.container.price },
    ...cuts.flatMap(cut =>
      part(cuts.length > 1 ? `rod ${cut.line + 1}` : 'rod', `rod of ${stuff}, ${thick}`, 1, {
        lengthMm: cut.cutMm,
      }),
    ),
    ...part(
      'caps',
      'caps or nuts for rod ends',
      cuts.reduce((sum, cut) => sum + cut.walls, 0),
    ),
    ...part(
      'collars',
      'stop collars',
      cuts.reduce((sum, cut) => sum + (cut.loads.length > 0 ? cut.loads.length + 1 : 0), 0),
    ),
    ...part('bushings', 'bushings with one flange', shims.length),
    ...(arrangement?.kind === 'rollers'
      ? part('rollers', 'pairs of rollers with their frame', arrangement.lines.length)
      : []),
    ...(arrangement?.kind === 'spindle'
      ? part('bracket', 'plates for a spindle, four screws each', arrangement.lines.length)
      : []),
    ...[...byFitting].flatMap(([id, count]) => part(id, fittingOf(id, facts.ownFittings).name, count)),
    ...part('tube', 'tube', outlets.some(one => one.fitting !== 'round-display') ? 1 : 0, {
      lengthMm: outlets.filter(one => one.fitting !== 'round-display').length * tube.runMm,
    }),
    ...part('outlet caps', 'caps for idle outlets', outlets.filter(one => one.capped).length),
    ...(strip ? part('strip', 'foam strip', 1, { lengthMm: strip.lengthMm }) : []),
    ...(filling
      ? part('beads', filling.name, filling.pieces ?? 1, { grams: filling.grams / (filling.pieces ?? 1) })
      : []),
    ...part('display', 'display', facts.hasDisplay ? 1 : 0),
    ...part(
      'sealant',
      'sealant for holes and screws',
      (arrangement && hangs(arrangement.kind)) || outlets.length > 0 ? 1 : 0,
    ),
  ]
}

/** What is known of the cost, and how many parts have no price. */
export const costOf = (parts: readonly Part[]): { readonly sum: number; readonly unpriced: number } => ({
  sum: parts.reduce((sum, { price, count }) => sum + (price ?? 0) * count, 0),
  unpriced: parts.filter(part => part.price === null).length,
})

const MM_PER_INCH = 25.4
/** Inch sizes rods and drills are sold in. */
const INCH_SIZES: readonly (readonly [string, number])[] = [
  ['1/8', 1 / 8],
  ['5/32', 5 / 32],
  ['3/16', 3 / 16],
  ['13/64', 13 / 64],
  ['1/4', 1 / 4],
  ['5/16', 5 / 16],
  ['3/8', 3 / 8],
  ['7/16', 7 / 16],
  ['1/2', 1 / 2],
  ['5/8', 5 / 8],
  ['3/4', 3 / 4],
  ['1', 1],
  ['1 5/8', 1.625],
]
const TWIN_WITHIN = 0.07
/** The inch size nearest to a metric one; null where none is near enough to take its place. */
export function inchTwin(mm: Millimetres): { readonly name: string; readonly mm: Millimetres } | null {
  const [name, inches] = INCH_SIZES.reduce((a, b) =>
    Math.abs(b[1] * MM_PER_INCH - mm) < Math.abs(a[1] * MM_PER_INCH - mm) ? b : a,
  )
  return Math.abs(inches * MM_PER_INCH - mm) <= TWIN_WITHIN * mm ? { name, mm: inches * MM_PER_INCH } : null
}
