import { greatest, least } from '#units/extremes.ts'
import type { ReactNode } from 'react'
import type { DrilledHole } from '#core/build/as-drilled.ts'
import type { DrillFacts, Hole } from '#core/build/holes.ts'
import { alongSeenMm, unrolled, type FlatWall } from '#core/build/unroll.ts'
import type { WallName } from '#core/build/wall-place.ts'
import pen from './pen.module.css'
import css from './unrolled-walls.module.css'

const PAD = { above: 34, beside: 12, below: 14 }

/** How wide the walls lie, mm: for the scale that fits a page. */
export function unrolledSpan(facts: DrillFacts, holes: readonly Hole[]) {
  const walls = unrolled(facts.inside, facts.wallThicknessMm, wallsShown(holes))
  const points = walls.flatMap(wall => wall.outline)
  const xs = points.map(([x]) => x)
  const ys = points.map(([, y]) => y)
  return {
    walls,
    from: [least(xs), least(ys)] as const,
    to: [greatest(xs), greatest(ys)] as const,
  }
}

const wallsShown = (holes: readonly Hole[]): ReadonlySet<WallName> =>
  new Set(holes.length > 0 ? holes.map(hole => hole.place.wall) : ['front'])

/**
 * The walls with holes in them, laid flat and seen from outside, in one piece: the rim is the heavy line. Planned holes
 * dashed, drilled ones ringed, the one to be drilled next with a cross; one that came out wrong in red with its plan
 * dashed inside.
 */
export function UnrolledWalls({
  facts,
  holes,
  drilled,
  next,
  scale,
  figures = true,
  mark,
  dimensioned,
}: {
  readonly facts: DrillFacts
  readonly holes: readonly Hole[]
  readonly drilled: readonly DrilledHole[]
  /** The hole that is next. */
  readonly next: string | null
  readonly scale: number
  /** With names of walls and letters of holes. */
  readonly figures?: boolean
  /** Writes a length into the drawing; left out: none is written. */
  readonly dimensioned?: (mm: number) => string
  /** Puts a hand on a hole. */
  readonly mark?: (hole: Hole, drawing: ReactNode) => ReactNode
}) {
  const { walls, from, to } = unrolledSpan(facts, holes)
  const pad = figures ? PAD : { above: 6, beside: 6, below: 6 }
  const width = (to[0] - from[0]) * scale + 2 * pad.beside
  const height = (to[1] - from[1]) * scale + pad.above + pad.below
  const at = ([x, y]: readonly [number, number]) =>
    [pad.beside + (x - from[0]) * scale, pad.above + (y - from[1]) * scale] as const
  const path = (points: readonly (readonly [number, number])[]) =>
    points.map((point, i) => `${i === 0 ? 'M' : 'L'}${at(point).join(' ')}`).join('')
  const wallOf = (hole: Hole): FlatWall | undefined => walls.find(one => one.wall === hole.place.wall)
  return (
    <svg
      className={`${pen.drawing} ${css.walls}`}
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="group"
      aria-label="Walls unrolled, seen from outside"
    >
      {walls.map(wall => (
        <g key={wall.wall}>
          <path d={`${path(wall.outline)}Z`} className={pen.boxBody} data-wall={wall.wall} />
          <path d={path(wall.rim)} className={css.rim} />
          {wall.wall === 'wall' && (
            <path
              d={path([wall.point(0, 0), wall.point(0, facts.inside.heightMm)])}
              className={css.frontMark}
            />
          )}
          {figures && (
            <text
              x={
                at(wall.rim[Math.floor(wall.rim.length / 2) - (wall.rim.length === 2 ? 1 : 0)]!)[0] +
                (wall.rim.length === 2 ? ((wall.rim[1]![0] - wall.rim[0]![0]) * scale) / 2 : 0)
              }
              y={
                least(wall.rim.map(point => at(point)[1])) -
                8 +
                (wall.rim.length === 2 ? (Math.abs(wall.rim[1]![1] - wall.rim[0]![1]) * scale) / 2 : 0)
              }
              textAnchor="middle"
              className={css.wallName}
            >
              {wall.wall === 'wall' ? 'front mark' : wall.wall}
            </text>
          )}
        </g>
      ))}
      {holes.map(hole => {
        const wall = wallOf(hole)
        if (!wall) return null
        const [x, y] = at(wall.point(alongSeenMm(hole), hole.place.downMm))
        const done = drilled.find(one => one.hole.id === hole.id)
        const radius = Math.max(3, (hole.drillMm / 2) * scale)
        const isOff = done?.verdict === 'off'
        const cameOut = done && isOff ? at(wall.point(alongOf(hole, done), done.drilled.downMm)) : [x, y]
        const up = at(wall.point(alongSeenMm(hole), hole.place.downMm - 10))
        const drawing = (
          <g data-hole={hole.id}>
            {/* a line to the rim it is measured from */}
            {figures && (
              <path
                d={`M${x} ${y}L${at(wall.point(alongSeenMm(hole), 0)).join(' ')}`}
                className={css.witness}
              />
            )}
            {dimensioned && hole.for.what === 'rod' && (
              <Dimensions hole={hole} wall={wall} at={at} figure={dimensioned} />
            )}
            {isOff && <circle cx={cameOut[0]} cy={cameOut[1]} r={radius} className={css.wrong} />}
            <circle
              cx={x}
              cy={y}
              r={radius}
              className={isOff ? css.planned : done ? css.drilled : hole.id === next ? css.next : css.planned}
            />
            {hole.id === next && !done && (
              <path
                d={`M${x - radius - 6} ${y}h${2 * radius + 12}M${x} ${y - radius - 6}v${2 * radius + 12}`}
                className={css.cross}
              />
            )}
            {figures && (
              <text
                x={x + radius + 5}
                y={y + (up[1] < y ? radius + 12 : 5)}
                className={isOff ? css.wrongWord : css.letter}
              >
                {hole.id}
              </text>
            )}
          </g>
        )
        return <g key={hole.id}>{mark ? mark(hole, drawing) : drawing}</g>
      })}
    </svg>
  )
}

