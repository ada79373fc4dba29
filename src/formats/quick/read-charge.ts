import { DESICCANTS } from '#core/desiccant/catalogue.ts'
import { PLUG_IN_UNIT } from '#core/desiccant/plug-in-unit.ts'
import { gramsOf, takeAnyWeight, takeLitres, takeWeight, WEIGHT } from './amounts.ts'
import { takePlace } from './places.ts'
import { celsiusFromFahrenheit } from '#units/temperature.ts'
import { COUNT, NUMBER, numberOf, type Text } from './text.ts'
import { BODY_WORDS, DESICCANT_WORDS, HOLDER_WORDS } from './vocabulary.ts'
import type { Ask, ChargeWanted, QuickContext, Understood } from './wanted.ts'

const PIECES = 'packets?|sachets?|packs?|pouch(?:es)?|bags?|pieces?|canisters?|trays?'
const MUG_L = 0.25
const USUAL_G = 100
const CRYSTAL_PACK_G = 250

/** Beads, packets, crystals, a plug-in unit: what was said of one charge. */
export function readCharge(text: Text, context: QuickContext): Understood {
  const told = new Set<string>()
  const asks: Ask[] = []
  const place = takePlace(text, context)
  if (place) told.add('place')
  asks.push(...(place?.asks ?? []))
  const tareG = takeWeight(text, 'empty(?: holder| canister| tray)?|tare|holder weighs', 'empty|tare|holder')
  const fillLineG = takeWeight(text, 'fill line|full (?:at|after)|takes(?: up)?', 'fill line|of water')
  const body = text.takeOneOf(BODY_WORDS)
  const says = takeSaid(text)
  const fresh = freshnessOf(text)
  // how many of what size, before the words that name them are taken
  const named = text.findOneOf(HOLDER_WORDS)?.[1] ?? null
  const namedKind = text.findOneOf(DESICCANT_WORDS)?.[1] ?? null
  const amount = takeAmount(text, asks)
  const isUnit = named === 'plug-in unit'
  const isCrystal = named === 'crystal pack' || namedKind === 'calcium-chloride'
  const desiccant = text.takeOneOf(DESICCANT_WORDS) ?? namedKind
  const holder = isCrystal ? 'crystal pack' : named
  for (const words of [HOLDER_WORDS, DESICCANT_WORDS, HOLDER_WORDS]) text.takeOneOf<unknown>(words)
  const colour = text.take(/orange(?: (?:to|turning) (?:green|dark|black))?|amber/)
    ? 'orange'
    : text.take(/blue(?:[- ](?:to|turning)[- ]pink)?/)
      ? 'blue'
      : text.take(/white|clear|plain|non[- ]?indicating/)
        ? 'none'
        : null
  const count = amount.count ?? text.take(new RegExp(`(${COUNT})(?=\\s|$)`))?.[1]
  const kind = desiccant ?? (holder === 'crystal pack' ? 'calcium-chloride' : 'silica-unknown')
  const { gel, bulkDensityGPerMl } = DESICCANTS[kind]
  if (desiccant) told.add('desiccant')
  if (holder) told.add('holder')
  if (colour) told.add('indicator')
  if (fresh) told.add('freshness')
  if (body) told.add('body')
  if (says) told.add('saysC')
  if (says?.saysHours) told.add('saysHours')
  for (const [field, value] of Object.entries({ tareG, fillLineG })) if (value !== null) told.add(field)
  let { gramsEach } = amount
  if (gramsEach !== null) told.add('gramsEach')
  else if (amount.litres !== null) gramsEach = Math.round(amount.litres * 1000 * bulkDensityGPerMl)
  else if (isUnit) gramsEach = PLUG_IN_UNIT.dryMassG
  else {
    gramsEach = isCrystal ? CRYSTAL_PACK_G : USUAL_G
    asks.push({
      field: 'gramsEach',
      says: 'How many grams, dry? It is printed on the packet, or weigh it.',
      options: [gramsEach, gramsEach / 2, gramsEach * 2, gramsEach * 5].map(value => ({
        value,
        label: `${value} g`,
      })),
    })
  }
  // packets are heated together; canisters, trays and packs each by themselves
  const apart = holder !== null && holder !== 'packet'
  const pieces = amount.pieces ?? (count === undefined ? 1 : numberOf(count))
  if (amount.pieces !== null || count !== undefined) told.add(apart ? 'count' : 'pieces')
  const many = apart ? pieces : 1
  const wanted: ChargeWanted = {
    kind: 'charge',
    count: many,
    name: nameOf(kind, holder ?? 'packet', apart ? 1 : pieces),
    desiccant: kind,
    pieces: apart ? 1 : pieces,
    gramsEach,
    holder: holder ?? 'packet',
    indicator: gel ? (colour ?? 'unknown') : 'none',
    freshness: fresh ?? 'unknown',
    tareG,
    fillLineG,
    body,
    saysC: says?.saysC ?? null,
    saysHours: says?.saysHours ?? null,
    place: place?.place ?? 'away',
  }
  return { wanted, told, asks }
}

