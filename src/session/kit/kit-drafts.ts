import { sizeKnown } from '#core/filament/spool-class.ts'
import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import type { BoxWanted, ChargeWanted, SpoolWanted, Wanted, WantedPlace } from '#formats/quick/wanted.ts'
import { inShelfOrder } from '#journal/shelf-order.ts'
import { roomsOf } from '#journal/rooms.ts'
import type { State } from '#journal/state.ts'
import type { Draft, Maker } from '#records/act.ts'
import type { Knowledge } from '#core/answer.ts'
import { heatPayload } from './heat-payload.ts'
import { nextPlace } from './next-place.ts'
import { UsedNames } from './used-names.ts'

/** A thing to be entered, and which of its fields somebody said. */
export interface KitItem {
  readonly wanted: Wanted
  readonly told: ReadonlySet<string>
}
interface Context {
  readonly state: State
  readonly maker: Pick<Maker, 'newId'>
  readonly nowMs: number
  /** Midday of a calendar day, in the person's zone. */
  readonly dayMs: (day: string) => number
}

/** Everything as one act's entries: one undo takes the whole batch back. Boxes come first, so that things go into them. */
export function kitDrafts(items: readonly KitItem[], context: Context): Draft[] {
  const drafts: Draft[] = []
  const names = new UsedNames(context.state)
  const shelf = inShelfOrder(context.state).map(box => ({ ...box, id: box.boxId }))
  let roomId = roomsOf(context.state)[0]?.roomId ?? null
  /** Boxes of this batch, by the name they were written with. */
  const made = new Map<string, string>()
  for (const { wanted: said, told } of boxesFirst(items)) {
    const wanted = inBoxes(said, made)
    const known = knownBy(told)
    for (let n = 0; n < wanted.count; n++)
      switch (wanted.kind) {
        case 'room': {
          roomId = context.maker.newId()
          drafts.push({
            kind: 'room.made',
            atMs: context.nowMs,
            payload: {
              roomId,
              name: names.free(wanted.name),
              climate: { kind: wanted.climate },
              climateKnown: known('climate'),
            },
          })
          break
        }
        case 'heat source':
          drafts.push({
            kind: 'heatSource.made',
            atMs: context.nowMs,
            payload: {
              heatSourceId: context.maker.newId(),
              ...heatPayload({ ...wanted, name: names.free(wanted.name) }),
            },
          })
          break
        case 'scale':
          drafts.push({
            kind: 'scale.made',
            atMs: context.nowMs,
            payload: { scaleId: context.maker.newId(), name: names.free(wanted.name), stepG: wanted.stepG },
          })
          break
        case 'display':
          drafts.push({
            kind: 'instrument.made',
            atMs: context.nowMs,
            payload: {
              instrumentId: context.maker.newId(),
              name: names.free(wanted.name),
              accuracyPercentRh: wanted.accuracyPercentRh,
              floorPercentRh: wanted.floorPercentRh,
              boxId: boxIdOf(wanted.place),
            },
          })
          break
        case 'box': {
          if (roomId === null) {
            roomId = context.maker.newId()
            drafts.push({
              kind: 'room.made',
              atMs: context.nowMs,
              payload: { roomId, name: 'Room', climate: { kind: 'mild' }, climateKnown: 'assumed' },
            })
          }
          const place = nextPlace(shelf, wanted.widthMm)
          const draft = boxDraft(wanted, known, {
            ...place,
            roomId,
            boxId: context.maker.newId(),
            name: names.free(wanted.name),
            atMs: context.nowMs,
          })
          if (n === 0) made.set(wanted.name, draft.payload.boxId)
          shelf.push({ ...draft.payload, id: draft.payload.boxId } as (typeof shelf)[number])
          drafts.push(draft)
          break
        }
        case 'charge':
          drafts.push(chargeDraft(wanted, known, names.free(wanted.name), context))
          break
        case 'spool':
          drafts.push(...spoolDrafts(wanted, known, names.free(wanted.name), context))
      }
  }
  return drafts
}

const boxesFirst = (items: readonly KitItem[]): KitItem[] => [
  ...items.filter(item => item.wanted.kind === 'room'),
  ...items.filter(item => item.wanted.kind === 'box'),
  ...items.filter(item => item.wanted.kind !== 'room' && item.wanted.kind !== 'box'),
]

/** A place in a box of the same batch, by the id it has got. */
function inBoxes(wanted: Wanted, made: ReadonlyMap<string, string>): Wanted {
  if (!('place' in wanted) || !wanted.place.startsWith(NEW)) return wanted
  const boxId = made.get(wanted.place.slice(NEW.length))
  return { ...wanted, place: boxId === undefined ? 'away' : (`box:${boxId}` as const) }
}
const NEW = 'box:new:'

const knownBy =
  (told: ReadonlySet<string>) =>
  (...fields: readonly string[]): Extract<Knowledge, 'assumed' | 'told'> =>
    fields.some(field => told.has(field)) ? 'told' : 'assumed'

