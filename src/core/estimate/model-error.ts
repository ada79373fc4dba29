import { secondsFromDays } from '#units/time.ts'

/**
 * What the model itself may miss the air by, % RH, one standard deviation, and how long it goes on missing it the same
 * way: its weather is a usual year's, its spools are lumped, its beads are a catalogue's. However many readings are taken
 * within that time, they share it.
 */
export const MODEL_SPREAD_RH = 1
export const MODEL_MEMORY_S = secondsFromDays(20)
