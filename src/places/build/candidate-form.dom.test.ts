import { describe, expect, test } from '@jest/globals'
import { SPOOL_CLASSES } from '#core/filament/spool-class.ts'
import { outlineCandidate } from '#journal/plan-candidate.ts'
import { measures } from '#ui/measures.ts'
import { checkAsked } from './asked-dialog.tsx'
import { candidateForm, checkCandidate, type CandidateForm } from './candidate-form.ts'

const metric = measures({ temperatureScale: 'C', lengthUnit: 'mm', weightUnit: 'g', volumeUnit: 'L' })
const tote = outlineCandidate('tote')
const check = (change: Partial<CandidateForm>, meant = false) =>
  checkCandidate({ ...candidateForm(tote, metric), ...change }, tote, metric, meant)

describe('a container as it is typed', () => {
  test('left as it is it stays what it was, to the millimetre', () =>
    expect(check({})).toEqual({ ok: true, kept: { kind: 'ready', candidate: tote } }))
  test('two lengths told make it measured; one does not', () => {
    expect(check({ rimLengthMm: '548' })).toMatchObject({ kept: { candidate: { sizeKnown: 'assumed' } } })
    expect(check({ rimLengthMm: '548', heightMm: '305' })).toMatchObject({
      kept: { candidate: { sizeKnown: 'measured', rimLengthMm: 548, heightMm: 305 } },
    })
  })
  test.each<[keyof CandidateForm, string, RegExp]>([
    ['rimDepthMm', '-4', /^Depth at the rim: type a number from .* to 2,000.mm\.$/],
    ['heightMm', 'tall', /^Height to the lid/],
    ['wallThickness', '0', /^Walls, mm thick: type a number from 0\.02 to 50\./],
    ['litres', 'many', /^What the label says/],
    ['price', '-1', /^What one costs: type a number from 0/],
    ['name', '  ', /^Name: type 1 to 60 letters/],
  ])('%s: %s is refused with the remedy', (field, typed, message) => {
    const checked = check({ [field]: typed })
    expect(checked.ok).toBe(false)
    expect(checked.ok ? '' : checked.errors[field]).toMatch(message)
  })
  test('inches typed as millimetres are asked about; meant, they are refused with what can be', () => {
    const inches = {
      rimLengthMm: '22',
      rimDepthMm: '11',
      heightMm: '12',
      baseLengthMm: '20',
      baseDepthMm: '10',
    }
    expect(check(inches)).toMatchObject({
      ok: true,
      kept: { kind: 'question', question: { kind: 'inches' } },
    })
    expect(check(inches, true).ok).toBe(false)
    const turned = Object.fromEntries(
      Object.entries(inches).map(([key, text]) => [key, String(25.4 * Number(text))]),
    )
    expect(check(turned, true)).toMatchObject({ kept: { candidate: { rimLengthMm: 558.8 } } })
  })
  test('litres that contradict the lengths are asked about, and either answer is kept', () => {
    const asked = check({ litres: '80' })
    expect(asked).toMatchObject({ kept: { kind: 'question', question: { kind: 'litres' } } })
    expect(check({ litres: '' }, true)).toMatchObject({ kept: { kind: 'ready' } })
    const heightMm =
      asked.ok && asked.kept.kind === 'question' && asked.kept.question.kind === 'litres'
        ? asked.kept.question.heightMm
        : 0
    expect(check({ litres: '80', heightMm: String(heightMm) })).toMatchObject({ kept: { kind: 'ready' } })
  })
  test('wheel wells and ledges are solid, inside, and come back into the form', () => {
    const wells = check({ solid: 'wells', solidIn: '40', solidFrom: '0', solidTo: '55' })
    if (!wells.ok) throw new Error(JSON.stringify(wells.errors))
    const { blocks } = wells.kept.candidate
    expect(blocks.map(({ from, to }) => [to[0] - from[0], from[2], to[2]])).toEqual([
      [40, 0, 55],
      [40, 0, 55],
    ])
    expect(blocks[0]!.from[0]).toBe(-tote.baseLengthMm / 2)
    expect(candidateForm(wells.kept.candidate, metric)).toMatchObject({
      solid: 'wells',
      solidIn: '40',
      solidTo: '55',
    })
    const ledges = check({ solid: 'ledges', solidIn: '12', solidFrom: '220', solidTo: '230' })
    if (!ledges.ok) throw new Error('refused')
    expect(candidateForm(ledges.kept.candidate, metric)).toMatchObject({
      solid: 'ledges',
      solidIn: '12',
      solidFrom: '220',
    })
    const upside = check({ solid: 'ledges', solidIn: '12', solidFrom: '230', solidTo: '220' })
    expect(upside.ok ? '' : upside.errors.solidTo).toMatch(/ends above where it begins/)
  })
})

describe('what is asked', () => {
  const typed = {
    name: 'Coxless',
    ways: ['axle'] as const,
    lidMm: '10',
    floorMm: '5',
    betweenMm: '6',
    endsMm: '8',
    sidesMm: '5',
    rod: '12',
    outlets: '2',
    openings: '4',
  }
  const spool = {
    id: 'a',
    name: 'PLA chalk',
    material: 'PLA' as const,
    colour: 'chalk',
    filamentG: 1000,
    weightG: 1215,
    cardboardG: 0,
    size: SPOOL_CLASSES.kilogram.size,
    rimDiameterMm: 200,
    widthMm: 66,
    boreMm: 20,
    sizeKnown: 'told' as const,
    solidsL: 1,
  }
  const errorsOf = (change: object) => {
    const checked = checkAsked({ ...typed, ...change }, [spool], metric)
    return checked.ok ? {} : checked.errors
  }
  test('as it stands it is kept', () =>
    expect(checkAsked(typed, [spool], metric)).toMatchObject({
      ok: true,
      kept: { rodDiameterMm: 12, clearances: { lidMm: 10 }, outlets: 2 },
    }))
  test.each([
    [{ lidMm: '-1' }, 'lidMm', /^Under the lid: no room is less than none/],
    [{ rod: '25' }, 'rod', /does not go through PLA chalk, whose bore is 20.mm; take a thinner one/],
    [{ rod: '1' }, 'rod', /^Rod: type 2.mm to 60.mm/],
    [{ outlets: '1.5' }, 'outlets', /whole number/],
    [{ openings: 'often' }, 'openings', /times a month/],
    [{ ways: [] }, 'ways', /pick one way at least/],
  ] as const)('%j is refused by name, with the remedy', (change, field, message) =>
    expect((errorsOf(change) as Record<string, string>)[field]).toMatch(message),
  )
  test('a thick rod is no matter where nothing hangs', () =>
    expect(errorsOf({ rod: '25', ways: ['rim', 'lying'] })).toEqual({}))
})
