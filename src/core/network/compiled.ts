import type { Celsius } from '#units/quantity.ts'
import { fractionFromPercent, percentFromFraction } from '#units/ratio.ts'
import { mostRhPercent, saturationDensityGPerL } from '../air/vapour.ts'
import type { LoadingCurve, Sorbent } from '../sorbent/sorbent.ts'
import type { AirAtOutputs } from './air-at-outputs.ts'
import { ByDay } from './by-day.ts'
import { byTable } from './by-temperature.ts'
import { lawFactor } from './law.ts'
import { ROOM, type Network, type SurroundingsPoint, type WaterStore } from './network.ts'
import { Scratch } from './scratch.ts'
import { storeSize } from './water-store.ts'

/** What a node's link to its parent compares: like with like, or a strand with its surface in equilibrium. */
const TREE = 0
const SURFACE = 1

/** A function of one of a box's temperatures. */
interface FactorFn {
  readonly of: keyof Temperatures
  readonly fn: (temperatureC: Celsius) => number
}
const always1 = () => 1
const valueOf = ({ of, fn }: FactorFn, temperatures: Temperatures): number => fn(temperatures[of])

type Temperatures = { airC: Celsius; beadC: Celsius; spoolC: Celsius }

/**
 * A network as typed arrays: nodes sorted so that each parent comes before its children, one link towards the root
 * each. Evaluates the flows of all links and their slopes; allocates nothing once made.
 */
export class Compiled {
  readonly nodes: number
  readonly parent: Int32Array
  /** Node index of each node's link in `links`; −1 for strands. */
  readonly linkOf: Int32Array
  readonly links: number
  /** Links to the room, and those to node 0, in this order; `bookedNode` is the node at their far end. */
  readonly bookedLink: Int32Array
  readonly bookedNode: Int32Array
  readonly bookedBeside: Int32Array
  readonly roomLinks: number
  /** How many of these are booked, from the first on: all, or only those to the room, without which no account closes. */
  readonly booked: number
  /** Any node that has a second link, straight to node 0. */
  readonly hasBeside: boolean
  /** Every node is linked to node 0 and to it alone: a box whose spools are lumped. Thousands of draws are run that way. */
  readonly isStar: boolean

  readonly up: Float64Array
  readonly beside: Float64Array
  readonly room: Float64Array
  readonly stores: WaterStore[]

  /** Vapour density over a node, g/L, or concentration of a strand, g/g. */
  readonly potential: Float64Array
  readonly slope: Float64Array
  /** Concentration of a filament's surface in equilibrium with the air between its turns. */
  readonly surface: Float64Array
  readonly surfaceSlope: Float64Array
  /** Grams an hour: towards the parent, and straight to node 0. */
  readonly upFlow: Float64Array
  readonly besideFlow: Float64Array
  /** Conductances at the temperature of the last evaluation. */
  readonly upNow: Float64Array
  readonly besideNow: Float64Array
  readonly roomNow: Float64Array

  roomDensityGPerL = 0
  saturationGPerL = 0
  boxC: Celsius = 0
  /** Of saturation over water, what the air can stand at: less than 1 below freezing. */
  private mostShareOfBox = 1
  private mostShareOfSpool = 1

  /** Nodes by the shape of their potential: free air, straight, along a curve. */
  private readonly airs: number[] = []
  private readonly linears: number[] = []
  private readonly curved: number[] = []
  private readonly curves: (LoadingCurve | null)[]
  /** Where each curve stood when slopes were asked for last, and which curve that was. */
  private readonly unit: Float64Array
  private readonly curveOfUnit: (LoadingCurve | null)[]
  private readonly perGram: Float64Array
  private readonly factorOf: Int32Array
  private readonly drive: Int32Array
  private readonly surfaceSlopeAtZero: Float64Array
  private readonly surfaceCurvature: Float64Array
  private readonly factors: Float64Array
  private readonly factorFns: FactorFn[] = []
  private readonly upLaw: Int32Array
  private readonly besideLaw: Int32Array
  private readonly roomLaw: Int32Array
  private readonly lawFactors: Float64Array
  private readonly lawFns: FactorFn[] = [{ of: 'airC', fn: always1 }]
  private readonly boxLaws = new Map<(temperatureC: Celsius) => number, number>()
  private readonly spoolLaws = new Map<(temperatureC: Celsius) => number, number>()
  private readonly point: SurroundingsPoint = { temperatureC: 0, vapourDensityGPerL: 0 }
  private readonly temperatures: Temperatures = { airC: 0, beadC: 0, spoolC: 0 }
  /** The same where the room is known by days, and all things are as warm as it. */
  private readonly factorsByDay: ByDay | null
  private readonly lawsByDay: ByDay | null
  private factorsAtS = Number.NaN
  /** Room link or node behind each link of the network, for events that change one. */
  private readonly roomSlotOf: Int32Array

