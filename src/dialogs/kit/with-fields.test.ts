import { describe, expect, test } from '@jest/globals'
import type { WantedKind } from '#formats/quick/wanted.ts'
import { BLANK } from '#session/kit/blank-wanted.ts'
import { measures } from '#ui/measures.ts'
import { WANTED_FIELDS } from './wanted-fields.ts'
import { textOf, valueOf, withFields } from './with-fields.ts'

const metric = measures({ temperatureScale: 'C', lengthUnit: 'mm', weightUnit: 'g', volumeUnit: 'L' })
const TODAY = '2026-11-26'
const boxes = [{ id: 'b1', name: 'Launch' }]
const fields = (Object.keys(WANTED_FIELDS) as WantedKind[]).flatMap(kind =>
  WANTED_FIELDS[kind].map(field => [kind, field.key, field] as const),
)
const typed = (kind: WantedKind, key: string, text: string) =>
  withFields(BLANK[kind], { [key]: text }, metric, TODAY, boxes)

describe('every field of every form', () => {
  test.each(fields)('%s %s: what stands in it is what it means', (kind, key, field) => {
    const text = textOf(field, valueOf(BLANK[kind], key), metric)
    expect(typed(kind, key, text)).toMatchObject({ ok: true })
  })
  test.each(fields)('%s %s: bad input is refused by name, with the remedy', (kind, key, field) => {
    const bad =
      field.as === 'text' ? ' '.repeat(3) + 'x'.repeat(61) : field.as === 'day' ? '2027-01-01' : 'nowhere −'
    const read = typed(kind, key, bad)
    expect(read).toMatchObject({ ok: false })
    const message = read.ok ? '' : read.errors[key]!
    expect(message).toContain(field.label)
    expect(message).toContain(field.remedy)
  })
  test.each(fields)('%s %s: empty is taken only where nobody need know', (kind, key, field) => {
    const read = typed(kind, key, '')
    const isEmptyChoice = typeof field.as === 'object' && 'choices' in field.as
    if (field.optional) expect(read.ok && valueOf(read.wanted, key)).toBeNull()
    else if (!isEmptyChoice) expect(read.ok).toBe(false)
  })
})

test('a spool on the scale: the filament is gross less empty, and never less than nothing', () => {
  const read = withFields(BLANK.spool, { grossG: '1180', emptyG: '180' }, metric, TODAY, boxes)
  expect(read).toMatchObject({ ok: true, wanted: { filamentG: 1000 } })
  const light = withFields(BLANK.spool, { grossG: '180', emptyG: '215' }, metric, TODAY, boxes)
  expect(light.ok ? '' : light.errors['grossG']).toMatch(/more than the empty spool/)
})
test('ounces and inches are taken where they are preferred', () => {
  const other = measures({ temperatureScale: 'F', lengthUnit: 'in', weightUnit: 'oz', volumeUnit: 'qt' })
  const read = withFields(BLANK.spool, { filamentG: '35,27', rimDiameterMm: '8' }, other, TODAY, boxes)
  expect(read.ok && valueOf(read.wanted, 'rimDiameterMm')).toBeCloseTo(203.2, 6)
  expect(read.ok && valueOf(read.wanted, 'filamentG')).toBeCloseTo(999.9, 0)
})
test('a size by its name gives rim and width; what is measured beside it wins', () => {
  const half = withFields(BLANK.spool, { sizeClass: 'half' }, metric, TODAY, boxes)
  expect(half).toMatchObject({ ok: true, wanted: { rimDiameterMm: 160, widthMm: 57 } })
  expect(half.ok && valueOf(half.wanted, 'sizeClass')).toBe('half')
  const own = withFields(BLANK.spool, { sizeClass: 'half', widthMm: '55' }, metric, TODAY, boxes)
  expect(own).toMatchObject({ ok: true, wanted: { rimDiameterMm: 160, widthMm: 55 } })
  expect(own.ok && valueOf(own.wanted, 'sizeClass')).toBe('own')
})
