import type { BenchDoing } from '../build/bench-steps.ts'
import { DESICCANTS, type DesiccantKind } from '../desiccant/catalogue.ts'
import type { HolderKind } from '../container/holder.ts'
import type { OvenKind } from './ways.ts'
import type { SaltId } from '../air/salts.ts'

/** Something a person is about to do, and what of it decides which cautions hold. */
export type Step =
  | { readonly step: 'choose a box' | BenchDoing }
  | { readonly step: 'check displays'; readonly air: 'bag' | SaltId }
  | { readonly step: 'dry a spool'; readonly oven: OvenKind }
  | {
      readonly step: 'look at the beads' | 'weigh the beads' | 'replace the beads'
      readonly indicator: BeadIndicator
      readonly desiccant: DesiccantKind
    }
  | {
      readonly step: 'heat the beads'
      readonly indicator: BeadIndicator
      readonly oven: OvenKind
      readonly desiccant: DesiccantKind
      readonly holder: HolderKind
      /** NaN while nothing readable is typed. */
      readonly temperatureC: number
    }
type BeadIndicator = 'orange' | 'blue' | 'none' | 'unknown'

export interface Caution {
  readonly id: string
  readonly text: string
  /** Whether it holds at a step. */
  readonly at: (step: Step) => boolean
}

const heats = (step: Step): step is Extract<Step, { step: 'heat the beads' }> =>
  step.step === 'heat the beads'
const mayBeBlue = (step: Step): boolean =>
  'indicator' in step && (step.indicator === 'blue' || step.indicator === 'unknown')
const handles = (step: Step, kind: DesiccantKind | 'sieve'): boolean =>
  'desiccant' in step && (step.desiccant === kind || (kind === 'sieve' && step.desiccant.startsWith('sieve')))
const isOven = (step: Step): boolean =>
  heats(step) && ['electric', 'gas', 'dryer', 'dehydrator', 'unknown'].includes(step.oven)
const driesIn = (step: Step, ...ovens: readonly OvenKind[]): boolean =>
  step.step === 'dry a spool' && ovens.includes(step.oven)
const HURTS: readonly string[] = [
  'lithium chloride',
  'potassium carbonate',
  'sodium bromide',
  'magnesium chloride',
]
const handlesBeads = (step: Step): boolean => 'indicator' in step

/**
 * What can hurt, in plain words, each with the steps it holds at. Common practice and safety sheets (from memory);
 * the maker's instructions, local rules and licensed people come first, and every list says so.
 */
