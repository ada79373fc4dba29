import type { Celsius } from '#units/quantity.ts'
import type { OvenKind } from './ways.ts'

/** What can heat beads; a plug-in unit brings its own heater. */
export const HEAT_SOURCE_KINDS = [
  'electric',
  'gas',
  'microwave',
  'dryer',
  'dehydrator',
  'own heater',
  'sun',
  'printer bed',
] as const satisfies readonly OvenKind[]
export type HeatSourceKind = (typeof HEAT_SOURCE_KINDS)[number]

/** The heat of one setting, found by a thermometer where the beads lie. */
export interface HeatMeasured {
  readonly dialC: Celsius
  /** What the maker says the air has at this setting; null: not said. */
  readonly advertisedC: Celsius | null
  readonly measuredC: Celsius
  /** It swings this far to either side. */
  readonly swingC: Celsius
}

export interface HeatSource {
  readonly kind: HeatSourceKind
  /** What can be set; null: not told. Meaningless for a microwave and the sun. */
  readonly lowestC: Celsius | null
  readonly highestC: Celsius | null
  /** As the maker says, or as is usual; a measured one wins. */
  readonly swingC: Celsius | null
  readonly watts: number | null
  readonly trays: number | null
  readonly trayAreaCm2: number | null
  readonly trayDepthMm: number | null
  /** Food is cooked in it, too. */
  readonly food: boolean | null
  readonly measured: readonly HeatMeasured[]
}

/** A source of which only the kind is known. */
export const untoldSource = (kind: HeatSourceKind): HeatSource => ({
  kind,
  lowestC: null,
  highestC: null,
  swingC: null,
  watts: null,
  trays: null,
  trayAreaCm2: null,
  trayDepthMm: null,
  food: null,
  measured: [],
})

interface UsualSource {
  readonly name: string
  readonly lowestC: Celsius
  readonly highestC: Celsius
  readonly swingC: Celsius
  /** The most it draws. */
  readonly watts: number
  /** What it loses to the room, W for each kelvin it stands above it: the mean draw once it is hot. */
  readonly lossWPerK: number
  /** Energy to warm it, Wh for each kelvin. */
  readonly warmWhPerK: number
  readonly trays: number
  readonly trayAreaCm2: number
  readonly trayDepthMm: number
  readonly food: boolean
}

/**
 * What is usual, until somebody tells or measures. Settings, swings and the dryer's 48 W at 65 °C are common practice; the
 * other draws, losses and sizes are typical values from memory.
 */
export const HEAT_SOURCES: Readonly<Record<HeatSourceKind, UsualSource>> = {
  electric: {
    name: 'electric oven',
    lowestC: 50,
    highestC: 250,
    swingC: 20,
    watts: 2200,
    lossWPerK: 5,
    warmWhPerK: 3,
    trays: 2,
    trayAreaCm2: 1300,
    trayDepthMm: 25,
    food: true,
  },
  gas: {
    name: 'gas oven',
    lowestC: 120,
    highestC: 250,
    swingC: 20,
    watts: 2800,
    lossWPerK: 8,
    warmWhPerK: 4,
    trays: 2,
    trayAreaCm2: 1300,
    trayDepthMm: 25,
    food: true,
  },
  microwave: {
    name: 'microwave',
    lowestC: 100,
    highestC: 100,
    swingC: 0,
    watts: 800,
    lossWPerK: 0,
    warmWhPerK: 0,
    trays: 1,
    trayAreaCm2: 300,
    trayDepthMm: 30,
    food: true,
  },
  dryer: {
    name: 'heated filament dryer',
    lowestC: 40,
    highestC: 70,
    swingC: 5,
    watts: 48,
    lossWPerK: 1.07,
    warmWhPerK: 0.4,
    trays: 1,
    trayAreaCm2: 400,
    trayDepthMm: 20,
    food: false,
  },
  dehydrator: {
    name: 'dehydrator',
    lowestC: 35,
    highestC: 70,
    swingC: 5,
    watts: 350,
    lossWPerK: 5,
    warmWhPerK: 0.6,
    trays: 4,
    trayAreaCm2: 700,
    trayDepthMm: 15,
    food: true,
  },
  'own heater': {
    name: 'its own heater',
    lowestC: 90,
    highestC: 90,
    swingC: 10,
    watts: 15,
    lossWPerK: 0.2,
    warmWhPerK: 0.1,
    trays: 1,
    trayAreaCm2: 200,
    trayDepthMm: 30,
    food: false,
  },
  sun: {
    name: 'the sun',
    lowestC: 40,
    highestC: 40,
    swingC: 10,
    watts: 0,
    lossWPerK: 0,
    warmWhPerK: 0,
    trays: 2,
    trayAreaCm2: 900,
    trayDepthMm: 10,
    food: false,
  },
  'printer bed': {
    name: 'printer bed',
    lowestC: 40,
    highestC: 110,
    swingC: 10,
    watts: 200,
    lossWPerK: 1.5,
    warmWhPerK: 0.5,
    trays: 1,
    trayAreaCm2: 480,
    trayDepthMm: 10,
    food: false,
  },
}

