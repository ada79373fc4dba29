// How fast the core is, each against a peer in the same run: the ratios travel between machines, the times do not.
import psychrolib from 'psychrolib'
import { dewPointC, saturationPressureWaterPa } from '../src/core/air/saturation.ts'
import { estimateBox, estimateGrams } from '../src/core/estimate/estimate-box.ts'
import { historyNetwork, modelOfDraw } from '../src/core/estimate/model-of-draw.ts'
import { seededRandom } from '../src/core/estimate/random.ts'
import { syntheticBox } from '../src/testing/synthetic-box.ts'
import { ENSEMBLE_TOLERANCES } from '../src/core/estimate/run-draw.ts'
import { simulate } from '../src/core/network/simulate.ts'
import { straightLineDays } from '../src/testing/histories/scores.ts'
import { hugeJournals } from './huge-journals.ts'
import { journalBench } from './journal-bench.ts'
import { largePlan } from './large-plan.ts'
import { explicitRungeKutta } from './explicit-runge-kutta.ts'
import { solverBench } from './solver-bench.ts'

/** Median milliseconds of one call, over a few rounds. */
function time(calls: number, run: (i: number) => unknown): number {
  const rounds: number[] = []
  for (let round = 0; round < 7; round++) {
    const start = performance.now()
    for (let i = 0; i < calls; i++) run(i)
    rounds.push((performance.now() - start) / calls)
  }
  return rounds.sort((a, b) => a - b)[3]!
}
const row = (what: string, ours: number, peer: number, peerName: string) =>
  console.log(
    `${what.padEnd(46)} ${(ours * 1000).toFixed(2).padStart(10)} µs   ${peerName.padEnd(34)} ${(peer * 1000).toFixed(2).padStart(10)} µs   ${(peer / ours).toFixed(1)} times`,
  )

psychrolib.SetUnitSystem(psychrolib.SI)
const TEMPERATURES_C = Float64Array.from({ length: 1024 }, (_, i) => 1 + (79 * i) / 1023)
row(
  'saturation pressure',
  time(200_000, i => saturationPressureWaterPa(TEMPERATURES_C[i & 1023]!)),
  time(200_000, i => psychrolib.GetSatVapPres(TEMPERATURES_C[i & 1023]!)),
  'psychrolib',
)
row(
  'dew point',
  time(20_000, i => dewPointC(700 + (i & 4095))),
  time(20_000, i => psychrolib.GetTDewPointFromVapPres(30, 700 + (i & 4095))),
  'psychrolib',
)

const { facts, truth } = syntheticBox(seededRandom(4242), 150, 6)
const network = historyNetwork(facts, modelOfDraw(facts, truth))
const span = { fromS: facts.fromS, toS: facts.nowS, outputS: [facts.nowS] }
const exact = simulate(network, span, {
  airToleranceRhPercent: 1e-4,
  relativeTolerance: 1e-8,
  absoluteToleranceG: 1e-8,
}).airRhPercent[0]!
const peerRh = explicitRungeKutta(network, span.fromS, span.toS)
const ourRun = simulate(network, span, ENSEMBLE_TOLERANCES)
console.log(
  `150 days of one box: ${ourRun.steps} steps; error ${Math.abs(ourRun.airRhPercent[0]! - exact).toFixed(3)} % RH, peer's ${Math.abs(peerRh - exact).toFixed(3)} % RH`,
)
row(
  '150 days of one box',
  time(20, () => simulate(network, span, ENSEMBLE_TOLERANCES)),
  time(2, () => explicitRungeKutta(network, span.fromS, span.toS)),
  'explicit Runge–Kutta, largest stable step',
)

const start = performance.now()
const report = estimateBox(facts, { seed: 1 })
const reported = performance.now()
estimateGrams(facts, { seed: 1 }, [4, 8, 16])
console.log(
  `one box, ${report.draws} draws over 150 days and a year ahead: ${(reported - start).toFixed(0)} ms; grams wanted on top: ${(performance.now() - reported).toFixed(0)} ms`,
)

// many readings: half a year read with a display or by a logger, beside the straight line through the last of them
for (const [count, days] of [
  [400, 180],
  [5000, 209],
] as const) {
  const { facts: many } = syntheticBox(seededRandom(4242), days, days / count)
  const began = performance.now()
  const { draws, ends } = estimateBox(many)
  const tookMs = performance.now() - began
  row(
    `${many.readings.length} readings, ${draws} draws, ${ends}`,
    tookMs,
    time(2000, () => straightLineDays(many)),
    'straight line through the last four',
  )
}

solverBench()
await journalBench()
await largePlan()
await hugeJournals()
