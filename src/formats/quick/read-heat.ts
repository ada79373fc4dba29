import { HEAT_SOURCES } from '#core/renewal/heat-source.ts'
import { celsiusFromFahrenheit } from '#units/temperature.ts'
import { takeCount, takeName } from './read-others.ts'
import { NUMBER, numberOf, type Text } from './text.ts'
import { HEAT_WORDS } from './vocabulary.ts'
import type { Understood } from './wanted.ts'

const DEGREES = '(?:°|degrees?|deg)?\\s*([cf])?'
const asCelsius = (number: string, scale: string | undefined): number =>
  scale?.toLowerCase() === 'f'
    ? Math.round(celsiusFromFahrenheit(numberOf(number)) * 10) / 10
    : numberOf(number)

/** "gas oven 120–250 °C", "dryer 48 W up to 70 °C, 1 tray": what it is, what it can be set to, what it draws. */
export function readHeatSource(text: Text): Understood {
  const told = new Set<string>()
  const name = takeName(text)
  const range = text.take(new RegExp(`(${NUMBER})\\s*(?:-|–|to)\\s*(${NUMBER})\\s*${DEGREES}`))
  const upTo = range
    ? null
    : text.take(new RegExp(`(?:up to|max(?:imum)?|highest)?\\s*(${NUMBER})\\s*°\\s*([cf])?`))
  const power = text.take(new RegExp(`(${NUMBER})\\s*(k?)(?:w|watts?)`))
  const trays = text.take(
    new RegExp(`(\\d{1,2}|one|two|three|four|five|six) (?:trays?|racks?|shelves|shelf|levels?)`),
  )
  const source = text.takeOneOf(HEAT_WORDS) ?? 'electric'
  const count = takeCount(text)
  const [lowestC, highestC] = range
    ? [asCelsius(range[1]!, range[3]), asCelsius(range[2]!, range[3])]
    : [null, upTo ? asCelsius(upTo[1]!, upTo[2]) : null]
  const wanted = {
    kind: 'heat source',
    count: count ?? 1,
    name: name ?? HEAT_SOURCES[source].name.replace(/^./, letter => letter.toUpperCase()),
    source,
    lowestC,
    highestC,
    swingC: null,
    watts: power ? numberOf(power[1]!) * (power[2] === '' ? 1 : 1000) : null,
    trays: trays ? numberOf(trays[1]!) : null,
    trayAreaCm2: null,
    trayDepthMm: null,
    pricePerKwh: null,
    food: null,
  } as const
  told.add('source')
  if (name !== null) told.add('name')
  for (const field of ['lowestC', 'highestC', 'watts', 'trays'] as const)
    if (wanted[field] !== null) told.add(field)
  return { wanted, told, asks: [] }
}
