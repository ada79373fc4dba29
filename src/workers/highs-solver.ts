import type { Highs } from 'highs'
import { asLpText, type Solved, type Solver } from '#core/renewal/linear-model.ts'

/** Nodes of the search after which it stops with what it found: not seconds, so that the same question has the same answer. */
const MOST_NODES = 20_000

/** An integer solver by HiGHS; blocks the thread it runs on, so it lives in a worker. */
export const highsSolver =
  (highs: Highs, mostNodes = MOST_NODES): Solver =>
  model => {
    const solved = highs.withModel({ format: 'lp', data: asLpText(model) }, (run): Solved => {
      run.options.set({
        output_flag: false,
        random_seed: 1,
        mip_rel_gap: 0,
        mip_abs_gap: 1e-6,
        mip_max_nodes: mostNodes,
      })
      run.run()
      const { modelStatus, solutionStatus } = highs.constants
      const status = run.getModelStatus()
      const isProven = status === modelStatus.optimal
      const hasOne = isProven || Number(run.info.get('primal_solution_status')) === solutionStatus.feasible
      if (!hasOne) return { is: 'none', value: Number.NaN, bound: Number.NaN, of: new Map() }
      const { colValue } = run.getSolution()
      const names = [...model.whole.keys(), ...model.any]
      const value = run.getObjectiveValue()
      return {
        is: isProven ? 'proven' : 'found',
        value,
        bound: isProven ? value : Number(run.info.get('mip_dual_bound')),
        of: new Map(
          names.flatMap(name => {
            const at = columnOf(run, name)
            return at === null ? [] : [[name, colValue[at]!] as const]
          }),
        ),
      }
    })
    return Promise.resolve(solved)
  }

/** A name that stands in no row has no column. */
function columnOf(run: { getColByName: (name: string) => number }, name: string): number | null {
  try {
    const at = run.getColByName(name)
    return at >= 0 ? at : null
  } catch {
    return null
  }
}