export const CAUTIONS: readonly Caution[] = [
  {
    id: 'cobalt',
    text: 'Blue beads that turn pink carry cobalt(II) chloride, which may cause cancer when its dust is breathed in: no dust, gloves, never a food oven. Replace them with a cobalt-free kind.',
    at: mayBeBlue,
  },
  {
    id: 'dye',
    text: 'Bead dyes are not food either: keep their oven trays apart from the kitchen’s.',
    at: step => heats(step) && step.indicator !== 'none',
  },
  {
    id: 'too-hot',
    text: 'Indicating beads take no more than 120 °C unless their maker says so: hotter, they lose their colour and some of what they hold.',
    at: step =>
      heats(step) && step.indicator !== 'none' && step.temperatureC > DESICCANTS[step.desiccant].neverAboveC,
  },
  {
    id: 'electronics-out',
    text: 'Take hygrometers and coin cells out before anything is heated.',
    at: heats,
  },
  {
    id: 'printed-holder',
    text: 'A printed holder goes into heat only with a measured oven and 20 °C in hand; one of PLA or PETG never. Pour the beads into a metal or glass dish instead.',
    at: isOven,
  },
  {
    id: 'oven',
    text: 'Not together with food. Ventilate, and stay with it: oven dials are often 20 °C out.',
    at: step => isOven(step) || driesIn(step, 'electric', 'gas', 'dehydrator'),
  },
  {
    id: 'cool-covered',
    text: 'Let the beads cool covered, then seal them. Hot beads shut in a jar press the lid off or suck it fast, may break the glass, and burn hands.',
    at: heats,
  },
  {
    id: 'microwave',
    text: 'Microwave: low power, short steps, a shallow dish, stop when steam stops. Beads out of foil-lined or stapled packets. Never unattended.',
    at: step => heats(step) && step.oven === 'microwave',
  },
  {
    id: 'gas-oven',
    text: 'A gas flame makes water and carbon monoxide: ventilate well. It also leaves more water in the beads.',
    at: step => heats(step) && step.oven === 'gas',
  },
  {
    id: 'dryer',
    text: 'Never bypass a dryer’s thermostat or thermal fuse, never block its vents, do not leave an altered heater alone. Mains work is for a licensed electrician.',
    at: step =>
      (heats(step) && ['dryer', 'dehydrator', 'unknown'].includes(step.oven)) ||
      driesIn(step, 'dryer', 'dehydrator'),
  },
  {
    id: 'bed',
    text: 'A printer’s bed is no oven: stay with it, nothing that burns or melts over it, and mind that tray and bed look cold.',
    at: step => (heats(step) && step.oven === 'printer bed') || driesIn(step, 'printer bed'),
  },
  {
    id: 'spool-softens',
    text: 'Filament and spool soften before they look it: a thermometer beside the spool, the maker’s word first, and look at it after the first hour.',
    at: step => step.step === 'dry a spool',
  },
  {
    id: 'packet',
    text: 'Paper and fleece packets scorch: no hotter than their maker prints on them.',
    at: step => heats(step) && step.holder === 'packet',
  },
  {
    id: 'too-hot-kind',
    text: 'Hotter than this kind stands: it loses some of what it holds for good.',
    at: step =>
      heats(step) &&
      DESICCANTS[step.desiccant].gel === undefined &&
      step.temperatureC > DESICCANTS[step.desiccant].neverAboveC,
  },
  {
    id: 'beyond-ovens',
    text: 'Molecular sieve is renewed at 200–300 °C: beyond household ovens, their trays and their seals. Only in a furnace made for such heat, by someone who knows it; else replace it.',
    at: step => heats(step) && handles(step, 'sieve'),
  },
  {
    id: 'warms',
    text: 'Molecular sieve warms when it is wetted: never pour it into water, keep it in its holder.',
    at: step => handles(step, 'sieve'),
  },
  {
    id: 'brine',
    text: 'Crystals turn to brine: it is corrosive, slippery and harmful to pets. Keep the pack level in a catch tray, away from electronics; wear gloves; rinse what it touched.',
    at: step => handles(step, 'calcium-chloride'),
  },
  {
    id: 'own-heater',
    text: 'Take the unit out of the box before you plug it in; on a hard surface, in the open, nothing over its vents, away from filament and paper. Unplug it when its time is up.',
    at: step => heats(step) && step.oven === 'own heater',
  },
  {
    id: 'swallow',
    text: 'Beads are not food, and coin cells are dangerous when swallowed: keep both from children and pets.',
    at: handlesBeads,
  },
  {
    id: 'coin-cell',
    text: 'Coin cells are dangerous when swallowed: keep them from children, and see a doctor at once if one was.',
    at: step => step.step === 'check displays',
  },
  {
    id: 'slurry',
    text: 'The slurry must not touch the display, and its jar is for food no more: label it, stand it level, out of reach of children and pets.',
    at: step => step.step === 'check displays' && step.air !== 'bag',
  },
  {
    id: 'salt-hurts',
    text: 'This salt irritates eyes and skin and is harmful when swallowed: gloves and eye protection; what its maker’s sheet says comes first.',
    at: step => step.step === 'check displays' && HURTS.includes(step.air),
  },
  {
    id: 'drilling',
    text: 'Thin, brittle walls split: wood behind, a stepped bit, slow, hardly any push, and eye protection. Hold box and wood fast; never a hand behind the drill.',
    at: step => step.step === 'drill',
  },
  {
    id: 'edges',
    text: 'Sawn and filed edges cut: deburr them before you reach in, and keep chips out of eyes and seal.',
    at: step => step.step === 'file' || step.step === 'cut the rod',
  },
  {
    id: 'hand-tight',
    text: 'Hand-tight and no more: printed threads and thin walls split.',
    at: step => step.step === 'couple',
  },
  {
    id: 'hot-glue',
    text: 'Hot glue burns skin and softens thin walls: little, from the middle of the work outwards.',
    at: step => step.step === 'seal holes',
  },
  {
    id: 'solvent',
    text: 'Solvent cement and many sealants give off fumes: ventilate, no flame near, and let them dry open before spools go in.',
    at: step => step.step === 'seal holes',
  },
  {
    id: 'food-box',
    text: 'A food box used for filament does not go back to the kitchen.',
    at: step => step.step === 'choose a box',
  },
]

/** Said under every list of cautions. */
export const CAUTIONS_YIELD = 'The maker’s instructions and local rules come first.'

export const cautionsAt = (step: Step): Caution[] => CAUTIONS.filter(caution => caution.at(step))
