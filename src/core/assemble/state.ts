import type { Grams, PercentRh, Seconds } from '#units/quantity.ts'
import { percentFromFraction } from '#units/ratio.ts'
import { saturationDensityGPerL } from '../air/vapour.ts'
import { ringRhPercent, spoolWaterG } from '../filament/rings.ts'
import { rhHoldingMoisturePercent } from '../filament/sorption.ts'
import { isPresent, type BoxModel } from '../model/box-model.ts'
import { rhOverLoadingPercent } from '../sorbent/sorbent.ts'
import { BOARD } from '../filament/board.ts'
import { freeAirAtL, type BoxNetwork } from './box-network.ts'

/** What a box holds at an instant: charges and spools in the order of its model. */
export interface BoxState {
  readonly atS: Seconds
  /** Above 100 where dew stands. */
  readonly airRhPercent: PercentRh
  readonly chargesG: readonly Grams[]
  readonly spools: readonly SpoolState[]
}
export interface SpoolState {
  readonly waterG: Grams
  readonly rhPercent: PercentRh | readonly PercentRh[]
  readonly boardG: Grams
}

/** The state one row of a run's water stands for. @param row offset of that row in `waterG` */
export function stateAt(
  model: BoxModel,
  network: BoxNetwork,
  waterG: ArrayLike<number>,
  atS: Seconds,
  row = 0,
): BoxState {
  const point = { temperatureC: 0, vapourDensityGPerL: 0 }
  model.surroundings.at(atS, point)
  const held = (node: number | null): Grams => (node === null ? 0 : waterG[row + node]!)
  return {
    atS,
    airRhPercent: percentFromFraction(
      held(0) / (freeAirAtL(model, atS) * saturationDensityGPerL(point.temperatureC)),
    ),
    chargesG: network.chargeNodes.map(held),
    spools: network.spoolPlaces.map(({ lump, layout, board }, i) => {
      const { material, filamentG } = model.spools[i]!
      const rhPercent = layout
        ? ringRhPercent(layout, waterG, material, row)
        : filamentG > 0
          ? rhHoldingMoisturePercent(material, percentFromFraction(held(lump) / filamentG))
          : 0
      return {
        waterG: layout ? spoolWaterG(layout, waterG, row) : held(lump),
        rhPercent,
        boardG: held(board),
      }
    }),
  }
}

/** The same box from a state on: what is inside then and no more, the habits of then, no events. */
export function modelFrom(model: BoxModel, state: BoxState): BoxModel {
  const { atS } = state
  return {
    ...model,
    inlets: model.inlets.map(({ later, ...inlet }) => ({
      ...inlet,
      conductanceLPerH:
        later?.findLast(change => change.atS <= atS)?.conductanceLPerH ?? inlet.conductanceLPerH,
    })),
    charges: model.charges.flatMap((charge, i) =>
      isPresent(charge, atS)
        ? [
            {
              ...charge,
              inS: atS,
              outS: null,
              renewals: [],
              loadingGPerG:
                charge.dryMassG > 0 ? state.chargesG[i]! / (charge.dryMassG * charge.capacityFactor) : 0,
            },
          ]
        : [],
    ),
    spools: model.spools.flatMap((spool, i) =>
      isPresent(spool, atS)
        ? [
            {
              ...spool,
              inS: atS,
              outS: null,
              wetRhPercent: state.spools[i]!.rhPercent,
              ...(spool.cardboardG > 0
                ? {
                    boardRhPercent: rhOverLoadingPercent(BOARD, {
                      loadingGPerG: state.spools[i]!.boardG / spool.cardboardG,
                      temperatureC: ANY_C,
                    }),
                  }
                : {}),
            },
          ]
        : [],
    ),
    openings: [],
    exchanges: [],
    airRhPercent: state.airRhPercent,
  }
}
/** Board holds by RH alone, whatever its temperature. */
const ANY_C = 20
