import { dewPointOfRhC, rhAtConstantVapourDensityPercent, vapourDensityOfRhGPerM3 } from '../air/vapour.ts'
import { saltOf, saltRhPercent } from '../air/salts.ts'
import { saturationPressureIcePa, saturationPressureWaterPa } from '../air/saturation.ts'
import { boxNetwork } from '../assemble/box-network.ts'
import { drainLPerH } from '../container/drain.ts'
import { holderConductanceLPerH } from '../container/holder-geometry.ts'
import { holeLPerH, tubeLPerH } from '../container/hole.ts'
import { wallConductanceLPerH, type WallMaterial } from '../container/wall.ts'
import {
  calciumChlorideDeliquescencePercent,
  calciumChlorideHydrateGPerG,
} from '../desiccant/calcium-chloride.ts'
import { DESICCANTS, type DesiccantKind } from '../desiccant/catalogue.ts'
import { MATERIALS } from '../filament/catalogue.ts'
import type { MaterialId } from '../filament/material.ts'
import { equilibriumMoisturePercent } from '../filament/sorption.ts'
import { cylinderUptake } from '../filament/strand.ts'
import { USUAL_SPOOL } from '../filament/winding.ts'
import { simulate } from '../network/simulate.ts'
import { heatedRhPercent } from '../ask/heated-air.ts'
import { daysToLimit, moistureInAir, partPercent, steadyAir, type Part } from '../ask/spool-time.ts'
import { pressureAtAltitudePa } from '../room/altitude.ts'
import { ALWAYS, type BoxModel } from '../model/box-model.ts'
import { afterHeating } from '../renewal/after-heating.ts'
import { loadingAtRhGPerG, rhAtConstantLoadingPercent } from '../sorbent/sorbent.ts'
import { shellsUptake } from './shells-uptake.ts'

/** Inputs of one check, by name; a wrong or missing one fails the check that asks for it. */
export class CheckInputs {
  constructor(private readonly values: Readonly<Record<string, number | string>>) {}
  number(name: string): number {
    const value = this.values[name]
    if (typeof value !== 'number') throw new Error(`The check has no number ${name}.`)
    return value
  }
  text(name: string): string {
    const value = this.values[name]
    if (typeof value !== 'string') throw new Error(`The check has no text ${name}.`)
    return value
  }
}

const spoolOf = (inputs: CheckInputs) => ({
  id: 'spool',
  material: MATERIALS[inputs.text('material') as MaterialId],
  size: USUAL_SPOOL,
  filamentG: 1000,
  diameterMm: 1.75 as const,
  flanges: 'closed' as const,
})
const sorbent = (inputs: CheckInputs, name = 'desiccant') =>
  DESICCANTS[inputs.text(name) as DesiccantKind].sorbent
const airOf = (inputs: CheckInputs) => ({
  temperatureC: inputs.number('temperatureC'),
  relativeHumidityPercent: inputs.number('relativeHumidityPercent'),
})
const heating = (inputs: CheckInputs, boxTemperatureC: number) =>
  afterHeating({
    desiccant: inputs.text('desiccant') as DesiccantKind,
    temperatureC: inputs.number('heatedC'),
    ovenPa: inputs.number('airVapourPressurePa'),
    boxC: boxTemperatureC,
  })

