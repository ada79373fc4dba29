/**
 * A question answered by the very same call, but a question asked before by what it answered then: the tests of a page
 * ask the same of the same spools again and again.
 */
export function askedOnce<Asked, Answer>(
  answer: (asked: Asked) => Answer,
): (asked: Asked) => Promise<Answer> {
  const known = new Map<string, Answer>()
  return async asked => {
    // as a worker does: not before the page that asks has gone on
    await Promise.resolve()
    const key = JSON.stringify(asked)
    if (!known.has(key)) known.set(key, answer(asked))
    return known.get(key)!
  }
}
