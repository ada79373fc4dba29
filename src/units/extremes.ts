/** The greatest of a list, however long: a call spread over a hundred thousand values ends the page. −Infinity for none. */
export function greatest(values: Iterable<number>): number {
  let most = -Infinity
  for (const value of values) most = Math.max(most, value)
  return most
}

/** The least of a list, however long; Infinity for none. */
export function least(values: Iterable<number>): number {
  let found = Infinity
  for (const value of values) found = Math.min(found, value)
  return found
}
