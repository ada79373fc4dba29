/** A share of so many, as people count: "14 or 15". */
export function inCount(expected: number): string {
  const low = Math.floor(expected)
  return Math.abs(expected - Math.round(expected)) < 0.05
    ? String(Math.round(expected))
    : `${low} or ${low + 1}`
}

/** "Of 18 dates Veld gave, 15 fell in their range." @param by whom they were given, or for what */
export function scoreSentence(
  dates: readonly { readonly score: 'within' | 'early' | 'late' | 'open' }[],
  by = 'Veld gave',
): string {
  const told = dates.filter(date => date.score !== 'open')
  const within = told.filter(date => date.score === 'within').length
  if (told.length === 0) return `Of no date ${by} is it known yet what came`
  if (told.length === 1)
    return within === 1
      ? `The one date ${by} fell in its range`
      : `The one date ${by} did not fall in its range`
  return `Of ${told.length} dates ${by}, ${within === told.length ? 'all' : within} fell in their range`
}
