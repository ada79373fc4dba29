import type { Celsius, Grams, Litres, Millimetres, PercentRh, WeightPercent } from '#units/quantity.ts'
import { fractionFromPercent, percentFromFraction } from '#units/ratio.ts'
import { saturationDensityGPerL } from '../air/vapour.ts'
import { vapourDiffusivityM2PerS } from '../air/diffusivity.ts'
import type { NetworkLink, NetworkNode, StrandLink } from '../network/network.ts'
import type { Material } from './material.ts'
import { moistureAtActivityPercent, rhHoldingMoisturePercent, sorptionIsotherm } from './sorption.ts'
import { STRAND_SHELLS, strandRadiusM, type FilamentDiameterMm } from './strand.ts'
import { FLANGE_MM, windingRadiusMm, type SpoolSize } from './winding.ts'

/** Thin enough to follow what enters from outside: half a layer of winding. */
const FIRST_RING_M = 10
/** What a spool is judged on, where no print of its own is named: the filament of the next print. */
export const NEXT_PRINT_G: Grams = 100
/** Share of the side's area that spoked flanges leave open. */
const SPOKED_OPEN_SHARE = 0.5
/** Still air along the winding's outer face: the free end of 1–3e-3 m/s, as nothing stands before it. */
const FILM_M_PER_S = 3e-3
const REFERENCE_C = 23
const LEAST_VOID_SHARE = 0.15
const MOST_VOID_SHARE = 0.6

export interface RingedSpool {
  readonly id: string
  readonly material: Material
  readonly size: SpoolSize
  readonly filamentG: Grams
  readonly diameterMm: FilamentDiameterMm
  readonly flanges: 'closed' | 'spoked'
  /** Slit transport: share of the diffusivity in free air, 0.03–0.15. */
  readonly slitShare: number
  /** 1–80. */
  readonly rings: number
  /** Rings that thicken inwards, or rings of equal mass. */
  readonly spacing?: 'graded' | 'even'
}

/** What the links of a spool lead through. */
export interface SpoolWay {
  readonly by: 'spool' | 'within'
  readonly id: string
}

/** Where a spool's water stands in a network. */
export interface SpoolLayout {
  readonly id: string
  /** First node; ring r starts at first + r·(1 + shells): air between the turns, then shells from the outside in. */
  readonly first: number
  readonly ringMassG: Float64Array
}

/** Volume share of air in the winding, from the weight and measures of the full spool; held to .15–.6. */
export function voidShare(material: Pick<Material, 'densityKgPerM3'>, size: SpoolSize): number {
  const coreM = size.coreDiameterMm / 2000
  const outerM = windingRadiusMm(size, size.fullFilamentG) / 1000
  const windingM3 = Math.PI * (outerM ** 2 - coreM ** 2) * windingWidthM(size)
  const solid = size.fullFilamentG / 1000 / (material.densityKgPerM3 * windingM3)
  return Math.min(MOST_VOID_SHARE, Math.max(LEAST_VOID_SHARE, 1 - solid))
}

const windingWidthM = (size: SpoolSize): number => Math.max(size.widthMm - 2 * FLANGE_MM, 5) / 1000

/** Metres of a mass of filament. */
export const lengthM = (
  material: Pick<Material, 'densityKgPerM3'>,
  diameterMm: Millimetres,
  massG: Grams,
): number => massG / lengthMassG(material, diameterMm, 1)

/** Grams of a length of filament. */
export const lengthMassG = (
  material: Pick<Material, 'densityKgPerM3'>,
  diameterMm: Millimetres,
  lengthM: number,
): Grams => Math.PI * strandRadiusM(diameterMm) ** 2 * lengthM * material.densityKgPerM3 * 1000

/** Ring masses from the outside in; the first is ten metres, each next one heavier by the same factor. */
export function ringMassesG(spool: RingedSpool): Float64Array {
  const { rings, filamentG } = spool
  const outerG = lengthMassG(spool.material, spool.diameterMm, FIRST_RING_M)
  if (spool.spacing === 'even' || outerG * rings >= filamentG)
    return new Float64Array(rings).fill(filamentG / rings)
  const totalAt = (factor: number) => outerG * ((factor ** rings - 1) / (factor - 1))
  let low = 1 + 1e-9
  let high = 1000
  for (let i = 0; i < 80; i++) {
    const middle = Math.sqrt(low * high)
    if (totalAt(middle) < filamentG) low = middle
    else high = middle
  }
  return Float64Array.from({ length: rings }, (_, i) =>
    rings === 1 ? filamentG : (outerG * low ** i * filamentG) / totalAt(low),
  )
}

