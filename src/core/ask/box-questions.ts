import type { Grams, PercentRh, Seconds } from '#units/quantity.ts'
import { daysFromSeconds, hoursFromSeconds, secondsFromDays } from '#units/time.ts'
import { type Answer, type Because, input, type BecauseInput } from '../answer.ts'
import { boxNetwork, freeAirAtL } from '../assemble/box-network.ts'
import { openingShare } from '../container/opening.ts'
import { steadyRhPercent } from '../container/steady.ts'
import { spoolMoisture, type SpoolMoisture } from '../filament/rings.ts'
import { isSameWay, type BoxModel, type ChargeModel, type Way } from '../model/box-model.ts'
import { ROOM } from '../network/network.ts'
import { simulate, type SimulationOptions } from '../network/simulate.ts'
import { rhOverLoadingPercent } from '../sorbent/sorbent.ts'
import { firstAbove, type Passing } from './first-above.ts'
import { leastGrams, type LeastGrams } from './least-grams.ts'
import { firstPassing, partPercent, SLIT_SHARES, TIME_RINGS, type Part } from './spool-time.ts'

/** Good to a day in a year; the runs of a question need no more. */
const TOLERANCES: SimulationOptions = {
  relativeTolerance: 5e-4,
  airToleranceRhPercent: 0.1,
  maxSteps: 60_000,
}
const NETWORK_SOURCE = 'the moisture network (docs/physics.md), checked against closed solutions'

const boxInputs = (box: BoxModel): BecauseInput[] => [
  ...box.inlets.map(({ by, conductanceLPerH }) => input(`G_${by}`, by, conductanceLPerH, 'L/h', 'told')),
  ...box.charges.flatMap(charge => [
    input('m', 'dry desiccant', charge.dryMassG, 'g', 'told'),
    input('q', 'its loading', charge.loadingGPerG, 'g/g', 'told'),
  ]),
  input('V', 'inside', box.insideL, 'L', 'told'),
]

/**
 * Openings at even steps as a steady conductance: a limit is about where the box stands, not about the hour after each
 * opening.
 */
function smoothed(box: BoxModel, span: Span): BoxModel {
  if (box.openings.length === 0) return box
  const exchangedL = box.openings.reduce(
    (sum, opening) => sum + openingShare(opening.openSeconds) * freeAirAtL(box, opening.atS),
    0,
  )
  const conductanceLPerH = exchangedL / hoursFromSeconds(secondsFromDays(span.days))
  return { ...box, openings: [], inlets: [...box.inlets, { by: 'openings', conductanceLPerH }] }
}

interface Span {
  readonly fromS: Seconds
  readonly days: number
  /** The limit counts from here on: work on a box takes days to settle. */
  readonly settleS?: Seconds
}
const limitSpan = ({ fromS, days, settleS = 0 }: Span) => ({
  fromS,
  toS: fromS + secondsFromDays(days),
  settleS,
})

/**
 * When the box air first stands above a limit; openings count as a steady leak of the same exchange.
 * @returns days from the start; Infinity where it holds over the time looked at; NaN where the run did not finish:
 * `passing` says which and why
 */
export function whenPassesLimit(
  box: BoxModel,
  limitRhPercent: PercentRh,
  span: Span,
): Answer & { readonly passing: Passing } {
  const passing = firstAbove(smoothed(box, span), limitRhPercent, limitSpan(span), TOLERANCES, TIME_RINGS)
  return {
    passing,
    quantity: 'days until the box air passes the limit',
    value:
      passing.ends === 'passes'
        ? daysFromSeconds(passing.atS - span.fromS)
        : passing.ends === 'holds'
          ? Infinity
          : Number.NaN,
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
  charge: Pick<ChargeModel, 'sorbent' | 'loadingGPerG' | 'conductanceLPerH'>,
  surroundings: { leakLPerH: number; roomRhPercent: PercentRh; temperatureC: number },
): Answer {
  const chargeRhPercent = rhOverLoadingPercent(charge.sorbent, {
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
const SEARCH_RATIO = 1.02

/**
 * Grams of a charge's desiccant, all other charges taken out, with which the box stays below the limit.
 * @returns g; Infinity where no amount does (the leak sets the floor); NaN where a run did not finish: `sizing` says
 */
export function gramsNeeded(
  box: BoxModel,
  charge: ChargeModel,
  limitRhPercent: PercentRh,
  span: Span,
): Answer & { readonly sizing: LeastGrams } {
  const sizing = leastGrams(
    smoothed(box, span),
    { charge, limitRhPercent, span: limitSpan(span), mostG: MOST_GRAMS, ratio: SEARCH_RATIO },
    TOLERANCES,
    TIME_RINGS,
  )
  return {
    sizing,
    quantity: 'grams of desiccant needed',
    value: sizing.ends === 'found' ? sizing.grams : sizing.ends === 'no amount does' ? Infinity : Number.NaN,
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
  box: BoxModel,
  fromS: Seconds,
  atS: ArrayLike<number>,
): { readonly id: string; readonly moisture: readonly SpoolMoisture[] }[] {
  const toS = atS[atS.length - 1]!
  const network = boxNetwork(box, { fromS, toS }, TIME_RINGS)
  const run = simulate(network, { fromS, toS, outputS: atS }, TOLERANCES)
  return network.spoolPlaces.flatMap(({ layout }) =>
    layout
      ? [
          {
            id: layout.id,
            moisture: Array.from(run.atS, (_, row) =>
              spoolMoisture(layout, run.waterG, row * network.nodes.length),
            ),
          },
        ]
      : [],
  )
}

/**
 * Days until a spool of a box has dried to a limit, and where it stands at the end of the time looked at.
 * @returns days for each slit transport; Infinity where this box does not get it there
 */
export function daysToDry(
  box: BoxModel,
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
    const values = moisture.map(m => partPercent(m, part))
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
  readonly paths: readonly { readonly way: Way; readonly broughtG: Grams; readonly share: number }[]
  readonly because: Because
}

/** Water that came into the box air over a span, g, by path: room paths, openings and what spools and board gave. */
export function waterByPath(box: BoxModel, span: { fromS: Seconds; days: number }): WaterByPath {
  const toS = span.fromS + secondsFromDays(span.days)
  const network = boxNetwork(box, { fromS: span.fromS, toS }, TIME_RINGS)
  const run = simulate(network, { fromS: span.fromS, toS, outputS: [toS] }, TOLERANCES)
  const brought: { way: Way; broughtG: number }[] = []
  const book = (way: Way, grams: number) => {
    const known = brought.find(item => isSameWay(item.way, way))
    if (known) known.broughtG += grams
    else brought.push({ way, broughtG: grams })
  }
  network.links.forEach((link, l) => {
    if (link.b === ROOM || link.b === 0) book(link.way, run.flowG[l]!)
  })
  network.events.forEach((event, e) => {
    if (event.kind !== 'conduct') book(event.way, run.eventWaterG[e]!)
  })
  const inward = brought.reduce((sum, { broughtG }) => sum + Math.max(0, broughtG), 0)
  return {
    paths: brought
      .map(item => ({ ...item, share: Math.max(0, item.broughtG) / inward }))
      .sort((a, b) => b.broughtG - a.broughtG),
    because: {
      formulaId: 'water-by-path',
      formula: 'grams carried by each link over the span, from the integration that moves them',
      inputs: [input('t', 'span', span.days, 'd', 'told'), ...boxInputs(box)],
      source: NETWORK_SOURCE,
    },
  }
}
