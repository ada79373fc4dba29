import { LIDS } from '#core/container/lid.ts'
import { HEAT_SOURCES } from '#core/renewal/heat-source.ts'
import type { Entry } from '#records/entry.ts'
import type { State } from '#journal/state.ts'
import type { Measures } from '#ui/measures.ts'
import { inHundredths, inTenths, inWhole, THIN } from '#ui/format.ts'
import { MATERIAL_VALUES } from '#records/kinds/value.ts'
import { CLIMATES } from '#core/room/climate.ts'

/** "12 min" where it is less than an hour. */
const hoursText = (hours: number): string =>
  hours < 1 ? `${inWhole(hours * 60)}${THIN}min` : `${inTenths(hours)}${THIN}h`

/** An entry in words: what it is about, and what it says. */
export interface EntryWords {
  readonly about: string
  readonly says: string
}

const TROUBLE_WORDS = {
  wet: 'wet',
  'heat or retraction': 'heat or retraction',
  printer: 'the printer',
  brittle: 'brittle filament',
} as const
const SCHOOL_WORDS = { gentle: 'well below where it softens', hot: 'as hot as all parts stand' } as const
const DAY_WISHES = { pinned: 'heat beads then', struck: 'not that day', none: 'as the plan wants' } as const
export function entryWords(entry: Entry, state: State, measures: Measures): EntryWords {
  const { temperature, weight, length } = measures
  const boxName = (id: string | null) =>
    id === null ? 'put away' : (state.boxes.get(id)?.name ?? 'a box that is gone')
  const chargeName = (id: string) => state.charges.get(id)?.name ?? 'beads'
  const sourceName = (id: string) => state.heatSources.get(id)?.name ?? 'a heat source'
  const spoolName = (id: string) => state.spools.get(id)?.name ?? 'a spool'
  const runName = (id: string) => spoolName(state.dryingRuns.get(id)?.spoolId ?? '')
  switch (entry.kind) {
    case 'reading.taken': {
      const { place, relativeHumidityPercent, temperatureC } = entry.payload
      const about =
        place.in === 'box' ? boxName(place.boxId) : (state.rooms.get(place.roomId)?.name ?? 'a room')
      return { about, says: `${inWhole(relativeHumidityPercent)}${THIN}%, ${temperature.text(temperatureC)}` }
    }
    case 'box.opened':
      return {
        about: boxName(entry.payload.boxId),
        says: `lid off for ${inWhole(entry.payload.openSeconds)} s`,
      }
    case 'box.made':
      return {
        about: entry.payload.name,
        says: `set up, ${length.bare(entry.payload.widthMm)} × ${length.bare(entry.payload.depthMm)} × ${length.text(entry.payload.heightMm)}, ${LIDS[entry.payload.lid].name}`,
      }
    case 'box.changed':
      return { about: boxName(entry.payload.boxId), says: changesIn(entry.payload, measures) }
    case 'box.sealed':
      return {
        about: boxName(entry.payload.boxId),
        says: `from then on: ${LIDS[entry.payload.lid].name}`,
      }
    case 'box.sealTestBegun':
      return {
        about: boxName(entry.payload.boxId),
        says:
          entry.payload.method === 'weighed'
            ? `a tray of ${weight.text(entry.payload.trayG ?? 0)} shut in`
            : `shut empty at ${inWhole(entry.payload.startPercent ?? 0)}${THIN}%`,
      }
    case 'box.sealTested': {
      const { result } = entry.payload
      return {
        about: boxName(entry.payload.boxId),
        says: result
          ? `${inHundredths(result.middleLPerH)}${THIN}L/h (${inHundredths(result.lowLPerH)}–${inHundredths(result.highLPerH)})`
          : 'given up',
      }
    }
    case 'box.unread':
      return { about: boxName(entry.payload.boxId), says: `its display ${entry.payload.why}` }
    case 'box.retired':
      return { about: boxName(entry.payload.boxId), says: GONE }
    case 'room.retired':
      return { about: state.rooms.get(entry.payload.roomId)?.name ?? 'a room', says: GONE }
    case 'instrument.retired':
      return {
        about: state.instruments.get(entry.payload.instrumentId)?.name ?? 'a hygrometer',
        says: GONE,
      }
    case 'plan.made':
      return {
        about: entry.payload.name,
        says: `${entry.payload.candidates.length} to choose from`,
      }
    case 'plan.changed':
      return { about: state.plans.get(entry.payload.planId)?.name ?? 'a plan', says: 'changed' }
    case 'plan.retired':
      return { about: state.plans.get(entry.payload.planId)?.name ?? 'a plan', says: GONE }
    case 'scale.made':
      return { about: entry.payload.name, says: `steps of ${weight.text(entry.payload.stepG)}` }
    case 'scale.changed':
      return {
        about: state.scales.get(entry.payload.scaleId)?.name ?? 'a scale',
        says: changesIn(entry.payload, measures),
      }
    case 'scale.retired':
      return { about: state.scales.get(entry.payload.scaleId)?.name ?? 'a scale', says: GONE }
    case 'heatSource.made':
      return { about: entry.payload.name, says: HEAT_SOURCES[entry.payload.kind].name }
    case 'heatSource.changed':
      return { about: sourceName(entry.payload.heatSourceId), says: changesIn(entry.payload, measures) }
    case 'heatSource.measured':
      return {
        about: sourceName(entry.payload.heatSourceId),
        says: `set to ${temperature.text(entry.payload.dialC)}, measured ${temperature.text(entry.payload.measuredC)}`,
      }
    case 'heatSource.retired':
      return { about: sourceName(entry.payload.heatSourceId), says: GONE }
    case 'session.begun': {
      const count = entry.payload.batches.flatMap(batch => batch.chargeIds).length
      return {
        about: entry.payload.heatSourceId === null ? 'heating' : sourceName(entry.payload.heatSourceId),
        says: `${count} ${count === 1 ? 'charge' : 'charges'} of beads, ${entry.payload.batches.length === 1 ? 'one batch' : `${entry.payload.batches.length} batches`}`,
      }
    }
    case 'session.stepped':
      return {
        about: entry.payload.chargeId === null ? 'heating' : chargeName(entry.payload.chargeId),
        says: entry.payload.step,
      }
    case 'session.weighed':
      return { about: chargeName(entry.payload.chargeId), says: `hot, ${weight.text(entry.payload.grossG)}` }
    case 'session.ended':
      return { about: 'heating', says: entry.payload.how }
    case 'ovenDays.told':
      return { about: 'days at the oven', says: changesIn(entry.payload, measures) }
    case 'ovenDays.wished':
      return { about: entry.payload.day, says: DAY_WISHES[entry.payload.wish ?? 'none'] }
    case 'renewal.wished': {
      const { boxId, day, sure } = entry.payload
      const says = [
        ...(day === undefined ? [] : [day === null ? 'on any day' : `on ${day}`]),
        ...(sure === undefined ? [] : [sure === null ? 'as sure as all' : `sure ${sure * 100} in 100`]),
      ]
      return { about: boxName(boxId), says: says.join(', ') }
    }
    case 'ovenPlan.seen': {
      const { length } = entry.payload.sessions
      return { about: 'plan', says: length === 1 ? 'one day' : `${length} days` }
    }
    case 'box.moved':
      return { about: boxName(entry.payload.boxId), says: 'moved on the shelf' }
    case 'charge.made':
      return {
        about: entry.payload.name,
        says: `${weight.text(entry.payload.dryMassG)} of beads, ${entry.payload.boxId === null ? 'put away' : `into ${boxName(entry.payload.boxId)}`}`,
      }
    case 'charge.changed':
      return { about: chargeName(entry.payload.chargeId), says: changesIn(entry.payload, measures) }
    case 'charge.moved':
      return {
        about: chargeName(entry.payload.chargeId),
        says: entry.payload.boxId === null ? 'put away' : `into ${boxName(entry.payload.boxId)}`,
      }
    case 'charge.replaced':
      return {
        about: boxName(entry.payload.boxId),
        says: `${chargeName(entry.payload.outChargeId)} out, ${chargeName(entry.payload.inChargeId)} in`,
      }
    case 'charge.weighed':
      return {
        about: chargeName(entry.payload.chargeId),
        says: `weighed ${weight.text(entry.payload.grossG)}, holder ${weight.text(entry.payload.tareG)}`,
      }
    case 'charge.heated':
      return {
        about: chargeName(entry.payload.chargeId),
        says: `heated ${hoursText(entry.payload.hours)}${entry.payload.temperatureC === null ? ` in a ${entry.payload.oven}` : ` at ${temperature.text(entry.payload.temperatureC)}`}`,
      }
    case 'charge.looked':
      return { about: chargeName(entry.payload.chargeId), says: `looked ${entry.payload.colour}` }
    case 'charge.retired':
      return { about: chargeName(entry.payload.chargeId), says: 'worn out, thrown away' }
    case 'spool.made':
      return {
        about: entry.payload.name,
        says: `${entry.payload.material}, ${weight.text(entry.payload.filamentG)}, ${whereWords(entry.payload.where, boxName)}`,
      }
    case 'spool.changed':
      return { about: spoolName(entry.payload.spoolId), says: changesIn(entry.payload, measures) }
    case 'spool.moved':
      return { about: spoolName(entry.payload.spoolId), says: whereWords(entry.payload.where, boxName) }
    case 'spool.dried': {
      const { spoolId, hours, temperatureC, air } = entry.payload
      return {
        about: spoolName(spoolId),
        says: `dried ${hoursText(hours)} at ${temperature.text(temperatureC)}, ${air}`,
      }
    }
    case 'spool.weighed':
      return { about: spoolName(entry.payload.spoolId), says: `weighed ${weight.text(entry.payload.grossG)}` }
    case 'spool.printed':
      return { about: spoolName(entry.payload.spoolId), says: `${weight.text(entry.payload.grams)} printed` }
    case 'spool.checked': {
      const { spoolId, verdict } = entry.payload
      return {
        about: spoolName(spoolId),
        says: verdict === null ? 'cannot be told yet' : TROUBLE_WORDS[verdict],
      }
    }
    case 'spool.piece': {
      const { spoolId, looks, photos } = entry.payload
      const photosSay =
        photos.length === 0 ? '' : `, ${photos.length === 1 ? 'a photo' : `${photos.length} photos`}`
      return { about: spoolName(spoolId), says: `${looks}${photosSay}` }
    }
    case 'chamber.warmed': {
      const { spoolId, readings } = entry.payload
      return {
        about: spoolId === null ? 'an empty chamber' : spoolName(spoolId),
        says: `${readings.length} readings`,
      }
    }
    case 'drying.begun': {
      const { spoolId, temperatureC, air } = entry.payload
      return { about: spoolName(spoolId), says: `at ${temperature.text(temperatureC)}, ${air}` }
    }
    case 'drying.weighed':
      return { about: runName(entry.payload.runId), says: weight.text(entry.payload.grossG) }
    case 'drying.heat': {
      const { runId, temperatureC } = entry.payload
      return {
        about: runName(runId),
        says: temperatureC === null ? 'went off' : `on at ${temperature.text(temperatureC)}`,
      }
    }
    case 'drying.ended':
      return { about: runName(entry.payload.runId), says: 'taken out' }
    case 'room.made':
      return { about: entry.payload.name, says: climateWords(entry.payload.climate.kind) }
    case 'room.changed':
      return {
        about: state.rooms.get(entry.payload.roomId)?.name ?? 'a room',
        says: changesIn(entry.payload, measures),
      }
    case 'value.overridden': {
      const { material, field, value } = entry.payload
      const { name, unit } = MATERIAL_VALUES[field]
      const text = (own: number) => (unit === '°C' ? temperature.text(own) : `${own} ${unit}`)
      return {
        about: material,
        says: value === null ? `${name}: the almanac’s again` : `${name} ${text(value)}`,
      }
    }
    case 'school.kept': {
      const { material, spoolId, school } = entry.payload
      return {
        about: spoolId === null ? material : spoolName(spoolId),
        says: school === null ? 'as nobody said' : SCHOOL_WORDS[school],
      }
    }
    case 'instrument.made':
      return {
        about: entry.payload.name,
        says: `±${entry.payload.accuracyPercentRh}${THIN}%, shows ${entry.payload.floorPercentRh}${THIN}% at least`,
      }
    case 'instrument.changed':
      return {
        about: state.instruments.get(entry.payload.instrumentId)?.name ?? 'a hygrometer',
        says: changesIn(entry.payload, measures),
      }
    case 'instrument.cell':
      return {
        about: state.instruments.get(entry.payload.instrumentId)?.name ?? 'a hygrometer',
        says: 'a fresh cell',
      }
    case 'instrument.checked': {
      const { air, shown } = entry.payload
      return {
        about: shown.map(one => state.instruments.get(one.instrumentId)?.name ?? 'a hygrometer').join(', '),
        says: `${shown.map(one => `${inTenths(one.relativeHumidityPercent)}${THIN}%`).join(', ')} ${air === 'bag' ? 'in one bag' : `over ${air}`}`,
      }
    }
    case 'instrument.moved':
      return {
        about: state.instruments.get(entry.payload.instrumentId)?.name ?? 'a hygrometer',
        says: entry.payload.boxId === null ? 'carried round' : `stays in ${boxName(entry.payload.boxId)}`,
      }
  }
}