/** What the checks of docs/cases may ask of the core, by name. */
export const ASKS: Readonly<Record<string, (inputs: CheckInputs) => number>> = {
  saturationWaterPa: inputs => saturationPressureWaterPa(inputs.number('temperatureC')),
  saturationIcePa: inputs => saturationPressureIcePa(inputs.number('temperatureC')),
  vapourDensityGPerM3: inputs => vapourDensityOfRhGPerM3(airOf(inputs)),
  dewPointDifferenceK: inputs =>
    dewPointOfRhC({
      temperatureC: inputs.number('firstC'),
      relativeHumidityPercent: inputs.number('firstPercent'),
    }) -
    dewPointOfRhC({
      temperatureC: inputs.number('secondC'),
      relativeHumidityPercent: inputs.number('secondPercent'),
    }),
  heatedRhPercent: inputs => heatedRhPercent(airOf(inputs), inputs.number('heatedC')),
  emptyBoxRhPercent: inputs =>
    rhAtConstantVapourDensityPercent({
      relativeHumidityPercent: inputs.number('fromPercent'),
      fromTemperatureC: inputs.number('fromC'),
      toTemperatureC: inputs.number('toC'),
    }),
  saltRhPercent: inputs =>
    saltRhPercent(saltOf(inputs.text('salt')), inputs.number('temperatureC')) ?? Number.NaN,
  pressureAtAltitudePa: inputs => pressureAtAltitudePa(inputs.number('altitudeM')),
  loadingGPerG: inputs => loadingAtRhGPerG(sorbent(inputs), airOf(inputs)),
  loadingRatio: inputs =>
    loadingAtRhGPerG(sorbent(inputs, 'first'), airOf(inputs)) /
    loadingAtRhGPerG(sorbent(inputs, 'second'), airOf(inputs)),
  uptakeG: inputs => inputs.number('dryMassG') * loadingAtRhGPerG(sorbent(inputs), airOf(inputs)),
  constantLoadingRhPercent: inputs =>
    rhAtConstantLoadingPercent(sorbent(inputs), {
      relativeHumidityPercent: inputs.number('fromPercent'),
      fromTemperatureC: inputs.number('fromC'),
      toTemperatureC: inputs.number('toC'),
    }),
  leftGPerG: inputs => heating(inputs, 25).loadingGPerG,
  floorRhPercent: inputs => heating(inputs, inputs.number('boxC')).floorRhPercent,
  hydrateGPerG: inputs => calciumChlorideHydrateGPerG(inputs.number('molecules')),
  deliquescencePercent: inputs => calciumChlorideDeliquescencePercent(inputs.number('temperatureC')),
  cylinderUptake: inputs => cylinderUptake(inputs.number('fourierNumber')),
  shellsOverSeries: inputs =>
    shellsUptake(inputs.number('fourierNumber')) / cylinderUptake(inputs.number('fourierNumber')),
  equilibriumMoisturePercent: inputs =>
    equilibriumMoisturePercent(
      MATERIALS[inputs.text('material') as MaterialId],
      inputs.number('relativeHumidityPercent'),
    ),
  daysToLimit: inputs =>
    daysToLimit(
      spoolOf(inputs),
      {
        wetRhPercent: inputs.number('wetPercent'),
        temperatureC: inputs.number('temperatureC'),
        relativeHumidityPercent: inputs.number('airPercent'),
      },
      inputs.text('part') as Part,
      inputs.number('limitPercent'),
    ).value,
  hoursToLimit: inputs =>
    24 *
    daysToLimit(
      spoolOf(inputs),
      {
        wetRhPercent: inputs.number('wetPercent'),
        temperatureC: inputs.number('temperatureC'),
        relativeHumidityPercent: inputs.number('airPercent'),
      },
      inputs.text('part') as Part,
      inputs.number('limitPercent'),
    ).value,
  spoolMoisturePercent: inputs => {
    const [moisture] = moistureInAir(
      {
        spool: spoolOf(inputs),
        wetRhPercent: inputs.number('wetPercent'),
        air: steadyAir(inputs.number('temperatureC'), inputs.number('airPercent')),
      },
      [inputs.number('hours') * 3600],
    )
    const part = inputs.text('part') as Part | 'core'
    return part === 'core' ? moisture!.corePercent : partPercent(moisture!, part)
  },
  holeLPerH: inputs =>
    holeLPerH({ diameterMm: inputs.number('diameterMm'), wallMm: inputs.number('wallMm') }),
  tubeLPerH: inputs =>
    tubeLPerH({
      boreMm: inputs.number('boreMm'),
      lengthMm: inputs.number('lengthMm'),
      filamentMm: inputs.number('filamentMm'),
    }),
  drainLPerH: inputs =>
    drainLPerH({
      diameterMm: inputs.number('diameterMm'),
      wallMm: inputs.number('wallMm'),
      heightMm: inputs.number('heightMm'),
      vapourPressureDifferencePa: inputs.number('vapourPressureDifferencePa'),
      temperatureDifferenceK: inputs.number('temperatureDifferenceK'),
      temperatureC: inputs.number('temperatureC'),
    }),
  wallLPerH: inputs =>
    wallConductanceLPerH(
      inputs.text('wall') as WallMaterial,
      inputs.number('areaM2'),
      inputs.number('thicknessMm'),
      inputs.number('temperatureC'),
    ),
  holderLPerH: inputs =>
    holderConductanceLPerH({
      openAreaCm2: inputs.number('openAreaCm2'),
      bedDepthMm: inputs.number('bedDepthMm'),
    }),
  leakOnlyRhPercent: inputs =>
    rhAfter(
      plainBox({
        insideL: inputs.number('volumeL'),
        leakLPerH: inputs.number('leakLPerH'),
        airRhPercent: inputs.number('fromPercent'),
        surroundings: steadyAir(20, inputs.number('roomPercent')),
      }),
      [inputs.number('hours') * 3600],
    )[0]!,
  heatedRisePercent: inputs => {
    const wetRhPercent = inputs.number('wetPercent')
    const start = { temperatureC: 0, vapourDensityGPerL: 0 }
    steadyAir(22, 45).at(0, start)
    const heated: BoxModel = plainBox({
      insideL: 8,
      leakLPerH: 0.2,
      airRhPercent: 45,
      surroundings: {
        at(timeS, out) {
          out.temperatureC = 22 + 38 * Math.min(1, timeS / (1.5 * 3600))
          out.vapourDensityGPerL = start.vapourDensityGPerL
        },
      },
    })
    const spool = {
      ...spoolOf(new CheckInputs({ material: 'PLA' })),
      ...ALWAYS,
      slitShare: 0.07,
      wetRhPercent,
      cardboardG: 0,
      solidsL: 0,
    }
    const rh = rhAfter({ ...heated, spools: wetRhPercent > 0 ? [spool] : [] }, [
      inputs.number('firstHours') * 3600,
      inputs.number('secondHours') * 3600,
    ])
    return rh[1]! - rh[0]!
  },
  boxRhPercent: inputs => {
    const box = plainBox({
      insideL: inputs.number('freeAirL'),
      leakLPerH: inputs.number('leakLPerH'),
      airRhPercent: inputs.number('airPercent'),
      surroundings: steadyAir(inputs.number('temperatureC'), inputs.number('roomPercent')),
    })
    const charge = {
      ...ALWAYS,
      id: 'charge',
      sorbent: sorbent(inputs),
      dryMassG: inputs.number('dryMassG'),
      capacityFactor: 1,
      loadingGPerG: inputs.number('loadingGPerG'),
      conductanceLPerH: inputs.number('holderLPerH'),
      solidsL: 0,
      renewals: [],
    }
    const spools = Array.from({ length: inputs.number('spools') }, (_, i) => ({
      ...spoolOf(inputs),
      ...ALWAYS,
      id: `spool${i}`,
      filamentG: inputs.number('filamentG'),
      slitShare: 0.07,
      wetRhPercent: inputs.number('wetPercent'),
      cardboardG: inputs.number('cardboardG'),
      solidsL: 0,
    }))
    return rhAfter({ ...box, charges: [charge], spools }, [inputs.number('hours') * 3600])[0]!
  },
}

/** A box with a lid and nothing inside. */
const plainBox = (
  box: Pick<BoxModel, 'insideL' | 'airRhPercent' | 'surroundings'> & { leakLPerH: number },
): BoxModel => ({
  insideL: box.insideL,
  inlets: [{ by: 'lid', conductanceLPerH: box.leakLPerH }],
  charges: [],
  spools: [],
  openings: [],
  airRhPercent: box.airRhPercent,
  surroundings: box.surroundings,
})

/** RH of a box's air at times from 0 on, spools by eight rings. */
function rhAfter(box: BoxModel, outputS: readonly number[]): Float64Array {
  const span = { fromS: 0, toS: outputS.at(-1)! }
  return simulate(boxNetwork(box, span, 8), { ...span, outputS }).airRhPercent
}
