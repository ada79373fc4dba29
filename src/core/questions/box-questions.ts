import type { Grams, PercentRh, Seconds } from '#units/quantity.ts'
import { daysFromSeconds, hoursFromSeconds, secondsFromDays } from '#units/time.ts'
import { type Answer, type Because, input, type BecauseInput } from '../answer.ts'
import { openingShare } from '../container/opening.ts'
import { caseNetwork, type BoxCase } from '../box/box-case.ts'
import { rhOverLoadingPercent, sorbentOf } from '../desiccant/sorbent.ts'
import { steadyRhPercent } from '../estimate/floor.ts'
import { spoolMoisture, type SpoolMoisture } from '../filament/rings.ts'
import { ROOM } from '../network/network.ts'
import { simulate, type SimulationOptions } from '../network/simulate.ts'
import { firstPassing, SLIT_SHARES, TIME_RINGS, type Part } from './spool-time.ts'

/** Good to a day in a year; the runs of a question need no more. */
const TOLERANCES: SimulationOptions = {
  relativeTolerance: 5e-4,
  airToleranceRhPercent: 0.1,
  maxSteps: 60_000,
}
const NETWORK_SOURCE = 'the moisture network (docs/physics.md), checked against closed solutions'

const boxInputs = (box: BoxCase): BecauseInput[] => [
  ...box.inlets.map(({ path, conductanceLPerH }) =>
    input(`G_${path}`, path, conductanceLPerH, 'L/h', 'told'),
  ),
  ...box.charges.flatMap(charge => [
    input('m', 'dry desiccant', charge.dryMassG, 'g', 'told'),
    input('q', 'its loading', charge.loadingGPerG, 'g/g', 'told'),
  ]),
  input('V', 'free air', box.freeAirL, 'L', 'told'),
]

/** Openings as a steady conductance: a limit is about where the box stands, not about the hour after each opening. */
function smoothed(box: BoxCase): BoxCase {
  if (!box.openings) return box
  const conductanceLPerH =
    (openingShare(box.openings.openSeconds) * box.freeAirL) / hoursFromSeconds(box.openings.everyS)
  return { ...box, openings: null, inlets: [...box.inlets, { path: 'openings', conductanceLPerH }] }
}

/**
 * When the box air first stands above a limit; openings count as a steady leak of the same exchange.
 * @param settleS the limit counts from here on: work on a box takes days to settle
 * @returns days from the start; Infinity where it never does within the time looked at
 */
export function whenPassesLimit(
  box: BoxCase,
  limitRhPercent: PercentRh,
  span: { fromS: Seconds; days: number; settleS?: Seconds },
): Answer {
  const toS = span.fromS + secondsFromDays(span.days)
  const run = simulate(
    caseNetwork(smoothed(box), span.fromS, toS, TIME_RINGS),
    {
      fromS: span.fromS,
      toS,
      outputS: [],
      stopAbove: { rhPercent: limitRhPercent, fromS: span.fromS + (span.settleS ?? 0) },
    },
    TOLERANCES,
  )
  return {
    quantity: 'days until the box air passes the limit',
    value: run.crossedAtS === null ? Infinity : daysFromSeconds(run.crossedAtS - span.fromS),
    unit: 'd',
    knowledge: 'computed',
    because: {
      formulaId: 'network-crossing',
      formula: 'first time the simulated air stands above the limit',
      inputs: [input('RH', 'limit', limitRhPercent, '% RH', 'told'), ...boxInputs(box)],
      source: NETWORK_SOURCE,
    },
  }
}

/** Steady RH of a box with this leak, holder and loading: between the beads' own RH and the room's. */
export function steadyRh(
  charge: Pick<BoxCase['charges'][number], 'kind' | 'loadingGPerG' | 'conductanceLPerH'>,
  surroundings: { leakLPerH: number; roomRhPercent: PercentRh; temperatureC: number },
): Answer {
  const chargeRhPercent = rhOverLoadingPercent(sorbentOf(charge.kind), {
    loadingGPerG: charge.loadingGPerG,
    temperatureC: surroundings.temperatureC,
  })
  return {
    quantity: 'steady RH',
    value: steadyRhPercent({
      chargeRhPercent,
      roomRhPercent: surroundings.roomRhPercent,
      leakLPerH: surroundings.leakLPerH,
      holderLPerH: charge.conductanceLPerH,
    }),
    unit: '% RH',
    knowledge: 'computed',
    because: {
      formulaId: 'steady-rh',
      formula: 'RH = RH_eq + (RH_room − RH_eq)·G_leak/(G_leak + G_holder)',
      inputs: [
        input('RH_eq', 'RH over the beads', chargeRhPercent, '% RH', 'computed'),
        input('RH_room', 'RH of the room', surroundings.roomRhPercent, '% RH', 'told'),
        input('G_leak', 'leak', surroundings.leakLPerH, 'L/h', 'told'),
        input('G_holder', 'holder', charge.conductanceLPerH, 'L/h', 'told'),
      ],
      source: 'derived: two conductances in series',
    },
  }
}

const MOST_GRAMS = 5000
/** Below this the answer is "none". */
const LEAST_GRAMS = 2

/**
 * Grams of the first charge's desiccant with which the box stays below the limit over an interval.
 * More beads are taken to lie in more holders: conductance grows with mass to the 2/3.
 * @returns g; Infinity where no amount does (the leak sets the floor)
 */
