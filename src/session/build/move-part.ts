import { hangs, type Arrangement } from '#core/build/arrangement.ts'
import type { OutletWish } from '#core/build/holes.ts'
import type { Vector } from '#core/build/inside.ts'
import type { Plan, PlanStanding } from '#records/kinds/plan.ts'

/** A plan as it stands while a hand moves things in it. */
export interface Moving {
  readonly arrangement: Arrangement
  readonly charge: PlanStanding | null
  readonly display: PlanStanding | null
  /** Null: where Veld places them. */
  readonly outletsAt: readonly OutletWish[] | null
}

/** What may be moved: a spool of a line, the rod of a line, or a thing on the floor. */
export type MovedPart =
  | { readonly what: 'spool'; readonly id: string; readonly line: number }
  | { readonly what: 'rod'; readonly line: number }
  | { readonly what: 'block'; readonly name: string }
  | { readonly what: 'outlet'; readonly index: number }

/** To half a millimetre: nobody measures finer. */
const settle = (mm: number): number => Math.round(2 * mm) / 2

/**
 * The same with one part moved: a spool along its line, and its whole line where it stands on the floor; a rod across
 * its length; a thing on the floor over the floor; an outlet along and down its wall.
 * @param outlets where they stand while Veld places them
 */
export function movePart(
  moving: Moving,
  part: MovedPart,
  by: Vector,
  outlets: readonly OutletWish[] = moving.outletsAt ?? [],
): Moving {
  const { arrangement } = moving
  const shifted = (at: Vector, along: boolean, across: boolean): Vector =>
    at.map((mm, i) =>
      (i === arrangement.axis ? along : across) && (i !== 2 || hangs(arrangement.kind))
        ? settle(mm + by[i]!)
        : mm,
    ) as unknown as Vector
  switch (part.what) {
    case 'spool': {
      const isHung = hangs(arrangement.kind)
      return {
        ...moving,
        arrangement: {
          ...arrangement,
          lines: arrangement.lines.map((line, i) =>
            i === part.line
              ? {
                  // what hangs keeps to its rod; what stands takes its row along
                  at: isHung ? line.at : shifted(line.at, false, true),
                  spools: line.spools.map(spool =>
                    spool.id === part.id && arrangement.axis !== 2
                      ? { ...spool, alongMm: settle(spool.alongMm + by[arrangement.axis]) }
                      : spool,
                  ),
                }
              : line,
          ),
        },
      }
    }
    case 'rod':
      return {
        ...moving,
        arrangement: {
          ...arrangement,
          lines: arrangement.lines.map((line, i) =>
            i === part.line ? { ...line, at: shifted(line.at, false, true) } : line,
          ),
        },
      }
    case 'outlet':
      return {
        ...moving,
        outletsAt: outlets.map((outlet, i) => {
          if (i !== part.index) return { ...outlet }
          const along = outlet.wall === 'left end' || outlet.wall === 'right end' ? by[1] : by[0]
          return {
            ...outlet,
            belowRimMm: Math.max(0, settle(outlet.belowRimMm - by[2])),
            alongMm: settle(outlet.alongMm + along),
          }
        }),
      }
    case 'block': {
      const key = part.name === 'beads' ? 'charge' : part.name === 'display' ? 'display' : null
      const thing = key && moving[key]
      if (!key || !thing) return moving
      const next = {
        ...thing,
        alongMm: settle(thing.alongMm + by[0]),
        acrossMm: settle(thing.acrossMm + by[1]),
      }
      return { ...moving, [key]: next }
    }
  }
}

/** An arrangement as it is kept. */
export const keptArrangement = ({ kind, axis, lines }: Arrangement): Plan['arrangement'] => ({
  kind,
  axis,
  lines: lines.map(({ at, spools }) => ({
    at: [at[0], at[1], at[2]],
    spools: spools.map(({ id, alongMm }) => ({ id, alongMm })),
  })),
})

/** As it is kept. */
export const keptOf = ({
  arrangement,
  charge,
  display,
  outletsAt,
}: Moving): Pick<Plan, 'arrangement' | 'charge' | 'display' | 'outletsAt'> => ({
  outletsAt: outletsAt === null ? null : outletsAt.map(outlet => ({ ...outlet })),
  arrangement: keptArrangement(arrangement),
  charge,
  display,
})