  /** @throws Error where the links are no tree rooted in node 0: a mistake of the caller, not of the user. */
  constructor(
    private readonly network: Network,
    flows: 'booked' | 'not booked' = 'booked',
    scratch = new Scratch(),
  ) {
    const n = network.nodes.length
    const perNode = () => scratch.floats(n)
    this.nodes = n
    this.links = network.links.length
    this.stores = network.nodes.map(node => node.store)
    this.parent = scratch.integers(n).fill(-1)
    this.linkOf = scratch.integers(n).fill(-1)
    this.drive = scratch.integers(n)
    this.up = perNode()
    this.upNow = perNode()
    this.beside = perNode()
    this.besideNow = perNode()
    this.potential = perNode()
    this.slope = perNode()
    this.surface = perNode()
    this.surfaceSlope = perNode()
    this.upFlow = perNode()
    this.besideFlow = perNode()
    this.surfaceSlopeAtZero = perNode()
    this.surfaceCurvature = perNode()
    this.upLaw = scratch.integers(n)
    this.besideLaw = scratch.integers(n)
    this.perGram = perNode()
    this.factorOf = scratch.integers(n)

    let roomLinks = 0
    let toAir = 0
    for (const link of network.links)
      if (link.b === ROOM) roomLinks++
      else if (link.b === 0) toAir++
    this.roomLinks = roomLinks
    this.room = scratch.floats(roomLinks)
    this.roomNow = scratch.floats(roomLinks)
    this.roomLaw = scratch.integers(roomLinks)
    this.roomSlotOf = scratch.integers(this.links).fill(-1)
    this.booked = flows === 'booked' ? roomLinks + toAir : roomLinks
    this.bookedLink = scratch.integers(roomLinks + toAir)
    this.bookedNode = scratch.integers(roomLinks + toAir)
    this.bookedBeside = scratch.integers(roomLinks + toAir)
    let hasBeside = false
    let slot = 0
    network.links.forEach((link, l) => {
      const law = this.lawIndex(link.law)
      if (link.b !== ROOM) return
      this.roomSlotOf[l] = slot
      this.room[slot] = link.conductanceLPerH
      this.roomLaw[slot] = law
      this.bookedLink[slot] = l
      this.bookedNode[slot++] = link.a
    })
    network.links.forEach((link, l) => {
      if (link.b === ROOM) return
      if (link.beside) {
        hasBeside = true
        this.beside[link.a] = link.conductanceLPerH
        this.besideLaw[link.a] = this.lawIndex(link.law)
      } else {
        this.setParent(link.a, link.b)
        this.linkOf[link.a] = l
        this.up[link.a] = link.conductanceLPerH
        this.upLaw[link.a] = this.lawIndex(link.law)
      }
      if (link.b !== 0) return
      this.bookedLink[slot] = l
      this.bookedBeside[slot] = link.beside ? 1 : 0
      this.bookedNode[slot++] = link.a
    })
    for (const strand of network.strands ?? []) {
      this.setParent(strand.a, strand.b)
      this.up[strand.a] = strand.transferGPerH
      this.upLaw[strand.a] = this.lawIndex({
        kind: 'arrhenius',
        activationKJPerMol: strand.activationKJPerMol,
        referenceC: 23,
        of: 'spool',
      })
      const toAir = network.nodes[strand.b]!.store.kind === 'air'
      this.drive[strand.a] = toAir ? SURFACE : TREE
      if (toAir) {
        this.surfaceSlopeAtZero[strand.b] = strand.surface.slopeAtZeroGPerG
        this.surfaceCurvature[strand.b] = strand.surface.curvature
      }
    }
    for (let i = 1; i < n; i++) if (this.parent[i] === -1) throw new Error(`Node ${i} is linked to nothing.`)
    this.hasBeside = hasBeside
    this.isStar = !hasBeside && this.parent.every((p, i) => i === 0 || (p === 0 && this.drive[i] === TREE))

    const factorIndex = this.factorTable()
    this.stores.forEach((store, i) => {
      this.describe(store, i)
      this.factorOf[i] = factorIndex(store)
    })
    for (let i = 0; i < n; i++) {
      const store = this.stores[i]!
      const alike = store.kind === 'air' ? this.airs : isStraight(store) ? this.linears : this.curved
      alike.push(i)
    }
    this.curves = this.stores.map(() => null)
    this.curveOfUnit = this.stores.map(() => null)
    this.unit = perNode()
    this.factors = scratch.floats(this.factorFns.length)
    this.lawFactors = scratch.floats(this.lawFns.length)
    const { days } = network.surroundings
    const byDay = (list: readonly FactorFn[]) =>
      days
        ? new ByDay(
            days,
            list.map(one => one.fn),
          )
        : null
    this.factorsByDay = byDay(this.factorFns)
    this.lawsByDay = byDay(this.lawFns)
  }

