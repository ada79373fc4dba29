import { greatest, least } from '#units/extremes.ts'
import type { ReactNode } from 'react'
import { hangs, type Arrangement, type Asked } from '#core/build/arrangement.ts'
import { standingSpools } from '#core/build/clearances.ts'
import type { Axis, Vector } from '#core/build/inside.ts'
import type { WallName } from '#core/build/wall-place.ts'
import type { PlanSpool } from '#journal/plan-wish.ts'
import { SpoolEdge, SpoolFace, SpoolFlat } from './spool-drawing.tsx'
import pen from './pen.module.css'

/** Which way one looks at it: what runs to the right, what runs up, what comes towards one. */
export const VIEWS = {
  front: { right: 0, up: 2, away: 1 },
  side: { right: 1, up: 2, away: 0 },
  top: { right: 0, up: 1, away: 2 },
} as const satisfies Readonly<Record<string, { right: Axis; up: Axis; away: Axis }>>
export type ViewName = keyof typeof VIEWS

/** Something in the drawing a hand can take hold of. */
export type Part =
  | { readonly what: 'spool'; readonly id: string; readonly line: number }
  | { readonly what: 'rod'; readonly line: number }
  | { readonly what: 'block'; readonly name: string }
  | { readonly what: 'outlet'; readonly index: number }
type HoldPart = (part: Part, drawing: ReactNode) => ReactNode
const asDrawn: HoldPart = (_, drawing) => drawing

/** Where a tube leaves: a point of the inner surface, and whether it is capped. */
export interface DrawnOutlet {
  readonly wall: WallName
  readonly at: Vector
  readonly drillMm: number
  readonly capped: boolean
}

const SPINDLE_END_MM = 12
const LID_MM = 16
export const RIM_OVER_MM = 8

