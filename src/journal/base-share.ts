import { CONTAINERS } from '#core/container/container.ts'
import type { BoxRecord } from './state.ts'

/** How much smaller a box is at its base than at its rim: as measured, else as its outline is. */
export const baseShareOf = (box: Pick<BoxRecord, 'container' | 'baseShare'>): number =>
  box.baseShare ?? CONTAINERS[box.container].baseShare
