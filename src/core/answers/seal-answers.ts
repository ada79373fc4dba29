import { input, type Answer } from '../answer.ts'
import { mgPerDay, USUAL_OPEN_S } from '../build/candidate.ts'
import type { WaterBrought } from '../build/charge-sums.ts'
import { broughtG } from '../build/charge-sums.ts'
import { flangeMm4, STRIP_CONSTANTS, type StripReport } from '../build/foam-strip.ts'
import { openingsMgPerDay, type SealItem } from '../build/seal-budget.ts'
import { openingShare } from '../container/opening.ts'
import { answer, totalAnswer } from './answers.ts'

/** The air on both sides, g/m³. */
export interface Drive {
  readonly roomGPerM3: number
  readonly targetGPerM3: number
}
export const driveOf = ({ roomGPerM3, targetGPerM3 }: Drive): number => roomGPerM3 - targetGPerM3

export function sealItemAnswer(item: SealItem, drive: Drive): Answer {
  const range = [item.lowLPerH, item.highLPerH].map(g => mgPerDay(g, driveOf(drive)).toFixed(1))
  return answer(
    `water by ${item.kind}`,
    mgPerDay(item.usualLPerH, driveOf(drive)),
    'mg/day',
    'assumed',
    'stream',
    [
      input(
        'G',
        `conductance usual for ${item.count > 1 ? `${item.count} of them` : 'it'}`,
        item.usualLPerH,
        'L/h',
        'assumed',
      ),
      input('c_from', 'vapour in the room’s air', drive.roomGPerM3, 'g/m³', 'computed'),
      input('c_to', 'vapour in air at the target', drive.targetGPerM3, 'g/m³', 'computed'),
    ],
    `From ${range[0]} to ${range[1]} mg a day among its kind; a seal test tells yours.`,
  )
}

export const openingsDayAnswer = (perMonth: number, freeAirL: number, drive: Drive): Answer =>
  answer(
    'water by openings',
    openingsMgPerDay(perMonth, freeAirL, driveOf(drive)),
    'mg/day',
    'computed',
    'openings-day',
    [
      input('n', 'openings a month', perMonth, '', 'told'),
      input(
        's',
        `share of its air one of ${USUAL_OPEN_S} s exchanges`,
        openingShare(USUAL_OPEN_S),
        '',
        'assumed',
      ),
      input('V', 'free air', freeAirL, 'L', 'computed'),
      input('Δc', 'vapour of the room less that at the target', driveOf(drive), 'g/m³', 'computed'),
    ],
  )

export const sealTotalAnswer = (items: readonly SealItem[], openingsMg: number, drive: Drive): Answer =>
  totalAnswer('water in', 'mg/day', [
    ...items.map(item => [item.kind, mgPerDay(item.usualLPerH, driveOf(drive))] as const),
    ['openings', openingsMg],
  ])

export const leftAnswer = (what: string, mg: number): Answer =>
  answer(`water in with ${what}`, mg, 'mg/day', 'assumed', 'total', [
    input('s1', 'all ways, reckoned anew', mg, 'mg/day', 'assumed'),
  ])

/** Days a charge lasts once everything is settled. */
export const daysHeldAnswer = (
  quantity: string,
  grams: number,
  loadings: { readonly atTargetGPerG: number; readonly freshGPerG: number },
  mgADay: number,
): Answer =>
  answer(
    quantity,
    (1000 * grams * (loadings.atTargetGPerG - loadings.freshGPerG)) / mgADay,
    'days',
    'assumed',
    'days-held',
    [
      input('m', 'beads', grams, 'g', 'told'),
      input(
        'q',
        'what a gram holds when the air stands at the target',
        loadings.atTargetGPerG,
        'g/g',
        'assumed',
      ),
      input('q0', 'what a gram holds new', loadings.freshGPerG, 'g/g', 'assumed'),
      input('W', 'water that comes in', mgADay, 'mg/day', 'assumed'),
    ],
  )

export const drainAnswer = (lPerH: number, drive: Drive): Answer =>
  answer('water that would drain in', mgPerDay(lPerH, driveOf(drive)), 'mg/day', 'computed', 'both-streams', [
    input('G', 'air that drains through, by the height between the holes', lPerH, 'L/h', 'computed'),
    input('Δc', 'vapour of the room less that at the target', driveOf(drive), 'g/m³', 'computed'),
  ])

export const bulgeAnswer = (report: StripReport, wallMm: number): Answer =>
  answer(
    'the rim bows out',
    report.bulgeMm,
    'mm',
    'assumed',
    'bulge',
    [
      input('w', 'push of the strip', STRIP_CONSTANTS.pushNPerMm, 'N/mm', 'assumed'),
      input('s', 'between two clips', report.betweenClipsMm, 'mm', 'computed'),
      input('E', 'stiffness of the plastic', STRIP_CONSTANTS.youngNPerMm2, 'N/mm²', 'assumed'),
      input('I', 'of its rolled rim', flangeMm4(wallMm), 'mm⁴', 'assumed'),
    ],
    'An estimate: rims differ by far; look along it with the lid on.',
  )

export const stripLengthAnswer = ({ pieces }: StripReport): Answer =>
  totalAnswer(
    'foam strip',
    'mm',
    pieces.map((mm, i) => [`side ${i + 1}`, mm] as const),
  )

export const broughtAnswer = (all: readonly WaterBrought[]): Answer =>
  answer(
    'water the spools bring',
    broughtG(all),
    'g',
    'assumed',
    'water-brought',
    all.flatMap(({ name, massG, roomGPerG, targetGPerG }, i) => [
      input(`m${i + 1}`, name, massG, 'g', 'told'),
      input(`u${i + 1}`, 'water a gram holds in the room', roomGPerG, 'g/g', 'assumed'),
      input(`v${i + 1}`, 'water a gram keeps at the target', targetGPerG, 'g/g', 'assumed'),
    ]),
  )

export const beadsVolumeAnswer = (grams: number, densityGPerMl: number): Answer =>
  answer('beads fill', grams / densityGPerMl, 'mL', 'assumed', 'volume-of', [
    input('m', 'beads', grams, 'g', 'told'),
    input('ρ', 'a millilitre of them weighs', densityGPerMl, 'g/mL', 'assumed'),
  ])

export const yearCostAnswer = (grams: number, pricePerKg: number, timesAYear: number): Answer =>
  answer('cost a year', (grams / 1000) * pricePerKg * timesAYear, '', 'told', 'cost-year', [
    input('m', 'beads', grams, 'g', 'told'),
    input('p', 'price of a kilogram', pricePerKg, '', 'told'),
    input('n', 'times a year they are replaced', timesAYear, '', 'computed'),
  ])
