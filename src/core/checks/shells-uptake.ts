import { STRAND_SHELLS } from '../filament/strand.ts'

/**
 * Uptake of the three-shell strand, its surface held constant, by small implicit steps: the peer of cylinderUptake.
 * @param fourierNumber 0–3 @returns 0…1
 */
export function shellsUptake(fourierNumber: number): number {
  const steps = 4000
  const h = fourierNumber / steps
  const u = [0, 0, 0]
  const [a, b, c] = STRAND_SHELLS
  for (let n = 0; n < steps; n++) {
    // backward Euler: a tridiagonal solve from the core outwards
    const core = c.massShare / h + c.transferNumber
    const middle =
      b.massShare / h + b.transferNumber + c.transferNumber - (c.transferNumber * c.transferNumber) / core
    const outer =
      a.massShare / h + a.transferNumber + b.transferNumber - (b.transferNumber * b.transferNumber) / middle
    const coreRhs = (c.massShare / h) * u[2]!
    const middleRhs = (b.massShare / h) * u[1]! + (c.transferNumber * coreRhs) / core
    const outerRhs = (a.massShare / h) * u[0]! + a.transferNumber + (b.transferNumber * middleRhs) / middle
    u[0] = outerRhs / outer
    u[1] = (middleRhs + b.transferNumber * u[0]) / middle
    u[2] = (coreRhs + c.transferNumber * u[1]) / core
  }
  return a.massShare * u[0]! + b.massShare * u[1]! + c.massShare * u[2]!
}