/** How a rod's hole is marked, in the drawing: down from the rim, and from its edge. */
function Dimensions({
  hole: { place, at: point },
  wall,
  at,
  figure,
}: {
  readonly hole: Hole
  readonly wall: FlatWall
  readonly at: (point: readonly [number, number]) => readonly [number, number]
  readonly figure: (mm: number) => string
}) {
  const along = alongSeenMm({ at: point, place })
  const middle = at(wall.point(along, place.downMm / 2))
  // the edge it is measured from lies to the side it stands on; in the middle, to the side of its name
  const side =
    Math.sign(along) ||
    ((place.edge === 'front edge' && place.wall === 'left end') ||
    (place.edge === 'left-end edge' && place.wall === 'back')
      ? 1
      : -1)
  const hole = at(wall.point(along, place.downMm))
  // on a round wall it is measured from the front mark
  const edge = at(wall.point(place.wall === 'wall' ? 0 : along + side * place.edgeMm, place.downMm))
  const half = [(hole[0] + edge[0]) / 2, (hole[1] + edge[1]) / 2] as const
  return (
    <>
      <path d={`M${hole.join(' ')}L${edge.join(' ')}`} className={css.witness} />
      <text x={middle[0]} y={middle[1] + 5} textAnchor="middle" className={`${pen.halo} ${css.figure}`}>
        {figure(place.downMm)}
      </text>
      <text x={half[0]} y={half[1] + 5} textAnchor="middle" className={`${pen.halo} ${css.figure}`}>
        {figure(place.edgeMm)}
      </text>
    </>
  )
}

/** Where it came out, to the right from the middle of its wall. */
function alongOf(hole: Hole, done: DrilledHole): number {
  if (hole.place.wall !== 'wall') return alongSeenMm({ at: done.at, place: hole.place })
  const planned = alongSeenMm(hole)
  return planned + Math.sign(planned || 1) * done.awayMm
}
