/** Another browser may have another last digit in its exponential. */
const DIGITS = 1e-6

/** Where two results differ first, in words; null where every figure of one is that of the other. */
export function apart(kept: unknown, found: unknown, at = 'it'): string | null {
  if (typeof kept === 'number' && typeof found === 'number')
    return Math.abs(kept - found) <= DIGITS * Math.max(Math.abs(kept), Math.abs(found))
      ? null
      : `${at} was ${kept}, is ${found}`
  if (kept === null || found === null || typeof kept !== 'object' || typeof found !== 'object')
    return kept === found ? null : `${at} was ${JSON.stringify(kept)}, is ${JSON.stringify(found)}`
  const fields = new Set([...Object.keys(kept), ...Object.keys(found)])
  for (const field of fields) {
    const difference = apart(
      (kept as Record<string, unknown>)[field],
      (found as Record<string, unknown>)[field],
      `${at}.${field}`,
    )
    if (difference !== null) return difference
  }
  return null
}
