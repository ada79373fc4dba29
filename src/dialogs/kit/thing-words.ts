import { CONTAINERS } from '#core/container/container.ts'
import { HOLDERS } from '#core/container/holder.ts'
import { HEAT_SOURCES } from '#core/renewal/heat-source.ts'
import { LIDS } from '#core/container/lid.ts'
import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import { CLIMATES } from '#core/room/climate.ts'
import { FILAMENT_HUES } from '#draw/palette.ts'
import type { QuickContext, SpoolWanted, Understood, WantedPlace } from '#formats/quick/wanted.ts'
import type { Measures } from '#ui/measures.ts'
import { THIN } from '#ui/format.ts'
import { numberWord } from '#ui/number-words.ts'

/** A word of the sentence that says what was understood: of a field, or between them. */
export type SaidPart =
  | string
  | { readonly field: string; readonly text: string; readonly known: 'told' | 'assumed' | 'asked' }

/** "two"; figures from thirteen on. */
export const countText = (n: number): string => numberWord(n, '')

export function placeText(place: WantedPlace, kind: string, boxes: QuickContext['boxes']): string {
  if (place.startsWith('box:')) return boxes.find(box => `box:${box.id}` === place)?.name ?? 'a box'
  if (place === 'away') return kind === 'display' ? 'carried from box to box' : 'put away'
  return (
    { printer: 'on the printer', open: 'in the open room', bag: 'in a bag of its own' }[place as 'open'] ??
    place
  )
}

const WETNESS = {
  'dried today': 'dried',
  'sealed bag': 'dry as from a sealed bag',
  'weeks in the room': 'weeks in the room',
  unknown: 'how damp not known',
} as const
const FRESH = {
  new: 'new',
  heated: 'heated lately',
  'colour changed': 'colour changed',
  'in the air': 'long in the air',
  unknown: 'how fresh not known',
} as const

/** The person's own word for the colour, where the name has one; else the hue it is drawn in. */
const colourText = ({ name, material, colour }: SpoolWanted): string => {
  const own = name.startsWith(`${material} `) ? name.slice(material.length + 1).replace(/ \d+$/, '') : ''
  return own === '' ? (FILAMENT_HUES[colour]?.name ?? colour) : own
}

/** What was understood, as a sentence whose every part can be changed. */
export function saidParts(
  { wanted, told, asks }: Understood,
  measures: Measures,
  boxes: QuickContext['boxes'],
  dayWords: (day: string) => string,
): SaidPart[] {
  const part = (field: string, text: string): SaidPart => ({
    field,
    text,
    known: asks.some(ask => ask.field === field) ? 'asked' : told.has(field) ? 'told' : 'assumed',
  })
  const many = wanted.count > 1 ? [part('count', countText(wanted.count)), ' × '] : []
  const place = (value: WantedPlace): SaidPart[] => [
    value.startsWith('box:') ? ', into ' : ', ',
    part('place', placeText(value, wanted.kind, boxes)),
  ]
  switch (wanted.kind) {
    case 'spool':
      return [
        ...many,
        part('material', wanted.material),
        ', ',
        part('colour', colourText(wanted)),
        ', ',
        part('filamentG', measures.weight.text(wanted.filamentG)),
        ...(wanted.body === null ? [] : [' on ', part('body', wanted.body)]),
        ...(told.has('strandMm') ? [', ', part('strandMm', `${wanted.strandMm}${THIN}mm`)] : []),
        ...(wanted.maker === null ? [] : [', by ', part('maker', wanted.maker)]),
        ...(wanted.openedOn === null ? [] : [', opened ', part('openedOn', dayWords(wanted.openedOn))]),
        ...(wanted.driedOn === null ? [] : [', dried ', part('driedOn', dayWords(wanted.driedOn))]),
        ...(wanted.openedOn === null && wanted.driedOn === null
          ? [', ', part('wetness', WETNESS[wanted.wetness])]
          : []),
        ...place(wanted.place),
      ]
    case 'charge':
      return [
        ...many,
        ...(wanted.pieces > 1 ? [part('pieces', countText(wanted.pieces)), ' × '] : []),
        part('gramsEach', measures.weight.text(wanted.gramsEach)),
        ' of ',
        part('desiccant', DESICCANTS[wanted.desiccant].name),
        ' in a ',
        part('holder', HOLDERS[wanted.holder].name),
        ...(wanted.indicator === 'unknown' || !DESICCANTS[wanted.desiccant].gel
          ? []
          : [
              ', ',
              part('indicator', wanted.indicator === 'none' ? 'white' : `${wanted.indicator} when dry`),
            ]),
        ', ',
        part('freshness', FRESH[wanted.freshness]),
        ...(wanted.tareG === null ? [] : [', holder ', part('tareG', measures.weight.text(wanted.tareG))]),
        ...(wanted.fillLineG === null
          ? []
          : [', full at ', part('fillLineG', measures.weight.text(wanted.fillLineG))]),
        ...(wanted.body === null ? [] : [', of ', part('body', wanted.body)]),
        ...(wanted.saysC === null
          ? []
          : [', says ', part('saysC', measures.temperature.text(wanted.saysC).replace('.0', ''))]),
        ...(wanted.saysHours === null ? [] : [' for ', part('saysHours', `${wanted.saysHours}${THIN}h`)]),
        ...place(wanted.place),
      ]
    case 'display':
      return [
        ...many,
        part('name', wanted.name),
        ', ±',
        part('accuracyPercentRh', `${wanted.accuracyPercentRh}${THIN}%`),
        ', shows ',
        part('floorPercentRh', `${wanted.floorPercentRh}${THIN}%`),
        ' at least',
        ...(wanted.place.startsWith('box:') ? [', stays in '] : [', ']),
        part('place', placeText(wanted.place, 'display', boxes)),
      ]
    case 'box':
      return [
        ...many,
        part('container', CONTAINERS[wanted.container].name),
        ' named ',
        part('name', wanted.name),
        ', ',
        part('widthMm', measures.length.bare(wanted.widthMm)),
        ' × ',
        part('depthMm', measures.length.bare(wanted.depthMm)),
        ' × ',
        part('heightMm', measures.length.text(wanted.heightMm)),
        ' inside, ',
        part('lid', LIDS[wanted.lid].name),
        ...(wanted.wall === null ? [] : [', walls of ', part('wall', wanted.wall)]),
        ...(wanted.wallThicknessMm === null
          ? []
          : [', ', part('wallThicknessMm', `${wanted.wallThicknessMm}${THIN}mm thick`)]),
      ]
    case 'room':
      return [
        'a room named ',
        part('name', wanted.name),
        ', ',
        part('climate', CLIMATES[wanted.climate].name),
      ]
    case 'heat source': {
      const { temperature } = measures
      return [
        part('source', HEAT_SOURCES[wanted.source].name),
        ' named ',
        part('name', wanted.name),
        ...(wanted.lowestC === null ? [] : [', from ', part('lowestC', temperature.text(wanted.lowestC))]),
        ...(wanted.highestC === null
          ? []
          : [', up to ', part('highestC', temperature.text(wanted.highestC))]),
        ...(wanted.watts === null ? [] : [', ', part('watts', `${wanted.watts}${THIN}W`)]),
        ...(wanted.trays === null
          ? []
          : [', ', part('trays', wanted.trays === 1 ? 'one tray' : `${countText(wanted.trays)} trays`)]),
      ]
    }
    case 'scale':
      return [
        'a scale named ',
        part('name', wanted.name),
        ', in steps of ',
        part('stepG', `${wanted.stepG}${THIN}g`),
      ]
  }
}
