import type { Celsius, Grams, Litres, LitresPerHour, PercentRh } from '#units/quantity.ts'
import { vapourDensityOfRhGPerM3 } from '../air/vapour.ts'
import { HOLDERS } from '../container/holder.ts'
import type { LidKind } from '../container/lid.ts'
import type { WallMaterial } from '../container/wall.ts'
import { normalCdf } from '../normal.ts'

/** A tray of beads weighed; the empty, dried box rising; the damp box falling. */
export const SEAL_METHODS = ['weighed', 'rise', 'fall'] as const
export type SealMethod = (typeof SEAL_METHODS)[number]

/** Lids by what they let through: as clips and rubber do, as a foam strip, as a snap lid, hardly closed. */
export type SealClass = 'clips' | 'foam' | 'snap' | 'vented'
/** Upper bounds, L/h: where the ranges of lids as found in practice meet, or half-way between in logarithms. */
const CLASS_TO: readonly (readonly [SealClass, LitresPerHour])[] = [
  ['clips', 0.2],
  ['foam', Math.SQRT2],
  ['snap', 10],
  ['vented', Infinity],
]
export const sealClassOf = (leakLPerH: LitresPerHour): SealClass =>
  CLASS_TO.find(([, to]) => leakLPerH <= to)![0]
/** Where boxes of a class are found. */
const FOUND: Readonly<Record<SealClass, readonly [LitresPerHour, LitresPerHour]>> = {
  clips: [0.02, 0.2],
  foam: [0.2, 1],
  snap: [2, 10],
  vented: [10, 40],
}
/** A lid, and those beside it that a test has to tell it from. */
export const neighboursOf = (lid: LidKind): readonly SealClass[] => {
  switch (lid) {
    case 'clips':
      return ['clips', 'foam']
    case 'snap':
    case 'vented':
      return ['foam', 'snap']
    default:
      return ['clips', 'foam', 'snap']
  }
}

/** What a test is done with, and where. */
export interface SealSetting {
  readonly room: { readonly temperatureC: Celsius; readonly relativeHumidityPercent: PercentRh }
  readonly freeAirL: Litres
  readonly wall: WallMaterial
  /** What goes through the walls: it is not the lid's. */
  readonly wallLPerH: LitresPerHour
  /** The least difference the scale shows. */
  readonly scaleStepG: Grams
  /** Of the display, ± at two standard deviations. */
  readonly displayWithinPercent: PercentRh
}

/** What fresh beads in an open tray stand at while they are far from full. */
const TRAY_RH_PERCENT = 4
const TRAY_LPER_H = HOLDERS.tray.conductanceLPerH
export const trayLPerH: LitresPerHour = TRAY_LPER_H
/** How well the room's vapour over the time of the test is known; a tray beside it in the open tells it better. */
const ROOM_SHARE = { alone: 0.1, control: 0.05 } as const
const WALL_SHARE = 0.3
/** 10–90 %. */
const TENTH_Z = 1.2816

/** Walls and lid hold water and give it back: the air seems so many times larger; typical, from memory. */
const HOLDS_WATER: Readonly<Record<WallMaterial, readonly [number, number]>> = {
  HDPE: [1, 1.3],
  PP: [1, 1.3],
  LDPE: [1, 1.3],
  PET: [1, 1.4],
  PVC: [1.2, 2],
  PS: [1.2, 2],
  PMMA: [1.3, 2.5],
  PC: [1.2, 2.2],
  ABS: [1.3, 2.5],
  'printed PLA': [1.5, 4],
  'printed PETG': [1.4, 3],
}
const holdsMiddle = (wall: WallMaterial): number => Math.sqrt(HOLDS_WATER[wall][0] * HOLDS_WATER[wall][1])
const holdsSpread = (wall: WallMaterial): number =>
  Math.log(HOLDS_WATER[wall][1] / HOLDS_WATER[wall][0]) / (2 * TENTH_Z)
/** Whether the plastic itself is worth a word beside a result. */
export const wallHoldsWater = (wall: WallMaterial): boolean => HOLDS_WATER[wall][1] > 1.5

