import { CONTAINERS } from '#core/container/container.ts'
import { USUAL_HYGROMETER } from '#core/reading/hygrometer.ts'
import type { Wanted, WantedKind } from '#formats/quick/wanted.ts'
import { USUAL_SPOOL_WANTED } from '#formats/quick/usual-spool.ts'

const { container, size, lid } = { container: 'clip-long', ...CONTAINERS['clip-long'] } as const

/** What stands in the form before anything is said: usual values, all of them assumed. */
export const BLANK: Readonly<Record<WantedKind, Wanted>> = {
  spool: USUAL_SPOOL_WANTED,
  charge: {
    kind: 'charge',
    count: 1,
    name: 'Packet of beads',
    desiccant: 'silica-unknown',
    pieces: 1,
    gramsEach: 100,
    holder: 'packet',
    indicator: 'unknown',
    freshness: 'unknown',
    tareG: null,
    fillLineG: null,
    body: null,
    saysC: null,
    saysHours: null,
    place: 'away',
  },
  display: {
    kind: 'display',
    count: 1,
    name: 'Display',
    accuracyPercentRh: USUAL_HYGROMETER.accuracyPercentRh,
    floorPercentRh: USUAL_HYGROMETER.floorPercentRh,
    place: 'away',
  },
  box: {
    kind: 'box',
    count: 1,
    name: 'Box',
    container,
    ...size,
    wall: null,
    wallThicknessMm: null,
    lid,
    openingsPerMonth: 4,
  },
  room: { kind: 'room', count: 1, name: 'Room', climate: 'mild' },
  'heat source': {
    kind: 'heat source',
    count: 1,
    name: 'Oven',
    source: 'electric',
    lowestC: null,
    highestC: null,
    swingC: null,
    watts: null,
    trays: null,
    trayAreaCm2: null,
    trayDepthMm: null,
    pricePerKwh: null,
    food: null,
  },
  scale: { kind: 'scale', count: 1, name: 'Kitchen scale', stepG: 1 },
}
