import type { Millimetres } from '#units/quantity.ts'
import { discOf, type Arrangement, type Asked, type Clearances, type PlannedSpool } from './arrangement.ts'
import { gapBetweenMm, gapToBlockMm, gapToFaceMm, type Disc } from './disc.ts'
import { facesOf, type FaceName } from './inside.ts'
import { askedMmOf, clearanceOfBlock, clearanceOfFace, standsOnFloor } from './room-on-line.ts'

/** Room between one spool and what is nearest to it there, against what was asked. */
export interface Clearance {
  readonly spoolId: string
  /** A face, another spool, or a block by its name. */
  readonly to:
    | { readonly what: 'face'; readonly face: FaceName }
    | { readonly what: 'spool'; readonly id: string }
    | { readonly what: 'block'; readonly name: string }
  /** Which of the clearances asked is about it; null: none is. */
  readonly asks: keyof Clearances | null
  readonly isMm: Millimetres
  readonly askedMm: Millimetres
}
export const missingMm = ({ isMm, askedMm }: Clearance): Millimetres => Math.max(0, askedMm - isMm)

/** A spool of an arrangement as a body. */
export interface StandingSpool {
  readonly spool: PlannedSpool
  readonly disc: Disc
  readonly line: number
}

/** Every spool where the arrangement puts it; what names no spool is left out. */
export function standingSpools(
  arrangement: Arrangement,
  spools: readonly PlannedSpool[],
  asked: Asked,
): StandingSpool[] {
  const byId = new Map(spools.map(spool => [spool.id, spool]))
  return arrangement.lines.flatMap((line, i) =>
    line.spools.flatMap(({ id, alongMm }) => {
      const spool = byId.get(id)
      return spool
        ? [{ spool, line: i, disc: discOf(arrangement, line.at, alongMm, spool, asked.support) }]
        : []
    }),
  )
}

/** Every room there is, spool by spool, the least first: to each face (a round wall where it is nearest), spool and block. */
export function clearancesOf(
  arrangement: Arrangement,
  spools: readonly PlannedSpool[],
  asked: Asked,
): Clearance[] {
  const faces = facesOf(asked.inside)
  const standing = standingSpools(arrangement, spools, asked)
  const stands = standsOnFloor(arrangement)
  const found: Clearance[] = []
  standing.forEach(({ spool, disc }, i) => {
    const nearest = new Map<FaceName, Clearance>()
    for (const face of faces) {
      const isMm = gapToFaceMm(disc, face)
      const asks = clearanceOfFace(face, disc.axis, stands)
      const askedMm = askedMmOf(asks, asked)
      const before = nearest.get(face.name)
      if (!before || isMm - askedMm < before.isMm - before.askedMm)
        nearest.set(face.name, {
          spoolId: spool.id,
          to: { what: 'face', face: face.name },
          asks,
          isMm,
          askedMm,
        })
    }
    found.push(...nearest.values())
    for (const other of standing.slice(i + 1)) {
      // lying spools lie on each other
      const asks = disc.axis === 2 && other.line === standing[i]!.line ? null : 'betweenMm'
      found.push({
        spoolId: spool.id,
        to: { what: 'spool', id: other.spool.id },
        asks,
        isMm: gapBetweenMm(disc, other.disc),
        askedMm: askedMmOf(asks, asked),
      })
    }
    for (const block of asked.inside.blocks) {
      const asks = clearanceOfBlock(disc.centre, block)
      found.push({
        spoolId: spool.id,
        to: { what: 'block', name: block.name },
        asks,
        isMm: gapToBlockMm(disc, block),
        askedMm: askedMmOf(asks, asked),
      })
    }
  })
  return found.sort((a, b) => a.isMm - a.askedMm - (b.isMm - b.askedMm))
}

/** What is short, the most first. */
export const shortagesOf = (clearances: readonly Clearance[]): Clearance[] =>
  clearances.filter(one => one.isMm < one.askedMm - SHORT_BY_MM)
/** Less than this is no shortage anyone could measure. */
const SHORT_BY_MM = 0.05

/** Where a spool is lifted out it passes what stands over it; the room it has on the way up, at its tightest. */
export function liftRoomMm(
  standing: StandingSpool,
  asked: Asked,
): { readonly over: string | null; readonly roomMm: number } {
  const { disc } = standing
  const faces = facesOf(asked.inside).filter(face => face.name !== 'lid' && face.name !== 'floor')
  const top = { ...disc, centre: [disc.centre[0], disc.centre[1], asked.inside.heightMm] as const }
  const walls = Math.min(...faces.flatMap(face => [gapToFaceMm(disc, face), gapToFaceMm(top, face)]))
  let found: { over: string | null; roomMm: number } = { over: null, roomMm: walls }
  for (const block of asked.inside.blocks) {
    if (block.to[2] <= disc.centre[2]) continue
    // the way up as one tall block: what the spool sweeps against it
    const raised = Math.min(Math.max(block.from[2], disc.centre[2]), block.to[2])
    const at = { ...disc, centre: [disc.centre[0], disc.centre[1], raised] as const }
    const roomMm = gapToBlockMm(at, block)
    if (roomMm < found.roomMm) found = { over: block.name, roomMm }
  }
  return found
}