/** "says 250 °F", "printed on it 120 °C for 2 h": the maker's own instruction; without a scale it is asked of no one, since 250 is hardly ever °C. */
function takeSaid(text: Text): { readonly saysC: number; readonly saysHours: number | null } | null {
  const found = text.take(
    new RegExp(
      `(?:says?|prints?|printed(?: on it)?|instructions?|at) (${NUMBER})\\s*(?:°|degrees?)?\\s*([cf])`,
    ),
  )
  if (!found) return null
  const degrees = numberOf(found[1]!)
  const saysC = /f/i.test(found[2]!) ? Math.round(celsiusFromFahrenheit(degrees) * 10) / 10 : degrees
  const hours = text.take(new RegExp(`(?:for )?(${NUMBER})\\s*(?:h|hours?|hrs?)`))
  return { saysC, saysHours: hours ? numberOf(hours[1]!) : null }
}

const nameOf = (
  desiccant: ChargeWanted['desiccant'],
  holder: ChargeWanted['holder'],
  pieces: number,
): string => {
  if (holder === 'plug-in unit') return 'Plug-in unit'
  if (holder === 'crystal pack') return 'Crystal pack'
  const what = DESICCANTS[desiccant].gel ? 'beads' : DESICCANTS[desiccant].name
  if (holder === 'packet') return pieces > 1 ? `${pieces} packets of ${what}` : `Packet of ${what}`
  return `${holder === 'tray' ? 'Tray' : holder === 'basket' ? 'Basket' : 'Canister'} of ${what}`
}

function freshnessOf(text: Text): ChargeWanted['freshness'] | null {
  if (
    text.take(
      /(?:heated|regenerated|renewed|baked|dried)(?: (?:today|lately|recently|yesterday|this week))?|(?:fresh )?(?:out of|from) the oven/,
    )
  )
    return 'heated'
  if (
    text.take(
      /spent|used up|saturated|(?:colou?r )?(?:has )?(?:changed|turned)(?: colou?r| dark| green| black| pink)?|dark green|near black|pink/,
    )
  )
    return 'colour changed'
  if (text.take(/(?:long |left )?(?:in the air|lying open)|open for (?:weeks|months)/)) return 'in the air'
  if (text.take(/(?:brand )?new|fresh|unopened|sealed/)) return 'new'
  return text.take(/old|unknown state|found/) ? 'unknown' : null
}

interface Amount {
  readonly pieces: number | null
  readonly gramsEach: number | null
  readonly litres: number | null
  readonly count: string | null
}

function takeAmount(text: Text, asks: Ask[]): Amount {
  const none: Amount = { pieces: null, gramsEach: null, litres: null, count: null }
  const each =
    text.take(
      new RegExp(
        `(${COUNT})\\s*(?:x|×|\\*|times|(?:[a-z]+ ){0,3}?(?:${PIECES})(?: of| à| a| at| @)?|of)\\s*${WEIGHT}(?:\\s*each)?`,
      ),
    ) ?? text.take(new RegExp(`(${COUNT})\\s+${WEIGHT}(?=\\s*(?:[a-z]+ ){0,2}(?:${PIECES}))`))
  if (each) return { ...none, pieces: numberOf(each[1]!), gramsEach: gramsOf(each[2]!, each[3]!) }
  const times = text.take(new RegExp(`${WEIGHT}\\s*(?:x|×|\\*|times)\\s*(${COUNT})`))
  if (times) return { ...none, pieces: numberOf(times[3]!), gramsEach: gramsOf(times[1]!, times[2]!) }
  const split = text.take(new RegExp(`${WEIGHT}(?: (?:of )?[a-z ]*?)? in (${COUNT}) (?:${PIECES})`))
  if (split && numberOf(split[3]!) > 1) {
    const pieces = numberOf(split[3]!)
    const grams = gramsOf(split[1]!, split[2]!)
    asks.push({
      field: 'gramsEach',
      says: `${grams} g in all, or in each?`,
      options: [
        { value: Math.round((grams / pieces) * 10) / 10, label: `${grams} g in all` },
        { value: grams, label: `${grams} g in each` },
      ],
    })
    return { ...none, pieces, gramsEach: grams / pieces }
  }
  const mugs = text.take(new RegExp(`(${COUNT}|half a) (?:mugs?|cups?)(?: of)?`))
  if (mugs) return { ...none, litres: numberOf(mugs[1]!) * MUG_L }
  const litres = takeLitres(text)
  if (litres !== null) return { ...none, litres }
  return { ...none, gramsEach: takeAnyWeight(text) }
}
