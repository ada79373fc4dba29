/**
 * A spool worked out by itself, with nothing of the engine's: a hundred rings, each with a strand of five hundred cells,
 * stepped implicitly; vapour along the slits in balance with what the strands take up. Equations: Crank, The Mathematics of
 * Diffusion, ch. 5; GAB with C = 2; Magnus' saturation pressure over water.
 */
export interface FineSpool {
  /** Limits of the sorption curve: moisture at 50 % and at 100 % RH, wt %. */
  readonly at50Percent: number
  readonly saturatedPercent: number
  readonly diffusivityAt23: number
  readonly activationKJPerMol: number
  readonly filamentG: number
  readonly rimMm: number
  readonly coreMm: number
  readonly widthMm: number
  readonly slitShare: number
}
interface FineAir {
  readonly temperatureC: number
  readonly rhPercent: number
}

const RINGS = 100
const CELLS = 500
const STRAND_M = 0.875e-3
const FLANGES_MM = 9
const FILM_M_PER_S = 3e-3
const GAS = 8.314462618

/** g/m³ over water. */
const saturated = (celsius: number) =>
  (611.2 * Math.exp((17.62 * celsius) / (243.12 + celsius)) * 18.015) / (GAS * (celsius + 273.15))
const vapourDiffusivity = (celsius: number) => 2.178e-5 * ((celsius + 273.15) / 273.15) ** 1.81

