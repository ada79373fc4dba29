/** What is done at the oven, in this order; the first once, the others batch by batch, some of them charge by charge. */
export type SessionStep = 'displays out' | 'weighed in' | 'in' | 'out' | 'cooled' | 'weighed out' | 'back'

export interface SessionDone {
  readonly step: SessionStep
  readonly batch: number
  /** null: the whole batch. */
  readonly chargeId: string | null
  readonly atMs: number
}
export interface SessionToDo {
  readonly step: SessionStep
  readonly batch: number
  readonly chargeId: string | null
}

/**
 * Every step of a session in its order. A batch goes in, is hot and comes out before the next goes in; what came out cools
 * while the next is hot, and is weighed and put back after the last is out: nobody carries beads while others want watching.
 */
export function sessionSteps(batches: readonly { readonly chargeIds: readonly string[] }[]): SessionToDo[] {
  const steps: SessionToDo[] = [{ step: 'displays out', batch: 0, chargeId: null }]
  batches.forEach(({ chargeIds }, batch) => {
    for (const chargeId of chargeIds) steps.push({ step: 'weighed in', batch, chargeId })
    steps.push({ step: 'in', batch, chargeId: null }, { step: 'out', batch, chargeId: null })
  })
  batches.forEach(({ chargeIds }, batch) => {
    steps.push({ step: 'cooled', batch, chargeId: null })
    for (const chargeId of chargeIds)
      steps.push({ step: 'weighed out', batch, chargeId }, { step: 'back', batch, chargeId })
  })
  return steps
}

export const isSameStep = (a: SessionToDo, b: SessionToDo): boolean =>
  a.step === b.step && a.batch === b.batch && a.chargeId === b.chargeId

/** The first step that is not done; null once all are. */
export const nextStep = (
  batches: readonly { readonly chargeIds: readonly string[] }[],
  done: readonly SessionDone[],
): SessionToDo | null => sessionSteps(batches).find(step => !done.some(one => isSameStep(one, step))) ?? null
