import { input, type Answer } from '../answer.ts'
import { HANDFUL_MM, leastBendMm, type Tube } from '../build/fittings.ts'
import type { DrillFacts, Hole } from '../build/holes.ts'
import { newtons, ownWeightNPerMm, stiffnessNMm2, type Rod } from '../build/rod.ts'
import type { RodCut } from '../build/rod-cut.ts'
import { outerWidthMm, standsAcross } from '../build/wall-place.ts'
import { answer, enteredAnswer, totalAnswer } from './answers.ts'

/** Down the leaning wall from its rim, as it is marked. */
export function downAnswer(hole: Hole, { inside }: DrillFacts): Answer {
  const { wall, downMm } = hole.place
  const across = wall === 'wall' ? 0 : standsAcross(wall)
  const what = across === 0 ? 'length' : 'depth'
  return answer(`hole ${hole.id} from the rim`, downMm, 'mm', 'computed', 'along-slope', [
    input('b', 'plumb below the rim', hole.belowRimMm, 'mm', 'computed'),
    input('r', `${what} at the rim`, inside.rimMm[across], 'mm', 'told'),
    input('s', `${what} at the base`, inside.baseMm[across], 'mm', 'told'),
    input('H', 'height to the lid', inside.heightMm, 'mm', 'told'),
  ])
}

/** Level from the edge named, on the outside, at the hole's height. */
export function edgeAnswer(hole: Hole, { inside, wallThicknessMm }: DrillFacts): Answer {
  const { wall, edge, edgeMm } = hole.place
  const wide = outerWidthMm(inside, wallThicknessMm, wall, hole.at[2])
  const quantity = `hole ${hole.id} from the ${edge}`
  if (wall === 'wall')
    return answer(quantity, edgeMm, 'mm', 'computed', 'arc-from-mark', [
      input('W', 'once round the outside at that height', wide, 'mm', 'computed'),
      input('θ', 'degrees from the front', (360 * edgeMm) / wide, '°', 'computed'),
    ])
  const along = standsAcross(wall) === 0 ? hole.at[1] : hole.at[0]
  return answer(quantity, edgeMm, 'mm', 'computed', 'from-edge', [
    input('W', 'wall from edge to edge at that height, outside', wide, 'mm', 'computed'),
    input('a', 'hole from the middle of the wall', Math.abs(along), 'mm', 'computed'),
  ])
}

export const drillAnswer = (hole: Hole, name: string): Answer =>
  enteredAnswer(
    `drill for hole ${hole.id}`,
    name,
    hole.drillMm,
    'mm',
    'told',
    hole.for.what === 'rod' ? 'Half a millimetre over the rod, so that it goes through by hand.' : undefined,
  )

/** What a rod is cut to. */
export const cutAnswer = (cut: RodCut): Answer =>
  answer('rod, cut to', cut.cutMm, 'mm', 'computed', 'rod-cut', [
    input('i', 'inside, between the walls at its height', cut.insideMm, 'mm', 'computed'),
    input('n', 'ends that go through a wall', cut.walls, '', 'computed'),
    input('w', 'through one wall, level', cut.throughWallMm, 'mm', 'told'),
    input('c', 'for a cap at an end', cut.capMm, 'mm', 'told'),
  ])

/** How far it sags where it sags most. */
export function sagAnswer(cut: RodCut, rod: Rod): Answer {
  const loads = cut.loads.flatMap(({ atMm, weightG }, i) => [
    input(`F${i + 1}`, 'weight of a spool', newtons(weightG), 'N', 'told'),
    input(`a${i + 1}`, 'where it hangs', atMm, 'mm', 'computed'),
  ])
  const both = cut.held === 'both ends'
  return answer(
    'rod, sags',
    cut.sagMm,
    'mm',
    'computed',
    both ? 'sag-both-ends' : 'sag-one-end',
    [
      ...loads,
      input('L', both ? 'between its supports' : 'out of the wall', cut.spanMm, 'mm', 'computed'),
      ...(both ? [input('x', 'where it sags most', cut.sagAtMm, 'mm', 'computed')] : []),
      input('w', 'its own weight', ownWeightNPerMm(rod), 'N/mm', 'assumed'),
      input('K', `stiffness E·I of ${rod.material}`, stiffnessNMm2(rod), 'N·mm²', 'assumed'),
    ],
    'Stiffness of the stuff is typical, from memory; a printed rod also creeps.',
  )
}

/** Filament that is pulled off each spool at loading. */
export const threadAnswer = (tube: Tube): Answer =>
  totalAnswer('filament lost at loading', 'mm', [
    ['tube to the printer', tube.runMm],
    ['a hand or two past its end', HANDFUL_MM],
  ])
/** Least radius a tube is bent to. */
export const bendAnswer = (tube: Tube): Answer =>
  answer('least bend of a tube', leastBendMm(tube), 'mm', 'assumed', 'times-each', [
    input(
      'n',
      'times its outside, before it kinks or grips',
      leastBendMm(tube) / tube.outerMm,
      '',
      'assumed',
    ),
    input('m', 'outside of the tube', tube.outerMm, 'mm', 'told'),
  ])
