import type { Celsius } from '#units/quantity.ts'
import type { HolderKind } from '../container/holder.ts'
import { DESICCANTS, type DesiccantKind } from '../desiccant/catalogue.ts'
import { asTold, DIAL_STEP_C, dialFor, hasDial, heatAt, type Heat, type HeatSource } from './heat-source.ts'
import { heatWay } from './ways.ts'

/** What a holder is made of, as far as heat minds. */
export type HolderBody =
  | 'metal'
  | 'glass'
  | 'paper'
  | 'fleece'
  | 'foil'
  | 'printed PLA'
  | 'printed PETG'
  | 'printed ABS'
  | 'printed PC'
  | 'printed PA'
  | 'moulded plastic'

/** A charge, as far as heat minds. */
export interface ToHeat {
  readonly desiccant: DesiccantKind
  readonly indicator: 'orange' | 'blue' | 'none' | 'unknown'
  readonly holder: HolderKind
  /** null: not told. */
  readonly body: HolderBody | null
  /** What its maker prints on it. */
  readonly saysC: Celsius | null
  readonly saysHours: number | null
}

/** What the beads lie in while they are heated: what they always lie in, or poured out into a metal or glass dish. */
export type HeatedIn = 'holder' | 'dish'

/** One thing that stands no more than so much. */
export interface HeatLimit {
  readonly of: 'gel' | 'dye' | 'kind' | 'holder' | 'packet' | 'maker'
  readonly mostC: Celsius
  readonly says: string
}

export interface Refusal {
  readonly of: HeatLimit['of'] | 'food' | 'cell' | 'reach' | 'metal' | 'never' | 'once' | 'plug'
  /** What is the matter, and what would do instead. */
  readonly says: string
}

/** Plain gel stands more than gel with a dye. Common practice. */
const PLAIN_GEL_C = 150
const DYE_C = 120
/** Makers round what they print: 250 °F for 120 °C. */
const ROUNDING_C = 3
/** A printed holder goes in only with this much in hand, and a measured heat. Common practice. */
const IN_HAND_C = 20
/** Where a packet says nothing. */
const PACKET_C = 120

/** What each body stands before it softens, scorches or smells; typical, from memory. Never: it softens in any oven. */
const BODIES: Readonly<Record<HolderBody, { readonly standsC: Celsius; readonly never?: true }>> = {
  metal: { standsC: 400 },
  glass: { standsC: 230 },
  paper: { standsC: PACKET_C },
  fleece: { standsC: PACKET_C },
  foil: { standsC: 150 },
  'printed PLA': { standsC: 50, never: true },
  'printed PETG': { standsC: 70, never: true },
  'printed ABS': { standsC: 90 },
  'printed PC': { standsC: 105 },
  'printed PA': { standsC: 110 },
  'moulded plastic': { standsC: 80 },
}
const isPrinted = (body: HolderBody | null): boolean => body?.startsWith('printed') ?? false
const isPacket = ({ holder, body }: ToHeat): boolean =>
  holder === 'packet' || body === 'paper' || body === 'fleece'

/**
 * The most that each part stands, the strictest first. A maker's word about his own packet or beads goes before ours,
 * and before ours by what printing it in °F rounds.
 */
export function heatLimits(charge: ToHeat, heatedIn: HeatedIn): HeatLimit[] {
  const { gel, neverAboveC, name } = DESICCANTS[charge.desiccant]
  const limits: HeatLimit[] = []
  const inHolder = heatedIn === 'holder'
  if (charge.saysC !== null && inHolder)
    limits.push({ of: 'maker', mostC: charge.saysC, says: 'its maker prints that heat on it' })
  else if (!gel) limits.push({ of: 'kind', mostC: neverAboveC, says: `${name} stands no more` })
  else if (charge.indicator === 'none')
    limits.push({ of: 'gel', mostC: PLAIN_GEL_C, says: 'plain gel stands no more' })
  else
    limits.push({
      of: 'dye',
      mostC: DYE_C,
      says:
        charge.indicator === 'unknown'
          ? 'if they carry a dye, it stands no more'
          : `their ${charge.indicator} dye stands no more`,
    })
  if (inHolder && charge.saysC === null && isPacket(charge))
    limits.push({ of: 'packet', mostC: PACKET_C, says: 'paper and fleece scorch' })
  if (inHolder && charge.body !== null && !isPacket(charge))
    limits.push({
      of: 'holder',
      mostC: BODIES[charge.body].standsC,
      says: `a holder of ${charge.body} stands no more`,
    })
  return limits.sort((a, b) => a.mostC - b.mostC)
}

/** The maker's heat against ours: where it is a little more, that is what rounding to °F does. */
export type MakersWord = {
  readonly is: 'as ours' | 'rounded' | 'more' | 'less'
  readonly saysC: Celsius
  readonly oursC: Celsius
} | null
export function makersWord(charge: ToHeat): MakersWord {
  if (charge.saysC === null) return null
  const [ours] = heatLimits({ ...charge, saysC: null }, 'dish')
  const oursC = ours!.mostC
  const over = charge.saysC - oursC
  return {
    saysC: charge.saysC,
    oursC,
    is: over > ROUNDING_C ? 'more' : over > 0 ? 'rounded' : over < -ROUNDING_C ? 'less' : 'as ours',
  }
}

