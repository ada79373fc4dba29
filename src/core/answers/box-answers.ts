import type { Answer, Knowledge } from '../answer.ts'
import { input } from '../answer.ts'
import { fractionFromPercent } from '#units/ratio.ts'
import { insideVolumeL, type Container, type ContainerSize } from '../container/container.ts'
import type { BoxReport, SpoolNow } from '../estimate/report.ts'
import type { Material } from '../filament/material.ts'
import {
  equilibriumMoisturePercent,
  rhHoldingMoisturePercent,
  sorptionIsotherm,
} from '../filament/sorption.ts'
import { answer } from './answers.ts'

/** Mean moisture of a spool now. */
export const spoolMeanAnswer = (spool: SpoolNow, name: string): Answer =>
  answer(
    `mean moisture of ${name}`,
    spool.moisturePercent,
    'wt %',
    'computed',
    'spool-moisture',
    [
      input('m_water', 'water in it', spool.waterG, 'g', 'computed'),
      input('m_dry', 'filament, dry', spool.filamentG, 'g', 'told'),
    ],
    `likely ${spool.spread.low.toFixed(2)}–${spool.spread.high.toFixed(2)} wt %`,
  )

/** Moisture the outer turns head for in this air: they follow it within days, the mean within weeks. */
export const outerTurnsAnswer = (material: Material, name: string, boxRhPercent: number): Answer => {
  const isotherm = sorptionIsotherm(material)
  return answer(
    `outer turns of ${name}, in this air`,
    equilibriumMoisturePercent(material, boxRhPercent),
    'wt %',
    'computed',
    'sorption',
    [
      input('a', 'RH of the box air as a fraction', fractionFromPercent(boxRhPercent), '', 'computed'),
      input('A', 'slope of the isotherm at 0', isotherm.slopeAtZeroPercent, 'wt %', 'computed'),
      input('K', 'bend of the isotherm', isotherm.curvature, '', 'computed'),
    ],
    isotherm.isGab
      ? undefined
      : 'A straight line through the 50 % value: this material is too flat for the curve.',
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
