import type { Celsius } from '#units/quantity.ts'
import type { HolderKind } from '../container/holder.ts'
import { DESICCANTS, usualHeatingC, type DesiccantKind } from '../desiccant/catalogue.ts'
import { PLUG_IN_UNIT } from '../desiccant/plug-in-unit.ts'

/** What heats a charge; a gas flame brings its own water, a plug-in unit its own heater. */
export const OVEN_KINDS = [
  'electric',
  'gas',
  'dryer',
  'dehydrator',
  'microwave',
  'own heater',
  'sun',
  'printer bed',
  'unknown',
] as const
export type OvenKind = (typeof OVEN_KINDS)[number]

/** How a charge can be renewed by heat. */
export interface HeatWay {
  /** What may heat it, the usual one first. */
  readonly ovens: readonly OvenKind[]
  readonly usualC: Celsius
  readonly usualHours: number
  /** Why not in what most people have; null where they may. */
  readonly notAtHome: string | null
}

/** Household ovens and dryers end about here. */
const DRYER_C = 120
const KITCHEN_OVEN_C = 230
const middle = ([low, high]: readonly [number, number]): number => (low + high) / 2

/**
 * The heat that renews a charge; null for a kind that is used once. Common practice; temperatures as the catalogue
 * has them.
 */
export function heatWay(charge: {
  readonly desiccant: DesiccantKind
  readonly holder: HolderKind
}): HeatWay | null {
  const { renewAtC, gel } = DESICCANTS[charge.desiccant]
  if (charge.holder === 'crystal pack' || renewAtC === null) return null
  if (charge.holder === 'plug-in unit')
    return {
      ovens: ['own heater'],
      usualC: PLUG_IN_UNIT.heatsToC,
      usualHours: middle(PLUG_IN_UNIT.renewHours),
      notAtHome: null,
    }
  const usualC = usualHeatingC(charge.desiccant)!
  if (gel)
    return {
      ovens: ['electric', 'gas', 'dryer', 'dehydrator', 'microwave', 'sun', 'printer bed', 'unknown'],
      usualC,
      usualHours: 2,
      notAtHome: null,
    }
  if (renewAtC[1] > KITCHEN_OVEN_C)
    return {
      ovens: ['unknown'],
      usualC,
      usualHours: 3,
      notAtHome: `It is renewed at ${renewAtC[0]}–${renewAtC[1]} °C, beyond kitchen ovens: only in a furnace made for it, or replace it.`,
    }
  return {
    ovens: renewAtC[1] > DRYER_C ? ['electric', 'gas', 'unknown'] : ['electric', 'gas', 'dryer', 'unknown'],
    usualC,
    usualHours: charge.desiccant === 'calcium-sulfate' ? 1 : 2,
    notAtHome: null,
  }
}

/** °C of the usual renewal of a charge; null for one that is used once. */
export const usualRenewalC = (charge: Parameters<typeof heatWay>[0]): Celsius | null =>
  charge.holder === 'plug-in unit' || charge.holder === 'crystal pack'
    ? (heatWay(charge)?.usualC ?? null)
    : usualHeatingC(charge.desiccant)
