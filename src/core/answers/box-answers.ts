import type { Answer, Knowledge } from '../answer.ts'
import { input } from '../answer.ts'
import { fractionFromPercent } from '#units/ratio.ts'
import { hoursFromSeconds } from '#units/time.ts'
import { insideVolumeL, type Container, type ContainerSize } from '../container/container.ts'
import type { BoxReport } from '../estimate/report.ts'
import type { SpoolReport } from '../spool/spool-report.ts'
import type { Passing, TimeToLimit } from '../ask/spool-time.ts'
import type { Material } from '../filament/material.ts'
import { lengthM } from '../filament/rings.ts'
import type { FilamentDiameterMm } from '../filament/strand.ts'
import {
  equilibriumMoisturePercent,
  rhHoldingMoisturePercent,
  sorptionIsotherm,
} from '../filament/sorption.ts'
import { answer } from './answers.ts'

/** Mean moisture of a spool now. */
export const spoolMeanAnswer = (spool: SpoolReport, name: string): Answer =>
  answer(
    `mean moisture of ${name}`,
    spool.mean.middle,
    'wt %',
    'computed',
    'spool-moisture',
    [
      input('m_water', 'water in it', spool.waterG, 'g', 'computed'),
      input('m_dry', 'filament, dry', spool.filamentG, 'g', 'told'),
    ],
    `likely ${spool.mean.low.toFixed(2)}–${spool.mean.high.toFixed(2)} wt %`,
  )

/** Moisture of what is printed next: the mean over the full strand, since all of it melts. */
export const nextPrintAnswer = (spool: SpoolReport, name: string): Answer =>
  answer(
    `next print from ${name}`,
    spool.next.middle,
    'wt %',
    'computed',
    'spool-moisture',
    [
      input(
        'm_water',
        'water in the filament printed next',
        fractionFromPercent(spool.next.middle) * spool.nextG,
        'g',
        'computed',
      ),
      input('m_dry', 'that filament, dry', spool.nextG, 'g', 'computed'),
    ],
    `likely ${spool.next.low.toFixed(2)}–${spool.next.high.toFixed(2)} wt %; the core stands at ${spool.corePercent.toFixed(2)} wt %`,
  )

/** Metres of filament by what they weigh. @param what of the filament that is meant */
export const lengthAnswer = (
  quantity: string,
  what: string,
  metres: number,
  material: Material,
  diameterMm: FilamentDiameterMm,
): Answer => {
  const perMetreG = 1 / lengthM(material, diameterMm, 1)
  return answer(quantity, metres, 'm', 'computed', 'length-past', [
    input('m', what, metres * perMetreG, 'g', 'computed'),
    input('m_1', 'a metre of it', perMetreG, 'g/m', 'computed'),
  ])
}

/** How far in from the outside the winding stands past its limit while the next print as a whole does not. */
export const lengthPastAnswer = (
  { pastM }: SpoolReport,
  material: Material,
  diameterMm: FilamentDiameterMm,
  name: string,
): Answer =>
  lengthAnswer(
    `filament of ${name} past its limit`,
    'filament past it, from the outside in',
    pastM,
    material,
    diameterMm,
  )

/** Where a spool would end if the air stayed as it is. */
export const endsAtAnswer = (material: Material, name: string, airRhPercent: number): Answer => {
  const isotherm = sorptionIsotherm(material)
  return answer(
    `${name} would end at`,
    equilibriumMoisturePercent(material, airRhPercent),
    'wt %',
    'computed',
    'sorption',
    [
      input('a', 'RH of the air as a fraction', fractionFromPercent(airRhPercent), '', 'computed'),
      input('A', 'slope of the isotherm at 0', isotherm.slopeAtZeroPercent, 'wt %', 'computed'),
      input('K', 'bend of the isotherm', isotherm.curvature, '', 'computed'),
    ],
    isotherm.isGab
      ? undefined
      : 'A straight line through the 50 % value: this material is too flat for the curve.',
  )
}

/** "Between 5 h and 9 h"; one figure where both ends come to the same. */
function rangeText(earlyH: number | null, lateH: number | null): string {
  const words = (hours: number | null) => (hours === null ? 'never' : `${hours.toFixed(0)} h`)
  const [early, late] = [words(earlyH), words(lateH)]
  return early === late ? `About ${early} either way` : `Between ${early} and ${late}`
}

/** Hours until a part of a spool passes its limit in steady air. */
export const passingAnswer = (
  quantity: string,
  time: Pick<TimeToLimit, 'early' | 'late'>,
  passing: Passing,
): Answer => {
  const hours = (seconds: number | null) => (seconds === null ? null : hoursFromSeconds(seconds))
  const [early, late] = [hours(time.early), hours(time.late)]
  return answer(
    quantity,
    hoursFromSeconds(passing.atS),
    'h',
    'computed',
    'passing',
    [
      input('c', 'limit above which prints usually suffer', passing.limitPercent, 'wt %', 'assumed'),
      input('t1', 'a point of the run', hoursFromSeconds(passing.beforeS), 'h', 'computed'),
      input('c1', 'moisture then', passing.beforePercent, 'wt %', 'computed'),
      input('t2', 'the next point', hoursFromSeconds(passing.afterS), 'h', 'computed'),
      input('c2', 'moisture then', passing.afterPercent, 'wt %', 'computed'),
    ],
    `${rangeText(early, late)}, by how fast this make takes up (×/÷ 2), how much it holds (± 15 %) and how tightly it is wound (slit transport 0.03–0.15).`,
  )
}

/** The RH, %, that would hold a moisture for good. */
export const holdingRhAnswer = (material: Material, quantity: string, moisturePercent: number): Answer => {
  const isotherm = sorptionIsotherm(material)
  return answer(
    quantity,
    rhHoldingMoisturePercent(material, moisturePercent),
    '%',
    'computed',
    'sorption-inverse',
    [
      input('w', 'moisture to hold', moisturePercent, 'wt %', 'assumed'),
      input('A', 'slope of the isotherm at 0', isotherm.slopeAtZeroPercent, 'wt %', 'computed'),
      input('K', 'bend of the isotherm', isotherm.curvature, '', 'computed'),
    ],
  )
}

export const floorAnswer = (floor: NonNullable<BoxReport['floor']>): Answer =>
  answer('lowest RH it can settle at', floor.rhPercent, '%', 'computed', 'steady-floor', [
    input('φ_c', 'RH over freshly heated beads', floor.chargeRhPercent, '%', 'computed'),
    input('φ_r', "room's RH", floor.roomRhPercent, '%', 'computed'),
    input('G_l', 'all that lets room air in', floor.leakLPerH, 'L/h', 'computed'),
    input('G_h', 'the way to the beads', floor.holderLPerH, 'L/h', 'computed'),
  ])

export const volumeAnswer = (container: Container, size: ContainerSize, knowledge: Knowledge): Answer =>
  answer(
    'inside volume',
    insideVolumeL(container.section, size, container.baseShare),
    'L',
    knowledge,
    'volume',
    [
      input('w', 'inside width at the rim', size.widthMm, 'mm', knowledge),
      input('d', 'inside depth at the rim', size.depthMm, 'mm', knowledge),
      input('h', 'inside height', size.heightMm, 'mm', knowledge),
      input('b', 'base width over rim width', container.baseShare, '', 'assumed'),
      input(
        'f',
        'share of the cuboid (round: π/4, bag: 0.75)',
        container.section === 'round' ? Math.PI / 4 : container.section === 'pillow' ? 0.75 : 1,
        '',
        'computed',
      ),
    ],
  )
