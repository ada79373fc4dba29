import { sizeQuestion, type SizeQuestion } from '#core/build/size-questions.ts'
import type { ContainerKind } from '#core/container/container.ts'
import type { LidKind } from '#core/container/lid.ts'
import type { WallMaterial } from '#core/container/wall.ts'
import { insideOfCandidate } from '#journal/plan-wish.ts'
import type { PlanCandidate } from '#records/kinds/plan.ts'
import { bounds } from '#records/fields.ts'
import type { Checked } from '#ui/checked-form.ts'
import { parseDecimal } from '#ui/decimal.ts'
import type { Measures } from '#ui/measures.ts'

export const LENGTHS = ['rimLengthMm', 'rimDepthMm', 'heightMm', 'baseLengthMm', 'baseDepthMm'] as const
type LengthKey = (typeof LENGTHS)[number]
export const LENGTH_WORDS: Readonly<Record<LengthKey, string>> = {
  rimLengthMm: 'Length at the rim',
  rimDepthMm: 'Depth at the rim',
  heightMm: 'Height to the lid',
  baseLengthMm: 'Length at the base',
  baseDepthMm: 'Depth at the base',
}
/** Solid things inside, as a person says them: at both ends, or along front and back. */
export const SOLIDS = {
  none: 'nothing solid inside',
  wells: 'wheel wells at both ends',
  ledges: 'a ledge along front and back',
} as const
export type SolidKind = keyof typeof SOLIDS

export interface CandidateForm extends Readonly<Record<LengthKey, string>> {
  readonly name: string
  readonly container: ContainerKind
  readonly litres: string
  readonly wall: WallMaterial
  readonly wallThickness: string
  readonly lid: LidKind
  readonly price: string
  readonly solid: SolidKind
  /** How far it stands in, and how high: from its lower to its upper edge. */
  readonly solidIn: string
  readonly solidFrom: string
  readonly solidTo: string
}

export function candidateForm(candidate: PlanCandidate, { length, volume }: Measures): CandidateForm {
  const lengths = Object.fromEntries(LENGTHS.map(key => [key, length.field(candidate[key])])) as Record<
    LengthKey,
    string
  >
  const block = candidate.blocks[0]
  const solid: SolidKind = block === undefined ? 'none' : block.name === 'ledge' ? 'ledges' : 'wells'
  const along = solid === 'ledges' ? 1 : 0
  return {
    ...lengths,
    name: candidate.name,
    container: candidate.container,
    litres: candidate.litresTold === null ? '' : volume.field(candidate.litresTold),
    wall: candidate.wall,
    wallThickness: String(candidate.wallThicknessMm),
    lid: candidate.lid,
    price: candidate.price === null ? '' : String(candidate.price),
    solid,
    solidIn: block ? length.field(block.to[along] - block.from[along]) : '',
    solidFrom: block ? length.field(block.from[2]) : '0',
    solidTo: block ? length.field(block.to[2]) : '',
  }
}

export type CandidateKept =
  | { readonly kind: 'ready'; readonly candidate: PlanCandidate }
  | { readonly kind: 'question'; readonly candidate: PlanCandidate; readonly question: SizeQuestion }

/** Two of its inner lengths told make an outline a box one knows. */
const TOLD_ENOUGH = 2

/**
 * A container as it was typed. @param before as it stood @param meant the question about its size was answered
 */
export function checkCandidate(
  form: CandidateForm,
  before: PlanCandidate,
  { length, volume }: Measures,
  meant: boolean,
): Checked<CandidateForm, CandidateKept> {
  const errors: Partial<Record<keyof CandidateForm, string>> = {}
  const read = (
    key: keyof CandidateForm,
    words: string,
    min: number,
    max: number,
    parse: (text: string) => number = length.parse,
    say: (value: number) => string = length.text,
  ): number => {
    const value = parse(form[key])
    if (!(value >= min && value <= max))
      errors[key] = `${words}: type a number from ${say(min)} to ${say(max)}.`
    return value
  }
  const { min, max } = bounds.lengthMm
  const mm = Object.fromEntries(
    // inches typed as millimetres are small, and are asked about
    LENGTHS.map(key => [key, read(key, LENGTH_WORDS[key], meant ? min : 1, max)]),
  ) as Record<LengthKey, number>
  const plain = String
  const wallThicknessMm = read('wallThickness', 'Walls, mm thick', 0.02, 50, parseDecimal, plain)
  const litresTold =
    form.litres.trim() === ''
      ? null
      : read('litres', 'What the label says', 0.2, 1000, volume.parse, volume.text)
  const price =
    form.price.trim() === '' ? null : read('price', 'What one costs', 0, 100_000, parseDecimal, plain)
  const name = form.name.trim()
  if (name.length < 1 || name.length > 60) errors.name = 'Name: type 1 to 60 letters.'
  const blocks =
    form.solid === 'none'
      ? []
      : solidsOf(form, mm, {
          inMm: read('solidIn', 'How far it stands in', 1, Math.max(mm.rimLengthMm, mm.rimDepthMm) / 2),
          fromMm: read('solidFrom', 'From', 0, mm.heightMm),
          toMm: read('solidTo', 'Up to', 1, mm.heightMm),
        })
  if (blocks.length > 0 && blocks[0]!.to[2] <= blocks[0]!.from[2])
    errors.solidTo = 'Up to: it ends above where it begins; type a larger number.'
  if (Object.keys(errors).length > 0) return { ok: false, errors }
  const told = (['rimLengthMm', 'rimDepthMm', 'heightMm'] as const).filter(key => mm[key] !== before[key])
  const candidate: PlanCandidate = {
    ...mm,
    name,
    container: form.container,
    sizeKnown: before.sizeKnown !== 'assumed' || told.length >= TOLD_ENOUGH ? 'measured' : before.sizeKnown,
    litresTold,
    wall: form.wall,
    wallThicknessMm,
    lid: form.lid,
    price,
    blocks,
  }
  if (!meant) {
    const question = sizeQuestion(insideOfCandidate(candidate), litresTold)
    if (question) return { ok: true, kept: { kind: 'question', candidate, question } }
    const small = LENGTHS.find(key => mm[key] < min)
    if (small)
      return {
        ok: false,
        errors: {
          [small]: `${LENGTH_WORDS[small]}: type a number from ${length.text(min)} to ${length.text(max)}.`,
        },
      }
  }
  return {
    ok: true,
    kept: { kind: 'ready', candidate },
  }
}

function solidsOf(
  { solid }: CandidateForm,
  mm: Readonly<Record<LengthKey, number>>,
  { inMm, fromMm, toMm }: { inMm: number; fromMm: number; toMm: number },
): PlanCandidate['blocks'] {
  const [halfLength, halfDepth] = [mm.rimLengthMm / 2, mm.rimDepthMm / 2]
  if (solid === 'ledges')
    return [
      { name: 'ledge', from: [-halfLength, -halfDepth, fromMm], to: [halfLength, -halfDepth + inMm, toMm] },
      { name: 'ledge', from: [-halfLength, halfDepth - inMm, fromMm], to: [halfLength, halfDepth, toMm] },
    ]
  // wells stand in from the base, where walls lean in most
  const halfBase = mm.baseLengthMm / 2
  return [
    { name: 'wheel well', from: [-halfBase, -halfDepth, fromMm], to: [-halfBase + inMm, halfDepth, toMm] },
    { name: 'wheel well', from: [halfBase - inMm, -halfDepth, fromMm], to: [halfBase, halfDepth, toMm] },
  ]
}
