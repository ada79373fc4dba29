import type {
  BoxWanted,
  ChargeWanted,
  DisplayWanted,
  HeatWanted,
  RoomWanted,
  ScaleWanted,
  SpoolWanted,
  Wanted,
} from '#formats/quick/wanted.ts'
import type {
  BoxRecord,
  ChargeRecord,
  HeatSourceRecord,
  InstrumentRecord,
  RoomRecord,
  ScaleRecord,
  SpoolRecord,
  State,
} from '#journal/state.ts'

/** A thing of the kit by what it is and its id. */
export interface ThingRef {
  readonly kind: Wanted['kind']
  readonly id: string
}

const placeOf = (boxId: string | null) => (boxId === null ? ('away' as const) : (`box:${boxId}` as const))

const spoolAs = (spool: SpoolRecord): SpoolWanted => ({
  kind: 'spool',
  count: 1,
  name: spool.name,
  material: spool.material,
  colour: spool.colour,
  maker: spool.maker ?? null,
  filamentG: spool.filamentG,
  grossG: null,
  emptyG: spool.emptyG,
  body: spool.body ?? null,
  preset: spool.preset ?? null,
  strandMm: spool.strandMm ?? 1.75,
  rimDiameterMm: spool.rimDiameterMm,
  widthMm: spool.widthMm,
  boreMm: spool.boreMm ?? null,
  openedOn: null,
  driedOn: null,
  wetness: spool.wetness,
  place:
    spool.where.at === 'box'
      ? placeOf(spool.where.boxId)
      : spool.where.at === 'used up'
        ? 'open'
        : spool.where.at,
})
const chargeAs = (charge: ChargeRecord): ChargeWanted => ({
  kind: 'charge',
  count: 1,
  name: charge.name,
  desiccant: charge.desiccant,
  pieces: charge.pieces ?? 1,
  gramsEach: charge.dryMassG / (charge.pieces ?? 1),
  holder: charge.holder,
  indicator: charge.indicator,
  freshness: charge.freshness,
  tareG: charge.tareG ?? null,
  fillLineG: charge.fillLineG ?? null,
  body: charge.body ?? null,
  saysC: charge.saysC ?? null,
  saysHours: charge.saysHours ?? null,
  place: placeOf(charge.boxId),
})
const boxAs = (box: BoxRecord): BoxWanted => ({
  kind: 'box',
  count: 1,
  name: box.name,
  container: box.container,
  widthMm: box.widthMm,
  depthMm: box.depthMm,
  heightMm: box.heightMm,
  wall: box.wall ?? null,
  wallThicknessMm: box.wallThicknessMm ?? null,
  lid: box.lid,
  openingsPerMonth: box.openingsPerMonth,
})
const displayAs = (display: InstrumentRecord): DisplayWanted => ({
  kind: 'display',
  count: 1,
  name: display.name,
  accuracyPercentRh: display.accuracyPercentRh,
  floorPercentRh: display.floorPercentRh,
  place: placeOf(display.boxId),
})
const roomAs = (room: RoomRecord): RoomWanted => ({
  kind: 'room',
  count: 1,
  name: room.name,
  climate: room.climate.kind === 'own' ? 'mild' : room.climate.kind,
})
const heatAs = (source: HeatSourceRecord): HeatWanted => ({
  kind: 'heat source',
  count: 1,
  name: source.name,
  source: source.kind,
  lowestC: source.lowestC ?? null,
  highestC: source.highestC ?? null,
  swingC: source.swingC ?? null,
  watts: source.watts ?? null,
  trays: source.trays ?? null,
  trayAreaCm2: source.trayAreaCm2 ?? null,
  trayDepthMm: source.trayDepthMm ?? null,
  pricePerKwh: source.pricePerKwh ?? null,
  food: typeof source.food === 'boolean' ? (source.food ? 'yes' : 'no') : null,
})
const scaleAs = ({ name, stepG }: ScaleRecord): ScaleWanted => ({ kind: 'scale', count: 1, name, stepG })

/** A thing as it stands, field by field; null where it is not there. */
export function asWanted(state: State, { kind, id }: ThingRef): Wanted | null {
  const of = <T>(map: ReadonlyMap<string, T>, as: (one: T) => Wanted): Wanted | null => {
    const one = map.get(id)
    return one === undefined ? null : as(one)
  }
  switch (kind) {
    case 'spool':
      return of(state.spools, spoolAs)
    case 'charge':
      return of(state.charges, chargeAs)
    case 'box':
      return of(state.boxes, boxAs)
    case 'display':
      return of(state.instruments, displayAs)
    case 'room':
      return of(state.rooms, roomAs)
    case 'scale':
      return of(state.scales, scaleAs)
    case 'heat source':
      return of(state.heatSources, heatAs)
  }
}
