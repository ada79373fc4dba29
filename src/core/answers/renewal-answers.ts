import type { Answer } from '../answer.ts'
import { input } from '../answer.ts'
import { SILICA_GELS, type SilicaKind } from '../desiccant/catalogue.ts'
import { henryConstantPerPa } from '../desiccant/silica-gel.ts'
import { saturationPressureWaterPa } from '../air/saturation.ts'
import type { AfterHeating } from '../renewal/after-heating.ts'
import type { WeighedCharge } from '../renewal/weighed.ts'
import { answer } from './answers.ts'

/** Loading that a heating leaves. */
export const residualAnswer = (
  after: AfterHeating,
  at: { desiccant: SilicaKind; ovenPa: number; temperatureC: number },
): Answer => {
  const { gel } = SILICA_GELS[at.desiccant]
  return answer(
    'loading left by the heat',
    after.loadingGPerG,
    'g/g',
    'computed',
    'toth',
    [
      input(
        'K',
        'Henry constant at the oven’s heat',
        henryConstantPerPa(gel, at.temperatureC),
        '(g/g)/Pa',
        'computed',
      ),
      input('p', 'vapour pressure in the oven', at.ovenPa, 'Pa', 'computed'),
      input('q_m', 'most it can hold', gel.monolayerLoadingGPerG, 'g/g', 'assumed'),
      input('t', 'Tóth exponent', gel.exponent, '', 'assumed'),
    ],
    'Equilibrium, reached when the heat lasts long enough; real gel keeps 1–2 % more.',
  )
}

const overBeads = (
  quantity: string,
  rhPercent: number,
  loadingGPerG: number,
  desiccant: SilicaKind,
  temperatureC: number,
  note: string,
): Answer => {
  const { gel } = SILICA_GELS[desiccant]
  return answer(
    quantity,
    rhPercent,
    '%',
    'computed',
    'toth-inverse',
    [
      input('q', 'loading', loadingGPerG, 'g/g', 'computed'),
      input('q_m', 'most it can hold', gel.monolayerLoadingGPerG, 'g/g', 'assumed'),
      input('t', 'Tóth exponent', gel.exponent, '', 'assumed'),
      input(
        'K',
        'Henry constant at the box’s temperature',
        henryConstantPerPa(gel, temperatureC),
        '(g/g)/Pa',
        'computed',
      ),
      input('e_s', 'saturation pressure there', saturationPressureWaterPa(temperatureC), 'Pa', 'computed'),
    ],
    note,
  )
}

/** The lowest RH the box can have over beads fresh from this heat. */
export const floorAfterAnswer = (after: AfterHeating, desiccant: SilicaKind, boxC: number): Answer =>
  overBeads(
    'lowest RH after this heat',
    after.floorRhPercent,
    after.loadingGPerG,
    desiccant,
    boxC,
    `With what real gel keeps, up to ${after.floorHighRhPercent.toFixed(0)} %.`,
  )

/** RH over beads that were weighed. */
export const weighedRhAnswer = (weighed: WeighedCharge, desiccant: SilicaKind, boxC: number): Answer =>
  overBeads(
    'RH over the beads, by their weight',
    weighed.rhPercent,
    weighed.loadingGPerG,
    desiccant,
    boxC,
    `Likely ${weighed.lowRhPercent.toFixed(0)}–${weighed.highRhPercent.toFixed(0)} %: the scale’s error and what makes differ by.`,
  )
