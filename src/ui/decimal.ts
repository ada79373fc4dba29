/** A number as people type it: comma or point, a minus of either kind, spaces and a unit allowed. NaN where it is none. */
export function parseDecimal(text: string): number {
  const tidy = text
    .trim()
    .replace(/[\s\u2006\u00a0]/g, '')
    .replace('−', '-')
    .replace(/(%|°?[CF]|mm|in|g|oz|L|qt)$/i, '')
    .replace(',', '.')
  return /^-?(\d+\.?\d*|\.\d+)$/.test(tidy) ? Number(tidy) : Number.NaN
}