/** What a test found, L/h of the lid alone, 10–90 %. */
export interface SealResult {
  readonly lowLPerH: LitresPerHour
  readonly middleLPerH: LitresPerHour
  readonly highLPerH: LitresPerHour
  /** Its low end is above nothing, and low and high are of one class. */
  readonly couldTell: boolean
}
const resultOf = (totalLPerH: number, sigmaLPerH: number, { wallLPerH }: SealSetting): SealResult => {
  const sigma = Math.hypot(sigmaLPerH, WALL_SHARE * wallLPerH)
  const middle = totalLPerH - wallLPerH
  const low = middle - TENTH_Z * sigma
  const high = Math.max(0, middle + TENTH_Z * sigma)
  return {
    lowLPerH: Math.max(0, low),
    middleLPerH: Math.max(0, middle),
    highLPerH: high,
    couldTell: low > 0 && sealClassOf(Math.max(0, low)) === sealClassOf(high),
  }
}

/** Vapour of the room less that over fresh beads, g/L. */
export const driveGPerL = ({ room }: SealSetting): number =>
  (vapourDensityOfRhGPerM3(room) -
    vapourDensityOfRhGPerM3({ ...room, relativeHumidityPercent: TRAY_RH_PERCENT })) /
  1000

/**
 * Leak from a tray of beads weighed before and after: 1/G = Δc·t/m − 1/G_tray.
 * @param gainG what the tray took up beyond what handling added @param hours 1–2000
 * @returns with σ = √2·σ_scale/(Δc·t)·(1 + G/G_tray)², the room's doubt and the walls'
 * @throws RangeError where the tray could not have taken up so much however open the box
 */
export function weighedLeak(
  setting: SealSetting,
  {
    gainG,
    hours,
    hasControl,
  }: { readonly gainG: Grams; readonly hours: number; readonly hasControl: boolean },
): SealResult {
  const whole = driveGPerL(setting) * hours
  const inverse = gainG <= 0 ? Infinity : whole / gainG - 1 / TRAY_LPER_H
  if (inverse <= 0) throw new RangeError('More than an open tray takes up in this room in that time.')
  const total = 1 / inverse
  const sigma = weighedSigma(setting, total, hours, hasControl)
  return resultOf(total, sigma, setting)
}
function weighedSigma(setting: SealSetting, total: number, hours: number, hasControl: boolean): number {
  const whole = driveGPerL(setting) * hours
  const scale = (Math.SQRT2 * setting.scaleStepG) / whole
  return Math.hypot(
    scale * (1 + total / TRAY_LPER_H) ** 2,
    total * (hasControl ? ROOM_SHARE.control : ROOM_SHARE.alone),
  )
}

/**
 * Leak from a display in an empty box: G = V·b·ln[(R − φ1)/(R − φ2)]/t, b for what the plastic itself holds.
 * @param startPercent, endPercent of the box @param roomPercent of the room meanwhile
 * @throws RangeError where the air moved away from the room's
 */
export function displayLeak(
  setting: SealSetting,
  {
    startPercent,
    endPercent,
    roomPercent,
    hours,
  }: {
    readonly startPercent: PercentRh
    readonly endPercent: PercentRh
    readonly roomPercent: PercentRh
    readonly hours: number
  },
): SealResult {
  const sigmaRh = setting.displayWithinPercent / 2
  const from = Math.abs(roomPercent - startPercent)
  const isToward = (roomPercent - startPercent) * (endPercent - startPercent) >= 0
  if (!isToward && Math.abs(endPercent - startPercent) > 2 * sigmaRh)
    throw new RangeError('The air moved away from the room’s: something inside gives off or takes up water.')
  // nearer to the room than the display can tell: it went at least so far
  const to = Math.max(Math.abs(roomPercent - endPercent), sigmaRh)
  const through = Math.max(0, Math.log(from / to))
  const perTime = (setting.freeAirL * holdsMiddle(setting.wall)) / hours
  const total = perTime * through
  return resultOf(total, displaySigma(setting, from, to, through, hours), setting)
}
function displaySigma(
  setting: SealSetting,
  fromPercent: number,
  toPercent: number,
  through: number,
  hours: number,
): number {
  const sigmaRh = setting.displayWithinPercent / 2
  const perTime = (setting.freeAirL * holdsMiddle(setting.wall)) / hours
  return (
    perTime *
    Math.hypot(Math.hypot(sigmaRh / fromPercent, sigmaRh / toPercent), through * holdsSpread(setting.wall))
  )
}

