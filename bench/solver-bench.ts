import { simulate, type SimulationOptions } from '../src/core/network/simulate.ts'
import type { Network } from '../src/core/network/network.ts'
import { CompiledRhs } from './compiled-rhs.ts'
import { denseBdf2 } from './dense-bdf2.ts'
import { odexSolve } from './odex-peer.mjs'
import { standardYear } from './standard-year.ts'

const DAY = 86_400
const TIMES = 200
const EQUAL_ERROR_PERCENT_RH = 0.1
/** Few times over a short span: each is a fresh start for odex. */
const outputs = (days: number) => {
  const times = days < 1 ? 4 : TIMES
  return Float64Array.from({ length: times }, (_, i) => ((i + 1) / times) * days * DAY)
}

const ours = (network: Network, days: number, options: SimulationOptions) =>
  simulate(network, { fromS: 0, toS: days * DAY, outputS: outputs(days) }, options).airRhPercent
const at = (tolerance: number): SimulationOptions => ({
  airToleranceRhPercent: tolerance,
  relativeTolerance: 2e-3 * tolerance,
  absoluteToleranceG: 2e-3 * tolerance,
  maxSteps: 10_000_000,
})
const worst = (values: ArrayLike<number>, exact: ArrayLike<number>) => {
  let most = 0
  for (let i = 0; i < exact.length; i++) most = Math.max(most, Math.abs(values[i]! - exact[i]!))
  return most
}
function timed<T>(run: () => T, rounds = 1): { ms: number; value: T } {
  let best = Infinity
  let value!: T
  for (let round = 0; round < rounds; round++) {
    const start = performance.now()
    value = run()
    best = Math.min(best, performance.now() - start)
  }
  return { ms: best, value }
}

/** The loosest of our tolerances that stays within the equal error, and its time. */
function ourBest(network: Network, days: number, exact: ArrayLike<number>) {
  for (const tolerance of [3, 1, 0.3, 0.1, 0.03]) {
    ours(network, Math.min(days, 10), at(tolerance))
    const run = timed(() => ours(network, days, at(tolerance)), 3)
    const error = worst(run.value, exact)
    if (error <= EQUAL_ERROR_PERCENT_RH) return { tolerance, error, ms: run.ms }
  }
  throw new Error('No tolerance reaches the equal error.')
}

function odexRun(network: Network, days: number, tolerance: number) {
  const rhs = new CompiledRhs(network)
  const water = new Float64Array(network.nodes.length)
  const f = (hours: number, y: number[]) => {
    water.set(y)
    return Array.from(rhs.at(hours * 3600, water))
  }
  let y = network.nodes.map(node => node.initialWaterG)
  let asked = 0
  let timeS = 0
  const out: number[] = []
  const stops = [
    ...Array.from(outputs(days), atS => ({ atS, share: 0 })),
    ...network.events.flatMap(event =>
      event.kind === 'exchange' && event.atS < days * DAY ? [{ atS: event.atS, share: event.share }] : [],
    ),
  ].sort((a, b) => a.atS - b.atS)
  for (const stop of stops) {
    const result = odexSolve(f, y, timeS / 3600, stop.atS / 3600, tolerance)
    y = result.y.slice()
    asked += result.asked
    timeS = stop.atS
    const store = network.nodes[0]!.store
    if (stop.share > 0 && store.kind === 'air')
      y[0]! += stop.share * (rhs.roomDensityGPerL(timeS) * store.volumeL - y[0]!)
    else out.push(rhs.rhPercent(timeS, y))
  }
  return { out, asked }
}

export function solverBench(): void {
  const year = standardYear()
  const say = (text: string) => console.log(text)
  say(`\nThe standard year: ${year.nodes.length} nodes, room sampled hourly, 52 openings`)
  const exactYear = ours(year, 365, at(0.003))
  const best = ourBest(year, 365, exactYear)
  say(`  ours: ${best.ms.toFixed(0)} ms, largest error ${best.error.toFixed(3)} % RH at ${TIMES} times`)

  const bdfDays = 91
  const exactQuarter = ours(year, bdfDays, at(0.003))
  const quarter = ourBest(year, bdfDays, exactQuarter)
  for (const stepS of [3600, 900, 450]) {
    const run = timed(() => denseBdf2(year, bdfDays * DAY, stepS, outputs(bdfDays)))
    const error = worst(run.value, exactQuarter)
    if (error > EQUAL_ERROR_PERCENT_RH && stepS > 450) continue
    say(
      `  first ${bdfDays} days: ours ${quarter.ms.toFixed(0)} ms (error ${quarter.error.toFixed(3)}), BDF2 with dense LU ${run.ms.toFixed(0)} ms (error ${error.toFixed(3)}, steps of ${stepS} s): ${(run.ms / quarter.ms).toFixed(0)} times`,
    )
    break
  }

  // an explicit method needs near a hundred thousand evaluations an hour here: two hours have to do
  const odexDays = 2 / 24
  const exactDays = ours(year, odexDays, at(0.003))
  const few = ourBest(year, odexDays, exactDays)
  let fastest = { ms: Infinity, tolerance: 0, error: 0, asked: 0 }
  for (const tolerance of [1e-5, 1e-6, 1e-7]) {
    const run = timed(() => odexRun(year, odexDays, tolerance))
    const error = worst(run.value.out, exactDays)
    if (error <= EQUAL_ERROR_PERCENT_RH && run.ms < fastest.ms)
      fastest = { ms: run.ms, tolerance, error, asked: run.value.asked }
  }
  say(
    `  first ${odexDays * 24} hours: ours ${few.ms.toFixed(1)} ms (error ${few.error.toFixed(3)}), odex ${fastest.ms.toFixed(0)} ms (error ${fastest.error.toFixed(3)}, tolerance ${fastest.tolerance}, ${fastest.asked} evaluations): ${(fastest.ms / few.ms).toFixed(0)} times`,
  )

  say('  time against size, 30 days:')
  for (const [spools, rings] of [
    [1, 10],
    [5, 10],
    [20, 10],
    [5, 5],
    [5, 20],
  ] as const) {
    const network = standardYear(spools, rings)
    ours(network, 5, at(best.tolerance))
    const run = timed(() => ours(network, 30, at(best.tolerance)), 3)
    say(
      `    ${String(spools).padStart(2)} spools × ${String(rings).padStart(2)} rings, ${String(network.nodes.length).padStart(4)} nodes: ${run.ms.toFixed(1)} ms, ${((run.ms / network.nodes.length) * 1000).toFixed(0)} µs a node`,
    )
  }
}
