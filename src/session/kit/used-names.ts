import type { State } from '#journal/state.ts'

/** Names that stand for something still there: two things of one name can't be told apart in a list. */
export class UsedNames {
  readonly #used: Set<string>

  constructor(state: State) {
    this.#used = new Set(
      [
        ...[...state.boxes.values()].filter(box => box.retiredMs === null),
        ...[...state.charges.values()].filter(charge => charge.retiredMs === null),
        ...[...state.spools.values()].filter(spool => spool.where.at !== 'used up'),
        ...[...state.instruments.values()].filter(item => item.retiredMs === null),
        ...[...state.scales.values()].filter(item => item.retiredMs === null),
        ...[...state.heatSources.values()].filter(item => item.retiredMs === null),
        ...[...state.rooms.values()].filter(item => item.retiredMs === null),
      ].map(({ name }) => name.toLowerCase()),
    )
  }

  /** The name itself where it is free, else with the next number. */
  free(name: string): string {
    const base = name.slice(0, 56)
    let free = base
    for (let n = 2; this.#used.has(free.toLowerCase()); n++) free = `${base} ${n}`
    this.#used.add(free.toLowerCase())
    return free
  }
}