/** No dial: a microwave has power, the sun what it has, a plug-in unit one heat of its own. */
export const hasDial = (kind: HeatSourceKind): boolean =>
  kind !== 'microwave' && kind !== 'sun' && kind !== 'own heater'

/** A source with what was not told filled in as is usual for its kind. */
export function asTold(source: HeatSource): UsualSource & Pick<HeatSource, 'kind' | 'measured'> {
  const usual = HEAT_SOURCES[source.kind]
  return {
    ...usual,
    kind: source.kind,
    measured: source.measured,
    lowestC: source.lowestC ?? usual.lowestC,
    highestC: source.highestC ?? usual.highestC,
    swingC: source.swingC ?? usual.swingC,
    watts: source.watts ?? usual.watts,
    trays: source.trays ?? usual.trays,
    trayAreaCm2: source.trayAreaCm2 ?? usual.trayAreaCm2,
    trayDepthMm: source.trayDepthMm ?? usual.trayDepthMm,
    food: source.food ?? usual.food,
  }
}

export interface Heat {
  readonly middleC: Celsius
  readonly leastC: Celsius
  readonly mostC: Celsius
  /** What the middle goes by. */
  readonly by: 'measured' | 'advertised' | 'dial'
}

/**
 * The heat where the beads lie at a setting: by the measured settings, the difference between dial and thermometer
 * straight between them and the same beyond; else by the dial, with the usual swing.
 * @param dialC any setting; what has no dial ignores it
 */
export function heatAt(source: HeatSource, dialC: Celsius): Heat {
  const told = asTold(source)
  const at = hasDial(source.kind) ? dialC : told.lowestC
  const points = [...source.measured].sort((a, b) => a.dialC - b.dialC)
  const [first] = points
  if (!first) {
    return { middleC: at, leastC: at - told.swingC, mostC: at + told.swingC, by: 'dial' }
  }
  const last = points.at(-1)!
  const above = points.find(point => point.dialC >= at) ?? last
  const below = points.findLast(point => point.dialC <= at) ?? first
  const share = above.dialC > below.dialC ? (at - below.dialC) / (above.dialC - below.dialC) : 0
  const between = (of: (point: HeatMeasured) => number) => of(below) + share * (of(above) - of(below))
  const offC = between(point => point.measuredC - point.dialC)
  const swingC = between(point => point.swingC)
  const middleC = hasDial(source.kind) ? at + offC : between(point => point.measuredC)
  return { middleC, leastC: middleC - swingC, mostC: middleC + swingC, by: 'measured' }
}

/** Dials have marks; nobody sets one finer. */
export const DIAL_STEP_C = 5

/**
 * The setting whose middle heat comes nearest below what is wanted, in steps of five degrees.
 * @returns null where even the lowest setting is hotter
 */
export function dialFor(source: HeatSource, wantedC: Celsius): Celsius | null {
  const { lowestC, highestC } = asTold(source)
  if (!hasDial(source.kind)) return lowestC
  const from = Math.ceil(lowestC / DIAL_STEP_C) * DIAL_STEP_C
  let best: Celsius | null = null
  for (let dialC = from; dialC <= highestC; dialC += DIAL_STEP_C)
    if (heatAt(source, dialC).middleC <= wantedC + 0.5) best = dialC
  return best ?? (heatAt(source, lowestC).middleC <= wantedC + 0.5 ? lowestC : null)
}