/** Moisture of the outer `grams` at each of the hours, wt %; the spool starts in balance with `startRh`. */
export function fineSpool(
  spool: FineSpool,
  startRh: number,
  air: FineAir,
  hours: readonly number[],
  grams = 100,
): number[] {
  const ratio = spool.saturatedPercent / spool.at50Percent
  const k2 = (ratio - 2) / (ratio - 0.5)
  const scale = spool.saturatedPercent * (1 - k2)
  const held = (a: number) => ((scale * a) / (1 - k2 * a * a)) * 0.01
  const slope = (a: number) => ((scale * (1 + k2 * a * a)) / (1 - k2 * a * a) ** 2) * 0.01

  // rings of even mass between core and winding
  const outerM = windingM(spool)
  const coreM = spool.coreMm / 2000
  const widthM = (spool.widthMm - FLANGES_MM) / 1000
  const massG = spool.filamentG / RINGS
  const radiusAt = (share: number) => Math.sqrt(outerM ** 2 - share * (outerM ** 2 - coreM ** 2))
  const slit = spool.slitShare * vapourDiffusivity(air.temperatureC)
  const density = saturated(air.temperatureC)
  // grams a second for a whole unit of activity
  const conductance = Array.from({ length: RINGS }, (_, r) => {
    const [from, to] = [r === 0 ? outerM : radiusAt((r - 0.5) / RINGS), radiusAt((r + 0.5) / RINGS)]
    const along = (slit * 2 * Math.PI * widthM) / Math.log(from / to)
    const film = FILM_M_PER_S * 2 * Math.PI * outerM * widthM
    return (r === 0 ? 1 / (1 / along + 1 / film) : along) * density
  })
  const d =
    spool.diffusivityAt23 *
    Math.exp(((-spool.activationKJPerMol * 1000) / GAS) * (1 / (air.temperatureC + 273.15) - 1 / 296.15))

  const cell = STRAND_M / CELLS
  const inner = (i: number) => i * cell
  // of a strand of unit length, as shares of its cross section
  const area = Array.from({ length: CELLS }, (_, i) => (inner(i + 1) ** 2 - inner(i) ** 2) / STRAND_M ** 2)
  const between = (i: number) => (2 * d * inner(i)) / (cell * STRAND_M ** 2)
  const toSurface = (2 * d * STRAND_M) / ((cell / 2) * STRAND_M ** 2)

  const start = held(startRh / 100)
  const water = Array.from({ length: RINGS }, () => new Float64Array(CELLS).fill(start))
  const activity = new Float64Array(RINGS).fill(startRh / 100)
  const found: number[] = []
  let timeS = 0
  let stepS = 2
  for (const hour of hours) {
    const untilS = hour * 3600
    while (timeS < untilS - 1e-9) {
      stepS = Math.min(stepS * 1.02, 900)
      const dt = Math.min(stepS, untilS - timeS)
      step(dt)
      timeS += dt
    }
    found.push(outerMean(water, area, grams / massG))
  }
  return found

  function step(dt: number): void {
    // forward sweep of every strand: its outermost cell comes out as p + q·(surface)
    const diagonal = new Float64Array(CELLS)
    const upper = new Float64Array(CELLS)
    for (let i = 0; i < CELLS; i++) {
      const out = i === CELLS - 1 ? toSurface : between(i + 1)
      const inn = i === 0 ? 0 : between(i)
      diagonal[i] = area[i]! / dt + out + inn - (i === 0 ? 0 : (inn * inn) / diagonal[i - 1]!)
      upper[i] = i === CELLS - 1 ? 0 : between(i + 1) / diagonal[i]!
    }
    const swept = water.map(cells => {
      const right = new Float64Array(CELLS)
      for (let i = 0; i < CELLS; i++)
        right[i] =
          (area[i]! / dt) * cells[i]! + (i === 0 ? 0 : (between(i) / diagonal[i - 1]!) * right[i - 1]!)
      return right
    })
    const last = CELLS - 1
    const q = toSurface / diagonal[last]!
    const p = swept.map(right => right[last]! / diagonal[last]!)
    // what the air brings is what the strands take: Newton on the activities of all rings
    for (let turn = 0; turn < 30; turn++) {
      const residual = new Float64Array(RINGS)
      const main = new Float64Array(RINGS)
      const side = new Float64Array(RINGS)
      for (let r = 0; r < RINGS; r++) {
        const a = activity[r]!
        const outer = r === 0 ? air.rhPercent / 100 : activity[r - 1]!
        const inwards = r === RINGS - 1 ? 0 : conductance[r + 1]! * (a - activity[r + 1]!)
        const uptake = massG * toSurface * (held(a) * (1 - q) - p[r]!)
        residual[r] = conductance[r]! * (outer - a) - inwards - uptake
        main[r] =
          conductance[r]! +
          (r === RINGS - 1 ? 0 : conductance[r + 1]!) +
          massG * toSurface * (1 - q) * slope(a)
        side[r] = r === 0 ? 0 : conductance[r]!
      }
      for (let r = 1; r < RINGS; r++) {
        const factor = side[r]! / main[r - 1]!
        main[r]! -= factor * side[r]!
        residual[r]! += factor * residual[r - 1]!
      }
      let most = 0
      let change = 0
      for (let r = RINGS - 1; r >= 0; r--) {
        change = (residual[r]! + (r === RINGS - 1 ? 0 : side[r + 1]! * change)) / main[r]!
        activity[r] = Math.min(0.999, Math.max(1e-6, activity[r]! + change))
        most = Math.max(most, Math.abs(change))
      }
      if (most < 1e-10) break
    }
    water.forEach((cells, r) => {
      cells[last] = p[r]! + q * held(activity[r]!)
      for (let i = last - 1; i >= 0; i--) cells[i] = swept[r]![i]! / diagonal[i]! + upper[i]! * cells[i + 1]!
    })
  }
}

/** Outer radius of what is wound: area goes with grams; a kilogram fills up to 4 mm below the rim. */
function windingM({ rimMm, coreMm, filamentG }: FineSpool): number {
  const [core, full] = [coreMm / 2000, rimMm / 2000 - 0.004]
  return Math.sqrt(core ** 2 + (filamentG / 1000) * (full ** 2 - core ** 2))
}

function outerMean(water: readonly Float64Array[], area: readonly number[], rings: number): number {
  let sum = 0
  let weight = 0
  water.forEach((cells, r) => {
    const share = Math.min(1, Math.max(0, rings - r))
    if (share === 0) return
    sum += share * cells.reduce((total, one, i) => total + one * area[i]!, 0)
    weight += share
  })
  return (100 * sum) / weight
}