/** The heat a charge is renewed at best, and the least that does anything, °C; null for what is used once. */
export function wantedHeat(charge: ToHeat): { readonly bestC: Celsius; readonly leastC: Celsius } | null {
  const { renewAtC, gel } = DESICCANTS[charge.desiccant]
  const way = heatWay(charge)
  if (!way || renewAtC === null) return null
  // gel gives off water at any warmth; a sieve that is not hot enough gives off hardly any
  return { bestC: charge.saysC ?? way.usualC, leastC: gel ? GEL_LEAST_C : renewAtC[0] }
}
const GEL_LEAST_C = 40

export interface Asked {
  readonly charge: ToHeat
  readonly source: HeatSource
  readonly heatedIn: HeatedIn
  readonly dialC: Celsius
  /** Displays and their cells are out of box and holder. */
  readonly displaysOut: boolean
}

/**
 * Whether a charge may be heated so: by the worst heat it meets, middle and swing together; by the middle alone where a
 * maker says what to set. Every reason against it is given, with what would do instead; none: it is allowed.
 */
export function refusals(asked: Asked): Refusal[] {
  const { charge, source, heatedIn, dialC } = asked
  const way = heatWay(charge)
  if (!way) return [{ of: 'once', says: 'It is used once: no heat brings it back. Put a new one in.' }]
  const isUnit = charge.holder === 'plug-in unit'
  if (isUnit !== (source.kind === 'own heater'))
    return [
      {
        of: 'plug',
        says: isUnit
          ? 'A plug-in unit is renewed by its own heater alone: its shell and plug stand no oven.'
          : 'Only a plug-in unit has a heater of its own.',
      },
    ]
  return [
    ...inAnyHeat(asked),
    ...(source.kind === 'microwave' ? inMicrowave(asked) : []),
    ...(hasDial(source.kind) || source.kind === 'sun'
      ? inHeat(charge, heatAt(source, dialC), heatedIn, source)
      : []),
  ]
}

const inAnyHeat = ({ charge, source, displaysOut }: Asked): Refusal[] => [
  ...(charge.indicator === 'blue' && asTold(source).food
    ? [
        {
          of: 'food',
          says: 'Blue beads carry cobalt: never where food is cooked. Another source, or new beads without cobalt.',
        } as const,
      ]
    : []),
  ...(displaysOut
    ? []
    : [
        {
          of: 'cell',
          says: 'Its display is still in: a coin cell bursts in the heat. Take displays and cells out first.',
        } as const,
      ]),
]

const inMicrowave = ({ charge, heatedIn }: Asked): Refusal[] => [
  ...(heatedIn === 'holder' && charge.body !== 'glass'
    ? [
        {
          of: 'metal',
          says: 'Not in their holder: foil, staples and wire spark. Pour the beads into a shallow glass dish.',
        } as const,
      ]
    : []),
  ...(DESICCANTS[charge.desiccant].gel
    ? []
    : [
        {
          of: 'kind',
          says: 'A microwave renews silica gel alone. What else there is wants the heat of an oven.',
        } as const,
      ]),
]

function inHeat(charge: ToHeat, heat: Heat, heatedIn: HeatedIn, { kind }: HeatSource): Refusal[] {
  const list: Refusal[] = []
  const body = heatedIn === 'holder' ? charge.body : null
  if (body !== null && BODIES[body].never && kind !== 'sun')
    list.push({
      of: 'never',
      says: `A holder of ${body} goes into no oven: it softens. Pour the beads into a metal or glass dish.`,
    })
  else if (isPrinted(body) && heat.by !== 'measured')
    list.push({
      of: 'holder',
      says: 'A printed holder only with a measured heat: measure it where the beads will lie, or pour them into a dish.',
    })
  for (const { of, mostC, says } of heatLimits(charge, heatedIn)) {
    if (of === 'holder' && list.length > 0) continue
    const meetsC = worstFor(of, heat, isPrinted(body))
    if (meetsC > mostC + (of === 'maker' ? ROUNDING_C : 0))
      list.push({
        of,
        says: `${capital(says)} than ${inWhole(mostC)} °C, and here it may meet ${inWhole(meetsC)}: set it lower${of === 'holder' ? ', or pour the beads into a dish' : ''}.`,
      })
  }
  const { leastC } = wantedHeat(charge)!
  if (heat.middleC < leastC)
    list.push({
      of: 'reach',
      says: `${capital(DESICCANTS[charge.desiccant].name)} wants ${inWhole(leastC)} °C or more; here it gets ${inWhole(heat.middleC)}. ${heatWay(charge)!.notAtHome ?? 'Another source, a higher setting, or new ones.'}`,
    })
  return list
}

/** A maker says what to set and knows that ovens swing; a printed holder wants 20 °C in hand whatever the swing. */
const worstFor = (of: HeatLimit['of'], heat: Heat, printed: boolean): Celsius =>
  of === 'maker'
    ? heat.middleC
    : of === 'holder' && printed
      ? Math.max(heat.mostC, heat.middleC + IN_HAND_C)
      : heat.mostC
const inWhole = (celsius: Celsius): number => Math.round(celsius)
const capital = (text: string): string => text.replace(/^./, letter => letter.toUpperCase())

/**
 * The setting nearest the best heat at which nothing is refused, in steps of five degrees; null where there is none.
 */
export function bestDial(asked: Omit<Asked, 'dialC'>): Celsius | null {
  const wanted = wantedHeat(asked.charge)
  if (!wanted) return null
  const { lowestC } = asTold(asked.source)
  for (
    let bestC = wanted.bestC;
    bestC >= Math.min(lowestC, wanted.leastC) - DIAL_STEP_C;
    bestC -= DIAL_STEP_C
  ) {
    const dialC = dialFor(asked.source, bestC)
    if (dialC !== null && refusals({ ...asked, dialC }).length === 0) return dialC
  }
  return null
}
