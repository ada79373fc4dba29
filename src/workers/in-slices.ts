/** Long enough that listening costs next to nothing, short enough that nobody waits for it. */
const SLICE_MS = 60

/**
 * A long piece of work, step by step: after every slice of time what came in meanwhile is heard, so that the work can be
 * given up and its worker kept, with its code compiled.
 * @returns null where it was stopped
 */
export async function inSlices<Answer>(
  steps: Generator<undefined, Answer>,
  isStopped: () => boolean,
): Promise<Answer | null> {
  for (;;) {
    const untilMs = performance.now() + SLICE_MS
    do {
      const step = steps.next()
      if (step.done) return step.value
    } while (performance.now() < untilMs)
    await new Promise(resolve => setTimeout(resolve))
    if (isStopped()) return null
  }
}
