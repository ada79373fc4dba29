// odex ships its sources as types, which do not pass our checks: kept outside the typed tree.
import { Solver } from 'odex/src/odex.js'

/** Integrates y' = f(x, y) from one x to another; returns y at the end and how often f was asked. */
export function odexSolve(f, y0, fromX, toX, tolerance) {
  const solver = new Solver(y0.length)
  solver.relativeTolerance = tolerance
  solver.absoluteTolerance = tolerance
  solver.maxSteps = 5_000_000
  let asked = 0
  const result = solver.solve(
    (x, y) => {
      asked++
      return f(x, y)
    },
    fromX,
    y0,
    toX,
  )
  return { y: result.y, asked, outcome: result.outcome }
}
