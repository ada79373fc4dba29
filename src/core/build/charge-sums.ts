import type { Celsius, Grams, GramsPerGram, PercentRh } from '#units/quantity.ts'
import { HOLDERS, type HolderKind } from '../container/holder.ts'
import { chargeRhAtTargetPercent } from '../container/steady.ts'
import { DESICCANTS, type DesiccantKind } from '../desiccant/catalogue.ts'
import { BOARD } from '../filament/board.ts'
import type { Material } from '../filament/material.ts'
import { filamentSorbent } from '../filament/sorption.ts'
import { loadingAtRhGPerG } from '../sorbent/sorbent.ts'

export interface PlannedAir {
  readonly temperatureC: Celsius
  readonly relativeHumidityPercent: PercentRh
}

/**
 * What a charge takes up from new until the air stands at the target, a gram of it: loading then, and loading new.
 * @param freshGPerG what it holds as it goes in
 */
export function loadingsHeld(
  kind: DesiccantKind,
  holder: HolderKind,
  leakLPerH: number,
  room: PlannedAir,
  targetRhPercent: PercentRh,
  freshGPerG: GramsPerGram,
): { readonly atTargetGPerG: number; readonly freshGPerG: number } {
  const chargeRh = chargeRhAtTargetPercent({
    targetRhPercent,
    roomRhPercent: room.relativeHumidityPercent,
    leakLPerH,
    holderLPerH: HOLDERS[holder].conductanceLPerH,
  })
  const atTargetGPerG =
    chargeRh <= 0
      ? 0
      : loadingAtRhGPerG(DESICCANTS[kind].sorbent, {
          relativeHumidityPercent: chargeRh,
          temperatureC: room.temperatureC,
        })
  // beads that are never drier than the target allows hold nothing
  return { atTargetGPerG: Math.max(freshGPerG, atTargetGPerG), freshGPerG }
}

/** What one spool brings in from the room beyond what it keeps at the target. */
export interface WaterBrought {
  readonly name: string
  readonly massG: Grams
  readonly roomGPerG: number
  readonly targetGPerG: number
}

/** Water spools and their board give off on the way from the room's air to the target: it all goes into the beads, once. */
export function waterBrought(
  spools: readonly {
    readonly name: string
    readonly material: Material
    readonly filamentG: Grams
    readonly cardboardG: Grams
  }[],
  room: PlannedAir,
  targetRhPercent: PercentRh,
): WaterBrought[] {
  const target = { ...room, relativeHumidityPercent: targetRhPercent }
  return spools.flatMap(({ name, material, filamentG, cardboardG }) => {
    const sorbent = filamentSorbent(material)
    const board =
      cardboardG > 0
        ? [
            {
              name: `board of ${name}`,
              massG: cardboardG,
              roomGPerG: loadingAtRhGPerG(BOARD, room),
              targetGPerG: loadingAtRhGPerG(BOARD, target),
            },
          ]
        : []
    return [
      {
        name,
        massG: filamentG,
        roomGPerG: loadingAtRhGPerG(sorbent, room),
        targetGPerG: loadingAtRhGPerG(sorbent, target),
      },
      ...board,
    ]
  })
}
export const broughtG = (all: readonly WaterBrought[]): Grams =>
  all.reduce((sum, { massG, roomGPerG, targetGPerG }) => sum + massG * (roomGPerG - targetGPerG), 0)

/** Poured beads lie loosely, packets do not stack without gaps. */
const FILLS = { packet: 0.6, other: 0.9 } as const
/** Room the holder has to have, and how much of it beads may fill. */
export function holderFit(
  kind: DesiccantKind,
  holder: HolderKind,
  grams: Grams,
  holderMm: { readonly lengthMm: number; readonly depthMm: number; readonly heightMm: number },
): { readonly beadsMl: number; readonly holdsMl: number; readonly fits: boolean } {
  const beadsMl = grams / DESICCANTS[kind].bulkDensityGPerMl
  const holdsMl =
    (holderMm.lengthMm *
      holderMm.depthMm *
      holderMm.heightMm *
      (holder === 'packet' ? FILLS.packet : FILLS.other)) /
    1000
  return { beadsMl, holdsMl, fits: beadsMl <= holdsMl }
}