/**
 * A spool as rings of winding, each with its strand: vapour creeps in from the open outer face through the slits
 * between the turns (D_eff = φ·D_air), from each ring's air into its strand. Appends to the lists given.
 * @param wetRhPercent RH the whole spool is in equilibrium with at the start, or one value a ring from the outside in
 */
export function addRings(
  spool: RingedSpool,
  wetRhPercent: PercentRh | readonly PercentRh[],
  temperatureC: Celsius,
  to: { nodes: NetworkNode[]; links: { push(link: NetworkLink<SpoolWay>): number }; strands: StrandLink[] },
): SpoolLayout {
  const { material, size, rings } = spool
  const isotherm = sorptionIsotherm(material)
  const masses = ringMassesG(spool)
  const widthM = windingWidthM(size)
  const outerM = windingRadiusMm(size, spool.filamentG) / 1000
  const coreM = Math.min(size.coreDiameterMm / 2000, outerM - 1e-3)
  const span = outerM ** 2 - coreM ** 2
  const share = voidShare(material, size)
  const slitM2PerS = spool.slitShare * vapourDiffusivityM2PerS(REFERENCE_C)
  const alongRadius = (fromM: number, toM: number) =>
    litresPerHour((slitM2PerS * 2 * Math.PI * widthM) / Math.log(fromM / toM))
  const filmLPerH = litresPerHour(FILM_M_PER_S * 2 * Math.PI * outerM * widthM)
  const law = { kind: 'diffusion', referenceC: REFERENCE_C, of: 'spool' } as const
  const perSecond = material.diffusivityAt23M2PerS / strandRadiusM(spool.diameterMm) ** 2
  const first = to.nodes.length
  let passedG = 0
  let parent = 0
  let parentRadiusM = outerM
  for (let ring = 0; ring < rings; ring++) {
    const massG = masses[ring]!
    const at = (heldG: number) => Math.sqrt(outerM ** 2 - (heldG / spool.filamentG) * span)
    const centreM = at(passedG + massG / 2)
    const volumeM3 = Math.PI * (at(passedG) ** 2 - at(passedG + massG) ** 2) * widthM
    passedG += massG
    const activity = fractionFromPercent(
      typeof wetRhPercent === 'number' ? wetRhPercent : wetRhPercent[ring]!,
    )
    const slitL: Litres = Math.max(share * volumeM3 * 1000, 1e-4)
    const air = to.nodes.length
    to.nodes.push({
      id: `${spool.id}:ring${ring}`,
      store: { kind: 'air', of: 'spool', volumeL: slitL },
      initialWaterG: activity * saturationDensityGPerL(temperatureC) * slitL,
    })
    const alongLPerH = alongRadius(parentRadiusM, centreM)
    to.links.push({
      way: { by: ring === 0 ? 'spool' : 'within', id: spool.id },
      a: air,
      b: parent,
      conductanceLPerH: ring === 0 ? 1 / (1 / alongLPerH + 1 / filmLPerH) : alongLPerH,
      law,
    })
    if (spool.flanges === 'spoked' && ring > 0)
      to.links.push({
        way: { by: 'spool', id: spool.id },
        a: air,
        b: 0,
        beside: true,
        conductanceLPerH: sideLPerH(slitM2PerS, volumeM3, widthM),
        law,
      })
    const moisture = fractionFromPercent(moistureAtActivityPercent(isotherm, activity))
    let outward = air
    for (const { massShare, transferNumber } of STRAND_SHELLS) {
      const shell = to.nodes.length
      to.nodes.push({
        id: `${spool.id}:ring${ring}:shell`,
        store: { kind: 'strand', dryMassG: massShare * massG },
        initialWaterG: moisture * massShare * massG,
      })
      to.strands.push({
        a: shell,
        b: outward,
        transferGPerH: transferNumber * perSecond * 3600 * massG,
        surface: {
          slopeAtZeroGPerG: fractionFromPercent(isotherm.slopeAtZeroPercent),
          curvature: isotherm.curvature,
        },
        activationKJPerMol: material.activationEnergyKJPerMol,
      })
      outward = shell
    }
    parent = air
    parentRadiusM = centreM
  }
  return { id: spool.id, first, ringMassG: masses }
}