/** What a display's reading is worked out with: what plastic holds, and an end no nearer to the room than it can tell. */
export const displayConstants = ({ wall, displayWithinPercent }: SealSetting) => ({
  holds: holdsMiddle(wall),
  endOf: ({
    startPercent,
    endPercent,
    roomPercent,
  }: Pick<Parameters<typeof displayLeak>[1], 'startPercent' | 'endPercent' | 'roomPercent'>): PercentRh => {
    const side = startPercent < roomPercent ? -1 : 1
    const isNear = Math.abs(roomPercent - endPercent) < displayWithinPercent / 2
    const end = isNear ? roomPercent + (side * displayWithinPercent) / 2 : endPercent
    // what moved a little the wrong way moved not at all
    return (end - startPercent) * -side < 0 ? startPercent : end
  },
})

/** Tests are planned for lengths people keep to, h. */
const LENGTHS_H = [6, 12, 24, 36, 48, 72, 96, 120, 168, 240, 336, 504, 672] as const
/** A length is enough when it tells so many right; a little more than eight in ten, so that eight in ten holds. */
const RIGHT = 0.88
const STEPS = 24
/** What a rise begins at, and a fall. */
export const RISE_FROM_PERCENT = 12
export const FALL_FROM_PERCENT = 92
/** Less difference than this to the room, and a display has nothing to show. */
const LEAST_DIFFERENCE_PERCENT = 15

export interface SealTestPlan {
  readonly method: SealMethod
  /** Null: not within four weeks. */
  readonly hours: number | null
  /** Share told right at that length, of the class that is told worst. */
  readonly right: number
}

/** How long each test needs here to tell this lid from its neighbours, the shortest first. */
export function sealTestPlans(setting: SealSetting, lid: LidKind, hasControl = true): SealTestPlan[] {
  const classes = neighboursOf(lid)
  const plans = SEAL_METHODS.map((method): SealTestPlan => {
    let best = { hours: null as number | null, right: 0 }
    for (const hours of LENGTHS_H) {
      const right = Math.min(...classes.map(one => rightShare(setting, method, one, hours, hasControl)))
      if (right >= RIGHT) return { method, hours, right }
      if (right > best.right) best = { hours: null, right }
    }
    return { method, ...best }
  })
  return plans.toSorted((a, b) => (a.hours ?? Infinity) - (b.hours ?? Infinity))
}

/** Boxes of a class, spread evenly in logarithms, that a test of this length would put into it. */
function rightShare(
  setting: SealSetting,
  method: SealMethod,
  of: SealClass,
  hours: number,
  hasControl: boolean,
): number {
  const [low, high] = FOUND[of]
  const at = CLASS_TO.findIndex(([name]) => name === of)
  const [from, to] = [at === 0 ? -Infinity : CLASS_TO[at - 1]![1], CLASS_TO[at]![1]]
  let sum = 0
  for (let i = 0; i < STEPS; i++) {
    const lid = low * (high / low) ** ((i + 0.5) / STEPS)
    const total = lid + setting.wallLPerH
    const sigma = Math.hypot(
      method === 'weighed'
        ? weighedSigma(setting, total, hours, hasControl)
        : sigmaOfDisplay(setting, method, total, hours),
      WALL_SHARE * setting.wallLPerH,
    )
    sum += normalCdf((to - lid) / sigma) - normalCdf((from - lid) / sigma)
  }
  return sum / STEPS
}
function sigmaOfDisplay(setting: SealSetting, method: 'rise' | 'fall', total: number, hours: number): number {
  const start = method === 'rise' ? RISE_FROM_PERCENT : FALL_FROM_PERCENT
  const from = Math.abs(setting.room.relativeHumidityPercent - start)
  if (from < LEAST_DIFFERENCE_PERCENT) return Infinity
  const through = (total * hours) / (setting.freeAirL * holdsMiddle(setting.wall))
  const to = from * Math.exp(-through)
  // what has come level with the room tells nothing any more
  return to < setting.displayWithinPercent / 2 ? Infinity : displaySigma(setting, from, to, through, hours)
}
