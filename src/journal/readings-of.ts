import type { ReadingRecord, State } from './state.ts'

/** A long journal has some ten thousand readings, and a shelf asks for those of each box and room over and over. */
const byPlace = new WeakMap<State['readings'], Map<string, ReadingRecord[]>>()

const keyOf = (place: ReadingRecord['place']): string =>
  place.in === 'box' ? `box:${place.boxId}` : `room:${place.roomId}`

/** Readings of one box or room, in order of time. */
export function readingsOf(
  { readings }: Pick<State, 'readings'>,
  place: ReadingRecord['place'],
): readonly ReadingRecord[] {
  let places = byPlace.get(readings)
  if (!places) {
    places = new Map()
    for (const reading of readings) {
      const key = keyOf(reading.place)
      const there = places.get(key)
      if (there) there.push(reading)
      else places.set(key, [reading])
    }
    byPlace.set(readings, places)
  }
  return places.get(keyOf(place)) ?? []
}