/** In through both sides over half the width: the linear driving force of a slab, for what the spokes leave open. */
const sideLPerH = (slitM2PerS: number, volumeM3: number, widthM: number): number =>
  litresPerHour((SPOKED_OPEN_SHARE * 3 * slitM2PerS * volumeM3) / (widthM / 2) ** 2)

const litresPerHour = (m3PerS: number): number => m3PerS * 3600 * 1000

export interface SpoolMoisture {
  readonly meanPercent: WeightPercent
  /** Over the full strand of what is printed next: all of a strand melts. */
  readonly nextPercent: WeightPercent
  /** The innermost ring. */
  readonly corePercent: WeightPercent
}

/** Water in the filament of one ring, g. */
function ringWaterG(layout: SpoolLayout, waterG: ArrayLike<number>, ring: number, row = 0): Grams {
  const stride = 1 + STRAND_SHELLS.length
  let sum = 0
  for (let shell = 1; shell < stride; shell++) sum += waterG[row + layout.first + ring * stride + shell]!
  return sum
}

/** Water in all the filament of a ringed spool, g. */
export function spoolWaterG(layout: SpoolLayout, waterG: ArrayLike<number>, row = 0): Grams {
  let sum = 0
  for (let ring = 0; ring < layout.ringMassG.length; ring++) sum += ringWaterG(layout, waterG, ring, row)
  return sum
}

/**
 * Mean moisture, wt %, of the filament that is printed next.
 * @param grams of the print, more than 0; of the whole spool where it is less
 */
export function nextPercent(
  layout: SpoolLayout,
  waterG: ArrayLike<number>,
  grams: Grams,
  row = 0,
): WeightPercent {
  let passedG = 0
  let water = 0
  for (let ring = 0; ring < layout.ringMassG.length && passedG < grams; ring++) {
    const massG = layout.ringMassG[ring]!
    const takenG = Math.min(massG, grams - passedG)
    water += (takenG / massG) * ringWaterG(layout, waterG, ring, row)
    passedG += takenG
  }
  return percentFromFraction(water / passedG)
}

/** Grams from the outside in that stand above a moisture, ring by ring without a gap; 0 where the first does not. */
export function gramsPast(
  layout: SpoolLayout,
  waterG: ArrayLike<number>,
  limitPercent: WeightPercent,
  row = 0,
): Grams {
  let passedG = 0
  for (let ring = 0; ring < layout.ringMassG.length; ring++) {
    const massG = layout.ringMassG[ring]!
    if (percentFromFraction(ringWaterG(layout, waterG, ring, row) / massG) <= limitPercent) break
    passedG += massG
  }
  return passedG
}

/** Moisture of a ringed spool, wt %, from one row of a run's water. */
export function spoolMoisture(layout: SpoolLayout, waterG: ArrayLike<number>, row = 0): SpoolMoisture {
  const rings = layout.ringMassG.length
  let mass = 0
  for (let ring = 0; ring < rings; ring++) mass += layout.ringMassG[ring]!
  return {
    meanPercent: percentFromFraction(spoolWaterG(layout, waterG, row) / mass),
    nextPercent: nextPercent(layout, waterG, NEXT_PRINT_G, row),
    corePercent: percentFromFraction(
      ringWaterG(layout, waterG, rings - 1, row) / layout.ringMassG[rings - 1]!,
    ),
  }
}

/** RH each ring would be in equilibrium with, %, from the outside in: a spool's state for another run. */
export function ringRhPercent(
  layout: SpoolLayout,
  waterG: ArrayLike<number>,
  material: Pick<Material, 'moistureAt50Percent' | 'saturatedMoisturePercent'>,
  row = 0,
): PercentRh[] {
  return Array.from(layout.ringMassG, (massG, ring) =>
    rhHoldingMoisturePercent(material, percentFromFraction(ringWaterG(layout, waterG, ring, row) / massG)),
  )
}

/** RH, %, that would hold the mean moisture of rings at these RHs. */
export function meanRhOfRingsPercent(
  spool: Omit<RingedSpool, 'rings'>,
  rhPercent: readonly PercentRh[],
): PercentRh {
  const massesG = ringMassesG({ ...spool, rings: rhPercent.length })
  const isotherm = sorptionIsotherm(spool.material)
  const waterG = rhPercent.reduce(
    (sum, rh, ring) =>
      sum +
      massesG[ring]! * fractionFromPercent(moistureAtActivityPercent(isotherm, fractionFromPercent(rh))),
    0,
  )
  return rhHoldingMoisturePercent(spool.material, percentFromFraction(waterG / spool.filamentG))
}
