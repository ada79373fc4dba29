import type { Millimetres } from '#units/quantity.ts'
import type { Hole } from './holes.ts'
import type { Inside } from './inside.ts'
import { alongSeenMm, flatWall } from './unroll.ts'
import type { WallName } from './wall-place.ts'

type Flat = readonly [number, number]
/** What is drawn on a template, in mm: to the right, and down from the rim. */
export type Mark =
  | { readonly kind: 'line'; readonly from: Flat; readonly to: Flat; readonly as: 'edge' | 'cut' | 'cross' }
  | { readonly kind: 'circle'; readonly at: Flat; readonly diameterMm: Millimetres; readonly hole: string }
  | {
      readonly kind: 'text'
      readonly at: Flat
      readonly text: string
      readonly sizeMm: Millimetres
      readonly anchor: 'start' | 'middle'
    }
/** A drawing at its true size. */
export interface Sheet {
  readonly name: string
  readonly from: Flat
  readonly to: Flat
  readonly marks: readonly Mark[]
}

/** Paper is kept this far below the lowest hole. */
const BELOW_MM = 25
const CROSS_MM = 10
const MARGIN_MM = 6
/** Of a bank card, ISO/IEC 7810 ID-1. */
export const CARD_MM = { width: 85.6, height: 54, radius: 3.18 } as const
export const BAR_MM = 100

/** One wall's holes at true size, from its rim down to a little below the lowest; null where it has none. */
export function wallTemplate(
  inside: Inside,
  wallMm: Millimetres,
  wall: WallName,
  holes: readonly Hole[],
  words: (hole: Hole) => string,
): Sheet | null {
  const own = holes.filter(hole => hole.place.wall === wall)
  if (own.length === 0) return null
  const flat = flatWall(inside, wallMm, wall)
  const deepest = Math.max(...own.map(hole => hole.place.downMm + hole.drillMm / 2)) + BELOW_MM
  const marks: Mark[] = []
  const line = (from: Flat, to: Flat, as: 'edge' | 'cut' | 'cross') =>
    marks.push({ kind: 'line', from, to, as })
  if (wall === 'wall') {
    // round: the rim, and the front mark the arcs are measured from
    flat.rim.forEach((point, i) => i > 0 && line(flat.rim[i - 1]!, point, 'edge'))
    line(flat.point(0, 0), flat.point(0, deepest), 'cut')
  } else {
    const [rimLeft, rimRight, baseRight, baseLeft] = flat.outline as readonly [Flat, Flat, Flat, Flat]
    const depth = Math.min(deepest, baseLeft[1])
    const down = ([x0, y0]: Flat, [x1, y1]: Flat): Flat => [x0 + ((x1 - x0) * depth) / (y1 - y0), depth]
    const across = own.map(hole => alongSeenMm(hole))
    // paper goes to the edges that are measured from, and a little past the last hole
    const upright = (x: number): readonly [Flat, Flat] => [
      [x, 0],
      [x, depth],
    ]
    const toLeft = across.some(x => x < 0) || across.every(x => x === 0)
    const toRight = across.some(x => x > 0)
    const reach = Math.max(...own.map(hole => hole.drillMm / 2)) + BELOW_MM
    const [leftTop, left] = toLeft ? [rimLeft, down(rimLeft, baseLeft)] : upright(Math.min(...across) - reach)
    const [rightTop, right] = toRight
      ? [rimRight, down(rimRight, baseRight)]
      : upright(Math.max(...across) + reach)
    line(leftTop, rightTop, 'edge')
    line(leftTop, left, toLeft ? 'edge' : 'cut')
    line(rightTop, right, toRight ? 'edge' : 'cut')
    line(left, right, 'cut')
  }
  for (const hole of own) {
    const at = flat.point(alongSeenMm(hole), hole.place.downMm)
    const reach = Math.max(CROSS_MM, hole.drillMm / 2 + 5)
    line([at[0] - reach, at[1]], [at[0] + reach, at[1]], 'cross')
    line([at[0], at[1] - reach], [at[0], at[1] + reach], 'cross')
    marks.push(
      { kind: 'circle', at, diameterMm: hole.drillMm, hole: hole.id },
      {
        kind: 'text',
        at: [at[0] + hole.drillMm / 2 + 2, at[1] + hole.drillMm / 2 + 5],
        text: words(hole),
        sizeMm: 4,
        anchor: 'start',
      },
    )
  }
  const xs = marks.flatMap(mark => (mark.kind === 'line' ? [mark.from[0], mark.to[0]] : [mark.at[0]]))
  const ys = marks.flatMap(mark => (mark.kind === 'line' ? [mark.from[1], mark.to[1]] : [mark.at[1]]))
  marks.push({
    kind: 'text',
    at: [wall === 'wall' ? 0 : (Math.min(...xs) + Math.max(...xs)) / 2, flat.point(0, 0)[1] + 8],
    text: `${wall === 'wall' ? 'wall, front mark here' : wall}: this edge on the rim`,
    sizeMm: 4.5,
    anchor: 'middle',
  })
  return {
    name: wall,
    from: [Math.min(...xs) - MARGIN_MM, Math.min(...ys) - MARGIN_MM],
    to: [Math.max(...xs) + MARGIN_MM, Math.max(...ys) + MARGIN_MM],
    marks,
  }
}

