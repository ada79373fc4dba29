import type { Problem } from './building.ts'
import type { Placed } from './in-force.ts'
import type { Repair } from './state.ts'

type Kind =
  | 'room'
  | 'box'
  | 'charge'
  | 'spool'
  | 'hygrometer'
  | 'scale'
  | 'heat source'
  | 'session'
  | 'plan'
  | 'drying run'
const MAKERS: Readonly<Record<string, [Kind, string]>> = {
  'room.made': ['room', 'roomId'],
  'box.made': ['box', 'boxId'],
  'charge.made': ['charge', 'chargeId'],
  'spool.made': ['spool', 'spoolId'],
  'instrument.made': ['hygrometer', 'instrumentId'],
  'scale.made': ['scale', 'scaleId'],
  'heatSource.made': ['heat source', 'heatSourceId'],
  'session.begun': ['session', 'sessionId'],
  'plan.made': ['plan', 'planId'],
  'drying.begun': ['drying run', 'runId'],
}
const WORD: Readonly<Record<Kind, string>> = {
  room: 'room',
  box: 'box',
  charge: 'charge of beads',
  spool: 'spool',
  hygrometer: 'hygrometer',
  scale: 'scale',
  'heat source': 'heat source',
  session: 'heating session',
  plan: 'plan',
  'drying run': 'drying run',
}
const A_MINUTE_MS = 60_000

/** Finds the other of two entries that can't both be true, and what would put each right. */
export class Contradicting {
  readonly #makers = new Map<string, Placed>()
  readonly #last = new Map<string, Placed>()

  constructor(placed: readonly Placed[]) {
    for (const item of placed) {
      const maker = MAKERS[item.entry.kind]
      if (!maker) continue
      const key = `${maker[0]}:${(item.entry.payload as Record<string, unknown>)[maker[1]] as string}`
      if (!this.#makers.has(key)) this.#makers.set(key, item)
    }
  }

  /** The last thing done with a charge or a spool that placed or ended it. */
  remember(id: string, placed: Placed): void {
    this.#last.set(id, placed)
  }

  /** It names something that had not been entered by then. */
  unknown(kind: Kind, id: string, placed: Placed): Problem {
    const maker = this.#makers.get(`${kind}:${id}`)
    const word = WORD[kind]
    return maker
      ? {
          otherId: maker.entry.id,
          reason: `It is dated before its ${word} was there.`,
          repairs: [
            {
              do: 'redate',
              entryId: maker.entry.id,
              atMs: placed.atMs - A_MINUTE_MS,
              says: `The ${word} was there before`,
            },
            withdraw(placed, 'This did not happen'),
          ],
        }
      : {
          otherId: null,
          reason: `It names a ${word} that is not in this journal.`,
          repairs: [withdraw(placed, 'Take this entry back')],
        }
  }

  /** It enters something a second time. */
  twice(kind: Kind, id: string, placed: Placed): Problem {
    const first = this.#makers.get(`${kind}:${id}`)!
    return {
      otherId: first.entry.id,
      reason: `This ${WORD[kind]} was already entered.`,
      repairs: [withdraw(placed, 'Keep the earlier one'), withdraw(first, 'Keep this one')],
    }
  }

  /** It goes on with something that had come to its end. */
  ended(reason: string, id: string, placed: Placed): Problem {
    const end = this.#last.get(id)
    return {
      otherId: end?.entry.id ?? null,
      reason,
      repairs: [...(end ? [withdraw(end, 'It had not ended')] : []), withdraw(placed, 'This did not happen')],
    }
  }

  /** A charge comes out of a box it was not in. */
  elsewhere(chargeId: string, boxId: string, placed: Placed): Problem {
    const last = this.#last.get(chargeId) ?? this.#makers.get(`charge:${chargeId}`)
    return {
      otherId: last?.entry.id ?? null,
      reason: 'The beads that came out were not in this box then.',
      repairs: [
        {
          do: 'enter',
          draft: { kind: 'charge.moved', payload: { chargeId, boxId }, atMs: placed.atMs - A_MINUTE_MS },
          says: 'They had been put into it before',
        },
        withdraw(placed, 'This swap did not happen'),
      ],
    }
  }

  /** A box or a room is said to be gone, and something is still in it. */
  stillFull(id: string, placed: Placed): Problem {
    return {
      otherId: this.#last.get(id)?.entry.id ?? null,
      reason: 'It was put away for good while something was still in it.',
      repairs: [withdraw(placed, 'It is still there')],
    }
  }

  /** Beads that weigh less than they do dry. */
  tooLight(chargeId: string, placed: Placed): Problem {
    const made = this.#makers.get(`charge:${chargeId}`)
    return {
      otherId: made?.entry.id ?? null,
      reason: 'The beads weigh less than they were told to weigh dry.',
      repairs: [
        ...(made
          ? [{ do: 'edit', entryId: made.entry.id, says: 'There are fewer beads' } satisfies Repair]
          : []),
        { do: 'edit', entryId: placed.entry.id, says: 'Put the weighing right' },
      ],
    }
  }
}

const withdraw = (placed: Placed, says: string): Repair => ({
  do: 'withdraw',
  entryId: placed.entry.id,
  says,
})