type KnownBy = ReturnType<typeof knownBy>
const boxIdOf = (place: WantedPlace): string | null => (place.startsWith('box:') ? place.slice(4) : null)

function boxDraft(
  wanted: BoxWanted,
  known: KnownBy,
  at: { boxId: string; name: string; roomId: string; board: number; leftMm: number; atMs: number },
): Extract<Draft, { kind: 'box.made' }> {
  const { atMs, ...place } = at
  const { container, widthMm, depthMm, heightMm, wall, wallThicknessMm, lid, openingsPerMonth } = wanted
  return {
    kind: 'box.made',
    atMs,
    payload: {
      ...place,
      container,
      widthMm,
      depthMm,
      heightMm,
      sizeKnown: known('widthMm', 'depthMm', 'heightMm') === 'told' ? 'measured' : 'assumed',
      ...(wall === null ? {} : { wall }),
      ...(wallThicknessMm === null ? {} : { wallThicknessMm }),
      lid,
      lidKnown: lid === 'unknown' ? 'assumed' : known('lid'),
      openingsPerMonth,
      openingsKnown: known('openingsPerMonth'),
    },
  }
}

function chargeDraft(wanted: ChargeWanted, known: KnownBy, name: string, { maker, nowMs }: Context): Draft {
  const { desiccant, pieces, gramsEach, holder, freshness, tareG, fillLineG } = wanted
  return {
    kind: 'charge.made',
    atMs: nowMs,
    payload: {
      chargeId: maker.newId(),
      name,
      desiccant,
      dryMassG: pieces * gramsEach,
      massKnown: known('gramsEach'),
      holder,
      freshness,
      freshnessKnown: freshness === 'unknown' ? 'assumed' : known('freshness'),
      // only silica gel is dyed
      indicator: DESICCANTS[desiccant].gel ? wanted.indicator : 'none',
      ...(pieces > 1 ? { pieces } : {}),
      ...(tareG === null ? {} : { tareG }),
      ...(fillLineG === null ? {} : { fillLineG }),
      ...(wanted.body === null ? {} : { body: wanted.body }),
      ...(wanted.saysC === null ? {} : { saysC: wanted.saysC }),
      ...(wanted.saysHours === null ? {} : { saysHours: wanted.saysHours }),
      boxId: boxIdOf(wanted.place),
    },
  }
}

/**
 * A spool enters the journal on the day its air began to matter: when it was dried, else opened, else now. In between
 * it is taken to have lain in the open room where it was opened, and where it was put where it was dried.
 */
function spoolDrafts(wanted: SpoolWanted, known: KnownBy, name: string, context: Context): Draft[] {
  const { maker, nowMs, dayMs, state } = context
  const where = whereaboutsOf(wanted.place)
  const beganOn = wanted.driedOn ?? wanted.openedOn
  const beganMs = beganOn === null ? nowMs : Math.min(dayMs(beganOn), nowMs)
  const boxMadeMs = where.at === 'box' ? (state.boxes.get(where.boxId)?.madeMs ?? nowMs) : beganMs
  const stayed = wanted.driedOn !== null && boxMadeMs <= beganMs
  const isLater = beganMs < nowMs - SAME_DAY_MS && where.at !== 'open'
  const begins = isLater && !stayed ? ({ at: wanted.driedOn === null ? 'open' : 'bag' } as const) : where
  const spoolId = maker.newId()
  const { material, colour, maker: by, filamentG, grossG, emptyG, body, strandMm, boreMm } = wanted
  const drafts: Draft[] = [
    {
      kind: 'spool.made',
      atMs: isLater ? beganMs : nowMs,
      payload: {
        spoolId,
        name,
        material,
        colour,
        filamentG,
        filamentKnown: grossG === null ? known('filamentG') : 'measured',
        emptyG,
        cardboardG: body === 'board' ? emptyG : 0,
        rimDiameterMm: wanted.rimDiameterMm,
        widthMm: wanted.widthMm,
        ...(known('rimDiameterMm', 'widthMm') === 'told'
          ? { sizeKnown: sizeKnown(wanted.rimDiameterMm, wanted.widthMm) }
          : {}),
        ...(boreMm === null ? {} : { boreMm }),
        ...(body === null ? {} : { body }),
        ...(strandMm === 1.75 ? {} : { strandMm }),
        ...(by === null ? {} : { maker: by }),
        ...(wanted.preset === null ? {} : { preset: wanted.preset }),
        wetness: wanted.wetness,
        wetnessKnown: wanted.wetness === 'unknown' ? 'assumed' : known('wetness', 'openedOn', 'driedOn'),
        where: begins,
      },
    },
  ]
  if (begins !== where) drafts.push({ kind: 'spool.moved', atMs: nowMs, payload: { spoolId, where } })
  return drafts
}
const SAME_DAY_MS = 12 * 3_600_000

export const whereaboutsOf = (place: WantedPlace) => {
  const boxId = boxIdOf(place)
  return boxId === null
    ? ({ at: place === 'printer' || place === 'bag' ? place : 'open' } as const)
    : ({ at: 'box', boxId } as const)
}
