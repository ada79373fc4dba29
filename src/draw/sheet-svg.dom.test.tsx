import { expect, test } from '@jest/globals'
import { act } from '@testing-library/react'
import { USUAL_SUPPORT } from '#core/build/arrangement.ts'
import { holesOf, usualOutlets } from '#core/build/holes.ts'
import { wallTemplate } from '#core/build/template.ts'
import { svgText } from '#ui/svg-text.ts'
import { SheetsSvg } from './sheet-svg.tsx'

const inside = {
  section: 'rectangular' as const,
  rimMm: [372, 284] as const,
  baseMm: [344, 258] as const,
  heightMm: 272,
  blocks: [],
}
const holes = holesOf({
  inside,
  wallThicknessMm: 1.8,
  arrangement: null,
  support: USUAL_SUPPORT,
  outlets: usualOutlets(inside, null, 4, 'tube'),
  ownFittings: [],
})

test('SVG read back by another parser: true size in mm, hole centres as planned, to 0.01 mm', () => {
  const sheet = wallTemplate(inside, 1.8, 'front', holes, hole => hole.id)!
  let text = ''
  act(() => void (text = svgText(<SheetsSvg sheets={[sheet]} />)))
  const document = new DOMParser().parseFromString(text, 'image/svg+xml')
  const svg = document.documentElement
  expect(svg.namespaceURI).toBe('http://www.w3.org/2000/svg')
  const [, , width, height] = svg.getAttribute('viewBox')!.split(' ').map(Number)
  expect(svg.getAttribute('width')).toBe(`${width}mm`)
  expect(svg.getAttribute('height')).toBe(`${height}mm`)
  const circles = [...document.querySelectorAll('circle')]
  expect(circles).toHaveLength(4)
  circles.forEach((circle, i) => {
    const hole = holes[i]!
    expect(Math.abs(Number(circle.getAttribute('cy')) - hole.place.downMm)).toBeLessThan(0.01)
    expect(Math.abs(Number(circle.getAttribute('cx')) - hole.at[0])).toBeLessThan(0.01)
    expect(Number(circle.getAttribute('r'))).toBeCloseTo(1.9, 9)
  })
})
