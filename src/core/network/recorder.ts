import type { PercentRh, Seconds } from '#units/quantity.ts'
import { airAtOutputs, type AirAtOutputs } from './air-at-outputs.ts'
import { copyInto } from './copy-into.ts'
import type { Compiled } from './compiled.ts'
import type { Network } from './network.ts'
import type { Scratch } from './scratch.ts'

/**
 * What a run leaves behind: the state at the times asked for. Between accepted points the state is the parabola
 * through the last three (a line after a restart); as every account closes at those points, it closes in between.
 */
export class Recorder {
  readonly atS: Float64Array
  readonly waterG: Float64Array
  readonly flowG: Float64Array
  readonly airRhPercent: Float64Array
  written = 0
  /** The accepted point before the last. */
  beforeS = 0

  /** Of the time looked at: how far from the point before to now, and the weights of the two slopes in the bend. */
  private share = 1
  private bendNow = 0
  private bendBefore = 0

  private oldestS = 0
  private nowS = 0
  /** Points since the last restart, three at most: oldest, before, now. */
  private points = 0
  private oldestWater: Float64Array
  private beforeWater: Float64Array
  private nowWater: Float64Array
  private oldestBooked: Float64Array
  private beforeBooked: Float64Array
  private nowBooked: Float64Array
  private readonly outputS: ArrayLike<number>
  private readonly booksFlows: boolean
  private readonly air: AirAtOutputs | null

  constructor(
    private readonly compiled: Compiled,
    network: Network,
    { outputS, flows }: { readonly outputS: ArrayLike<Seconds>; readonly flows?: 'not booked' },
    scratch: Scratch,
  ) {
    this.outputS = outputS
    this.booksFlows = flows !== 'not booked'
    const outputs = outputS.length
    const { nodes } = compiled
    this.air = airAtOutputs(network.surroundings, outputS)
    const { booked } = compiled
    this.atS = new Float64Array(outputs)
    this.waterG = new Float64Array(outputs * nodes)
    this.flowG = new Float64Array(this.booksFlows ? outputs * network.links.length : 0)
    this.airRhPercent = new Float64Array(outputs)
    this.oldestWater = scratch.floats(nodes)
    this.beforeWater = scratch.floats(nodes)
    this.nowWater = scratch.floats(nodes)
    this.oldestBooked = scratch.floats(booked)
    this.beforeBooked = scratch.floats(booked)
    this.nowBooked = scratch.floats(booked)
  }

  /** The state has just jumped: nothing before this point tells anything about what follows. */
  restart(timeS: Seconds, waterG: Float64Array, bookedG: Float64Array): void {
    this.points = 0
    this.advance(timeS, waterG, bookedG)
  }

  advance(timeS: Seconds, waterG: Float64Array, bookedG: Float64Array): void {
    const { oldestWater, oldestBooked } = this
    this.oldestWater = this.beforeWater
    this.oldestBooked = this.beforeBooked
    this.beforeWater = this.nowWater
    this.beforeBooked = this.nowBooked
    this.nowWater = oldestWater
    this.nowBooked = oldestBooked
    copyInto(this.nowWater, waterG)
    copyInto(this.nowBooked, bookedG)
    this.oldestS = this.beforeS
    this.beforeS = this.nowS
    this.nowS = timeS
    this.points = Math.min(3, this.points + 1)
  }

  nextOutputS(): Seconds {
    return this.written < this.outputS.length ? this.outputS[this.written]! : Infinity
  }

  /** Outputs up to a time; with `before`, those of that very instant wait for the event that is due. */
  writeUpTo(timeS: Seconds, before = false): void {
    while (this.written < this.outputS.length) {
      const outputS = this.outputS[this.written]!
      if (before ? outputS >= timeS : outputS > timeS) return
      this.write(outputS)
    }
  }

  /** Outputs of the present instant, after its events. */
  writeNow(): void {
    while (this.written < this.outputS.length && this.outputS[this.written]! <= this.nowS)
      this.write(this.nowS)
  }

  rhAtPercent(timeS: Seconds): PercentRh {
    this.lookAt(timeS)
    return this.compiled.boxRhAtPercent(
      timeS,
      this.between(0, this.oldestWater, this.beforeWater, this.nowWater),
    )
  }

  /** When within the last step the air first stood above an RH; the step's end stands above it. */
  crossingS(fromS: Seconds, rhPercent: PercentRh): Seconds {
    let low = fromS
    let high = this.nowS
    if (this.points < 2 || this.rhAtPercent(low) > rhPercent) return low
    for (let i = 0; i < 40 && high - low > 1; i++) {
      const middle = (low + high) / 2
      if (this.rhAtPercent(middle) > rhPercent) high = middle
      else low = middle
    }
    return high
  }

  private write(timeS: Seconds): void {
    const row = this.written++
    this.atS[row] = this.outputS[row]!
    const { oldestWater, beforeWater, nowWater, oldestBooked, beforeBooked, nowBooked, compiled } = this
    const { bookedLink, nodes, links } = compiled
    const { waterG, flowG } = this
    this.lookAt(timeS)
    for (let i = 0; i < nodes; i++)
      waterG[row * nodes + i] = this.between(i, oldestWater, beforeWater, nowWater)
    for (let l = 0; this.booksFlows && l < nowBooked.length; l++)
      flowG[row * links + bookedLink[l]!] = this.between(l, oldestBooked, beforeBooked, nowBooked)
    // what is asked for from before the run is answered with its beginning
    const air = timeS === this.outputS[row] ? this.air : null
    this.airRhPercent[row] = compiled.boxRhAtPercent(timeS, waterG[row * nodes]!, air, row)
  }

  /** Sets where the line and the parabola (or the line alone) through the accepted points stand at a time. */
  private lookAt(timeS: Seconds): void {
    const { nowS, beforeS, oldestS, points } = this
    this.share = timeS >= nowS || points < 2 ? 1 : (timeS - beforeS) / (nowS - beforeS)
    const bend = points < 3 || this.share === 1 ? 0 : ((timeS - beforeS) * (timeS - nowS)) / (nowS - oldestS)
    this.bendNow = bend / (nowS - beforeS)
    this.bendBefore = bend === 0 ? 0 : bend / (beforeS - oldestS)
  }

  /** One value at the time looked at: by the parabola, unless it dips below nothing as one through a steep start may. */
  private between(i: number, oldest: Float64Array, before: Float64Array, now: Float64Array): number {
    const { share, bendNow, bendBefore } = this
    if (share === 1) return now[i]!
    const step = now[i]! - before[i]!
    const line = before[i]! + share * step
    const bent = line + bendNow * step - bendBefore * (before[i]! - oldest[i]!)
    return bent < 0 ? line : bent
  }
}
