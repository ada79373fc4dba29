/** Loss of capacity a cycle kept at or below 120 °C, and when overheated; typical, from memory. */
const LOSS_PER_CYCLE = { low: 0.002, usual: 0.005, high: 0.01, overheated: 0.03 } as const

/**
 * Share of its first capacity that a desiccant keeps after some cycles; measured by the end weight where a scale is used.
 * @param cycles 0 or more @returns 0…1
 */
export const capacityAfterCycles = (cycles: number, care: keyof typeof LOSS_PER_CYCLE = 'usual'): number =>
  (1 - LOSS_PER_CYCLE[care]) ** cycles
