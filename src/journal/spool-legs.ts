import type { Sojourn, SpoolDrying, SpoolRecord } from './state.ts'

/** One stretch of where a spool was; a heat goes before wherever it was said to stand meanwhile. */
export type SpoolLeg = { readonly fromMs: number; readonly untilMs: number } & (
  | { readonly is: 'bag' | 'open' | 'printer' | 'used up' }
  | { readonly is: 'box'; readonly boxId: string }
  | { readonly is: 'heat'; readonly drying: SpoolDrying }
)

const HOUR_MS = 3_600_000

/** Where a spool was from one time to another, stretch by stretch without a gap. */
export function spoolLegs(
  spool: Pick<SpoolRecord, 'whereabouts' | 'dryings'>,
  fromMs: number,
  toMs: number,
): SpoolLeg[] {
  const heats = spool.dryings
    .map(drying => ({ drying, fromMs: drying.atMs - drying.hours * HOUR_MS, untilMs: drying.atMs }))
    .sort((a, b) => a.fromMs - b.fromMs)
  const cuts = [
    fromMs,
    toMs,
    ...spool.whereabouts.map(one => one.fromMs),
    ...heats.flatMap(one => [one.fromMs, one.untilMs]),
  ]
    .filter(atMs => atMs >= fromMs && atMs <= toMs)
    .sort((a, b) => a - b)
  const legs: SpoolLeg[] = []
  for (const [i, startMs] of cuts.entries()) {
    const endMs = cuts[i + 1]
    if (endMs === undefined || endMs <= startMs) continue
    const leg = legAt(spool.whereabouts, heats, startMs, endMs)
    const last = legs.at(-1)
    if (last && isSame(last, leg)) legs[legs.length - 1] = { ...last, untilMs: endMs }
    else legs.push(leg)
  }
  return legs
}

function legAt(
  whereabouts: readonly Sojourn[],
  heats: readonly { readonly drying: SpoolDrying; readonly fromMs: number; readonly untilMs: number }[],
  fromMs: number,
  untilMs: number,
): SpoolLeg {
  const heat = heats.findLast(one => one.fromMs <= fromMs && one.untilMs >= untilMs)
  if (heat) return { fromMs, untilMs, is: 'heat', drying: heat.drying }
  // before the first of them it is taken to have stood where it was first seen
  const { where } = whereabouts.findLast(one => one.fromMs <= fromMs) ?? whereabouts[0]!
  return where.at === 'box'
    ? { fromMs, untilMs, is: 'box', boxId: where.boxId }
    : { fromMs, untilMs, is: where.at }
}

const isSame = (a: SpoolLeg, b: SpoolLeg): boolean =>
  a.is === b.is &&
  (a.is !== 'box' || (b.is === 'box' && a.boxId === b.boxId)) &&
  (a.is !== 'heat' || (b.is === 'heat' && a.drying.id === b.drying.id))