/** A planned box from its own millimetres, seen from the front, the right or above: what stands where, and on what. */
export function PlanView({
  asked,
  arrangement,
  spools,
  scale,
  x,
  y,
  pencil,
  view = 'front',
  outlets = [],
  hold = asDrawn,
}: {
  readonly asked: Asked
  readonly arrangement: Arrangement | null
  readonly spools: readonly PlanSpool[]
  readonly scale: number
  /** Its middle, and the line it stands on; from above: its middle. */
  readonly x: number
  readonly y: number
  readonly pencil: boolean
  readonly view?: ViewName
  /** Holes for tubes, each on its wall. */
  readonly outlets?: readonly DrawnOutlet[]
  readonly hold?: HoldPart
}) {
  const { inside, support } = asked
  const { right, up, away } = VIEWS[view]
  const at = (point: Vector) => ({ x: x + point[right] * scale, y: y - point[up] * scale })
  const standing = arrangement ? standingSpools(arrangement, spools, asked) : []
  return (
    <g className={pencil ? pen.pencilLines : undefined} data-view={view}>
      <Outline asked={asked} view={view} scale={scale} x={x} y={y} />
      {inside.blocks.map((block, i) => {
        const corner = at(block.from)
        const far = at(block.to)
        return (
          <g key={`${block.name} ${i}`}>
            {hold(
              { what: 'block', name: block.name },
              <>
                <rect
                  data-part="block"
                  x={corner.x}
                  y={far.y}
                  width={far.x - corner.x}
                  height={corner.y - far.y}
                  className={block.name === 'beads' ? `${pen.flange} ${pen.beadsTray}` : pen.flange}
                />
                {view === 'front' && far.x - corner.x > 44 && (
                  <text
                    x={(corner.x + far.x) / 2}
                    y={(corner.y + far.y) / 2 + 5}
                    textAnchor="middle"
                    className={pen.inkSmall}
                  >
                    {block.name}
                  </text>
                )}
              </>,
            )}
          </g>
        )
      })}
      {standing
        .toSorted((a, b) => (away === 2 ? 1 : -1) * (a.disc.centre[away] - b.disc.centre[away]))
        .map(({ spool, disc, line }) => {
          const middle = at(disc.centre)
          const rimPx = disc.radiusMm * scale
          const widthPx = (disc.widthMm * scale) / 2
          const drawn = { spool: spools.find(one => one.id === spool.id)!, scale }
          return (
            <g key={spool.id}>
              {hold(
                { what: 'spool', id: spool.id, line },
                disc.axis === right ? (
                  <SpoolEdge {...drawn} x={middle.x - widthPx} y={middle.y + rimPx} />
                ) : disc.axis === up ? (
                  <SpoolFlat {...drawn} x={middle.x - rimPx} y={middle.y + widthPx} />
                ) : (
                  <SpoolFace {...drawn} x={middle.x - rimPx} y={middle.y + rimPx} />
                ),
              )}
            </g>
          )
        })}
      {arrangement?.kind === 'rollers' && (
        <Rollers arrangement={arrangement} asked={asked} view={view} at={at} scale={scale} />
      )}
      {outlets.map((outlet, i) => (
        <g key={i}>
          {hold({ what: 'outlet', index: i }, <Outlet outlet={outlet} view={view} at={at} scale={scale} />)}
        </g>
      ))}
      {arrangement &&
        hangs(arrangement.kind) &&
        arrangement.lines.map((line, i) => {
          const rod = at(line.at)
          const thick = support.rodDiameterMm * scale
          const reach = (inside.rimMm[right] / 2) * scale + 6
          // a spindle ends past its last spool
          const end =
            arrangement.kind === 'spindle'
              ? greatest(standing.map(one => one.disc.centre[arrangement.axis] + one.disc.widthMm / 2)) +
                SPINDLE_END_MM
              : null
          return (
            <g key={i}>
              {hold(
                { what: 'rod', line: i },
                arrangement.axis === right ? (
                  <rect
                    x={x - reach}
                    y={rod.y - thick / 2}
                    width={end === null ? 2 * reach : reach + end * scale}
                    height={thick}
                    className={pen.flange}
                  />
                ) : arrangement.axis === up ? (
                  <rect
                    x={rod.x - thick / 2}
                    y={end === null ? y - (inside.rimMm[1] / 2) * scale - 6 : y - end * scale}
                    width={thick}
                    height={
                      (end === null ? inside.rimMm[1] : inside.rimMm[1] / 2 + end) * scale +
                      (end === null ? 12 : 6)
                    }
                    className={pen.flange}
                  />
                ) : (
                  <circle cx={rod.x} cy={rod.y} r={Math.max(thick / 2, 2.5)} className={pen.rodEnd} />
                ),
              )}
            </g>
          )
        })}
    </g>
  )
}

type Place = (point: Vector) => { readonly x: number; readonly y: number }
/** Out of a wall, as a direction. */
function outOf({ wall, at }: DrawnOutlet): Vector {
  switch (wall) {
    case 'front':
      return [0, -1, 0]
    case 'back':
      return [0, 1, 0]
    case 'left end':
      return [-1, 0, 0]
    case 'right end':
      return [1, 0, 0]
    case 'wall': {
      const reach = Math.hypot(at[0], at[1]) || 1
      return [at[0] / reach, at[1] / reach, 0]
    }
  }
}
/** Which side of what is seen is the near one: the front, the right, the top. */
const NEAR = { front: -1, side: 1, top: 1 } as const
const COUPLER_MM = 16

