import type { State } from '#journal/state.ts'
import type { Draft } from '#records/act.ts'
import type { ThingRef } from './as-wanted.ts'

/** What is still inside a box: it must come out before the box can go. */
export function insideOf(state: State, boxId: string) {
  return {
    spools: [...state.spools.values()].filter(({ where }) => where.at === 'box' && where.boxId === boxId),
    charges: [...state.charges.values()].filter(charge => charge.boxId === boxId),
    displays: [...state.instruments.values()].filter(display => display.boxId === boxId),
  }
}

/** A thing put away for good; what was inside a box comes out first, in the same act. */
export function retireDrafts(state: State, { kind, id }: ThingRef, atMs: number): Draft[] {
  switch (kind) {
    case 'spool':
      return [{ kind: 'spool.moved', atMs, payload: { spoolId: id, where: { at: 'used up' } } }]
    case 'charge':
      return [{ kind: 'charge.retired', atMs, payload: { chargeId: id } }]
    case 'display':
      return [{ kind: 'instrument.retired', atMs, payload: { instrumentId: id } }]
    case 'scale':
      return [{ kind: 'scale.retired', atMs, payload: { scaleId: id } }]
    case 'heat source':
      return [{ kind: 'heatSource.retired', atMs, payload: { heatSourceId: id } }]
    case 'room':
      return [{ kind: 'room.retired', atMs, payload: { roomId: id } }]
    case 'box': {
      const { spools, charges, displays } = insideOf(state, id)
      return [
        ...spools.map(({ spoolId }): Draft => ({
          kind: 'spool.moved',
          atMs,
          payload: { spoolId, where: { at: 'open' } },
        })),
        ...charges.map(({ chargeId }): Draft => ({
          kind: 'charge.moved',
          atMs,
          payload: { chargeId, boxId: null },
        })),
        ...displays.map(({ instrumentId }): Draft => ({
          kind: 'instrument.moved',
          atMs,
          payload: { instrumentId, boxId: null },
        })),
        { kind: 'box.retired', atMs, payload: { boxId: id } },
      ]
    }
  }
}