  /** Another conductance for one link of the network. */
  setConductance(link: number, conductanceLPerH: number): void {
    const { a, b, beside } = this.network.links[link]!
    if (b === ROOM) this.room[this.roomSlotOf[link]!] = conductanceLPerH
    else (beside ? this.beside : this.up)[a] = conductanceLPerH
    this.factorsAtS = Number.NaN
  }

  setStore(node: number, store: WaterStore): void {
    this.stores[node] = store
    this.describe(store, node)
  }

  /** Temperatures, room air and conductances at a time. */
  setTime(timeS: number): void {
    if (timeS === this.factorsAtS) return
    this.factorsAtS = timeS
    const { point, temperatures, factors, lawFactors } = this
    this.network.surroundings.at(timeS, point)
    this.roomDensityGPerL = point.vapourDensityGPerL
    temperatures.airC = point.temperatureC
    this.boxC = point.temperatureC
    temperatures.beadC = point.beadTemperatureC ?? point.temperatureC
    temperatures.spoolC = point.spoolTemperatureC ?? point.temperatureC
    if (this.factorsByDay && this.lawsByDay) {
      this.factorsByDay.read(timeS, factors)
      this.lawsByDay.read(timeS, lawFactors)
    } else {
      for (let i = 0; i < factors.length; i++) factors[i] = valueOf(this.factorFns[i]!, temperatures)
      for (let i = 0; i < lawFactors.length; i++) lawFactors[i] = valueOf(this.lawFns[i]!, temperatures)
    }
    this.saturationGPerL = factors[BOX_AIR_FACTOR]!
    this.mostShareOfBox = fractionFromPercent(mostRhPercent(temperatures.airC))
    this.mostShareOfSpool = fractionFromPercent(mostRhPercent(temperatures.spoolC))
    const { curved, curves, stores } = this
    for (let at = 0; at < curved.length; at++) {
      const i = curved[at]!
      const store = stores[i] as SorbentStore
      curves[i] = store.sorbent.curveAt(store.of === 'beads' ? temperatures.beadC : temperatures.spoolC)
    }
    const { up, upNow, upLaw, room, roomNow, roomLaw } = this
    for (let i = 1; i < up.length; i++) upNow[i] = up[i]! * lawFactors[upLaw[i]!]!
    for (let r = 0; r < room.length; r++) roomNow[r] = room[r]! * lawFactors[roomLaw[r]!]!
    if (this.hasBeside)
      for (let i = 1; i < up.length; i++)
        this.besideNow[i] = this.beside[i]! * lawFactors[this.besideLaw[i]!]!
  }

  /**
   * Potentials of all nodes with this water at the time set.
   * @param ask with their slopes, alone, or again with the water whose slopes were asked for last: a curve stands where it stood
   */
  evaluatePotentials(waterG: Float64Array, ask: 'with slopes' | 'alone' | 'again'): void {
    const slopesToo = ask === 'with slopes'
    const { airs, linears, curved, curves, perGram, factorOf, factors, potential, slope } = this
    const { surface, surfaceSlope, surfaceSlopeAtZero, surfaceCurvature } = this
    const boxAir = BOX_AIR_FACTOR
    for (let at = 0; at < linears.length; at++) {
      const i = linears[at]!
      const scale = perGram[i]! * factors[factorOf[i]!]!
      potential[i] = waterG[i]! * scale
      if (slopesToo) slope[i] = scale
    }
    for (let at = 0; at < airs.length; at++) {
      const i = airs[at]!
      const saturation = factors[factorOf[i]!]!
      const most = saturation * (factorOf[i] === boxAir ? this.mostShareOfBox : this.mostShareOfSpool)
      let density = waterG[i]! * perGram[i]!
      let gain = perGram[i]!
      if (density > most) {
        // the rest is dew or frost: the air over it stays saturated but for a trace that keeps the slope alive
        density = most + (density - most) * DEW_SLOPE
        gain *= DEW_SLOPE
      }
      potential[i] = density
      if (slopesToo) slope[i] = gain
      const first = surfaceSlopeAtZero[i]!
      if (first === 0) continue
      const activity = density / saturation
      const bend = 1 - surfaceCurvature[i]! * activity * activity
      surface[i] = (first * activity) / bend
      if (slopesToo) surfaceSlope[i] = (first * (2 - bend) * gain) / (bend * bend * saturation)
    }
    for (let at = 0; at < curved.length; at++) {
      const i = curved[at]!
      const factor = factors[factorOf[i]!]!
      const curve = curves[i]!
      if (ask === 'again' && curve === this.curveOfUnit[i]) {
        potential[i] = this.unit[i]! * factor
        continue
      }
      const loading = waterG[i]! * perGram[i]!
      const unit = curve.valueAt(loading)
      potential[i] = unit * factor
      if (!slopesToo) continue
      slope[i] = curve.slopeAt(loading) * perGram[i]! * factor
      this.unit[i] = unit
      this.curveOfUnit[i] = curve
    }
  }

