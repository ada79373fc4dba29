import { expect, test } from '@jest/globals'
import DxfReader from 'dxf-parser'
import { USUAL_SUPPORT } from '#core/build/arrangement.ts'
import { holesOf, usualOutlets } from '#core/build/holes.ts'
import { wallTemplate } from '#core/build/template.ts'
import { WALL_NAMES } from '#core/build/wall-place.ts'
import { writeDxf } from './write-dxf.ts'

const inside = {
  section: 'rectangular' as const,
  rimMm: [372, 284] as const,
  baseMm: [344, 258] as const,
  heightMm: 272,
  blocks: [],
}
const arrangement = {
  kind: 'axle' as const,
  axis: 0 as const,
  lines: [{ at: [0, 6, 150] as const, spools: [] }],
}
const holes = holesOf({
  inside,
  wallThicknessMm: 1.8,
  arrangement,
  support: USUAL_SUPPORT,
  outlets: usualOutlets(inside, null, 3, 'coupler-m5'),
  ownFittings: [],
})
const sheets = WALL_NAMES.flatMap(wall => wallTemplate(inside, 1.8, wall, holes, hole => hole.id) ?? [])

interface Circle {
  readonly type: string
  readonly layer: string
  readonly center: { readonly x: number; readonly y: number }
  readonly radius: number
}
interface Line {
  readonly type: string
  readonly layer: string
  readonly vertices: readonly { readonly x: number; readonly y: number }[]
}

test('DXF read back by dxf-parser: every hole of its drill, as far below the rim as in the table, to 0.01 mm', () => {
  const read = new DxfReader().parseSync(writeDxf(sheets))!
  expect(read.header['$INSUNITS']).toBe(4) // millimetres
  const circles = (read.entities as unknown as Circle[]).filter(one => one.type === 'CIRCLE')
  expect(circles).toHaveLength(holes.length)
  expect(new Set(circles.map(one => one.layer))).toEqual(new Set(['HOLES']))
  // rims lie level at the top of their wall's drawing
  const rims = (read.entities as unknown as Line[]).filter(
    one =>
      one.type === 'LINE' &&
      one.layer === 'EDGES' &&
      Math.abs(one.vertices[0]!.y - one.vertices[1]!.y) < 1e-6,
  )
  const byWall = sheets.map(sheet => holes.filter(hole => hole.place.wall === sheet.name))
  let at = 0
  byWall.forEach((own, wall) => {
    const rim = rims[wall]!
    const [left, right] = [
      Math.min(...rim.vertices.map(point => point.x)),
      Math.max(...rim.vertices.map(point => point.x)),
    ]
    for (const hole of own) {
      const circle = circles[at++]!
      expect(circle.radius * 2).toBeCloseTo(hole.drillMm, 4)
      expect(Math.abs(rim.vertices[0]!.y - circle.center.y - hole.place.downMm)).toBeLessThan(0.01)
      // holes in one wall stand as far apart along the rim as in the plan
      expect(circle.center.x).toBeGreaterThan(left)
      expect(circle.center.x).toBeLessThan(right)
    }
    own.slice(1).forEach((hole, i) => {
      const gap = circles[at - own.length + i + 1]!.center.x - circles[at - own.length + i]!.center.x
      const planned = hole.at[0] - own[i]!.at[0]
      if (hole.place.wall === 'front') expect(Math.abs(gap - planned)).toBeLessThan(0.01)
    })
  })
  expect(at).toBe(holes.length)
})
