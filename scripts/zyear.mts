import { RULES, yearOf } from '../src/testing/histories/year.ts'
for (const seed of [900_001, 900_002, 900_003, 900_004, 900_005, 900_006]) {
  const line = [String(seed)]
  for (const name of ['all-knowing', 'first of the month', 'two readings over', 'veld'] as const) {
    const t = performance.now()
    const y = yearOf(seed, RULES[name])
    line.push(`${name} off ${y.offDays} ren ${y.renewals} ${(performance.now() - t).toFixed(0)}ms`)
  }
  console.log(line.join(' | '))
}