/** A coupler: a ring where one looks at its wall, dashed behind; a short stub where one looks along it. */
function Outlet({
  outlet,
  view,
  at,
  scale,
}: {
  readonly outlet: DrawnOutlet
  readonly view: ViewName
  readonly at: Place
  readonly scale: number
}) {
  const { right, up, away } = VIEWS[view]
  const out = outOf(outlet)
  const { x, y } = at(outlet.at)
  const radius = Math.max(3, (outlet.drillMm / 2) * scale)
  if (Math.abs(out[away]) > 0.7)
    return (
      <circle
        cx={x}
        cy={y}
        r={radius}
        className={outlet.capped ? pen.rodEnd : out[away] * NEAR[view] > 0 ? pen.flange : pen.hidden}
      />
    )
  const [dx, dy] = [out[right] * COUPLER_MM * scale, -out[up] * COUPLER_MM * scale]
  const length = Math.max(7, Math.hypot(dx, dy))
  return (
    <rect
      x={-3}
      y={-4}
      width={length + 3}
      height="8"
      transform={`translate(${x} ${y}) rotate(${(Math.atan2(dy, dx) * 180) / Math.PI})`}
      className={outlet.capped ? pen.rodEnd : pen.flange}
    />
  )
}

/** Two rollers under each line. */
function Rollers({
  arrangement,
  asked: { support, inside },
  view,
  at,
  scale,
}: {
  readonly arrangement: Arrangement
  readonly asked: Asked
  readonly view: ViewName
  readonly at: Place
  readonly scale: number
}) {
  const { right, up } = VIEWS[view]
  const { axis, lines } = arrangement
  const radius = (support.rollerDiameterMm / 2) * scale
  const half = least([inside.baseMm[axis === 1 ? 1 : 0], inside.rimMm[axis === 1 ? 1 : 0]]) / 2
  return lines.flatMap((line, i) =>
    [-1, 1].map(side => {
      const middle: [number, number, number] = [line.at[0], line.at[1], line.at[2]]
      middle[axis === 0 ? 1 : 0] += (side * support.rollersApartMm) / 2
      middle[2] += support.rollerDiameterMm / 2
      middle[axis] = 0
      const { x, y } = at(middle)
      const key = `${i} ${side}`
      if (axis === right)
        return (
          <rect
            key={key}
            x={x - half * scale}
            y={y - radius}
            width={2 * half * scale}
            height={2 * radius}
            className={pen.flange}
          />
        )
      if (axis === up)
        return (
          <rect
            key={key}
            x={x - radius}
            y={y - half * scale}
            width={2 * radius}
            height={2 * half * scale}
            className={pen.flange}
          />
        )
      return <circle key={key} cx={x} cy={y} r={radius} className={pen.flange} />
    }),
  )
}

/** Walls and lid; from above the rim, and the base as it lies under it. */
function Outline({
  asked: { inside },
  view,
  scale,
  x,
  y,
}: {
  readonly asked: Asked
  readonly view: ViewName
  readonly scale: number
  readonly x: number
  readonly y: number
}) {
  const half = (mm: number) => (mm / 2) * scale
  if (view === 'top') {
    const [length, depth] = [half(inside.rimMm[0]), half(inside.rimMm[1])]
    const [baseLength, baseDepth] = [half(inside.baseMm[0]), half(inside.baseMm[1])]
    return inside.section === 'round' ? (
      <>
        <circle cx={x} cy={y} r={length} className={pen.boxBody} />
        <circle cx={x} cy={y} r={baseLength} className={pen.hidden} />
      </>
    ) : (
      <>
        <rect
          x={x - length}
          y={y - depth}
          width={2 * length}
          height={2 * depth}
          className={pen.boxBody}
          data-part="body"
        />
        <rect
          x={x - baseLength}
          y={y - baseDepth}
          width={2 * baseLength}
          height={2 * baseDepth}
          className={pen.hidden}
        />
      </>
    )
  }
  const i = view === 'front' ? 0 : 1
  const [rim, base] = [half(inside.rimMm[i]), half(inside.baseMm[i])]
  const top = y - inside.heightMm * scale
  return (
    <>
      <path
        data-part="body"
        className={pen.boxBody}
        d={`M${x - rim} ${top}H${x + rim}L${x + base} ${y}H${x - base}Z`}
      />
      <rect
        x={x - rim - RIM_OVER_MM * scale}
        y={top - LID_MM * scale}
        width={2 * (rim + RIM_OVER_MM * scale)}
        height={LID_MM * scale}
        rx="2"
        className={pen.lid}
      />
    </>
  )
}