export function gramsNeeded(
  box: BoxCase,
  limitRhPercent: PercentRh,
  span: { fromS: Seconds; days: number; settleS?: Seconds },
): Answer {
  const [charge] = box.charges
  if (!charge) throw new Error('A case without a charge asks for no grams.')
  const holds = (dryMassG: Grams): boolean =>
    whenPassesLimit(
      {
        ...box,
        charges: [
          {
            ...charge,
            dryMassG,
            conductanceLPerH: charge.conductanceLPerH * (dryMassG / charge.dryMassG) ** (2 / 3),
          },
        ],
      },
      limitRhPercent,
      span,
    ).value === Infinity
  let value = Infinity
  if (holds(MOST_GRAMS)) {
    let low = LEAST_GRAMS
    let high = MOST_GRAMS
    while (high / low > 1.02) {
      const middle = Math.sqrt(low * high)
      if (holds(middle)) high = middle
      else low = middle
    }
    value = high
  }
  return {
    quantity: 'grams of desiccant needed',
    value,
    unit: 'g',
    knowledge: 'computed',
    because: {
      formulaId: 'grams-needed',
      formula: 'least mass with which the simulated air stays below the limit over the interval, to 2 %',
      inputs: [
        input('RH', 'limit', limitRhPercent, '% RH', 'told'),
        input('t', 'interval', span.days, 'd', 'told'),
        ...boxInputs(box),
      ],
      source: NETWORK_SOURCE,
    },
  }
}

/** Moisture of each spool of a box at the times asked for. */
export function spoolsOverTime(
  box: BoxCase,
  fromS: Seconds,
  atS: ArrayLike<number>,
): { readonly id: string; readonly moisture: readonly SpoolMoisture[] }[] {
  const toS = atS[atS.length - 1]!
  const network = caseNetwork(box, fromS, toS, TIME_RINGS)
  const run = simulate(network, { fromS, toS, outputS: atS }, TOLERANCES)
  return network.layouts.map(layout => ({
    id: layout.id,
    moisture: Array.from(run.atS, (_, row) => spoolMoisture(layout, run.waterG, row * network.nodes.length)),
  }))
}

/**
 * Days until a spool of a box has dried to a limit, and where it stands at the end of the time looked at.
 * @returns days for each slit transport; Infinity where this box does not get it there
 */
export function daysToDry(
  box: BoxCase,
  spoolId: string,
  part: Part,
  limitPercent: number,
  span: { fromS: Seconds; days: number },
): Answer & { readonly earlyDays: number; readonly lateDays: number; readonly endsAtPercent: number } {
  const points = 160
  const atS = Float64Array.from(
    { length: points },
    (_, i) => span.fromS + secondsFromDays(span.days) * (i / (points - 1)) ** 2,
  )
  const run = (slitShare: number) => {
    const varied = {
      ...box,
      spools: box.spools.map(spool => (spool.id === spoolId ? { ...spool, slitShare } : spool)),
    }
    const { moisture } = spoolsOverTime(varied, span.fromS, atS).find(spool => spool.id === spoolId)!
    const values = moisture.map(m => (part === 'outer' ? m.outerPercent : m.meanPercent))
    const passedS =
      values[0]! <= limitPercent ? span.fromS : (firstPassing(atS, values, limitPercent)?.atS ?? null)
    return {
      days: passedS === null ? Infinity : daysFromSeconds(passedS - span.fromS),
      endsAtPercent: values.at(-1)!,
    }
  }
  const usual = run(SLIT_SHARES.usual)
  return {
    quantity: 'days to dry in this box',
    value: usual.days,
    earlyDays: run(SLIT_SHARES.loose).days,
    lateDays: run(SLIT_SHARES.tight).days,
    endsAtPercent: usual.endsAtPercent,
    unit: 'd',
    knowledge: 'computed',
    because: {
      formulaId: 'network-drying',
      formula: 'first time the simulated spool stands below the limit',
      inputs: [input('c', 'limit', limitPercent, 'wt %', 'told'), ...boxInputs(box)],
      source: NETWORK_SOURCE,
    },
  }
}

export interface WaterByPath {
  /** Most first; negative: it took water out of the air. `share` is of all that came in. */
  readonly paths: readonly { readonly path: string; readonly broughtG: Grams; readonly share: number }[]
  readonly because: Because
}

/** Water that came into the box air over a span, g, by path: room paths, openings and what spools and board gave. */
export function waterByPath(box: BoxCase, span: { fromS: Seconds; days: number }): WaterByPath {
  const toS = span.fromS + secondsFromDays(span.days)
  const network = caseNetwork(box, span.fromS, toS, TIME_RINGS)
  const run = simulate(network, { fromS: span.fromS, toS, outputS: [toS] }, TOLERANCES)
  const brought = new Map<string, number>()
  network.links.forEach((link, l) => {
    if (link.b === ROOM || link.b === 0) brought.set(link.path, (brought.get(link.path) ?? 0) + run.flowG[l]!)
  })
  for (const [path, grams] of Object.entries(run.eventWaterG))
    brought.set(path, (brought.get(path) ?? 0) + grams)
  const inward = [...brought.values()].filter(grams => grams > 0).reduce((a, b) => a + b, 0)
  return {
    paths: [...brought]
      .map(([path, broughtG]) => ({ path, broughtG, share: Math.max(0, broughtG) / inward }))
      .sort((a, b) => b.broughtG - a.broughtG),
    because: {
      formulaId: 'water-by-path',
      formula: 'grams carried by each link over the span, from the integration that moves them',
      inputs: [input('t', 'span', span.days, 'd', 'told'), ...boxInputs(box)],
      source: NETWORK_SOURCE,
    },
  }
}