export const PAPERS = {
  A4: { widthMm: 210, heightMm: 297 },
  Letter: { widthMm: 215.9, heightMm: 279.4 },
} as const
export type Paper = keyof typeof PAPERS
/** Most printers leave so much white. */
export const PAPER_EDGE_MM = 10
/** Sheets lie over each other by so much; the join is marked in its middle on both. */
export const OVERLAP_MM = 10
/** A line of words above the drawing. */
export const TITLE_MM = 8

/** One sheet of paper: the part of a drawing it shows, and where its neighbours join. */
export interface Tile {
  readonly sheet: Sheet
  readonly from: Flat
  readonly widthMm: Millimetres
  readonly heightMm: Millimetres
  readonly column: number
  readonly row: number
  readonly columns: number
  readonly rows: number
  /** The drawing lies on its side on the paper. */
  readonly turned: boolean
  /** In the drawing's own millimetres. */
  readonly joins: readonly { readonly way: 'across' | 'down'; readonly atMm: Millimetres }[]
}

/** A drawing over as few sheets of paper as it takes, upright or on its side. */
export function tilesOf(sheet: Sheet, paper: Paper): Tile[] {
  const { widthMm, heightMm } = PAPERS[paper]
  const usable = [widthMm - 2 * PAPER_EDGE_MM, heightMm - 2 * PAPER_EDGE_MM - TITLE_MM] as const
  const upright = laidOut(sheet, usable, false)
  const onItsSide = laidOut(sheet, [usable[1], usable[0]], true)
  return onItsSide.length < upright.length ? onItsSide : upright
}

function laidOut(sheet: Sheet, usable: readonly [Millimetres, Millimetres], isTurned: boolean): Tile[] {
  const count = (i: 0 | 1): number => {
    const whole = sheet.to[i] - sheet.from[i]
    return whole <= usable[i] ? 1 : Math.ceil((whole - OVERLAP_MM) / (usable[i] - OVERLAP_MM))
  }
  const [columns, rows] = [count(0), count(1)]
  const start = (i: 0 | 1, n: number) => sheet.from[i] + n * (usable[i] - OVERLAP_MM)
  const joinsAlong = (way: 'across' | 'down', i: 0 | 1, at: number, of: number): Tile['joins'] => [
    ...(at > 0 ? [{ way, atMm: start(i, at) + OVERLAP_MM / 2 }] : []),
    ...(at < of - 1 ? [{ way, atMm: start(i, at + 1) + OVERLAP_MM / 2 }] : []),
  ]
  return Array.from({ length: rows * columns }, (_, n) => {
    const [column, row] = [n % columns, Math.floor(n / columns)]
    return {
      sheet,
      from: [start(0, column), start(1, row)],
      widthMm: usable[0],
      heightMm: usable[1],
      column,
      row,
      columns,
      rows,
      turned: isTurned,
      joins: [...joinsAlong('across', 0, column, columns), ...joinsAlong('down', 1, row, rows)],
    }
  })
}