const GONE = 'put away for good'

const climateWords = (kind: string): string =>
  Object.hasOwn(CLIMATES, kind) ? CLIMATES[kind as keyof typeof CLIMATES].name : 'twelve months of its own'

const whereWords = (
  where: Extract<Entry, { kind: 'spool.moved' }>['payload']['where'],
  boxName: (id: string) => string,
): string =>
  where.at === 'box'
    ? `into ${boxName(where.boxId)}`
    : { printer: 'to the printer', open: 'into the open', bag: 'into a bag', 'used up': 'used up' }[where.at]

/** "named Stern, width 90 mm": what a change names, in the order it was written. */
const changesIn = (payload: object, measures: Measures): string => {
  const named = Object.entries(payload)
    .filter(
      ([key, value]) =>
        !key.endsWith('Id') && !key.endsWith('Known') && value !== undefined && value !== null,
    )
    .map(([key, value]) => `${FIELD_WORDS[key] ?? key} ${valueText(key, value, measures)}`)
  return named.length > 0 ? named.join(', ') : 'nothing changed'
}

function valueText(key: string, value: unknown, { length, weight }: Measures): string {
  if (typeof value === 'string') return value
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value !== 'number') return 'of its own'
  // named by their metric size everywhere, and finer than a tenth
  if (key === 'strandMm') return `${value}${THIN}mm`
  if (key === 'stepG') return `${value}${THIN}g`
  if (key.endsWith('Mm')) return `${length.field(value)}${THIN}${length.unit}`
  if (key.endsWith('G')) return `${weight.field(value)}${THIN}${weight.unit}`
  if (key.endsWith('Minutes')) return `${value}${THIN}min`
  if (key.endsWith('Rh')) return `${value}${THIN}%`
  return key === 'sure' ? `${inWhole(100 * value)}${THIN}%` : String(value)
}

const FIELD_WORDS: Readonly<Record<string, string>> = {
  weekdays: 'weekdays',
  presentMinutes: 'by the oven',
  unattendedMinutes: 'left to itself',
  sure: 'sure',
  away: 'away',
  name: 'named',
  widthMm: 'width',
  depthMm: 'depth',
  heightMm: 'height',
  lid: 'lid',
  openingsPerMonth: 'openings a month',
  dryMassG: 'beads',
  freshness: 'fresh:',
  indicator: 'colour:',
  filamentG: 'filament',
  emptyG: 'empty spool',
  cardboardG: 'cardboard',
  wetness: 'damp:',
  material: 'material',
  floorPercentRh: 'least shown',
  accuracyPercentRh: 'error ±',
  climate: 'climate',
  holder: 'holder',
  desiccant: 'kind',
  pieces: 'pieces:',
  tareG: 'empty holder',
  fillLineG: 'water until full',
  rimDiameterMm: 'rim across',
  boreMm: 'bore',
  body: 'spool of',
  strandMm: 'strand',
  maker: 'maker',
  preset: 'print preset',
  colour: 'colour',
  container: 'outline',
  wall: 'walls of',
  wallThicknessMm: 'walls',
  stepG: 'step',
}