  /** From the potentials evaluated last: the flows into each node, and what each booked link carries, g/h. */
  evaluateFlows(sums: Float64Array, booked: Float64Array): void {
    const { parent, upNow, upFlow, potential, bookedNode, roomNow, roomLinks } = this
    sums.fill(0)
    if (this.isStar) {
      const root = potential[0]!
      let rootSum = 0
      for (let i = 1; i < parent.length; i++) {
        const flow = upNow[i]! * (potential[i]! - root)
        upFlow[i] = flow
        sums[i] = -flow
        rootSum += flow
      }
      sums[0] = rootSum
    } else this.flowsUp(sums)
    for (let r = 0; r < roomLinks; r++) {
      const node = bookedNode[r]!
      const flow = roomNow[r]! * (this.roomDensityGPerL - potential[node]!)
      booked[r] = flow
      sums[node]! += flow
    }
    if (this.hasBeside) this.evaluateBeside(sums, booked)
    else for (let l = roomLinks; l < booked.length; l++) booked[l] = upFlow[bookedNode[l]!]!
  }

  private flowsUp(sums: Float64Array): void {
    const { parent, drive, upNow, upFlow, potential, surface } = this
    for (let i = 1; i < parent.length; i++) {
      const p = parent[i]!
      const flow = upNow[i]! * (potential[i]! - (drive[i] === SURFACE ? surface[p]! : potential[p]!))
      upFlow[i] = flow
      sums[i]! -= flow
      sums[p]! += flow
    }
  }

  private evaluateBeside(sums: Float64Array, booked: Float64Array): void {
    const { parent, besideNow, besideFlow, upFlow, potential, bookedNode, bookedBeside, roomLinks } = this
    for (let i = 1; i < parent.length; i++) {
      const flow = besideNow[i]! * (potential[i]! - potential[0]!)
      besideFlow[i] = flow
      sums[i]! -= flow
      sums[0]! += flow
    }
    for (let l = roomLinks; l < booked.length; l++)
      booked[l] = (bookedBeside[l] === 1 ? besideFlow : upFlow)[bookedNode[l]!]!
  }

  /** Slopes of each upward flow by the water of its node and of its parent. */
  writeUpSlopes(own: Float64Array, byParent: Float64Array): void {
    const { parent, drive, upNow, slope, surfaceSlope } = this
    for (let i = 1; i < parent.length; i++) {
      const p = parent[i]!
      own[i] = upNow[i]! * slope[i]!
      byParent[i] = upNow[i]! * (drive[i] === SURFACE ? surfaceSlope[p]! : slope[p]!)
    }
  }

  /**
   * Exchanges the air of node 0 so many times and lets its neighbours take up the excess at once.
   * @returns grams that came to stay
   */
  takeUp(waterG: Float64Array, freeAirs: number): number {
    const { roomNow, roomLinks, bookedNode, bookedBeside, upNow, besideNow } = this
    const excessG = freeAirs * (this.roomDensityGPerL / this.perGram[0]! - waterG[0]!)
    let total = 0
    for (let r = 0; r < roomLinks; r++) total += roomNow[r]!
    for (let l = roomLinks; l < bookedNode.length; l++)
      total += (bookedBeside[l] === 1 ? besideNow : upNow)[bookedNode[l]!]!
    if (total <= 0) return 0
    let stayedG = 0
    for (let l = roomLinks; l < bookedNode.length; l++) {
      const node = bookedNode[l]!
      const share = (bookedBeside[l] === 1 ? besideNow : upNow)[node]! / total
      const takenG = Math.max(share * excessG, -waterG[node]!)
      waterG[node]! += takenG
      stayedG += takenG
    }
    return stayedG
  }

  /** Water that a change of 1 % RH is worth in air, g: the measure of a step's error there; NaN for other stores. */
  airCapacityGPerPercent(node: number): number {
    const store = this.stores[node]!
    return store.kind === 'air'
      ? fractionFromPercent(store.volumeL * this.factors[this.factorOf[node]!]!)
      : Number.NaN
  }

  /**
   * RH of the box air, %, with this water at any time; the time set stays as it is.
   * @param air where the time is a row of it
   */
  boxRhAtPercent(timeS: number, boxWaterG: number, air: AirAtOutputs | null = null, row = 0): number {
    if (timeS === this.factorsAtS) return this.boxRhPercent(boxWaterG)
    const density = boxWaterG * this.perGram[0]!
    if (air)
      return Math.min(air.mostRhPercent[row]!, percentFromFraction(density / air.saturationGPerL[row]!))
    const { point } = this
    this.network.surroundings.at(timeS, point)
    return Math.min(
      mostRhPercent(point.temperatureC),
      percentFromFraction(density / saturationDensityGPerL(point.temperatureC)),
    )
  }

  /** RH of the box air, %, with this water at the time set; never above 100, nor below freezing above ice. */
  boxRhPercent(boxWaterG: number): number {
    return percentFromFraction(
      Math.min(this.mostShareOfBox, (boxWaterG * this.perGram[0]!) / this.saturationGPerL),
    )
  }

  /** Water in the box beyond what its air can hold at the time set, g: dew, or frost below freezing. */
  dewG(waterG: Float64Array): number {
    return Math.max(0, waterG[0]! - (this.saturationGPerL * this.mostShareOfBox) / this.perGram[0]!)
  }

  private setParent(a: number, b: number): void {
    if (b >= a) throw new Error(`A link of node ${a} must name the node nearer the root last.`)
    if (this.parent[a] !== -1) throw new Error(`Node ${a} has two parents; the network must be a tree.`)
    this.parent[a] = b
  }

  private describe(store: WaterStore, i: number): void {
    const straight = store.kind === 'sorbent' ? (store.sorbent.straight ?? 1) : 1
    this.perGram[i] = straight / storeSize(store)
  }

  /** Each distinct dependence on temperature once, whatever the number of nodes. */
  private factorTable(): (store: WaterStore) => number {
    const add = (of: FactorFn['of'], fn: FactorFn['fn']) => this.factorFns.push({ of, fn }) - 1
    const one = add('airC', always1)
    const box = add('airC', saturationDensityGPerL)
    const known = {
      beads: new Map<Sorbent['perUnitGPerL'], number>(),
      spool: new Map<Sorbent['perUnitGPerL'], number>(),
    }
    const spool = add('spoolC', saturationDensityGPerL)
    known.spool.set(saturationDensityGPerL, spool)
    return store => {
      if (store.kind === 'strand') return one
      if (store.kind === 'air') return store.of === 'spool' ? spool : box
      const { perUnitGPerL: exact } = store.sorbent
      // saturation has a finer table of its own
      const perUnitGPerL = exact === saturationDensityGPerL ? exact : byTable(exact)
      const same = known[store.of]
      const index = same.get(perUnitGPerL) ?? add(store.of === 'beads' ? 'beadC' : 'spoolC', perUnitGPerL)
      same.set(perUnitGPerL, index)
      return index
    }
  }

  private lawIndex(law: Network['links'][number]['law']): number {
    if (!law) return 0
    const factor = byTable(lawFactor(law, this.network.surroundings.pressurePa))
    const same = law.of === 'spool' ? this.spoolLaws : this.boxLaws
    const index =
      same.get(factor) ?? this.lawFns.push({ of: law.of === 'spool' ? 'spoolC' : 'airC', fn: factor }) - 1
    same.set(factor, index)
    return index
  }
}

/** Where the factor table has the saturation of the box's own air. */
const BOX_AIR_FACTOR = 1
/** Share of its usual slope that vapour density keeps where water has condensed. */
const DEW_SLOPE = 1e-4

type SorbentStore = Extract<WaterStore, { kind: 'sorbent' }>
const isStraight = (store: WaterStore): boolean =>
  store.kind === 'strand' || (store.kind === 'sorbent' && store.sorbent.straight !== undefined)
